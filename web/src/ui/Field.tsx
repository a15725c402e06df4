import { Eye, EyeOff } from 'lucide-react';
import { useId, useState, type InputHTMLAttributes, type ReactNode, type TextareaHTMLAttributes } from 'react';
import { classes } from './classes';

/** How a field is framed. */
const BOX = 'w-full rounded-xl border bg-surface px-3 min-h-11 text-ink placeholder:text-soft';
const border = (error: string | undefined) => (error ? 'border-stop' : 'border-line');
export const fieldClasses = (error: string | undefined, className: string | undefined): string =>
  classes(BOX, border(error), className);

export interface Labelled {
  readonly label: string;
  /** Read aloud, not shown: the row beside it says it. */
  readonly labelHidden?: boolean;
  readonly hint?: ReactNode;
  readonly error?: string | undefined;
}

/** A label above a field, and below it what is wrong with it, or what helps. */
export function Frame({
  id,
  label,
  labelHidden = false,
  hint,
  error,
  children,
}: Labelled & { readonly id: string; readonly children: ReactNode }) {
  return (
    <div className="flex flex-col gap-1 min-w-0">
      <label id={`${id}-label`} htmlFor={id} className={labelHidden ? 'sr-only' : 'text-sm font-semibold'}>
        {label}
      </label>
      {children}
      {error ? (
        <p id={`${id}-note`} role="alert" className="text-sm text-stop font-semibold">
          {error}
        </p>
      ) : (
        hint && (
          <p id={`${id}-note`} className="text-sm text-soft">
            {hint}
          </p>
        )
      )}
    </div>
  );
}

export function TextField({
  label,
  hint,
  error,
  className,
  ...rest
}: Labelled & InputHTMLAttributes<HTMLInputElement>) {
  const id = useId();
  const [shown, setShown] = useState(false);
  const isSecret = rest.type === 'password';
  const input = (
    <input
      id={id}
      aria-invalid={Boolean(error)}
      aria-describedby={`${id}-note`}
      className={fieldClasses(error, classes(isSecret && 'pr-12', className))}
      {...rest}
      {...(isSecret && shown ? { type: 'text', spellCheck: false, autoCapitalize: 'off' } : {})}
    />
  );
  return (
    <Frame id={id} label={label} hint={hint} error={error}>
      {isSecret ? (
        <div className="relative">
          {input}
          <SeeIt shown={shown} onChange={setShown} />
        </div>
      ) : (
        input
      )}
    </Frame>
  );
}

/** With wet hands one mistypes: what is hidden may be looked at. */
function SeeIt({ shown, onChange }: { readonly shown: boolean; readonly onChange: (shown: boolean) => void }) {
  const Icon = shown ? EyeOff : Eye;
  return (
    <button
      type="button"
      aria-label="Show what is typed"
      aria-pressed={shown}
      onClick={() => onChange(!shown)}
      className="absolute right-0 top-0 grid place-items-center size-11 rounded-xl text-soft hover:text-ink"
    >
      <Icon size={18} aria-hidden />
    </button>
  );
}

/** Several lines of words. */
export function LongField({
  label,
  hint,
  error,
  className,
  ...rest
}: Labelled & TextareaHTMLAttributes<HTMLTextAreaElement>) {
  const id = useId();
  return (
    <Frame id={id} label={label} hint={hint} error={error}>
      <textarea
        id={id}
        aria-invalid={Boolean(error)}
        aria-describedby={`${id}-note`}
        className={fieldClasses(error, classes('py-2 leading-snug', className))}
        {...rest}
      />
    </Frame>
  );
}
