import { useState, type FormEvent, type InputHTMLAttributes, type ReactNode } from 'react';
import { typedText } from '../../forms/typedText';
import { Button, type ButtonLook } from '../../ui/Button';
import { TextField } from '../../ui/Field';

interface AskOneProps {
  /** The one field: a password, a code, an address. */
  readonly field: InputHTMLAttributes<HTMLInputElement> & { readonly label: string };
  /** Sends what was typed; answers why it was not taken, null where it was. */
  readonly ask: (typed: string) => Promise<string | null>;
  /** What the button does, in a word. */
  readonly does: string;
  readonly look?: ButtonLook;
  /** The way back, below the button. */
  readonly onBack?: () => void;
  /** Stands above the field. */
  readonly children?: ReactNode;
}

/** One thing asked of a person before or beside the sign-in, and at the field what was wrong with it. */
export function AskOne({ field, ask, does, look = 'main', onBack, children }: AskOneProps) {
  const [error, setError] = useState<string>();
  const [busy, setBusy] = useState(false);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    setBusy(true);
    const whyNot = await ask(typedText(event.currentTarget, 'typed'));
    setBusy(false);
    setError(whyNot ?? undefined);
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4">
      {children}
      <TextField name="typed" required error={error} {...field} />
      <Button type="submit" look={look} disabled={busy}>
        {does}
      </Button>
      {onBack && (
        <Button look="quiet" onClick={onBack}>
          Back
        </Button>
      )}
    </form>
  );
}

/** The password, once more, before something about the account changes. */
export const PASSWORD_NOW = { label: 'Password', type: 'password', autoComplete: 'current-password' } as const;
/** Six digits, or a recovery code. */
export const CODE = { inputMode: 'numeric', autoComplete: 'one-time-code' } as const;
