import type { VetTask } from '@dewpond/core/tasks';
import type { Day } from '@dewpond/core/units';
import type { OwnerAnswering, OwnerPage, Problem } from '@dewpond/contract';

/** The secret of this page; it stands behind the `#`, which no browser sends anywhere. */
export const tokenHere = (): string => window.location.hash.slice(1);

const send = (path: string, init: RequestInit): Promise<Response> =>
  fetch(path, {
    ...init,
    headers: { authorization: `Link ${tokenHere()}`, ...init.headers },
    referrerPolicy: 'no-referrer',
  }).catch(() => {
    throw new Error('The salon’s page cannot be reached just now. Please try again later.');
  });

async function ask(path: string, init: RequestInit = {}, early: Response | null = null): Promise<Response> {
  const response = early ?? (await send(path, init));
  if (response.ok) return response;
  const answer = (await response.json().catch(() => null)) as Problem | null;
  const error = new Error(answer?.error.message ?? 'Something went wrong. Please try again later.');
  if (answer) error.name = answer.error.kind;
  throw error;
}

declare global {
  interface Window {
    /** What ownerPublic/early.js asked for already; null: it did not arrive. */
    ownerPageComing?: Promise<Response | null> | undefined;
  }
}

export async function ownerPage(): Promise<OwnerPage> {
  const coming = window.ownerPageComing;
  // Once: what is asked for again is to be as it stands then.
  window.ownerPageComing = undefined;
  return (await ask('/api/owner', {}, (await coming) ?? null)).json() as Promise<OwnerPage>;
}

/** Tells the salon that somebody has seen the page, not that a program has fetched it. */
export const tellSeen = () =>
  ask('/api/owner/seen', { method: 'POST', headers: { 'content-type': 'application/json' }, body: '{}' });

/** A file behind the link, as an address this page alone can open. */
export const ownerFile = async (path: string): Promise<string> => URL.createObjectURL(await (await ask(path)).blob());

/** Something done at home, or not after all. */
export interface CareTick {
  readonly key: string;
  readonly day: Day;
  readonly done: boolean;
  /** How often on that day. */
  readonly times: number;
  readonly note: string;
}
export const tickHome = (tick: CareTick) =>
  ask('/api/owner/home', {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(tick),
  });

/** A picture from home, made small on the telephone before it is sent. */
export const sendPicture = (id: string, picture: Blob) =>
  ask(`/api/owner/home/photos/${id}`, { method: 'PUT', headers: { 'content-type': picture.type }, body: picture });

/** A word about home care once a week, on which weekday (0 Monday); null: none. */
export const chooseReminder = (weekday: number | null) =>
  ask('/api/owner/reminder', {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ weekday }),
  });

/** Yes, no, or another of the offered times. */
export const sendAnswer = (answer: OwnerAnswering) =>
  ask('/api/owner/answers', {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(answer),
  });

/** When a vet looked last. */
export const tellVetLook = (look: { readonly task: VetTask; readonly on: Day }) =>
  ask('/api/owner/vet-looks', {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(look),
  });
