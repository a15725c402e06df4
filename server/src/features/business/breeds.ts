import { and, eq, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { dog, ownBreed } from '../../platform/db/schema';
import type { Services } from '../../platform/http/context';
import { badField, Refusal } from '../../platform/http/problem';
import { updateGuarded } from '../../platform/http/writes';
import { route } from '../../platform/http/route';
import { contentHash } from '../../platform/http/sameContent';
import { loadBusiness } from '../../records/business/business';

/** Breeds the business adds, or sees otherwise than shipped. */
export function breedRoutes(router: Router, services: Services): void {
  route(router, services, 'PUT /api/breeds', async ({ tx, body }) => {
    const { breed, version } = body;
    const business = await loadBusiness(tx);
    const called = breed.name.toLowerCase();
    const taken = business.catalogue.breeds.find((each) => each.id !== breed.id && each.name.toLowerCase() === called);
    if (taken) throw badField('breed.name', 'There is a breed of that name already: adjust that one.');
    const shipped = business.catalogue.shippedBehind(breed.id) ?? business.catalogue.find(breed.id);
    const stored = { ...breed, why: breed.why || null, parents: [], earOdds: shipped?.earOdds ?? null };
    // 0: the business has none of its own yet. Two who add it at once: the second is told.
    const write =
      version === 0
        ? tx
            .insert(ownBreed)
            .values({ id: breed.id, breed: stored, madeFrom: contentHash(stored) })
            .onConflictDoNothing()
            .returning({ version: ownBreed.version })
        : tx
            .update(ownBreed)
            .set({ breed: stored, version: sql`${ownBreed.version} + 1` })
            .where(and(eq(ownBreed.id, breed.id), eq(ownBreed.version, version)))
            .returning({ version: ownBreed.version });
    const current = async () => (await loadBusiness(tx)).ownBreeds.find((each) => each.breed.id === breed.id) ?? {};
    return updateGuarded(write, { what: 'breed', current, yours: body });
  });

  route(router, services, 'POST /api/breeds/reset', async ({ tx, body }) => {
    const business = await loadBusiness(tx);
    const added =
      business.catalogue.find(body.id) !== undefined && business.catalogue.shippedBehind(body.id) === undefined;
    if (added) {
      const dogs = await tx.select({ name: dog.name, profile: dog.profile }).from(dog);
      const its = dogs.filter(({ profile }) => profile.breeds.includes(body.id)).map(({ name }) => name);
      if (its.length > 0)
        throw new Refusal(
          'conflict',
          `${its.slice(0, 3).join(', ')} ${its.length > 3 ? 'and others are' : its.length > 1 ? 'are' : 'is'} of that breed. Change them first.`,
        );
    }
    await tx.delete(ownBreed).where(eq(ownBreed.id, body.id));
    return {};
  });
}
