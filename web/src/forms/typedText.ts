/** What stands in a field of a plain form; '' where it is no text. */
export function typedText(form: HTMLFormElement, name: string): string {
  const value = new FormData(form).get(name);
  return typeof value === 'string' ? value : '';
}
