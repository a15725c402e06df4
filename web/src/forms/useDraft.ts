import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect, useRef, type FormEventHandler } from 'react';
import { get, useForm, useWatch, type FieldError, type FieldErrors, type FieldValues } from 'react-hook-form';
import { z } from 'zod';
import { Refused } from '../api/call';
import { alike, clashesOf, merged, type FieldClash } from './clashes';
import { firstSaid, useShown } from './refusals';

/** Something as the server has it, and as a form shows it. */
export interface SeenRow<Form> {
  readonly version: number;
  readonly form: Form;
}

/** What a form sends, and the contract's own schema that it has to fit. */
interface Sending<Form, Schema extends z.ZodType, Body extends z.input<Schema>> {
  /** Never throws: what does not fit stays as it is, and the schema says so at its field. */
  readonly as: (form: Form) => Body;
  readonly fits: Schema;
}

/** The fields of a form that hold text. */
type TextOf<Form> = { [K in keyof Form]: Form[K] extends string ? K : never }[keyof Form] & string;

/** What a text field or a choice needs of its form. */
interface FormField<Value extends string> {
  readonly name: string;
  readonly value: Value;
  readonly error: string | undefined;
  readonly onChange: (event: { readonly target: { readonly value: string } }) => void;
}

/** What the fields of a form need of it. */
export interface Fields<Form> {
  readonly form: Form;
  readonly set: (change: Partial<Form>) => void;
  /** A field of text; `path` names it in what is sent, where that differs. */
  readonly field: <Key extends TextOf<Form>>(key: Key, path?: string) => FormField<Form[Key] & string>;
  /** What does not fit, by its path in what is sent: found here before it goes, or by the server. */
  readonly at: (path: string) => string | undefined;
  /** The first thing that does not fit at a path or anywhere in it. */
  readonly within: (path: string) => string | undefined;
}

export interface FormDraft<Form, Body = unknown> extends Fields<Form> {
  /** Says at the fields what the server did not take; what is about no field is said of the whole. */
  readonly refuse: (error: Error) => void;
  /** What the server said of the whole. */
  readonly refusal: string | undefined;
  /** Sends what was typed if it fits; else the first field that does not has the cursor. */
  readonly submit: (send: (body: Body) => void) => FormEventHandler<HTMLFormElement>;
  /** The version that was read when typing began: what a save names. */
  readonly version: number;
  /** Something was typed since. */
  readonly isTyped: boolean;
  /** What someone else changed meanwhile and this one, too; null while nobody did. Empty: the two do not meet. */
  readonly clashes: readonly FieldClash<Form>[] | null;
  /** Empty again, for the next one. */
  readonly again: () => void;
  /** What stands in the form at this moment, rendered or not. */
  readonly typed: () => Form;
  /** As it was when typing began. */
  readonly before: Form;
  /** What was sent was kept, as this version; what was typed since is still to be sent. */
  readonly saved: (version: number, sent?: Form) => void;
  /** Takes over what someone else changed; of clashing fields this one's where it is named. */
  readonly takeOver: (mine: readonly (keyof Form)[]) => void;
}

/** Something that is not there yet, as a form begins. */
export const fresh = <Form>(form: Form): SeenRow<Form> => ({ version: 0, form });

/**
 * A form over something that others may change. What was typed survives every refetch; a form in which nothing was typed
 * follows the server. Where both changed something, a person chooses field by field. Before anything is sent it is held
 * against the contract's schema.
 */
export function useDraft<Form extends object, Schema extends z.ZodType, Body extends z.input<Schema>>(
  now: SeenRow<Form>,
  { as, fits }: Sending<Form, Schema, Body>,
): FormDraft<Form, Body> {
  const schema = z
    .custom<Held>()
    .transform(({ form }): unknown => as(form as Form))
    .pipe(fits as z.ZodType);
  const { control, getValues, reset, setValues, setError, clearErrors, trigger, handleSubmit, formState } =
    useForm<Held>({
      defaultValues: { base: now, form: now.form },
      resolver: zodResolver(schema, undefined, { mode: 'sync', raw: true }),
      reValidateMode: 'onSubmit',
      shouldFocusError: false,
    });
  const { errors, isSubmitted } = formState;
  const { base, form } = useWatch({ control }) as { readonly base: SeenRow<Form>; readonly form: Form };
  const isBehind = now.version > base.version;
  const isTyped = !alike(form, base.form);
  const isElse = !alike(now.form, base.form);
  const isAlike = alike(now.form, form);
  useEffect(() => {
    // Something else of it changed, archived or a sentence: nothing here meets what was typed.
    if (isBehind && !isElse) setValues({ base: now });
    else if (isElse && (!isTyped || isAlike) && now.version >= base.version) setValues({ base: now, form: now.form });
  }, [base, isBehind, isElse, isTyped, isAlike, now, setValues]);
  const shown = useShown(errors, (message) => setError('root', { message }));
  const set = (change: Partial<Form>) => {
    setValues((before) => ({ ...before, form: { ...before.form, ...change } }));
    // Once it was sent, every word typed may be the one that was missing.
    if (isSubmitted) void trigger();
  };
  const sent = useRef(now.form);
  const at = (path: string) => get<unknown, FieldError | undefined>(errors, path)?.message;
  return {
    form,
    set,
    at,
    within: (path) => at(path) ?? firstSaid(get<unknown, FieldErrors | undefined>(errors, path))?.message,
    field: (key, path = key) => ({
      name: key,
      value: form[key] as Form[typeof key] & string,
      error: at(path),
      onChange: ({ target }) => set({ [key]: target.value } as unknown as Partial<Form>),
    }),
    refusal: at('root'),
    refuse: (error) => {
      const fields = error instanceof Refused ? (error.problem.fields ?? []) : [];
      for (const { path, message } of fields) setError(path as 'form', { message });
      if (fields.length === 0) setError('root', { message: error.message });
      else shown.next();
    },
    submit: (send) => (event) => {
      // A dialog's form stands inside the page's in the tree of screens: sending one is not sending both.
      event.stopPropagation();
      shown.on(event.currentTarget);
      void handleSubmit(({ form: typed }) => {
        sent.current = typed as Form;
        send(as(sent.current));
      }, shown.next)(event);
    },
    version: base.version,
    isTyped,
    clashes: isBehind && isTyped ? clashesOf(base.form, form, now.form) : null,
    again: () => reset({ base: now, form: now.form }),
    typed: () => getValues('form') as Form,
    before: base.form,
    saved: (version, what = sent.current) => setValues({ base: { version, form: what } }),
    takeOver: (mine) => {
      setValues({ base: now, form: merged(base.form, form, now.form, mine) });
      clearErrors();
    },
  };
}

/** What stands in the form, and what it began from. */
interface Held {
  base: SeenRow<FieldValues>;
  form: FieldValues;
}
