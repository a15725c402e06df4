import type { Step } from '@dewpond/core/visit';
import { Ban, Check, Circle, CircleDot, Minus } from 'lucide-react';
import { Dialog } from '../../ui/Dialog';
import { classes } from '../../ui/classes';
import type { Table } from './useTable';

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
          <li key={step.id}>
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
          </li>
        ))}
      </ol>
    </Dialog>
  );
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
