import {
  newDog as dogToSend,
  newClient,
  type BodyOf,
  type BusinessView,
  type DogProfileInput,
} from '@dewpond/contract';
import type { Catalogue } from '@dewpond/core/catalogue';
import type { Day, UnitSystem } from '@dewpond/core/units';
import { v7 } from 'uuid';
import { serverOffset } from '../../api/serverClock';
import { answers, outbox, ownWork } from '../../data/device';
import { newDogVisit } from './newDogVisit';

/** Owner and dog as they were taken in, under the ids that they will have in the book. */
export interface TakenIn {
  readonly ids: { readonly client: string; readonly dog: string };
  /** Null: of a client who is in the book, `clientId`. */
  readonly owner: Omit<BodyOf<'POST /api/clients'>, 'id'> | null;
  readonly clientId: string;
  readonly clientName: string;
  readonly profile: DogProfileInput;
}

/**
 * Begins the first visit of a dog that is not in the book, on this device: with a network it is told at once, without one
 * when there is one again. Returns the visit's id. Throws where what was typed does not fit the book.
 */
export async function beginNewDog(
  { ids, owner, clientId, clientName, profile }: TakenIn,
  business: BusinessView,
  now: { readonly day: Day; readonly person: string; readonly units: UnitSystem; readonly catalogue: Catalogue },
): Promise<string> {
  const client = owner && { ...owner, id: ids.client };
  const fits = client && newClient.parse(client);
  const its = dogToSend.parse({ id: ids.dog, clientId: client ? ids.client : clientId, profile });
  const id = v7();
  const told = { name: fits?.name ?? clientName, phones: fits?.card.phones.map(({ number }) => number) ?? [] };
  const begun = { at: Date.now(), offset: serverOffset() };
  const visit = newDogVisit(id, { dogId: its.id, profile: its.profile, owner: told }, business, {
    ...now,
    now: begun.at + (begun.offset ?? 0),
  });
  await answers.put(`visit ${id}`, visit);
  await ownWork.addVisit({
    id,
    person: now.person,
    dogId: its.id,
    appointmentId: null,
    begun,
    refused: null,
    newDog: { client, clientId: its.clientId, profile },
  });
  outbox.nudge();
  return id;
}
