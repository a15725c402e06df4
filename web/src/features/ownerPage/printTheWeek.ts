/** Prints the week and nothing else; what is left out is told by the style sheet. */
export function printTheWeek(): void {
  const { dataset } = document.documentElement;
  dataset['print'] = 'week';
  window.addEventListener('afterprint', () => delete dataset['print'], { once: true });
  window.print();
}
