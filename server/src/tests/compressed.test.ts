import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import { describe, expect, test } from 'vitest';
import { squeeze } from '../../../scripts/squeeze.mjs';
import { makeApp } from '../app';
import { auth, config, log, openSalon, services } from './salon';

/** A built application of two files. */
async function built() {
  const around = mkdtempSync(join(tmpdir(), 'dewpond-dist-'));
  writeFileSync(join(around, 'config.js'), 'const secret = "reeds";\n'.repeat(100));
  const dist = join(around, 'dist');
  mkdirSync(join(dist, 'assets'), { recursive: true });
  writeFileSync(join(dist, 'index.html'), `<!doctype html><title>Dewpond</title>${'<p>reed</p>'.repeat(200)}`);
  writeFileSync(join(dist, 'assets/pond-1.js'), 'export const reeds = 3;\n'.repeat(400));
  writeFileSync(join(dist, 'assets/small-2.js'), 'export {};\n');
  await squeeze(dist);
  return makeApp({ ...config, WEB_DIST: dist }, services, log, auth);
}
const get = (app: ReturnType<typeof makeApp>, path: string, encodings: string) =>
  request(app).get(path).set('Accept-Encoding', encodings);

describe('files of the application', () => {
  test.each([
    ['br, gzip', 'br'],
    ['gzip, br', 'br'],
    ['gzip', 'gzip'],
    ['identity', undefined],
  ])('to a browser that takes %s go out as %s, and stay for a year', async (takes, encoding) => {
    const { headers, text } = await get(await built(), '/assets/pond-1.js', takes).buffer(true);
    expect(headers['content-encoding']).toBe(encoding);
    expect(headers['content-type']).toMatch(/^(text|application)\/javascript/);
    expect(headers['cache-control']).toBe('public, max-age=31536000, immutable');
    expect(headers['vary']).toMatch(/Accept-Encoding/i);
    expect(text).toContain('export const reeds = 3;');
  });

  test('are less than a tenth of their size, and the same when they arrive', async () => {
    const { text, headers } = await get(await built(), '/assets/pond-1.js', 'br').buffer(true);
    expect(Number(headers['content-length'])).toBeLessThan(960);
    expect(text).toBe('export const reeds = 3;\n'.repeat(400));
  });

  test('small ones go as they are, the page of every address is squeezed, too', async () => {
    const app = await built();
    expect((await get(app, '/assets/small-2.js', 'br')).headers['content-encoding']).toBeUndefined();
    const { headers } = await get(app, '/dogs', 'gzip');
    expect(headers).toMatchObject({ 'content-encoding': 'gzip', 'cache-control': 'no-cache' });
  });

  test('nothing outside the folder is given away, squeezed or not', async () => {
    const app = await built();
    for (const path of ['/assets/..%2f..%2fconfig.js', '/..%2fconfig.js', '/assets/%2e%2e/%2e%2e/config.js'])
      expect((await get(app, path, 'br').buffer(true)).text).not.toContain('secret');
  });
});

test('answers of some size are squeezed and say the same', async () => {
  const salon = await openSalon();
  const ask = (takes: string) =>
    get(makeApp(config, services, log, auth), '/api/business', takes).set('Cookie', salon.cookie);
  const plain = await ask('identity');
  const squeezed = await ask('gzip');
  expect(plain.headers['content-encoding']).toBeUndefined();
  expect(squeezed.headers['content-encoding']).toBe('gzip');
  expect(squeezed.body).toEqual(plain.body);
  expect(squeezed.headers['cache-control']).toBe('private, no-store');
});
