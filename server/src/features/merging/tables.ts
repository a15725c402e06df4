import { eq, getTableName, inArray } from 'drizzle-orm';
import {
  amountUsed,
  appointment,
  cleanDown,
  dog,
  findingSeen,
  handoverAnswer,
  homePhoto,
  homeTick,
  incidentSeen,
  instruction,
  lotTouched,
  madeMix,
  message,
  mixTaken,
  ownerAnswer,
  ownerLink,
  photoShown,
  placeCare,
  programme,
  referral,
  stageTook,
  taskDone,
  toolUsed,
  visit,
  visitOffer,
  weighing,
} from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';

/** Tables that hang on a dog and go with it. Projections follow their visits. */
const OF_DOG = {
  visit,
  appointment,
  instruction,
  programme,
  madeMix,
  referral,
  message,
  ownerLink,
  homePhoto,
  visitOffer,
  ownerAnswer,
} as const;
type OfDog = keyof typeof OF_DOG;
const OF_VISIT = [
  findingSeen,
  placeCare,
  taskDone,
  handoverAnswer,
  amountUsed,
  mixTaken,
  lotTouched,
  stageTook,
  toolUsed,
  cleanDown,
  incidentSeen,
  photoShown,
] as const;

/** Tables that follow a dog in a merge; weights and ticks go day by day, what is due is reckoned anew. */
export const FOLLOW_A_DOG: readonly string[] = [...Object.values(OF_DOG), ...OF_VISIT].map(getTableName);

export const DOG_TABLES: Readonly<Record<OfDog, (count: number) => string>> = {
  visit: (n) => `${n} ${n === 1 ? 'visit' : 'visits'}`,
  appointment: (n) => `${n} ${n === 1 ? 'booking' : 'bookings'}`,
  instruction: (n) => `${n} ${n === 1 ? 'instruction' : 'instructions'}`,
  programme: (n) => `${n} ${n === 1 ? 'programme' : 'programmes'}`,
  madeMix: (n) => `${n} ${n === 1 ? 'mix' : 'mixes'} with its name`,
  referral: (n) => `${n} ${n === 1 ? 'place' : 'places'} for a vet`,
  message: (n) => `${n} ${n === 1 ? 'message' : 'messages'}`,
  homePhoto: (n) => `${n} ${n === 1 ? 'picture' : 'pictures'} from home`,
  visitOffer: (n) => `${n} offered ${n === 1 ? 'time' : 'times'}`,
  ownerAnswer: (n) => `${n} ${n === 1 ? 'answer' : 'answers'} of its owner`,
  ownerLink: (n) => `${n} ${n === 1 ? 'page' : 'pages'} of its owner`,
};

/** Ids of what hangs on a dog, by table. */
export async function hangingOn(tx: Tenant, dogId: string): Promise<Record<OfDog, string[]>> {
  const found: Partial<Record<OfDog, string[]>> = {};
  for (const name of Object.keys(OF_DOG) as OfDog[]) {
    const table = OF_DOG[name];
    const rows = await tx.select({ id: table.id }).from(table).where(eq(table.dogId, dogId));
    found[name] = rows.map(({ id }) => id);
  }
  return found as Record<OfDog, string[]>;
}

/** Hangs rows on another dog, the projections of its visits with them. */
export async function rehang(tx: Tenant, rows: Readonly<Record<string, readonly string[]>>, to: string): Promise<void> {
  for (const name of Object.keys(OF_DOG) as OfDog[]) {
    const ids = rows[name] ?? [];
    if (ids.length === 0) continue;
    const table = OF_DOG[name];
    await tx
      .update(table)
      .set({ dogId: to })
      .where(inArray(table.id, [...ids]));
  }
  const visits = rows['visit'] ?? [];
  if (visits.length === 0) return;
  for (const table of OF_VISIT)
    await tx
      .update(table)
      .set({ dogId: to })
      .where(inArray(table.visitId, [...visits]));
}

/** Weights of days the other dog was not weighed on. */
export async function moveWeights(tx: Tenant, from: string, to: string, days: readonly string[]): Promise<void> {
  if (days.length === 0) return;
  const rows = await tx.select().from(weighing).where(eq(weighing.dogId, from));
  const moving = rows.filter((row) => days.includes(row.day));
  for (const row of moving)
    await tx
      .insert(weighing)
      .values({ ...row, dogId: to })
      .onConflictDoNothing();
}

export const dogsOfClient = async (tx: Tenant, clientId: string) =>
  tx.select({ id: dog.id, name: dog.name }).from(dog).where(eq(dog.clientId, clientId));

/** What an owner ticked, where the other dog has no tick of that day. The gone dog keeps its own: undone, nothing is missing. */
export async function copyTicks(tx: Tenant, from: string, to: string): Promise<void> {
  const rows = await tx.select().from(homeTick).where(eq(homeTick.dogId, from));
  if (rows.length === 0) return;
  await tx
    .insert(homeTick)
    .values(rows.map((row) => ({ ...row, dogId: to })))
    .onConflictDoNothing();
}

/** Messages of a client, by id. */
export const messagesOf = async (tx: Tenant, clientId: string): Promise<string[]> =>
  (await tx.select({ id: message.id }).from(message).where(eq(message.clientId, clientId))).map(({ id }) => id);

/** Hangs messages on another client. */
export async function moveMessages(tx: Tenant, ids: readonly string[], to: string): Promise<void> {
  if (ids.length === 0) return;
  await tx
    .update(message)
    .set({ clientId: to })
    .where(inArray(message.id, [...ids]));
}
