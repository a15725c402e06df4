/** A field that both changed, to different ends. */
export interface FieldClash<Form> {
  readonly field: keyof Form;
  readonly mine: Form[keyof Form];
  readonly theirs: Form[keyof Form];
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Some fields stand in one of them only: a sentence that was changed. */
const fieldsOf = <Form extends object>(...forms: readonly Form[]) =>
  [...new Set(forms.flatMap((form) => Object.keys(form)))] as (keyof Form)[];

/** Field by field the same; one that is missing is one that says nothing. */
export const alike = <Form extends object>(a: Form, b: Form): boolean =>
  fieldsOf(a, b).every((field) => same(a[field], b[field]));

export const clashesOf = <Form extends object>(base: Form, mine: Form, theirs: Form): FieldClash<Form>[] =>
  fieldsOf(mine, theirs)
    .filter((field) => !same(mine[field], base[field]) && !same(theirs[field], base[field]))
    .filter((field) => !same(mine[field], theirs[field]))
    .map((field) => ({ field, mine: mine[field], theirs: theirs[field] }));

/** Fields that only one changed are that one's; of the others this one's where it is named, else the other's. */
export function merged<Form extends object>(
  base: Form,
  mine: Form,
  theirs: Form,
  unsaved: readonly (keyof Form)[],
): Form {
  const clashing = new Set(clashesOf(base, mine, theirs).map(({ field }) => field));
  const takes = (field: keyof Form) =>
    clashing.has(field) ? unsaved.includes(field) : !same(mine[field], base[field]);
  return Object.fromEntries(
    fieldsOf(mine, theirs).map((field) => [field, takes(field) ? mine[field] : theirs[field]]),
  ) as Form;
}

/** The change that makes the one form the other; a field that was not there goes. */
export const changeTo = <Form extends object>(from: Form, to: Form): Partial<Form> =>
  Object.fromEntries(
    fieldsOf(from, to)
      .filter((field) => !same(from[field], to[field]))
      .map((field) => [field, to[field]]),
  ) as Partial<Form>;
