import { reckon, type MixAnswer, type MixQuestion } from '@dewpond/core/mixing';
import { passed, toPass } from '@dewpond/core/threads';
import { useEffect, useRef, useState } from 'react';
import type { MixAnswered, MixAsked } from './mixingWorker';

interface Reckoned {
  readonly answer: MixAnswer | null;
  /** It answers what is asked now; else it is of the question before, to be looked at and not to be mixed by. */
  readonly isNow: boolean;
}

/**
 * The calculator's answer. A batch that goes into many bottles is searched for, so it is reckoned in a worker and typing
 * never waits; until the new answer is there the one before stands. Only the first is reckoned here: the screen opens with
 * a batch that goes into one bottle.
 * @param question the same object as long as nothing of it has changed; null: nothing can be asked yet.
 */
export function useReckoned(question: MixQuestion | null): Reckoned {
  const [known, setKnown] = useState(() => ({ answer: question && reckon(question), of: question }));
  const worker = useRef<Worker | null>(null);
  const asked = useRef({ n: 0, question });
  const first = useRef(question);
  useEffect(() => {
    if (typeof Worker === 'undefined') return;
    const started = new Worker(new URL('./mixingWorker.ts', import.meta.url), { type: 'module' });
    // An answer to an older question is not shown over a newer one.
    started.onmessage = ({ data }: MessageEvent<MixAnswered>) => {
      const { n, question: of } = asked.current;
      if (data.n === n) setKnown({ answer: passed(data.answer) as MixAnswer, of });
    };
    worker.current = started;
    return () => {
      worker.current = null;
      started.terminate();
    };
  }, []);
  useEffect(() => {
    if (question === null || question === first.current) return;
    const n = asked.current.n + 1;
    asked.current = { n, question };
    if (worker.current) worker.current.postMessage({ n, question: toPass(question) } satisfies MixAsked);
    else setKnown({ answer: reckon(question), of: question });
  }, [question]);
  return { answer: question && known.answer, isNow: known.of === question };
}
