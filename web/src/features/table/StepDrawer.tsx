import { asPlannedUpTo, moveRefused, needsAnswer, neededNothing } from '@dewpond/core/visit';
import { titleWords, type Step } from '@dewpond/core/steps';
import { reasonsTold } from '@dewpond/core/wording';
import { useState } from 'react';
import { ArrowUpToLine, Ban, Check, CheckCheck, Circle, CircleDot, Eye, Minus } from 'lucide-react';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { classes } from '../../ui/classes';
import { tell } from '../../ui/tell';
import type { TableWork } from './useTable';
import { record } from './visitLog';

interface DrawerProps {
  readonly table: TableWork;
  readonly open: boolean;
  readonly onClose: () => void;
  readonly onGo: (step: Step) => void;
}

/** All steps in order, with what became of each. */
export function StepDrawer({ table, open, onClose, onGo }: DrawerProps) {
  const [refused, setRefused] = useState<{ readonly step: string; readonly why: string } | null>(null);
  /** Pulled forward to be the next; or what would go wrong, where something must come before it. */
  const doNext = (step: Step) => {
    if (!table.current) return;
    const why = moveRefused(table.steps, step.id, table.current.id);
    setRefused(why === null ? null : { step: step.id, why: `Not next: ${why}` });
    if (why === null) record({ type: 'step moved', step: step.id, before: table.current.id });
  };
  /** All that needs no answer, up to this one, in one go; or what stands in the way. */
  const doUpTo = (step: Step) => {
    const may = asPlannedUpTo(table.state, table.steps, table.plan, step);
    if (may.kind === 'stopped') {
      setRefused({ step: step.id, why: `Not in one go. ${titleWords(may.at.title)}: ${may.why}.` });
      return;
    }
    const ids = may.steps.map(({ id }) => id);
    record(...ids.map((id) => ({ type: 'step done' as const, step: id })));
    tell(`${ids.length} steps done, as planned.`, {
      undo: () => record(...ids.toReversed().map((id) => ({ type: 'step undone' as const, step: id }))),
    });
    onClose();
  };
  return (
    <Dialog open={open} onClose={onClose} title={`${table.visit.dog.name}: all steps`} tall>
      <ol className="flex flex-col">
        {table.steps.map((step) => (
          <li key={step.id} className="flex flex-wrap items-stretch">
            <button
              type="button"
              disabled={step.barred !== null}
              onClick={() => onGo(step)}
              className={classes(
                'flex-1 min-w-0 flex items-center gap-3 text-left min-h-14 px-2 rounded-xl hover:bg-pond-pale disabled:hover:bg-transparent',
                step === table.current && 'font-bold',
              )}
            >
              <Mark table={table} step={step} />
              <span className={step.barred ? 'line-through text-soft' : ''}>{titleWords(step.title)}</span>
              <span className="ml-auto text-sm text-soft text-right">{note(table, step)}</span>
            </button>
            {comesLater(table, step) && needsAnswer(step, table.plan) === null && (
              <Button
                look="quiet"
                className="min-h-14! shrink-0 border-transparent! text-soft"
                aria-label={`As planned, up to here: ${titleWords(step.title)}`}
                title="As planned, up to here"
                onClick={() => doUpTo(step)}
              >
                <CheckCheck size={20} aria-hidden />
              </Button>
            )}
            {comesLater(table, step) && (
              <Button
                look="quiet"
                className="min-h-14! shrink-0 border-transparent! text-soft"
                aria-label={`Do next: ${titleWords(step.title)}`}
                onClick={() => doNext(step)}
              >
                <ArrowUpToLine size={20} aria-hidden />
              </Button>
            )}
            {refused?.step === step.id && (
              <p role="status" className="w-full rounded-xl bg-watch-pale text-watch font-semibold px-3 py-2 mb-1">
                {refused.why}
              </p>
            )}
          </li>
        ))}
      </ol>
    </Dialog>
  );
}

/** Whether a step stands later than the next one and is still to be done: it may be asked for now. */
function comesLater({ steps, state, current }: TableWork, step: Step): boolean {
  if (!current || step.barred || state.steps[step.id] !== undefined || step.id === current.id) return false;
  return steps.indexOf(step) > steps.indexOf(current);
}

function Mark({ table, step }: { readonly table: TableWork; readonly step: Step }) {
  const mark = table.state.steps[step.id];
  if (step.barred) return <Ban size={20} className="text-stop" aria-label="taken away" />;
  if (mark?.kind === 'done') return <Check size={20} className="text-reed" aria-label="done" />;
  if (neededNothing(table.state, step))
    return <Eye size={20} className="text-reed" aria-label="looked at, nothing needed" />;
  if (mark?.kind === 'skipped') return <Minus size={20} className="text-watch" aria-label="skipped" />;
  return step === table.current ? (
    <CircleDot size={20} className="text-pond" aria-label="now" />
  ) : (
    <Circle size={20} className="text-soft" aria-label="to do" />
  );
}

function note(table: TableWork, step: Step): string {
  const mark = table.state.steps[step.id];
  if (step.barred) return reasonsTold(step.barred.bars.map(({ reason }) => reason));
  if (neededNothing(table.state, step)) return 'nothing needed';
  if (mark?.kind === 'skipped') return mark.because.words;
  return step.leavesOut.length > 0 ? 'in part' : '';
}
