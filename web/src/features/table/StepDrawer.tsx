import { movedBefore, type Step } from '@dewpond/core/visit';
import { ArrowUpToLine, Ban, Check, Circle, CircleDot, Minus } from 'lucide-react';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { classes } from '../../ui/classes';
import type { Table } from './useTable';
import { record } from './visitLog';

interface DrawerProps {
  readonly table: Table;
  readonly open: boolean;
  readonly onClose: () => void;
  readonly onGo: (step: Step) => void;
}

/** All steps in order, with what became of each. */
export function StepDrawer({ table, open, onClose, onGo }: DrawerProps) {
  return (
    <Dialog open={open} onClose={onClose} title={`${table.visit.dog.name}: all steps`} tall>
      <ol className="flex flex-col">
        {table.steps.map((step) => (
          <li key={step.id} className="flex items-stretch">
            <button
              type="button"
              disabled={step.barred !== null}
              onClick={() => onGo(step)}
              className={classes(
                'w-full flex items-center gap-3 text-left min-h-14 px-2 rounded-xl hover:bg-pond-pale disabled:hover:bg-transparent',
                step === table.current && 'font-bold',
              )}
            >
              <Mark table={table} step={step} />
              <span className={step.barred ? 'line-through text-soft' : ''}>{step.title}</span>
              <span className="ml-auto text-sm text-soft text-right">{note(table, step)}</span>
            </button>
            {mayComeNext(table, step) && (
              <Button
                look="quiet"
                className="min-h-14! shrink-0"
                aria-label={`Do next: ${step.title}`}
                onClick={() => table.current && record({ type: 'step moved', step: step.id, before: table.current.id })}
              >
                <ArrowUpToLine size={20} aria-hidden />
              </Button>
            )}
          </li>
        ))}
      </ol>
    </Dialog>
  );
}

/** Whether a step may be pulled forward to be the next: nothing of the trade's order speaks against it. */
function mayComeNext({ steps, state, current }: Table, step: Step): boolean {
  if (!current || step.barred || state.steps[step.id] !== undefined || step.id === current.id) return false;
  if (steps.indexOf(step) < steps.indexOf(current)) return false;
  return movedBefore(steps, step.id, current.id) !== null;
}

function Mark({ table, step }: { readonly table: Table; readonly step: Step }) {
  const mark = table.state.steps[step.id];
  if (step.barred) return <Ban size={20} className="text-stop" aria-label="taken away" />;
  if (mark?.kind === 'done') return <Check size={20} className="text-reed" aria-label="done" />;
  if (mark?.kind === 'skipped') return <Minus size={20} className="text-watch" aria-label="skipped" />;
  return step === table.current ? (
    <CircleDot size={20} className="text-pond" aria-label="now" />
  ) : (
    <Circle size={20} className="text-soft" aria-label="to do" />
  );
}

function note(table: Table, step: Step): string {
  const mark = table.state.steps[step.id];
  if (step.barred) return step.barred.because;
  return mark?.kind === 'skipped' ? mark.because : '';
}
