import { isInterval, INTERVAL_LIMITS } from '@dewpond/core/dog';
import { HOUSE_VALUE } from '@dewpond/core/provenance';
import type { Interval } from '@dewpond/core/rhythm';
import { INTERVAL_ROWS, type IntervalRow } from '@dewpond/core/rules';
import { TASKS, type Task } from '@dewpond/core/tasks';
import { PencilLine } from 'lucide-react';
import { useEffect, useState } from 'react';
import { typedNumber } from '../../../forms/typedNumber';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { Dialog } from '../../../ui/Dialog';
import { TextField } from '../../../ui/Field';
import { SourceMark } from '../../../ui/SourceMark';
import type { BookChanges } from './useBookChanges';
import { AS_SHIPPED, daysOf, dogsWords, oneChoice, showDays, type WayChoices } from './wayChoices';

interface IntervalsCardProps {
  readonly choices: WayChoices;
  readonly disabled: boolean;
  readonly onChange: (change: Partial<WayChoices>) => void;
  readonly changes: BookChanges;
}

const nameOf = ({ id, task }: IntervalRow): string => id.slice(task.length + 2);
const setIn = (choices: WayChoices, { id }: IntervalRow): Interval | null => daysOf(choices[`every ${id}`]);

/** How often: row by row of the rules, with the days of the business where it sees a row otherwise. */
export function IntervalsCard({ choices, disabled, onChange, changes }: IntervalsCardProps) {
  const [changing, setChanging] = useState<IntervalRow | null>(null);
  const tasks = [...new Set(INTERVAL_ROWS.map(({ task }) => task))];
  return (
    <Card
      title="How often"
      aside={
        <SourceMark
          source={HOUSE_VALUE}
          because="Where each dog begins; what is found at its visits moves its own days between least and most. A dog’s life (swims, dirty work) goes before its coat and ears, a vet’s word before everything here."
        />
      }
    >
      <div className="columns-2 max-lg:columns-1 gap-8">
        {tasks.map((task) => (
          <TaskRows
            key={task}
            task={task}
            choices={choices}
            decides={changes.decides}
            disabled={disabled}
            onChoose={setChanging}
          />
        ))}
      </div>
      {changing && (
        <DaysDialog
          row={changing}
          set={setIn(choices, changing)}
          changes={changes}
          onKeep={(set) => {
            onChange(oneChoice(`every ${changing.id}`, set ?? AS_SHIPPED));
            setChanging(null);
          }}
          onClose={() => setChanging(null)}
        />
      )}
    </Card>
  );
}

interface TaskRowsProps {
  readonly task: Task;
  readonly choices: WayChoices;
  readonly decides: BookChanges['decides'];
  readonly disabled: boolean;
  readonly onChoose: (row: IntervalRow) => void;
}

function TaskRows({ task, choices, decides, disabled, onChoose }: TaskRowsProps) {
  return (
    <section aria-label={TASKS[task].name} className="break-inside-avoid mb-4">
      <h3 className="text-sm font-semibold text-soft mb-1">{TASKS[task].name}</h3>
      <ul>
        {INTERVAL_ROWS.filter((row) => row.task === task).map((row) => {
          const set = setIn(choices, row);
          return (
            <li
              key={row.id}
              className="grid grid-cols-[1fr_auto_auto] max-md:grid-cols-[1fr_auto] items-center gap-x-3 border-t border-line first:border-0 py-1"
            >
              <span className="min-w-0">
                <span className="first-letter:uppercase inline-block">{nameOf(row)}</span>
                {decides[row.id] !== undefined && (
                  <span className="text-sm text-pond"> {dogsWords(decides[row.id] ?? 0)}</span>
                )}
                {set && <span className="block text-sm text-pond">shipped: {showDays(row.ships)}</span>}
              </span>
              <b className="font-semibold tabular-nums text-right max-md:col-start-1 max-md:row-start-2 max-md:text-left">
                {showDays(set ?? row.ships)}
              </b>
              {!disabled && (
                <Button
                  look="quiet"
                  className="max-md:row-span-2 max-md:row-start-1 max-md:col-start-2"
                  aria-label={`Other days: ${TASKS[task].name.toLowerCase()}, ${nameOf(row)}`}
                  onClick={() => onChoose(row)}
                >
                  <PencilLine size={18} aria-hidden />
                </Button>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

interface DaysDialogProps {
  readonly row: IntervalRow;
  readonly set: Interval | null;
  readonly changes: BookChanges;
  readonly onKeep: (set: Interval | null) => void;
  readonly onClose: () => void;
}

const sameDays = (a: Interval, b: Interval): boolean => a.usual === b.usual && a.least === b.least && a.most === b.most;

const FIELDS = [
  ['usual', 'Usual, days'],
  ['least', 'Least, days'],
  ['most', 'Most, days'],
] as const;

/** Other days for a row, with how many plans they would change before they are kept. */
function DaysDialog({ row, set, changes, onKeep, onClose }: DaysDialogProps) {
  const stands = set ?? row.ships;
  const [typed, setTyped] = useState({
    usual: String(stands.usual),
    least: String(stands.least),
    most: String(stands.most),
  });
  const days = { usual: typedNumber(typed.usual), least: typedNumber(typed.least), most: typedNumber(typed.most) };
  const { usual, least, most } = days;
  const fits = isInterval(days);
  const { tryDays } = changes;
  useEffect(() => {
    if (fits) tryDays(row.id, { usual, least, most });
  }, [fits, usual, least, most, row.id, tryDays]);
  const counted = changes.days;
  const known = counted?.row === row.id && counted.set !== null && sameDays(counted.set, days) ? counted : null;
  return (
    <Dialog
      open
      onClose={onClose}
      title={`${TASKS[row.task].name}: ${nameOf(row)}`}
      says={`As it ships: ${showDays(row.ships)}: ${row.because}.`}
    >
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          if (fits) onKeep(sameDays(days, row.ships) ? null : days);
        }}
      >
        <div className="grid grid-cols-3 gap-3">
          {FIELDS.map(([field, label]) => (
            <TextField
              key={field}
              label={label}
              inputMode="numeric"
              value={typed[field]}
              onChange={(event) => setTyped({ ...typed, [field]: event.target.value })}
            />
          ))}
        </div>
        {fits ? (
          <p className="text-soft min-h-6" aria-live="polite">
            {known &&
              (known.changed === 0 ? 'No plan would change.' : `Would change ${known.changed} of ${known.of} plans.`)}
          </p>
        ) : (
          <p role="alert" className="text-stop font-semibold">
            Whole days, 1 to {INTERVAL_LIMITS.most}: least, then usual, then most.
          </p>
        )}
        <div className="flex justify-end gap-3">
          {set && (
            <Button type="button" look="quiet" onClick={() => onKeep(null)}>
              As it ships
            </Button>
          )}
          <Button type="submit" look="main">
            Set these days
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
