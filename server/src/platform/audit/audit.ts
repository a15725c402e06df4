import { ENDPOINTS, type EndpointKey } from '@dewpond/contract';
import { v7 } from 'uuid';
import { z } from 'zod';
import { audit } from '../db/schema';
import type { Tenant } from '../db/tenant';
import { dayIn } from '../time/zone';
import type { Asker } from '../asker';

type What = typeof audit.$inferSelect.what;

/** Reading that is noted down: one dog, one client, one sheet, one record. Lists tell of nobody in particular. */
const SEEN: ReadonlySet<EndpointKey> = new Set<EndpointKey>([
  'GET /api/dogs/:id',
  'GET /api/dogs/:id/history',
  'GET /api/clients/:id',
  'GET /api/visits/:id/sheet',
]);
/** Writes with a log of their own, or that change nothing anybody would ask about. */
const UNTOLD: ReadonlySet<EndpointKey> = new Set<EndpointKey>([
  'POST /api/visits/:id/events',
  'POST /api/book/reckon',
  'PUT /api/ahead',
  'PUT /api/me',
  'PUT /api/me/calendar',
]);

/** What a call is noted down as; null: not at all. */
function whatOf(key: EndpointKey): What | null {
  if (key.startsWith('GET')) return SEEN.has(key) ? 'saw' : null;
  if (UNTOLD.has(key)) return null;
  return key === 'POST /api/messages' || key === 'POST /api/links' ? 'sent' : 'changed';
}

/** Whether nothing is written of a call but what it does. */
export const notesNothing = (key: EndpointKey): boolean => whatOf(key) === null;

const named = z.object({ dogId: z.uuid().optional(), id: z.uuid().optional() });

/** Notes a call down in its own transaction: what is rolled back was not done. */
export async function noteCall(
  tx: Tenant,
  asker: Asker,
  key: EndpointKey,
  called: { readonly id: unknown; readonly body: unknown; readonly now: number },
): Promise<void> {
  const what = whatOf(key);
  if (what === null) return;
  const body = named.safeParse(called.body).data;
  const about = z.uuid().safeParse(called.id).data ?? body?.dogId ?? body?.id ?? null;
  await note(tx, asker, { what, about, words: ENDPOINTS[key].says, now: called.now });
}

/** Notes one thing down, on the day it is where the business is. */
export async function note(
  tx: Tenant,
  { personId, personName, zone }: Asker,
  {
    what,
    about,
    words,
    now,
  }: { readonly what: What; readonly about: string | null; readonly words: string; readonly now: number },
): Promise<void> {
  await tx
    .insert(audit)
    .values({
      id: v7(),
      day: dayIn(zone, now),
      personId,
      person: personName,
      what,
      about,
      words,
    })
    .onConflictDoNothing();
}
