import { useMutation, type UseMutationOptions } from '@tanstack/react-query';
import { useRef } from 'react';
import { v7 } from 'uuid';
import { Refused } from './call';

/** Tries in all where no answer came; what arrived the first time does nothing twice. */
const TRIES = 3;

interface Writing<Given, Answer> extends Pick<UseMutationOptions<Answer, Error, Given>, 'onSuccess' | 'onError'> {
  /** Sends what is given under this id. */
  readonly write: (id: string, given: Given) => Promise<Answer>;
}

/**
 * The way to write something new: its id is made once and kept until the office has said yes. An answer that never came
 * is asked for again under the same id, by itself and by the person who presses again.
 */
export function useWrite<Answer, Given = void>({ write, ...more }: Writing<Given, Answer>) {
  const id = useRef(v7());
  return useMutation<Answer, Error, Given>({
    mutationFn: async (given) => {
      const answer = await write(id.current, given);
      id.current = v7();
      return answer;
    },
    retry: (failed, error) => failed < TRIES - 1 && (!(error instanceof Refused) || error.status === 503),
    retryDelay: (failed) => 1000 * 2 ** failed,
    ...more,
  });
}
