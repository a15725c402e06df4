import { useEffect, useMemo, useState } from 'react';

interface WorkerTask<Question, Answer> {
  readonly open: () => Worker;
  /** The same without a worker, where there is none. */
  readonly here: (question: Question) => Answer;
}

/**
 * What a worker answers, each question to one of its own; null while it works, and where nothing is asked. Questions are
 * told apart by their content.
 * @param task stays the same object.
 */
export function useWorkerAnswer<Question, Answer>(
  question: Question | null,
  task: WorkerTask<Question, Answer>,
): Answer | null {
  const key = question === null ? null : JSON.stringify(question);
  const [found, setFound] = useState<{ readonly key: string; readonly its: Answer } | null>(null);
  const isHere = typeof Worker === 'undefined';
  useEffect(() => {
    if (key === null || isHere) return;
    const worker = task.open();
    worker.onmessage = ({ data }: MessageEvent<Answer>) => {
      setFound({ key, its: data });
      worker.terminate();
    };
    worker.postMessage(JSON.parse(key));
    return () => worker.terminate();
  }, [key, isHere, task]);
  const here = useMemo(
    () => (isHere && key !== null ? task.here(JSON.parse(key) as Question) : null),
    [isHere, key, task],
  );
  return here ?? (found?.key === key ? found.its : null);
}
