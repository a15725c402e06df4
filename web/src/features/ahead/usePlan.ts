import type { AheadView } from '@dewpond/contract';
import { call } from '../../api/call';
import { useEffect, useState } from 'react';
import type { PlanAnswer, PlanQuestion } from './planWorker';

/** What planning has found, and how to begin and to stop it. */
export interface Plan {
  readonly answer: PlanAnswer | null;
  readonly isPlanning: boolean;
  readonly begin: (seconds: number) => void;
  readonly stop: () => void;
}

/**
 * Plans weeks beside the screen, in a worker. The best plan so far is there at any moment, also of one that was stopped;
 * what is booked meanwhile makes another book, and the plan of before is gone.
 */
export function usePlan(view: AheadView): Plan {
  const [found, setFound] = useState<{ readonly of: AheadView; readonly answer: PlanAnswer } | null>(null);
  /** How long it may take, s; null while nothing is planned. */
  const [asked, setAsked] = useState<number | null>(null);
  // Another book, as when somebody books meanwhile, is planned anew; leaving the screen ends it.
  useEffect(() => {
    if (asked === null) return;
    const worker = new Worker(new URL('./planWorker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<PlanAnswer>) => {
      setFound({ of: view, answer: data });
      if (data.progress < 1) return;
      setAsked(null);
      void keepPrices(view, data);
    };
    const question: PlanQuestion = { weeks: view.weeks, costs: view.costs, kept: view.prices, seconds: asked };
    worker.postMessage(question);
    return () => worker.terminate();
  }, [view, asked]);
  return {
    answer: found?.of === view ? found.answer : null,
    isPlanning: asked !== null,
    begin: (seconds) => {
      if (typeof Worker !== 'undefined' && view.weeks.dogs.length > 0) setAsked(seconds);
    },
    stop: () => setAsked(null),
  };
}

/** What the days are worth is kept for whoever books next; where it does not arrive, the one of before holds. */
async function keepPrices({ weeks }: AheadView, { prices, bound }: PlanAnswer): Promise<void> {
  if (!Number.isFinite(bound)) return;
  const body = { first: weeks.first, prices };
  await call('PUT /api/ahead', { body }).catch(() => undefined);
}
