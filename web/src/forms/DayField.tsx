import { addDays, isDay, readDay, showDayOfYear, type Day } from '@dewpond/core/units';
import { CalendarDays } from 'lucide-react';
import { lazy, Suspense, useId, useState, type KeyboardEvent } from 'react';
import { Popover } from 'radix-ui';
import { dateOrder, locale } from '../browser/locale';
import { showDay } from '../browser/times';
import { useSession } from '../data/queries';
import { Frame, fieldClasses, type Labelled } from '../ui/Field';
import { classes } from '../ui/classes';

const MonthPicker = lazy(() => import('./MonthPicker').then((its) => ({ default: its.MonthPicker })));

interface DayFieldProps extends Labelled {
  /** `YYYY-MM-DD`, or what was typed while that is no day; empty: none. */
  readonly value: string;
  readonly onChange: (event: { readonly target: { readonly value: string } }) => void;
  readonly name?: string;
  readonly min?: string | undefined;
  readonly max?: string | undefined;
  readonly required?: boolean;
  readonly className?: string;
  /** Read aloud instead of the label. */
  readonly 'aria-label'?: string;
  /** As a language (BCP 47) writes it, where that is not the business's: on an owner's page. */
  readonly language?: string;
  /** Where nobody is signed in. */
  readonly today?: Day;
}

/** What keys do to a day. */
const STEPS: Readonly<Record<string, number>> = { ArrowUp: 1, ArrowDown: -1, PageUp: 7, PageDown: -7 };

/**
 * A day, typed as one would write it ("3 dec", "thu", "+14", "5w") or taken from a month; shown as the business writes
 * dates, never as this browser does. Arrows go by days, Page Up and Page Down by weeks.
 */
export function DayField({
  label,
  labelHidden = false,
  hint,
  error,
  value,
  onChange,
  min,
  max,
  ...rest
}: DayFieldProps) {
  const { className, today: given, language = locale(), required, name } = rest;
  const id = useId();
  const session = useSession(given === undefined);
  const today = given ?? session.data?.today ?? (isDay(value) ? value : ('2026-01-01' as Day));
  const [typed, setTyped] = useState<string | null>(null);
  const [isOpen, setOpen] = useState(false);
  const shown = isDay(value) ? showDayOfYear(value, language) : value;
  const take = (day: string) => onChange({ target: { value: day } });
  const read = (text: string) => {
    const near = max !== undefined && max <= today ? 'behind' : 'ahead';
    const order = language === 'en-US' ? 'month first' : rest.language ? 'day first' : dateOrder();
    return readDay(text, { today, order, near });
  };
  // On an owner's page what does not fit is not taken; its words are the page's own.
  const trouble = rest.language ? undefined : problemOf(value, { min, max, language });
  const step = (event: KeyboardEvent) => {
    const by = STEPS[event.key];
    if (by === undefined) return;
    event.preventDefault();
    setTyped(null);
    take(addDays(isDay(value) ? value : today, isDay(value) ? by : 0));
  };
  return (
    <Frame
      id={id}
      label={label}
      labelHidden={labelHidden}
      hint={hint}
      error={error ?? (typed === null ? trouble : undefined)}
    >
      <Popover.Root open={isOpen} onOpenChange={setOpen}>
        <Popover.Anchor className="relative">
          <input
            id={id}
            name={name}
            required={required}
            autoComplete="off"
            aria-label={rest['aria-label']}
            aria-invalid={Boolean(error)}
            aria-describedby={`${id}-note`}
            className={fieldClasses(error, classes('pr-24', className))}
            value={typed ?? shown}
            onFocus={(event) => event.target.select()}
            onBlur={() => setTyped(null)}
            onKeyDown={step}
            onChange={({ target }) => {
              setTyped(target.value);
              take(target.value.trim() === '' ? '' : (read(target.value) ?? target.value));
            }}
          />
          {isDay(value) && (
            <span
              aria-hidden
              className="absolute right-11 top-1/2 -translate-y-1/2 text-sm text-soft pointer-events-none"
            >
              {typed === null ? showDay(value, language).split(' ')[0]?.replace(',', '') : showDay(value, language)}
            </span>
          )}
          <Popover.Trigger
            aria-label={monthWord(language)}
            aria-describedby={`${id}-label`}
            className="absolute right-0 inset-y-0 w-11 grid place-items-center rounded-r-xl text-pond hover:bg-pond-pale"
          >
            <CalendarDays className="size-5" aria-hidden />
          </Popover.Trigger>
        </Popover.Anchor>
        <Popover.Portal>
          <Popover.Content
            align="end"
            sideOffset={6}
            collisionPadding={12}
            className="z-50 rounded-xl border border-line bg-surface p-3 shadow-lg"
          >
            <Suspense fallback={<p className="text-soft">One moment…</p>}>
              <MonthPicker
                chosen={isDay(value) ? value : null}
                today={today}
                min={min}
                max={max}
                language={language}
                onChoose={(day) => {
                  take(day);
                  setTyped(null);
                  setOpen(false);
                }}
              />
            </Suspense>
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </Frame>
  );
}

/** "month", in a language: the button beside the field; its description is the field's label. */
const monthWord = (language: string): string =>
  new Intl.DisplayNames(language, { type: 'dateTimeField' }).of('month') ?? 'month';

interface Limits {
  readonly min: string | undefined;
  readonly max: string | undefined;
  readonly language: string;
}

/** What is wrong with a day, once one has left the field. */
function problemOf(value: string, { min, max, language }: Limits): string | undefined {
  if (value === '') return undefined;
  if (!isDay(value)) return 'That is no day. Try “3 dec” or “+14”.';
  if (min !== undefined && isDay(min) && value < min) return `${showDayOfYear(min, language)} at the earliest.`;
  if (max !== undefined && isDay(max) && value > max) return `${showDayOfYear(max, language)} at the latest.`;
  return undefined;
}
