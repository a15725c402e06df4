import { reckon, type Answer, type Question } from '@dewpond/core/mixing';
import { passed, toPass } from '@dewpond/core/threads';
import { useEffect, useRef, useState } from 'react';
import type { MixAnswered, MixAsked } from '../../workers/mixingWorker';

/**
 * The calculator's answer. A batch that goes into many bottles is searched for, so it is reckoned in a worker and typing
 * never waits; until the new answer is there the one before stands. Only the first is reckoned here: the screen opens with
 * a batch that goes into one bottle.
 * @param question the same object as long as nothing of it has changed; null: nothing can be asked yet.
 */
export function useReckoned(question: Question | null): Answer | null {
  const [answer, setAnswer] = useState(() => question && reckon(question));
  const worker = useRef<Worker | null>(null);
  const asked = useRef(0);
  const first = useRef(question);
  useEffect(() => {
    if (typeof Worker === 'undefined') return;
    const started = new Worker(new URL('../../workers/mixingWorker.ts', import.meta.url), { type: 'module' });
    // An answer to an older question is not shown over a newer one.
    started.onmessage = ({ data }: MessageEvent<MixAnswered>) => {
      if (data.n === asked.current) setAnswer(passed(data.answer) as Answer);
    };
    worker.current = started;
    return () => {
      worker.current = null;
      started.terminate();
    };
  }, []);
  useEffect(() => {
    if (question === null || question === first.current) return;
    asked.current += 1;
    if (worker.current) worker.current.postMessage({ n: asked.current, question: toPass(question) } satisfies MixAsked);
    else setAnswer(reckon(question));
  }, [question]);
  return question && answer;
}
