import type { ReferralView } from '@dewpond/contract';
import { LEVELS, findingWords } from '@dewpond/core/findings';
import { namePlace, placeOf, type PlaceKey } from '@dewpond/core/places';
import { dueOn, nextStep, overdueDays, vetBy } from '@dewpond/core/referral';
import { addDays, type Day } from '@dewpond/core/units';
import { eq, inArray } from 'drizzle-orm';
import { isHere } from '../../platform/db/branch';
import { client, dog, findingSeen, referral } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Asker } from '../../platform/asker';
import { contentHash } from '../../platform/http/sameContent';

/** Without the person's id: a name is what a screen shows, and what comes back from it. */
const unsigned = <T extends { readonly personId?: string }>(said: T | null): Omit<T, 'personId'> | null => {
  if (said === null) return null;
  const { personId: _, ...rest } = said;
  return rest;
};

/** What was said newly is signed by who asks, whatever name was sent; what stood there keeps its name. */
export function signed<T extends { readonly by: string; readonly personId?: string }>(
  before: T | null,
  sent: T | null,
  asker: Pick<Asker, 'personName' | 'personId'>,
): T | null {
  if (sent === null || contentHash(unsigned(before)) === contentHash(sent)) return sent && before;
  return { ...sent, by: asker.personName, personId: asker.personId };
}

/** Closed ones are in sight for this long. */
const SHOWN_DAYS = 60;

/** Open referrals, the most pressing first, then those closed lately. */
export async function referralViews(tx: Tenant, today: Day, dogId?: string): Promise<ReferralView[]> {
  const rows = await tx
    .select({ referral, dog: dog.name, clientId: client.id, owner: client.name, card: client.card })
    .from(referral)
    .innerJoin(dog, eq(dog.id, referral.dogId))
    .innerJoin(client, eq(client.id, dog.clientId))
    .where(dogId === undefined ? isHere(dog.branchId) : eq(referral.dogId, dogId));
  const since = addDays(today, -SHOWN_DAYS);
  const shown = rows.filter(({ referral: { end } }) => dogId !== undefined || end === null || end.on >= since);
  const findings =
    shown.length === 0
      ? []
      : await tx
          .select()
          .from(findingSeen)
          .where(inArray(findingSeen.visitId, [...new Set(shown.map(({ referral: { visitId } }) => visitId))]));
  const views = shown.map(({ referral: row, card, ...its }): ReferralView => {
    const stand = { ...row, openedOn: row.openedOn as Day };
    return {
      id: row.id,
      version: row.version,
      dogId: row.dogId,
      ...its,
      phone: card.phones[0]?.number ?? '',
      visitId: row.visitId,
      place: row.place,
      placeName: namePlace(placeOf(row.place)),
      words: wordsAt(findings, row.visitId, row.place),
      level: row.level,
      openedOn: stand.openedOn,
      told: unsigned(row.told),
      answer: row.answer,
      vet: row.vet,
      end: unsigned(row.end),
      vetBy: vetBy(stand),
      dueOn: dueOn(stand),
      next: nextStep(stand),
    };
  });
  const pressing = (view: ReferralView) => [
    view.end === null ? 1 : 0,
    LEVELS.indexOf(view.level as (typeof LEVELS)[number]),
    Math.max(-1000, overdueDays({ ...view, level: view.level as (typeof LEVELS)[number] }, today)),
  ];
  return views.toSorted((a, b) => {
    const [x, y] = [pressing(a), pressing(b)];
    const at = x.findIndex((each, i) => each !== y[i]);
    return at < 0 ? 0 : (y[at] ?? 0) - (x[at] ?? 0);
  });
}

const wordsAt = (findings: (typeof findingSeen.$inferSelect)[], visitId: string, place: PlaceKey): string =>
  findings
    .filter((each) => each.visitId === visitId && each.place === place)
    .map(findingWords)
    .join('; ');
