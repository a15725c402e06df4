import { existsSync, readFileSync } from 'node:fs';
import { createServer, request, type Server } from 'node:http';
import { extname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const DIST = fileURLToPath(new URL('../../web/dist/', import.meta.url));
const TYPES: Readonly<Record<string, string>> = {
  '.js': 'text/javascript',
  '.css': 'text/css',
  '.svg': 'image/svg+xml',
  '.woff2': 'font/woff2',
  '.webmanifest': 'application/manifest+json',
};

/** The built application's files with nothing around them, squeezed where the build did; questions to the API are handed on. */
export function staticServer(api: string): Promise<{ readonly url: string; readonly server: Server }> {
  const files = new Map<string, { readonly bytes: Buffer; readonly squeezed: boolean }>();
  const fileAt = (path: string) => {
    const known = files.get(path);
    if (known) return known;
    const squeezed = existsSync(`${path}.br`);
    const read = { bytes: readFileSync(squeezed ? `${path}.br` : path), squeezed };
    files.set(path, read);
    return read;
  };
  const server = createServer((asked, answer) => {
    const path = new URL(asked.url ?? '/', api).pathname;
    if (path.startsWith('/api/')) {
      const onward = request(new URL(asked.url ?? '/', api), { method: asked.method ?? 'GET', headers: asked.headers });
      onward.on('response', (its) => its.pipe(answer.writeHead(its.statusCode ?? 500, its.headers)));
      asked.pipe(onward);
      return;
    }
    const named = join(DIST, path);
    const isFile = extname(path) !== '' && existsSync(named);
    const { bytes, squeezed } = fileAt(isFile ? named : join(DIST, 'index.html'));
    answer.writeHead(200, {
      'content-type': TYPES[isFile ? extname(path) : ''] ?? 'text/html',
      'content-length': bytes.length,
      ...(squeezed ? { 'content-encoding': 'br' } : {}),
    });
    answer.end(bytes);
  });
  return new Promise((done) => {
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number };
      done({ url: `http://127.0.0.1:${port}`, server });
    });
  });
}
