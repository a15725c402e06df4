import { PHOTO_LIMIT, PHOTO_TYPES } from '@dewpond/contract';
import { eq, sum } from 'drizzle-orm';
import express, { type Router } from 'express';
import { photo, visit } from '../../platform/db/schema';
import type { Asker } from '../../platform/asker';
import type { Tenant } from '../../platform/db/tenant';
import { askerOf, readTenantOf, tenantOf, type Services } from '../../platform/http/context';
import { idIn } from '../../platform/http/ids';
import { guarded } from '../../platform/http/route';
import { notFound, Refusal } from '../../platform/http/problem';
import { drawAnew, PICTURE, type Drawn } from '../../platform/images/drawAnew';
import { contentHash, assertSame } from '../../platform/http/sameContent';

/** All pictures of a business together [house value]. */
const QUOTA = 4 * 1024 * 1024 * 1024;

interface NewPicture {
  readonly id: string;
  readonly visitId: string;
  /** Hash of visit and bytes as they were sent, `madeFromBytes`. */
  readonly madeFrom: string;
  readonly drawn: Drawn;
}

export const madeFromBytes = (visitId: string, bytes: Buffer): string =>
  contentHash({ visitId, bytes: bytes.toString('base64') });

/** Writes a picture of a visit down, once; it was drawn anew before. */
export async function keepPicture(
  tx: Tenant,
  { personId, personName }: Pick<Asker, 'personId' | 'personName'>,
  { drawn, ...its }: NewPicture,
): Promise<void> {
  const [known] = await tx.select({ id: visit.id }).from(visit).where(eq(visit.id, its.visitId));
  if (!known) throw notFound('visit');
  const [used] = await tx.select({ size: sum(photo.size) }).from(photo);
  if (Number(used?.size ?? 0) + drawn.size > QUOTA)
    throw new Refusal('too large', 'The room for pictures is full. This one stays on the device.');
  await tx
    .insert(photo)
    .values({ ...its, ...drawn, addedBy: personName, personId })
    .onConflictDoNothing();
}

/** Pictures of a visit: bytes in, once each; a JPEG without anything a camera wrote into it out. */
export function photoRoutes(router: Router, services: Services): void {
  const body = express.raw({ type: [...PHOTO_TYPES], limit: PHOTO_LIMIT });

  router.put(
    '/api/visits/:id/photos/:photo',
    guarded('PUT /api/visits/:id/photos/:photo'),
    body,
    async (request, response) => {
      const asker = askerOf(request);
      const visitId = idIn(request.params['id'], 'visit');
      const id = idIn(request.params['photo'], 'picture');
      if (!Buffer.isBuffer(request.body)) throw new Refusal('bad input', 'Send a picture: JPEG, PNG or WebP.');
      const madeFrom = madeFromBytes(visitId, request.body);
      const known = await tenantOf(services, asker, (tx) =>
        tx.select({ madeFrom: photo.madeFrom }).from(photo).where(eq(photo.id, id)),
      );
      const [before] = known;
      if (before) assertSame(before.madeFrom, madeFrom);
      else {
        const drawn = await drawAnew(request.body, PICTURE);
        await tenantOf(services, asker, (tx) => keepPicture(tx, asker, { id, visitId, madeFrom, drawn }));
      }
      response.json({ id });
    },
  );

  router.get('/api/photos/:id', guarded('GET /api/photos/:id'), async (request, response) => {
    const id = idIn(request.params['id'], 'picture');
    const [row] = await readTenantOf(services, askerOf(request), (tx) =>
      tx.select({ bytes: photo.bytes }).from(photo).where(eq(photo.id, id)),
    );
    if (!row) throw notFound('picture');
    // A picture never changes under its id.
    response
      .set('Content-Type', 'image/jpeg')
      .set('Cache-Control', 'private, max-age=604800, immutable')
      .send(row.bytes);
  });
}
