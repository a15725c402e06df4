import { useState } from 'react';

/** Something as the office has it, and as a form shows it. */
export interface Kept<Form> {
  readonly version: number;
  readonly form: Form;
}

/** A field that both changed, to different ends. */
export interface Clash<Form> {
  readonly field: keyof Form;
  readonly mine: Form[keyof Form];
  readonly theirs: Form[keyof Form];
}

export interface Draft<Form> {
  readonly form: Form;
  readonly set: (change: Partial<Form>) => void;
  /** The version that was read when typing began: what a save names. */
  readonly version: number;
  /** Something was typed since. */
  readonly isTyped: boolean;
  /** What someone else changed meanwhile and this one, too; null while nobody did. Empty: the two do not meet. */
  readonly clashes: readonly Clash<Form>[] | null;
  /** What stands here was kept, as this version. */
  readonly saved: (version: number) => void;
  /** Takes over what someone else changed; of clashing fields this one's where it is named. */
  readonly takeOver: (mine: readonly (keyof Form)[]) => void;
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * A form over something that others may change. What was typed survives every refetch; a form in which nothing was typed
 * follows the office. Where both changed something, a person chooses field by field.
 */
export function useDraft<Form extends object>(now: Kept<Form>): Draft<Form> {
  const [{ base, form }, setDraft] = useState({ base: now, form: now.form });
  const isBehind = now.version > base.version;
  const isTyped = !same(form, base.form);
  const isOlder = now.version < base.version;
  if (!isOlder && !isTyped && !same(now.form, base.form)) setDraft({ base: now, form: now.form });
  // Something else of it changed, put away or a sentence: nothing here meets what was typed.
  else if (isBehind && same(now.form, base.form)) setDraft({ base: now, form });
  return {
    form,
    set: (change) => setDraft((before) => ({ ...before, form: { ...before.form, ...change } })),
    version: base.version,
    isTyped,
    clashes: isBehind && isTyped ? clashesOf(base.form, form, now.form) : null,
    saved: (version) => setDraft((before) => ({ ...before, base: { version, form: before.form } })),
    takeOver: (mine) => setDraft({ base: now, form: merged(base.form, form, now.form, mine) }),
  };
}

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
