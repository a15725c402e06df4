import { lineUp, type LineUp } from '@dewpond/core/lineup';
import { useMemo } from 'react';
import { useWorkerAnswer } from '../../../browser/useWorkerAnswer';
import { lineUpFrom, type LineUpQuestion } from './lineUpWorker';

const LINING_UP = {
  open: () => new Worker(new URL('./lineUpWorker.ts', import.meta.url), { type: 'module' }),
  here: lineUpFrom,
};

/** A line-up of a day: the first one at once, the best one from a worker a moment later. */
export function useLineUp(question: LineUpQuestion): LineUp {
  const best = useWorkerAnswer(question, LINING_UP);
  const key = JSON.stringify(question.now);
  const first = useMemo(() => lineUp(JSON.parse(key) as LineUpQuestion['now'], { tries: 0 }), [key]);
  return best ?? first;
}
