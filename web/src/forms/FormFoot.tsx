import type { ReactNode } from 'react';
import type { FormDraft } from './useDraft';
import { Button } from '../ui/Button';

interface FormFootProps {
  readonly draft: Pick<FormDraft<object>, 'refusal'> & { readonly clashes: unknown };
  /** What the button does, in a word. */
  readonly does?: string;
  /** It is on its way, or cannot go yet. */
  readonly disabled: boolean;
  /** What else one may do: archive, cancel. */
  readonly children?: ReactNode;
}

/** What the server said of the whole; two changes of one thing say so themselves. */
export const FormSays = ({ draft }: Pick<FormFootProps, 'draft'>) =>
  draft.refusal !== undefined &&
  draft.clashes === null && (
    <p role="alert" className="col-span-full text-stop font-semibold">
      {draft.refusal}
    </p>
  );

/** The end of a form: what the server said of the whole, and the one button that sends it. */
export const FormFoot = ({ draft, does = 'Keep', disabled, children }: FormFootProps) => (
  <>
    <FormSays draft={draft} />
    <div className="col-span-full flex justify-between flex-row-reverse">
      <Button type="submit" look="main" disabled={disabled}>
        {does}
      </Button>
      {children}
    </div>
  </>
);
