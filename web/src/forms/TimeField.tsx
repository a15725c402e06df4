import { readTime } from '@dewpond/core/units';
import { useId, useState, type KeyboardEvent } from 'react';
import { fieldTime, wallTime } from '../browser/times';
import { Frame, fieldClasses, type Labelled } from '../ui/Field';

interface TimeFieldProps extends Labelled {
  /** `HH:MM`, or what was typed while that is no time. */
  readonly value: string;
  readonly onChange: (event: { readonly target: { readonly value: string } }) => void;
  readonly name?: string;
  readonly required?: boolean;
  readonly className?: string;
}

/** Quarters of an hour by the arrows. */
const STEPS: Readonly<Record<string, number>> = { ArrowUp: 15, ArrowDown: -15 };

/** A time, typed as one would ("9", "930", "2pm"), shown as the business writes times. Arrows go by quarters of an hour. */
export function TimeField({ label, hint, error, value, onChange, className, ...rest }: TimeFieldProps) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const minute = readTime(value);
  const take = (text: string) => onChange({ target: { value: text } });
  const trouble = value !== '' && minute === null && typed === null ? 'That is no time. Try “9:30”.' : undefined;
  const step = (event: KeyboardEvent) => {
    const by = STEPS[event.key];
    if (by === undefined || minute === null) return;
    event.preventDefault();
    setTyped(null);
    take(fieldTime((minute + by + 1440) % 1440));
  };
  return (
    <Frame id={id} label={label} hint={hint} error={error ?? trouble}>
      <input
        id={id}
        autoComplete="off"
        aria-invalid={Boolean(error)}
        aria-describedby={`${id}-note`}
        className={fieldClasses(error, className)}
        value={typed ?? (minute === null ? value : wallTime(minute))}
        onFocus={(event) => event.target.select()}
        onBlur={() => setTyped(null)}
        onKeyDown={step}
        onChange={({ target }) => {
          setTyped(target.value);
          const read = readTime(target.value);
          take(read === null ? target.value : fieldTime(read));
        }}
        {...rest}
      />
    </Frame>
  );
}
