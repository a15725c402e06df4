import PQueue from 'p-queue';
import sharp from 'sharp';
import { Refusal, busy } from '../http/problem';

// sharp reads by content, whatever it is told: only what a camera makes is let in, no drawing that is a program.
sharp.block({ operation: ['VipsForeignLoad'] });
sharp.unblock({
  operation: ['VipsForeignLoadJpegBuffer', 'VipsForeignLoadPngBuffer', 'VipsForeignLoadWebpBuffer'],
});
sharp.cache(false);
sharp.concurrency(1);

/** Points of a picture, and of one that must be held whole in memory: interlaced, progressive, or WebP. */
const MOST_POINTS = 100_000_000;
const MOST_BYTES_HELD = 150_000_000;
const MOST_SECONDS = 20;

/** One picture at a time: drawing takes threads that files and names of hosts wait for, too. */
const turn = new PQueue({ concurrency: 1 });
const MOST_WAITING = 30;

/** How a picture is drawn: its long side in pixels, and the quality of the JPEG. */
export interface PictureSize {
  readonly longSide: number;
  readonly quality: number;
}

/** How a picture of a dog is stored: a sore of a millimetre is still seen. */
export const PICTURE: PictureSize = { longSide: 1600, quality: 80 };

export interface Drawn {
  readonly width: number;
  readonly height: number;
  readonly size: number;
  readonly bytes: Buffer;
}

/**
 * Turned upright, made smaller, drawn anew as JPEG: only the picture is kept, no place, no time, no maker. Judged by its
 * content. Throws a refusal in words for what is no picture, is damaged, too large, or takes too long; 503 when too many wait.
 */
export async function drawAnew(sent: Buffer, { longSide, quality }: PictureSize): Promise<Drawn> {
  if (turn.size >= MOST_WAITING)
    throw busy('Many pictures are being drawn just now. This one stays where it is; send it again.');
  return turn.add(async () => {
    assertNotTooLarge(await contentOf(sent));
    const drawn = await sharp(sent, { limitInputPixels: MOST_POINTS })
      .timeout({ seconds: MOST_SECONDS })
      .rotate()
      .resize(longSide, longSide, { fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality })
      .toBuffer({ resolveWithObject: true })
      .catch(() => {
        throw new Refusal('bad input', 'That picture is damaged. Nothing was kept of it here.');
      });
    return { width: drawn.info.width, height: drawn.info.height, size: drawn.data.length, bytes: drawn.data };
  });
}

/** Async throughout: of no bytes at all it throws before it promises anything. */
async function contentOf(sent: Buffer): Promise<sharp.Metadata> {
  try {
    return await sharp(sent, { limitInputPixels: false }).metadata();
  } catch {
    throw new Refusal('bad input', 'That is no picture we can read. Nothing was kept of it here.');
  }
}

/** What a picture would need in memory, before any of it is read. */
function assertNotTooLarge({ width, height, channels, depth, format, isProgressive, pages = 1 }: sharp.Metadata): void {
  const points = width * height;
  const held =
    isProgressive === true || format === 'webp' ? points * channels * (depth === 'ushort' ? 2 : 1) * pages : 0;
  if (points > MOST_POINTS || held > MOST_BYTES_HELD)
    throw new Refusal(
      'too large',
      `That picture has ${width} × ${height} points; so many are too many. Send it smaller.`,
    );
}
