import { isDay, type Day } from '@dewpond/core/units';
import { DayPicker } from 'react-day-picker';
import { weekBegins } from '../browser/locale';
import { classes } from '../ui/classes';

interface MonthPickerProps {
  readonly chosen: Day | null;
  readonly today: Day;
  readonly min: string | undefined;
  readonly max: string | undefined;
  readonly language: string;
  readonly onChoose: (day: Day) => void;
}

/** A day of a calendar as the picker has it: noon on this machine, so that no clock change makes another day of it. */
const asDate = (day: Day): Date => {
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number);
  return new Date(year, month - 1, date, 12);
};
const asDay = (date: Date): Day =>
  `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}` as Day;

const ARROW = 'size-11 grid place-items-center rounded-lg text-pond hover:bg-pond-pale aria-disabled:opacity-30';

/** One month to take a day from; its week begins as the business's does. */
export function MonthPicker({ chosen, today, min, max, language, onChoose }: MonthPickerProps) {
  const format = (options: Intl.DateTimeFormatOptions) => (date: Date) =>
    new Intl.DateTimeFormat(language, options).format(date);
  const closed = [
    ...(min !== undefined && isDay(min) ? [{ before: asDate(min) }] : []),
    ...(max !== undefined && isDay(max) ? [{ after: asDate(max) }] : []),
  ];
  return (
    <DayPicker
      mode="single"
      autoFocus
      required
      weekStartsOn={weekBegins()}
      selected={chosen ? asDate(chosen) : undefined}
      defaultMonth={asDate(chosen ?? today)}
      today={asDate(today)}
      disabled={closed}
      onSelect={(date) => onChoose(asDay(date))}
      formatters={{
        formatCaption: format({ month: 'long', year: 'numeric' }),
        formatWeekdayName: format({ weekday: 'short' }),
      }}
      classNames={{
        months: 'relative',
        nav: 'absolute inset-x-0 top-0 flex justify-between',
        button_previous: ARROW,
        button_next: ARROW,
        chevron: 'size-5 fill-current',
        month_caption: 'h-11 grid place-items-center font-bold',
        weekday: 'text-xs text-soft font-normal h-8',
        day: 'p-0',
        day_button: 'size-11 rounded-lg tabular-nums hover:bg-pond-pale focus-visible:ring-2 ring-pond',
        today: 'font-bold text-pond',
        selected: classes('bg-pond text-on-pond rounded-lg font-bold'),
        disabled: 'opacity-30',
        outside: 'opacity-30',
      }}
    />
  );
}
