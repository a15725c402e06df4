import { PHOTO_LIMIT, PHOTO_TYPES } from '@dewpond/contract';
import { eq, sum } from 'drizzle-orm';
import express, { type Router } from 'express';
import { photo, visit } from '../../platform/db/schema';
import { askerOf, tenantOf, type Services } from '../../platform/http/context';
import { idIn } from '../../platform/http/ids';
import { guarded } from '../../platform/http/route';
import { notFound, Refusal } from '../../platform/http/problem';
import { drawAnew, PICTURE } from '../../platform/images/drawAnew';
import { contentHash, assertSame } from '../../platform/http/sameContent';

/** All pictures of a business together [house value]. */
const QUOTA = 4 * 1024 * 1024 * 1024;
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
      const madeFrom = contentHash({ visitId, bytes: request.body.toString('base64') });
      const known = await tenantOf(services, asker, (tx) =>
        tx.select({ madeFrom: photo.madeFrom }).from(photo).where(eq(photo.id, id)),
      );
      const [before] = known;
      if (before) assertSame(before.madeFrom, madeFrom);
      else {
        const drawn = await drawAnew(request.body, PICTURE);
        await tenantOf(services, asker, async (tx) => {
          const [its] = await tx.select({ id: visit.id }).from(visit).where(eq(visit.id, visitId));
          if (!its) throw notFound('visit');
          const [used] = await tx.select({ size: sum(photo.size) }).from(photo);
          if (Number(used?.size ?? 0) + drawn.size > QUOTA)
            throw new Refusal('too large', 'The room for pictures is full. This one stays on the device.');
          await tx
            .insert(photo)
            .values({
              id,
              visitId,
              ...drawn,
              madeFrom,
              addedBy: asker.personName,
              personId: asker.personId,
            })
            .onConflictDoNothing();
        });
      }
      response.json({ id });
    },
  );

  router.get('/api/photos/:id', guarded('GET /api/photos/:id'), async (request, response) => {
    const id = idIn(request.params['id'], 'picture');
    const [row] = await tenantOf(services, askerOf(request), (tx) =>
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
