import { notInFuture, type DogProfile } from '@dewpond/contract';
import { GRADE_WORDS } from '@dewpond/core/places';
import { LEVELS, signWords, type Level } from '@dewpond/core/findings';
import type { Day } from '@dewpond/core/units';
import { and, eq, ne } from 'drizzle-orm';
import type { Router } from 'express';
import { appointmentsOfDogs } from '../appointments/queries';
import { client, dog, vet } from '../db/schema';
import type { Tenant } from '../db/tenant';
import type { Services } from '../http/context';
import { badField, notFound } from '../http/problem';
import { route } from '../http/route';
import { contentHash } from '../http/sameContent';
import { asSeen, insertOnce, updateGuarded } from '../http/writes';
import { loadHouse, type House } from '../house/house';
import { dayIn } from '../house/zone';
import { bookPage, listDogs, reckonDue } from './bookDue';
import { loadExtras } from './extras';
import { incidentsToAskAfter } from './incidents';
import { factsOf, planFor } from './facts';
import { mixesFor } from './mixes';
import { loadDogs } from './records';
import { stampSeen } from './stampSeen';
import { dogView, watchItems } from './views';
import { keepWeight } from './weighings';

export function dogRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/dogs', async ({ tx, now }) => {
    const house = await loadHouse(tx);
    return { items: await listDogs(tx, house, dayIn(house.zone, now)) };
  });

  route(router, services, 'POST /api/book/reckon', async ({ tx, now }) => {
    const house = await loadHouse(tx);
    return { left: await reckonDue(tx, dayIn(house.zone, now)) };
  });

  route(router, services, 'GET /api/book', async ({ tx, query, now }) => {
    const house = await loadHouse(tx);
    const today = dayIn(house.zone, now);
    const { ids, after, of } = await bookPage(tx, query.after);
    return { items: (await loadDogs(tx, { ids })).map((record) => factsOf(record, house, today)), after, of };
  });

  route(router, services, 'GET /api/dogs/:id', async ({ tx, params, now }) => {
    const house = await loadHouse(tx);
    const [record] = await loadDogs(tx, { ids: [params.id] });
    if (!record) throw notFound('dog');
    const extras = await loadExtras(tx, record);
    return dogView(record, extras, house, dayIn(house.zone, now), await appointmentsOfDogs(tx, [params.id]));
  });

  route(router, services, 'GET /api/dogs/:id/mix', async ({ tx, params, now }) => {
    const house = await loadHouse(tx);
    const [record] = await loadDogs(tx, { ids: [params.id] });
    if (!record) throw notFound('dog');
    const { facts, plan } = planFor(record, house, dayIn(house.zone, now));
    return { mixes: mixesFor(facts, plan, house, record.amountFactor) };
  });

  route(router, services, 'POST /api/dogs', async ({ tx, asker, body, now }) => {
    const house = await loadHouse(tx);
    const today = dayIn(house.zone, now);
    await refuseProfile(tx, house, body.profile, today, body.id);
    const [owner] = await tx.select({ id: client.id }).from(client).where(eq(client.id, body.clientId));
    if (!owner) throw badField('clientId', 'There is no such client here.');
    const { id, clientId, profile } = body;
    const isNew = await insertOnce(tx, dog, {
      businessId: asker.businessId,
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

  route(router, services, 'PUT /api/dogs/:id', async ({ tx, asker, params, body, now }) => {
    const house = await loadHouse(tx);
    const today = dayIn(house.zone, now);
    await refuseProfile(tx, house, body.profile, today, params.id);
    if (body.vetId) await refuseUnknownVet(tx, body.vetId);
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

  route(router, services, 'GET /api/watch', async ({ tx }) => {
    const records = await loadDogs(tx);
    const items = records.flatMap((record) =>
      watchItems(
        record,
        (found) =>
          `${signWords(found.sign).name}${signWords(found.sign).graded ? `, ${GRADE_WORDS[found.grade]}` : ''}`,
      ),
    );
    return {
      items: [...items, ...(await incidentsToAskAfter(tx, records))].toSorted(
        (a, b) => LEVELS.indexOf(b.level as Level) - LEVELS.indexOf(a.level as Level) || a.day.localeCompare(b.day),
      ),
    };
  });
}

/** What the book knows against a profile: a birthday ahead, a breed nobody has, a chip that is another dog's. */
async function refuseProfile(tx: Tenant, house: House, profile: DogProfile, today: Day, dogId: string): Promise<void> {
  const wrong = notInFuture(profile, today);
  if (wrong) throw badField(`profile.${wrong.path}`, wrong.message);
  const strange = profile.breeds.find((id) => house.catalogue.find(id) === undefined);
  if (strange) throw badField('profile.breeds', 'No such breed in the catalogue.');
  if (profile.chip === '') return;
  const [other] = await tx
    .select({ name: dog.name, owner: client.name })
    .from(dog)
    .innerJoin(client, eq(client.id, dog.clientId))
    .where(and(eq(dog.chip, profile.chip), ne(dog.id, dogId)));
  if (other) throw badField('profile.chip', `That chip is ${other.name}’s, of ${other.owner}.`);
}

async function refuseUnknownVet(tx: Tenant, vetId: string): Promise<void> {
  const [known] = await tx.select({ id: vet.id }).from(vet).where(eq(vet.id, vetId));
  if (!known) throw badField('vetId', 'There is no such vet here.');
}
