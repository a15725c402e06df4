import type { Problem } from '@dewpond/contract';
import { askedFirst, forWhom } from './forWhom';
import { Refused } from './call';

/** Bytes are no JSON: they go their own way. Throws {@link Refused}, or an `Error` when the network is away. */
async function send(id: string, init: RequestInit): Promise<void> {
  await askedFirst();
  const headers = { ...forWhom(), ...init.headers };
  const response = await fetch(`/api/instructions/${id}/letter`, { ...init, headers }).catch(() => {
    throw new Error('The server cannot be reached. Nothing was lost; try again when the network is back.');
  });
  if (response.ok) return;
  const answer = (await response.json().catch(() => null)) as Problem | null;
  throw new Refused(
    response.status,
    answer?.error ?? {
      kind: 'server',
      message: 'Something went wrong on our side. The instruction is kept without it.',
    },
  );
}

/** Puts a picture or PDF behind an instruction; another one takes its place. */
export const sendLetter = (id: string, file: File): Promise<void> =>
  send(id, {
    method: 'PUT',
    body: file,
    headers: { 'content-type': file.type, 'x-file-name': encodeURIComponent(file.name) },
  });

export const takeOffLetter = (id: string): Promise<void> => send(id, { method: 'DELETE' });
