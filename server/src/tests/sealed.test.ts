import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import { isSealed, seal, unseal } from '../../../scripts/sealed.mjs';
import { differing } from '../../../scripts/tables.mjs';

const folder = mkdtempSync(join(tmpdir(), 'dewpond-sealed-'));
afterAll(() => rmSync(folder, { recursive: true }));
const at = (name: string) => join(folder, name);
const keyed = (name: string, phrase: string) => {
  writeFileSync(at(name), `${phrase}\n`);
  return at(name);
};
const key = keyed('key', 'a passphrase for backups');
const PLAIN = Buffer.from('Thistle, Mere Tuhoe, 01632 960177\n'.repeat(5000));
writeFileSync(at('plain'), PLAIN);

describe('a sealed file', () => {
  test('opens by its key to what it was, and shows nothing of it before', async () => {
    await seal(at('plain'), at('sealed'), key);
    expect(isSealed(at('sealed'))).toBe(true);
    expect(isSealed(at('plain'))).toBe(false);
    expect(readFileSync(at('sealed')).includes('Thistle')).toBe(false);
    await unseal(at('sealed'), at('opened'), key);
    expect(readFileSync(at('opened')).equals(PLAIN)).toBe(true);
  });

  test('opens by no other key, not when one bit is another, not when it is cut short', async () => {
    await expect(unseal(at('sealed'), at('x'), keyed('other', 'another passphrase of mine'))).rejects.toThrow(
      /another key/,
    );
    const bytes = readFileSync(at('sealed'));
    const at1000 = bytes[1000] ?? 0;
    writeFileSync(
      at('changed'),
      Buffer.concat([bytes.subarray(0, 1000), Buffer.from([at1000 ^ 1]), bytes.subarray(1001)]),
    );
    await expect(unseal(at('changed'), at('x'), key)).rejects.toThrow(/was changed/);
    for (const length of [bytes.length - 1, 100, 20]) {
      writeFileSync(at('cut'), bytes.subarray(0, length));
      await expect(unseal(at('cut'), at('x'), key)).rejects.toThrow(/cut short/);
    }
  });

  test('wants a passphrase worth the name, in a file that is there', async () => {
    await expect(seal(at('plain'), at('x'), keyed('short', 'wet dog'))).rejects.toThrow(/16 characters/);
    await expect(seal(at('plain'), at('x'), at('nowhere'))).rejects.toThrow(/cannot be read/);
  });
});

test('two databases differ where a row, or what one says, differs', () => {
  const one = { 'dewpond.dog': { rows: 2, sum: '7' }, 'auth.user': { rows: 1, sum: '3' } };
  expect(differing(one, one)).toEqual([]);
  expect(differing(one, { ...one, 'dewpond.dog': { rows: 2, sum: '8' } })).toEqual(['dewpond.dog']);
  expect(differing(one, { 'auth.user': one['auth.user'] })).toEqual(['dewpond.dog']);
});
