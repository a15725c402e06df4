import { LETTER_LIMIT, LETTER_TYPES } from '@dewpond/contract';
import { eq, sum } from 'drizzle-orm';
import express, { type Router } from 'express';
import sharp from 'sharp';
import { instruction, letter } from '../db/schema';
import { askerOf, tenantOf, type Services } from '../http/context';
import { idIn } from '../http/ids';
import { notFound, Refusal } from '../http/problem';

/** All letters of a business together [house value]. */
const QUOTA = 512 * 1024 * 1024;
/** Long side of a kept photo, pixels: a page of A4 stays readable. */
const LONG_SIDE = 2400;

interface Kept {
  readonly mediaType: 'image/jpeg' | 'application/pdf';
  readonly bytes: Buffer;
}

/** A photo is drawn anew: turned upright, made smaller, and nothing but the picture is kept of it. */
async function prepare(sent: Buffer, type: string): Promise<Kept> {
  if (type === 'application/pdf') {
    if (sent.subarray(0, 5).toString('latin1') !== '%PDF-') throw unreadable();
    return { mediaType: 'application/pdf', bytes: sent };
  }
  try {
    const bytes = await sharp(sent, { limitInputPixels: 100_000_000 })
      .rotate()
      .resize(LONG_SIDE, LONG_SIDE, { fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 82 })
      .toBuffer();
    return { mediaType: 'image/jpeg', bytes };
  } catch {
    throw unreadable();
  }
}

const unreadable = () =>
  new Refusal('bad input', 'That is no picture and no PDF we can read. The instruction is kept without it.');

/** The scanned letter behind an instruction: bytes in, bytes out. */
export function letterRoutes(router: Router, services: Services): void {
  const body = express.raw({ type: [...LETTER_TYPES], limit: LETTER_LIMIT });

  router.put('/api/instructions/:id/letter', body, async (request, response) => {
    const asker = askerOf(request);
    const id = idIn(request.params['id'], 'instruction');
    const type = request.get('content-type')?.split(';')[0] ?? '';
    if (!Buffer.isBuffer(request.body)) throw new Refusal('bad input', 'Send a picture (JPEG, PNG, WebP) or a PDF.');
    const { mediaType, bytes } = await prepare(request.body, type);
    const fileName = fileNameOf(request.get('x-file-name'));
    await tenantOf(services, asker, async (tx) => {
      const [known] = await tx.select({ id: instruction.id }).from(instruction).where(eq(instruction.id, id));
      if (!known) throw notFound('instruction');
      const [used] = await tx.select({ size: sum(letter.size) }).from(letter);
      if (Number(used?.size ?? 0) + bytes.length > QUOTA)
        throw new Refusal('too large', 'The room for letters is full. Take old ones off first.');
      const row = { fileName, mediaType, size: bytes.length, bytes, addedBy: asker.personName };
      await tx
        .insert(letter)
        .values({ businessId: asker.businessId, instructionId: id, ...row })
        .onConflictDoUpdate({ target: [letter.businessId, letter.instructionId], set: row });
    });
    response.json({ fileName, mediaType, size: bytes.length, addedBy: asker.personName });
  });

  router.get('/api/instructions/:id/letter', async (request, response) => {
    const id = idIn(request.params['id'], 'instruction');
    const row = await tenantOf(services, askerOf(request), async (tx) => {
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

  router.delete('/api/instructions/:id/letter', async (request, response) => {
    const id = idIn(request.params['id'], 'instruction');
    await tenantOf(services, askerOf(request), (tx) => tx.delete(letter).where(eq(letter.instructionId, id)));
    response.json({});
  });
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
