import { createHash } from 'node:crypto';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Response } from 'express';
import yazl from 'yazl';

type Content = Iterable<string | Buffer> | AsyncIterable<string | Buffer>;

/** Whoever takes nothing for so long has gone, and holds a connection of the database. */
const STALLED_MS = 60_000;

/** A zip that is written while it is read: one file after the other, none of them whole in memory. */
export interface Zip {
  /** Adds one file and waits until it is on its way; answers its SHA-256. `packed`: it cannot be made smaller. */
  readonly add: (path: string, content: Content, packed?: 'packed') => Promise<string>;
}

/**
 * Sends a zip under a name. Whoever stops the download, or takes nothing of it for a minute, stops the work; a trouble on the
 * way cuts the file short, and a zip that is cut short cannot be opened.
 */
export async function sendZip(
  response: Response,
  name: string,
  at: Date,
  write: (zip: Zip) => Promise<void>,
  stalledMs = STALLED_MS,
): Promise<void> {
  const zip = new yazl.ZipFile();
  let stop: (why: Error) => void = () => undefined;
  const stopped = new Promise<never>((_, fail) => (stop = fail));
  stopped.catch(() => undefined);
  const add: Zip['add'] = (path, content, packed) => {
    const hash = createHash('sha256');
    const stream = Readable.from(hashed(content, hash));
    const done = new Promise<string>((end, fail) => {
      stream.once('end', () => end(hash.digest('hex')));
      stream.once('error', fail);
    });
    zip.addReadStream(stream, path, { mtime: at, compress: packed === undefined });
    return Promise.race([done, stopped]);
  };
  response
    .type('application/zip')
    .set('Cache-Control', 'private, no-store')
    .set(
      'Content-Disposition',
      `attachment; filename="${name.replaceAll(/[^\w.-]+/g, '-')}"; filename*=UTF-8''${encodeURIComponent(name)}`,
    );
  response.setTimeout(stalledMs, () => response.destroy());
  const sent = pipeline(zip.outputStream as Readable, response).catch((error: unknown) => stop(error as Error));
  try {
    await write({ add });
    zip.end();
    await Promise.race([sent, stopped]);
  } catch (error) {
    response.destroy();
    // Whoever went away knows.
    if (!response.closed || !isGone(error)) throw error;
  }
}

const isGone = (error: unknown): boolean => (error as { readonly code?: string }).code === 'ERR_STREAM_PREMATURE_CLOSE';

async function* hashed(content: Content, hash: ReturnType<typeof createHash>): AsyncGenerator<Buffer> {
  for await (const piece of content) {
    const bytes = typeof piece === 'string' ? Buffer.from(piece) : piece;
    hash.update(bytes);
    if (bytes.length > 0) yield bytes;
  }
}
