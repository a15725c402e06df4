import type { AheadView } from '@dewpond/contract';
import { counted } from '../../browser/counted';
import { Button } from '../../ui/Button';
import { ProgressBar } from '../../ui/ProgressBar';
import type { Plan } from './usePlan';
import { May } from '../../parts/May';

interface PlanBarProps {
  readonly plan: Plan;
  readonly weeks: number;
  /** Why nothing can be planned now; null where it can. */
  readonly whyNot: string | null;
  readonly isBooking: boolean;
  readonly onBookAll: () => void;
}

/** So long a plan is made better, s; it may be stopped at any moment. */
const SECONDS = 10;

/** Plans the weeks, says how good the plan is, and books all of it. */
export function PlanBar({ plan, weeks, whyNot, isBooking, onBookAll }: PlanBarProps) {
  const { answer, isPlanning, begin, stop } = plan;
  const count = answer?.proposals.length ?? 0;
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
      {isPlanning ? (
        <>
          <ProgressBar label="Planning" value={answer?.progress ?? 0} />
          <Button look="quiet" onClick={stop}>
            Enough
          </Button>
        </>
      ) : (
        <Button look={answer ? 'quiet' : 'main'} disabled={whyNot !== null} onClick={() => begin(SECONDS)}>
          {answer ? 'Plan again' : `Plan ${weeks} weeks`}
        </Button>
      )}
      {whyNot !== null && (
        <p aria-live="polite" className="text-soft">
          {whyNot}
        </p>
      )}
      {answer && whyNot === null && (
        <p aria-live="polite" className="text-soft">
          <b className="text-ink">{count === 1 ? '1 visit' : `${count} visits`}</b> proposed
          {quality(answer.cost, answer.bound)}
        </p>
      )}
      {answer && count > 0 && !isPlanning && (
        <May deed="book">
          <Button look="main" disabled={isBooking} onClick={onBookAll}>
            Book all {count}
          </Button>
        </May>
      )}
    </div>
  );
}

/** Weeks are planned from what is due of every dog: of half of them a plan would be half a plan. */
export function whyNoPlan({ waiting, weeks }: AheadView): string | null {
  if (waiting > 0) return `What is due is still being worked out for ${counted(waiting, 'dog')}.`;
  return weeks.dogs.length === 0 ? 'No dog to plan for yet.' : null;
}

/** How far the plan may be from the best one: its distance from what no plan can cost less than. */
function quality(cost: number, bound: number): string {
  if (!(bound > 0)) return '';
  const over = (100 * (cost - bound)) / bound;
  return over < 0.05 ? ', no plan is better' : `, at most ${over.toFixed(over < 10 ? 1 : 0)} % from the best`;
}
