import type { PlannedRound } from '@dewpond/core/route';
import { useWorkerAnswer } from '../../../browser/useWorkerAnswer';
import { planned, type RoundQuestion } from './roundWorker';

const PLANNING = {
  open: () => new Worker(new URL('./roundWorker.ts', import.meta.url), { type: 'module' }),
  here: planned,
};

/** The best order of a round, from a worker; null while it is looked for, or where there is no round. */
export const usePlannedRound = (question: RoundQuestion | null): PlannedRound | null =>
  useWorkerAnswer(question, PLANNING);
