import compression from 'compression';
import expressStaticGzip from 'express-static-gzip';
import type { RequestHandler } from 'express';
import { constants } from 'node:zlib';

/** Quick rather than small: an answer is squeezed while someone waits for it. */
const QUICK = { level: 3, brotli: { params: { [constants.BROTLI_PARAM_QUALITY]: 3 } } };

/** Answers of text are squeezed; a stream of news goes out word by word, and pictures and papers are small already. */
export const squeezed: RequestHandler = compression({
  ...QUICK,
  filter: (request, response) =>
    !String(response.getHeader('content-type')).startsWith('text/event-stream') &&
    compression.filter(request, response),
});

interface CacheFor {
  readonly maxAge?: string;
  readonly immutable?: boolean;
}

/** Files that the build has squeezed as small as they go (`scripts/squeeze.mjs`), sent as the browser takes them. */
export const squeezedFiles = (folder: string, cacheFor: CacheFor = {}): RequestHandler =>
  expressStaticGzip(folder, { index: false, enableBrotli: true, orderPreference: ['br', 'gz'], serveStatic: cacheFor });
