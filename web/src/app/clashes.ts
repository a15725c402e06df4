/** A field that both changed, to different ends. */
export interface Clash<Form> {
  readonly field: keyof Form;
  readonly mine: Form[keyof Form];
  readonly theirs: Form[keyof Form];
}

export const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

const fieldsOf = <Form extends object>(form: Form) => Object.keys(form) as (keyof Form)[];

export const clashesOf = <Form extends object>(base: Form, mine: Form, theirs: Form): Clash<Form>[] =>
  fieldsOf(mine)
    .filter((field) => !same(mine[field], base[field]) && !same(theirs[field], base[field]))
    .filter((field) => !same(mine[field], theirs[field]))
    .map((field) => ({ field, mine: mine[field], theirs: theirs[field] }));

/** Fields that only one changed are that one's; of the others this one's where it is named, else the other's. */
export function merged<Form extends object>(base: Form, mine: Form, theirs: Form, kept: readonly (keyof Form)[]): Form {
  const clashing = new Set(clashesOf(base, mine, theirs).map(({ field }) => field));
  const takes = (field: keyof Form) => (clashing.has(field) ? kept.includes(field) : !same(mine[field], base[field]));
  return Object.fromEntries(fieldsOf(mine).map((field) => [field, takes(field) ? mine[field] : theirs[field]])) as Form;
}
