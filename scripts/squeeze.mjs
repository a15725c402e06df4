// Squeezes the files of the built web application once, as small as they go: what is served is never squeezed anew.
// Brotli for browsers on https or loopback, gzip for the rest.

import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { extname, join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';

/** Fonts and pictures are squeezed by their formats. */
const TEXT = new Set(['.js', '.css', '.html', '.svg', '.json', '.webmanifest']);
/** Below this a packet carries it anyway, bytes. */
const SMALLEST = 1024;

/** @param {string} folder */
export async function squeeze(folder) {
  const files = readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && TEXT.has(extname(entry.name)))
    .map((entry) => join(entry.parentPath, entry.name));
  await Promise.all(
    files.map(async (file) => {
      const bytes = readFileSync(file);
      if (bytes.length < SMALLEST) return;
      const [br, gz] = await Promise.all([
        promisify(brotliCompress)(bytes, { params: { [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length } }),
        promisify(gzip)(bytes, { level: 9 }),
      ]);
      writeFileSync(`${file}.br`, br);
      writeFileSync(`${file}.gz`, gz);
    }),
  );
}
