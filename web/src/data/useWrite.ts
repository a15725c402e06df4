import { useMutation, type UseMutationOptions } from '@tanstack/react-query';
import { useRef } from 'react';
import { v7 } from 'uuid';
import { tell } from '../ui/tell';
import { Refused, Unreached } from '../api/call';
import { makeStale, type WriteKey } from './stale';

/** Tries in all where no answer came; what arrived the first time does nothing twice. */
const TRIES = 3;

interface WriteOptions<Given, Answer> extends Pick<UseMutationOptions<Answer, Error, Given>, 'onSuccess' | 'onError'> {
  /** Sends what is given; something new under this id. */
  readonly write: (id: string, given: Given) => Promise<Answer>;
  /** A refusal is told in a note of its own. */
  readonly tells?: boolean;
  /** The form whose words are sent: it says at its fields what was not taken. */
  readonly form?: { readonly refuse: (error: Error) => void };
}

/**
 * The one way to write. The id of something new is made once and kept until the server has said yes. An answer that never
 * came is asked for again, by itself and by the person who presses again; whatever was already done is done once. What the
 * write makes stale follows from the endpoints it names (`stale.ts`); whoever was too late sees what the other wrote.
 */
export function useWrite<Answer, Given = void>(
  endpoints: WriteKey | readonly WriteKey[],
  { write, onSuccess, onError, form, tells = false }: WriteOptions<Given, Answer>,
) {
  const id = useRef(v7());
  const isLost = useRef(false);
  const named = typeof endpoints === 'string' ? [endpoints] : endpoints;
  return useMutation<Answer, Error, Given>({
    mutationFn: async (given) => {
      const answer = await write(id.current, given).catch((error: unknown) => {
        if (isLost.current && isOurs(error)) return { version: error.problem.current.version } as Answer;
        isLost.current ||= error instanceof Unreached;
        throw error;
      });
      id.current = v7();
      isLost.current = false;
      return answer;
    },
    retry: (failed, error) => failed < TRIES - 1 && isWorthAnother(error),
    retryDelay: (failed) => 1000 * 2 ** failed,
    // Without a network it is tried and told, never left standing.
    networkMode: 'always',
    onSuccess: async (...all) => {
      const fresh = makeStale(named);
      await onSuccess?.(...all);
      await fresh;
    },
    onError: async (error, ...rest) => {
      if (tells) tell(error.message, { tone: 'stop' });
      form?.refuse(error);
      await onError?.(error, ...rest);
      // Changed or gone meanwhile: what stands on the screen is of before.
      if (error instanceof Refused && (error.status === 409 || error.status === 404)) await makeStale(named);
    },
  });
}

/** A change that arrived though its answer was lost: the newer version it meets is its own. */
function isOurs(error: unknown): error is Refused & { problem: { current: { version: number } } } {
  if (!(error instanceof Refused) || error.status !== 409) return false;
  const { current, yours } = error.problem as { current?: Record<string, unknown>; yours?: Record<string, unknown> };
  if (!current || !yours || current['version'] !== Number(yours['version']) + 1) return false;
  const fields = Object.keys(yours).filter((field) => field !== 'version');
  return fields.every((field) => JSON.stringify(current[field]) === JSON.stringify(yours[field]));
}

/** No answer came, or the server is away for a moment. */
const isWorthAnother = (error: Error): boolean =>
  error instanceof Unreached || (error instanceof Refused && error.status === 503);
