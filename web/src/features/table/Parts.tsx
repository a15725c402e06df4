import type { Step } from '@dewpond/core/steps';
import { Check } from 'lucide-react';
import { Button } from '../../ui/Button';
import { classes } from '../../ui/classes';
import type { TableWork } from './useTable';
import { record } from './visitLog';

/** A step that is checked part by part: each is touched once it was felt, or cleaned. */
export function Parts({
  table,
  step,
  name,
  all,
}: {
  readonly table: TableWork;
  readonly step: Step;
  readonly name: string;
  /** What one says of all that are left, by how many they are. */
  readonly all: (left: number) => string;
}) {
  const ticked = table.state.checked[step.id] ?? [];
  const left = step.parts.filter((part) => !ticked.includes(part));
  const check = (...parts: readonly string[]) =>
    record(...parts.map((part) => ({ type: 'checked' as const, step: step.id, part })));
  return (
    <section aria-label={name} className="my-3">
      <div
        className={classes('grid max-md:grid-cols-2 gap-2', step.parts.length === 5 ? 'grid-cols-5' : 'grid-cols-4')}
      >
        {step.parts.map((part) => {
          const done = ticked.includes(part);
          return (
            <button
              key={part}
              type="button"
              aria-pressed={done}
              onClick={() => check(part)}
              className={classes(
                'flex items-center justify-between rounded-xl border min-h-16 px-4 text-lg font-semibold',
                done ? 'border-reed bg-reed-pale text-reed' : 'border-line bg-surface hover:bg-pond-pale',
              )}
            >
              <span className="first-letter:uppercase">{part}</span>
              {done && <Check size={22} aria-hidden />}
            </button>
          );
        })}
      </div>
      {left.length > 1 && (
        <Button look="quiet" className="min-h-14! mt-2" onClick={() => check(...left)}>
          <Check size={18} aria-hidden /> {all(left.length)}
        </Button>
      )}
    </section>
  );
}
