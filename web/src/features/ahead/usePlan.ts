import type { AheadView } from '@dewpond/contract';
import { call } from '../../api/call';
import { carryOver } from '@dewpond/core/bookings';
import { startTransition, useEffect, useMemo, useState } from 'react';
import type { PlanAnswer, PlanQuestion } from '@dewpond/core/bookings';

/** What planning has found, and how to begin and to stop it. */
export interface Plan {
  readonly answer: PlanAnswer | null;
  readonly isPlanning: boolean;
  readonly begin: (seconds: number) => void;
  readonly stop: () => void;
}

/**
 * Plans weeks beside the screen, in a worker. The best plan so far is there at any moment, also of one that was stopped.
 * When the book changes meanwhile, as by what is accepted, all that still holds of the plan stays.
 */
export function usePlan(view: AheadView): Plan {
  const [found, setFound] = useState(() => fromNight(view));
  /** What is planned, and how long it may take, s; null while nothing is. */
  const [asked, setAsked] = useState<{ readonly of: AheadView; readonly seconds: number } | null>(null);
  // Leaving the screen ends it.
  useEffect(() => {
    if (asked === null) return;
    const { of, seconds } = asked;
    const worker = new Worker(new URL('./planWorker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<PlanAnswer>) => {
      // Drawn a little at a time, between what the person does.
      startTransition(() => {
        setFound({ of, answer: data });
        if (data.progress === 1) setAsked(null);
      });
      if (data.progress < 1) return;
      void keepPrices(of, data);
    };
    const question: PlanQuestion = { weeks: of.weeks, costs: of.costs, kept: of.prices, seconds };
    worker.postMessage(question);
    return () => worker.terminate();
  }, [asked]);
  const answer = useMemo(() => found && stillHolds(found.answer, found.of, view), [found, view]);
  return {
    answer,
    isPlanning: asked !== null,
    begin: (seconds) => {
      if (typeof Worker !== 'undefined') setAsked({ of: view, seconds });
    },
    stop: () => setAsked(null),
  };
}

/** A plan, and the weeks it was made for. */
interface Found {
  readonly of: AheadView;
  readonly answer: PlanAnswer;
}

/** What the server planned at night stands there in the morning. */
const fromNight = (view: AheadView): Found | null =>
  view.night && { of: view, answer: { ...view.night, prices: view.prices, progress: 1 } };

/** What of a plan holds for the weeks as they are now; how far it is from the best is then not known. */
function stillHolds(answer: PlanAnswer, of: AheadView, view: AheadView): PlanAnswer | null {
  if (of === view) return answer;
  if (of.weeks.days !== view.weeks.days) return null;
  return { ...answer, ...carryOver(answer, new Set(of.weeks.booked.map(({ id }) => id)), view.weeks), bound: 0 };
}

/** What the days are worth is kept for whoever books next; where it does not arrive, the one of before holds. */
async function keepPrices({ weeks }: AheadView, { prices, bound }: PlanAnswer): Promise<void> {
  if (!Number.isFinite(bound)) return;
  const body = { first: weeks.first, prices };
  await call('PUT /api/ahead', { body }).catch(() => undefined);
}
