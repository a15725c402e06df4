import type { Letterhead } from '@dewpond/contract';
import { ENGLISH, inHouseWords, type Wording } from '@dewpond/core/sheet';
import { eq, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { business } from '../db/schema';
import type { Services } from '../http/context';
import { conflict, Refusal } from '../http/problem';
import { route } from '../http/route';
import { loadHouse, type House } from './house';

/** How a house signs what it gives to owners. */
export const letterheadOf = ({ name, phone, email, colour }: House): Letterhead => ({ name, phone, email, colour });

/** The words of a house: its own over what ships. */
export const wordingOf = ({ wording }: House): Wording => inHouseWords(ENGLISH, wording);

const view = (house: House, mayEdit: boolean) => ({
  version: house.version,
  ...letterheadOf(house),
  wording: house.wording,
  mayEdit,
});

export function letterheadRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/letterhead', async ({ tx, asker }) =>
    view(await loadHouse(tx), asker.role === 'manager'),
  );

  route(router, services, 'PUT /api/letterhead', async ({ tx, asker, body }) => {
    if (asker.role !== 'manager') throw new Refusal('not allowed', 'Only a manager changes how the house speaks.');
    const house = await loadHouse(tx);
    if (house.version !== body.version)
      throw conflict('Someone else changed the house meanwhile.', view(house, true), body);
    const { version, ...set } = body;
    await tx
      .update(business)
      .set({ ...set, version: sql`${business.version} + 1` })
      .where(eq(business.version, version));
    return { version: version + 1 };
  });
}
