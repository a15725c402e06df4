import { notInFuture, type DogProfile, type WatchItem } from '@dewpond/contract';
import { LEVELS, type Level, findingWords } from '@dewpond/core/findings';
import type { Day } from '@dewpond/core/units';
import { and, eq, ne, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { withoutAddress } from '../../records/client/client';
import { appointmentsOfDogs } from '../../records/appointments/appointments';
import { may } from '../../platform/auth/mayAsk';
import { client, dog, vet } from '../../platform/db/schema';
import { nextAfter } from '../../platform/db/pages';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { badField, notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { contentHash } from '../../platform/http/sameContent';
import { asSeen, insertOnce, updateGuarded } from '../../platform/http/writes';
import { loadStockedBusiness, loadBusiness, type Business } from '../../records/business/business';
import { bookPage, listDogs, reckonDue } from '../../records/due/bookDue';
import { loadExtras } from './extras';
import { incidentsToAskAfter } from './incidents';
import { factsOf, planFor } from '../../records/dog/facts';
import { mixesFor } from '../../records/dog/bathNeeds';
import { loadDogs } from '../../records/dog/dogRecord';
import { stampSeen } from './stampSeen';
import { dogView } from './dogView';
import { watchItems } from './watchItems';
import { pluckedLately, pluckedToAskAfter } from './plucked';
import { dogsToWatch } from './watched';
import { keepWeight } from './weighings';

/** So many dogs are loaded in one go. How long that holds everybody else up: decision 0036. */
const WATCHED_AT_ONCE = 50;

export function dogRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/dogs', async ({ tx, asker, query, today }) => {
    const business = await loadBusiness(tx);
    const items = await listDogs(tx, asker, business, today, query.after);
    return { items, after: nextAfter(items) };
  });

  route(router, services, 'POST /api/book/reckon', async ({ tx, today }) => {
    return { left: await reckonDue(tx, today) };
  });

  route(router, services, 'GET /api/book', async ({ tx, query, today }) => {
    const business = await loadBusiness(tx);
    const { ids, after, of } = await bookPage(tx, query.after);
    return { items: (await loadDogs(tx, { ids })).map((record) => factsOf(record, business, today)), after, of };
  });

  route(router, services, 'GET /api/dogs/:id', async ({ tx, asker, params, today }) => {
    const [business, [record], appointments] = await Promise.all([
      loadStockedBusiness(tx),
      loadDogs(tx, { ids: [params.id] }),
      appointmentsOfDogs(tx, [params.id]),
    ]);
    if (!record) throw notFound('dog');
    const view = dogView(record, await loadExtras(tx, record), business, today, appointments);
    return may(asker, 'see addresses') ? view : { ...view, client: withoutAddress(view.client) };
  });

  route(router, services, 'GET /api/dogs/:id/mix', async ({ tx, params, today }) => {
    const [business, [record]] = await Promise.all([loadStockedBusiness(tx), loadDogs(tx, { ids: [params.id] })]);
    if (!record) throw notFound('dog');
    return { mixes: mixesFor(planFor(record, business, today), business, record.amountFactor) };
  });

  route(router, services, 'POST /api/dogs', async ({ tx, asker, body, today }) => {
    // The same dog sent twice at once: "on conflict" looks at the id only, and a chip that was written in that moment would be
    // told as somebody else's. One at a time, the second finds the first.
    await tx.execute(
      sql`select pg_advisory_xact_lock(hashtextextended(current_setting('dewpond.business_id') || ${body.id}, 3))`,
    );
    const business = await loadBusiness(tx);
    await validateProfile(tx, business, body.profile, today, body.id);
    const [owner] = await tx.select({ id: client.id }).from(client).where(eq(client.id, body.clientId));
    if (!owner) throw badField('clientId', 'There is no such client here.');
    const { id, clientId, profile } = body;
    const isNew = await insertOnce(tx, dog, {
      id,
      clientId,
      name: profile.name,
      profile,
      chip: profile.chip || null,
      madeFrom: contentHash(body),
    });
    if (isNew) await keepWeight(tx, asker, id, today, profile.weightKg);
    return { id };
  });

  route(router, services, 'PUT /api/dogs/:id', async ({ tx, asker, params, body, today }) => {
    const business = await loadBusiness(tx);
    await validateProfile(tx, business, body.profile, today, params.id);
    if (body.vetId) await assertKnownVet(tx, body.vetId);
    if ((body.homeCareChangedOn ?? today) > today) throw badField('homeCareChangedOn', 'That day is still to come.');
    const [before] = await tx
      .select({ profile: dog.profile, seenOn: dog.seenOn })
      .from(dog)
      .where(eq(dog.id, params.id));
    const set = {
      profile: body.profile,
      seenOn: stampSeen(before, body.profile.seen, { day: today, by: asker.personName, personId: asker.personId }),
      name: body.profile.name,
      chip: body.profile.chip || null,
      ...(body.vetId === undefined ? {} : { vetId: body.vetId }),
      ...(body.homeCareChangedOn === undefined ? {} : { homeCareChangedOn: body.homeCareChangedOn }),
    };
    const current = async () => {
      const [now] = await tx
        .select({ version: dog.version, profile: dog.profile })
        .from(dog)
        .where(eq(dog.id, params.id));
      return now;
    };
    const write = asSeen(tx, dog, { id: params.id, version: body.version }, set);
    const changed = await updateGuarded(write, { what: 'dog', current, yours: body });
    if (before?.profile.weightKg !== body.profile.weightKg)
      await keepWeight(tx, asker, params.id, today, body.profile.weightKg);
    return changed;
  });

  route(router, services, 'GET /api/watch', async ({ tx, today }) => {
    const plucked = await pluckedLately(tx, today);
    const ids = [...new Set([...(await dogsToWatch(tx)), ...plucked.map(({ dogId }) => dogId)])];
    const items: WatchItem[] = [];
    // After something that makes all stale it may be the whole book: others are served in between.
    for (let at = 0; at < ids.length; at += WATCHED_AT_ONCE) {
      const loaded = await loadDogs(tx, { ids: ids.slice(at, at + WATCHED_AT_ONCE) });
      const records = loaded.filter((record) => record.dog.archivedOn === null);
      items.push(...records.flatMap((record) => watchItems(record, findingWords)));
      items.push(...(await incidentsToAskAfter(tx, records)), ...pluckedToAskAfter(records, plucked));
    }
    return {
      items: items.toSorted(
        (a, b) => LEVELS.indexOf(b.level as Level) - LEVELS.indexOf(a.level as Level) || a.day.localeCompare(b.day),
      ),
    };
  });
}

/** What the book knows against a profile: a birthday ahead, a breed nobody has, a chip that is another dog's. */
async function validateProfile(
  tx: Tenant,
  business: Business,
  profile: DogProfile,
  today: Day,
  dogId: string,
): Promise<void> {
  const wrong = notInFuture(profile, today);
  if (wrong) throw badField(`profile.${wrong.path}`, wrong.message);
  const strange = profile.breeds.find((id) => business.catalogue.find(id) === undefined);
  if (strange) throw badField('profile.breeds', 'No such breed in the catalogue.');
  if (profile.chip === '') return;
  const [other] = await tx
    .select({ name: dog.name, owner: client.name })
    .from(dog)
    .innerJoin(client, eq(client.id, dog.clientId))
    .where(and(eq(dog.chip, profile.chip), ne(dog.id, dogId)));
  if (other) throw badField('profile.chip', `That chip is ${other.name}’s, of ${other.owner}.`);
}

async function assertKnownVet(tx: Tenant, vetId: string): Promise<void> {
  const [known] = await tx.select({ id: vet.id }).from(vet).where(eq(vet.id, vetId));
  if (!known) throw badField('vetId', 'There is no such vet here.');
}
