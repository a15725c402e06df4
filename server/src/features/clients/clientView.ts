import type { ClientView } from '@dewpond/contract';
import { nameBreeds } from '@dewpond/core/catalogue';
import { likelySame } from '@dewpond/core/clients';
import type { Day } from '@dewpond/core/units';
import { and, asc, eq, inArray, isNull, ne } from 'drizzle-orm';
import { client, dog } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Business } from '../../records/business/business';
import { notFound } from '../../platform/http/problem';
import { mergesIntoClient } from '../../records/client/merges';
import { clientShown, householdOf } from '../../records/client/client';

type DogOfClient = ClientView['dogs'][number];

async function dogsOf(
  tx: Tenant,
  business: Business,
  clientIds: readonly string[],
): Promise<Map<string, DogOfClient[]>> {
  const rows =
    clientIds.length === 0
      ? []
      : await tx
          .select()
          .from(dog)
          .where(inArray(dog.clientId, [...clientIds]))
          .orderBy(asc(dog.name));
  const byClient = new Map<string, DogOfClient[]>(clientIds.map((id) => [id, []]));
  for (const { clientId, id, name, profile, archivedOn, needs, version } of rows)
    byClient.get(clientId)?.push({
      id,
      name,
      breed: nameBreeds(profile.breeds, business.catalogue),
      version,
      archivedOn: archivedOn as Day | null,
      needs,
    });
  return byClient;
}

/** A client with everything that belongs to them. */
export async function clientView(tx: Tenant, business: Business, id: string): Promise<ClientView> {
  const [row] = await tx.select().from(client).where(eq(client.id, id));
  if (!row) throw notFound('client');
  const mates =
    row.householdId === null
      ? []
      : await tx
          .select()
          .from(client)
          .where(and(eq(client.householdId, row.householdId), ne(client.id, id)))
          .orderBy(asc(client.name));
  const dogs = await dogsOf(tx, business, [id, ...mates.map((mate) => mate.id)]);
  const present = await tx
    .select({ id: client.id, name: client.name, card: client.card })
    .from(client)
    .where(isNull(client.archivedOn));
  const double = likelySame(present).filter((group) => group.some((each) => each.id === id));
  const doubles = new Map(double.flat().map((each) => [each.id, each.name]));
  doubles.delete(id);
  return {
    client: clientShown(row, await householdOf(tx, row)),
    wishes: row.wishes,
    dogs: dogs.get(id) ?? [],
    housemates: mates.map((mate) => ({ id: mate.id, name: mate.name, dogs: dogs.get(mate.id) ?? [] })),
    likelySame: [...doubles].map(([otherId, name]) => ({ id: otherId, name })),
    merges: await mergesIntoClient(tx, id),
  };
}
