import { LETTER_LIMIT, LETTER_TYPES } from '@dewpond/contract';
import { eq, sum } from 'drizzle-orm';
import express, { type Router } from 'express';
import { note } from '../../platform/audit/audit';
import { instruction, letter } from '../../platform/db/schema';
import { askerOf, readTenantOf, tenantOf, type Services } from '../../platform/http/context';
import { idIn } from '../../platform/http/ids';
import { guarded } from '../../platform/http/route';
import { notFound, Refusal } from '../../platform/http/problem';
import { drawAnew, type PictureSize } from '../../platform/images/drawAnew';

/** All letters of a business together [house value]. */
const QUOTA = 512 * 1024 * 1024;
/** How a photo of a letter is kept: a page of A4 stays readable. */
const LETTER_PHOTO: PictureSize = { longSide: 2400, quality: 82 };

interface StoredLetter {
  readonly mediaType: 'image/jpeg' | 'application/pdf';
  readonly bytes: Buffer;
}

/** A PDF is kept as it is, a photo drawn anew; judged by the content, whatever it is called. */
async function prepare(sent: Buffer): Promise<StoredLetter> {
  if (sent.subarray(0, 5).toString('latin1') === '%PDF-') return { mediaType: 'application/pdf', bytes: sent };
  const { bytes } = await drawAnew(sent, LETTER_PHOTO);
  return { mediaType: 'image/jpeg', bytes };
}

/** The scanned letter behind an instruction: bytes in, bytes out. */
export function letterRoutes(router: Router, services: Services): void {
  const body = express.raw({ type: [...LETTER_TYPES], limit: LETTER_LIMIT });

  router.put(
    '/api/instructions/:id/letter',
    guarded('PUT /api/instructions/:id/letter'),
    body,
    async (request, response) => {
      const asker = askerOf(request);
      const id = idIn(request.params['id'], 'instruction');
      if (!Buffer.isBuffer(request.body)) throw new Refusal('bad input', 'Send a picture (JPEG, PNG, WebP) or a PDF.');
      const { mediaType, bytes } = await prepare(request.body);
      const fileName = fileNameOf(request.get('x-file-name'));
      await tenantOf(services, asker, async (tx) => {
        const [known] = await tx.select({ id: instruction.id }).from(instruction).where(eq(instruction.id, id));
        if (!known) throw notFound('instruction');
        const [used] = await tx.select({ size: sum(letter.size) }).from(letter);
        if (Number(used?.size ?? 0) + bytes.length > QUOTA)
          throw new Refusal('too large', 'The room for letters is full. Take old ones off first.');
        const row = {
          fileName,
          mediaType,
          size: bytes.length,
          bytes,
          addedBy: asker.personName,
          personId: asker.personId,
        };
        await tx
          .insert(letter)
          .values({ instructionId: id, ...row })
          .onConflictDoUpdate({ target: [letter.businessId, letter.instructionId], set: row });
        await note(tx, asker, {
          what: 'changed',
          about: id,
          words: 'A letter put behind an instruction',
          now: services.now(),
        });
      });
      response.json({ fileName, mediaType, size: bytes.length, addedBy: asker.personName });
    },
  );

  router.get('/api/instructions/:id/letter', guarded('GET /api/instructions/:id/letter'), async (request, response) => {
    const id = idIn(request.params['id'], 'instruction');
    const row = await readTenantOf(services, askerOf(request), async (tx) => {
      const [found] = await tx.select().from(letter).where(eq(letter.instructionId, id));
      return found;
    });
    if (!row) throw notFound('letter');
    // A PDF may carry scripts: it is saved, never opened inside our pages.
    const how = row.mediaType === 'application/pdf' ? 'attachment' : 'inline';
    response
      .set('Content-Type', row.mediaType)
      .set('Content-Disposition', `${how}; filename*=UTF-8''${encodeURIComponent(row.fileName)}`)
      .set('Cache-Control', 'private, no-store')
      .send(row.bytes);
  });

  router.delete(
    '/api/instructions/:id/letter',
    guarded('DELETE /api/instructions/:id/letter'),
    async (request, response) => {
      const id = idIn(request.params['id'], 'instruction');
      const asker = askerOf(request);
      await tenantOf(services, asker, async (tx) => {
        await tx.delete(letter).where(eq(letter.instructionId, id));
        await note(tx, asker, {
          what: 'changed',
          about: id,
          words: 'A letter taken off an instruction',
          now: services.now(),
        });
      });
      response.json({});
    },
  );
}

/** The name as the browser sent it, without a path; "letter" when there is none. */
function fileNameOf(given: string | undefined): string {
  try {
    const name = decodeURIComponent(given ?? '')
      .replaceAll(/[\\/]/g, ' ')
      .replaceAll(/\p{Cc}/gu, '')
      .trim()
      .slice(0, 120);
    return name || 'letter';
  } catch {
    return 'letter';
  }
}
