import { askedFirst, forWhom } from '../api/forWhom';
import { Refused, call } from '../api/call';
import { SignedOut, type Network, type Sent } from '../device/network';
import type { NewInBook } from '../device/storage';

const PATIENCE_MS = 15_000;
const PICTURE_PATIENCE_MS = 60_000;

/** A refusal that asking again cannot change. Everything else is trouble, and tried again. */
const isFinal = (error: unknown): error is Refused =>
  error instanceof Refused && error.status >= 400 && error.status < 500 && ![401, 408, 429].includes(error.status);

function trouble(error: unknown): never {
  throw error instanceof Refused && error.status === 401 ? new SignedOut(error.message) : error;
}

const refused = (error: unknown): { readonly kind: 'refused'; readonly words: string } =>
  isFinal(error) ? { kind: 'refused', words: error.message } : trouble(error);

/** Owner, then dog, each once: sent again, they are known by their ids, and what a lost answer left undone is done. */
async function intoTheBook(dogId: string, { client, clientId, profile }: NewInBook): Promise<void> {
  if (client) await call('POST /api/clients', { body: client, patience: PATIENCE_MS });
  await call('POST /api/dogs', { body: { id: dogId, clientId, profile }, patience: PATIENCE_MS });
}

/** The device's own work goes to the server over HTTP. */
export const httpNetwork: Network = {
  async beginVisit({ id, dogId, appointmentId, begun, newDog }) {
    try {
      if (newDog) await intoTheBook(dogId, newDog);
    } catch (error) {
      // Not a visit that somebody began before, whatever stands in the way of the dog.
      return refused(error);
    }
    try {
      const body = { id, dogId, appointmentId, ...(begun ? { begun } : {}) };
      await call('POST /api/visits', { body, patience: PATIENCE_MS });
      return { kind: 'taken', answer: null };
    } catch (error) {
      const before =
        isFinal(error) && error.status === 409 ? (error.problem.current as { id?: string } | undefined)?.id : undefined;
      return before === undefined ? refused(error) : { kind: 'begun before', id: before };
    }
  },

  async sendEvents(visitId, events) {
    try {
      const body = { events: [...events] };
      const answer = await call('POST /api/visits/:id/events', { id: visitId, body, patience: PATIENCE_MS });
      return {
        kind: 'taken',
        answer: { settled: [...answer.taken, ...answer.known], refused: answer.refused, serverNow: answer.serverNow },
      };
    } catch (error) {
      return refused(error);
    }
  },

  async sendPhoto({ id, visitId, bytes }): Promise<Sent<null>> {
    await askedFirst();
    const response = await fetch(`/api/visits/${visitId}/photos/${id}`, {
      method: 'PUT',
      headers: { ...forWhom(), 'content-type': bytes.type },
      body: bytes,
      signal: AbortSignal.timeout(PICTURE_PATIENCE_MS),
    });
    if (response.ok) return { kind: 'taken', answer: null };
    const answer = (await response.json().catch(() => null)) as { error?: Refused['problem'] } | null;
    const problem = answer?.error ?? { kind: 'server' as const, message: 'The server could not take the picture.' };
    return refused(new Refused(response.status, problem));
  },
};
