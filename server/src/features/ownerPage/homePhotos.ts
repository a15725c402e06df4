import { PHOTO_LIMIT, PHOTO_TYPES } from '@dewpond/contract';
import { and, eq, sum } from 'drizzle-orm';
import express, { type Response, type Router } from 'express';
import { v5 } from 'uuid';
import { homePhoto, ownerAnswer } from '../../platform/db/schema';
import { inTenant, readInTenant, type BusinessId } from '../../platform/db/tenant';
import { loadBusiness } from '../../records/business/business';
import { dayIn } from '../../platform/time/zone';
import { askerOf, type Services } from '../../platform/http/context';
import { idIn } from '../../platform/http/ids';
import { guarded } from '../../platform/http/route';
import { notFound, Refusal } from '../../platform/http/problem';
import { contentHash, assertSame } from '../../platform/http/sameContent';
import { drawAnew, PICTURE } from '../../platform/images/drawAnew';

/** What one owner may send of one dog in all [house value]. */
const QUOTA = 40 * 1024 * 1024;

/** Reads the bytes of a picture from a request. */
export const pictureBody = express.raw({ type: [...PHOTO_TYPES], limit: PHOTO_LIMIT });

/** Keeps a picture of today, once; drawn anew, so that nothing a camera wrote is kept. */
export async function keepHomePhoto(
  services: Services,
  { businessId, dogId }: { readonly businessId: BusinessId; readonly dogId: string },
  id: string,
  sent: unknown,
): Promise<void> {
  if (!Buffer.isBuffer(sent)) throw new Refusal('bad input', 'Send a picture: JPEG, PNG or WebP.');
  const madeFrom = contentHash({ dogId, bytes: sent.toString('base64') });
  const [known] = await inTenant(services.databases, businessId, (tx) =>
    tx.select({ madeFrom: homePhoto.madeFrom }).from(homePhoto).where(eq(homePhoto.id, id)),
  );
  if (known) {
    assertSame(known.madeFrom, madeFrom);
    return;
  }
  const { size, bytes } = await drawAnew(sent, PICTURE);
  await inTenant(services.databases, businessId, async (tx) => {
    const [used] = await tx
      .select({ size: sum(homePhoto.size) })
      .from(homePhoto)
      .where(eq(homePhoto.dogId, dogId));
    if (Number(used?.size ?? 0) + size > QUOTA) throw new Refusal('too large', 'The room for your pictures is full.');
    const day = dayIn((await loadBusiness(tx)).zone, services.now());
    await tx.insert(homePhoto).values({ id, dogId, day, size, bytes, madeFrom }).onConflictDoNothing();
    // Somebody looks at it: once a day, however many pictures come.
    await tx
      .insert(ownerAnswer)
      .values({ id: v5(`a picture ${day}`, dogId), dogId, says: 'a picture', toldAt: new Date(services.now()) })
      .onConflictDoNothing();
  });
}

/** A picture an owner sent, to whoever may see that dog. */
export async function sendHomePhoto(
  services: Services,
  response: Response,
  { businessId, dogId }: { readonly businessId: BusinessId; readonly dogId: string | null },
  id: string,
): Promise<void> {
  const [row] = await readInTenant(services.databases, businessId, (tx) =>
    tx
      .select({ bytes: homePhoto.bytes })
      .from(homePhoto)
      .where(dogId === null ? eq(homePhoto.id, id) : and(eq(homePhoto.id, id), eq(homePhoto.dogId, dogId))),
  );
  if (!row) throw notFound('picture');
  response.type('image/jpeg').set('Cache-Control', 'private, no-store').send(row.bytes);
}

export function homePhotoRoutes(router: Router, services: Services): void {
  router.get('/api/home-photos/:id', guarded('GET /api/home-photos/:id'), async (request, response) => {
    const { businessId } = askerOf(request);
    await sendHomePhoto(services, response, { businessId, dogId: null }, idIn(request.params.id, 'picture'));
  });
}
