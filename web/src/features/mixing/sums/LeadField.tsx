import { useId, useState, type KeyboardEvent, type ReactNode } from 'react';
import { typedNumber } from '../../../forms/typedNumber';
import { classes } from '../../../ui/classes';

interface LeadProps {
  readonly label: string;
  readonly unit: string;
  /** As shown; null: nothing to show. */
  readonly value: number | null;
  readonly decimals: number;
  /** This is the number the others follow. */
  readonly leads: boolean;
  readonly onLead: (value: number) => void;
  /** What an arrow key adds or takes. */
  readonly step: number;
  readonly large?: boolean;
  readonly disabled?: boolean;
  readonly autoFocus?: boolean;
  readonly children?: ReactNode;
}

/** One number of the picture: whoever types in it makes it lead. Arrow keys go by its step. */
export function LeadField(props: LeadProps) {
  const {
    label,
    unit,
    value,
    decimals,
    leads,
    onLead,
    step,
    large = false,
    disabled = false,
    autoFocus,
    children,
  } = props;
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const shown = typed ?? (value === null ? '' : String(Number(value.toFixed(decimals))));
  const type = (text: string) => {
    setTyped(text);
    const number = typedNumber(text);
    onLead(Number.isFinite(number) ? number : 0);
  };
  const nudge = (event: KeyboardEvent) => {
    if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
    event.preventDefault();
    // From a number between two steps to the next one, not past it.
    const steps = (value ?? 0) / step;
    const next = (event.key === 'ArrowUp' ? Math.floor(steps + 1e-9) + 1 : Math.ceil(steps - 1e-9) - 1) * step;
    setTyped(null);
    onLead(Math.max(0, Number(next.toFixed(4))));
  };
  return (
    <div
      className={classes(
        'rounded-xl border px-3 py-1.5 min-w-0 has-[input:focus-visible]:outline-3 has-[input:focus-visible]:outline-pond has-[input:focus-visible]:outline-offset-2',
        leads ? 'border-pond bg-pond-pale' : 'border-line bg-surface',
        disabled && 'opacity-60',
      )}
    >
      <label htmlFor={id} className="flex items-baseline justify-between gap-2 text-sm">
        <span className={leads ? 'font-bold text-pond' : 'font-semibold'}>{label}</span>
        {leads && <span className="text-[12px] font-bold text-pond">leads</span>}
      </label>
      <div className="flex items-baseline gap-1.5">
        <input
          id={id}
          inputMode="decimal"
          autoComplete="off"
          disabled={disabled}
          autoFocus={autoFocus}
          value={shown}
          onFocus={(event) => event.target.select()}
          onBlur={() => setTyped(null)}
          onChange={(event) => type(event.target.value)}
          onKeyDown={nudge}
          className={classes(
            'w-full min-w-0 bg-transparent font-bold outline-none!',
            large ? 'text-[32px] leading-tight' : 'text-2xl',
          )}
        />
        <span className="text-soft shrink-0">{unit}</span>
      </div>
      {children}
    </div>
  );
}
