import { cpSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { dataFolder, runningPostmaster } from '../../../scripts/cluster.mjs';
import { config } from './salon';

let folder: string;
beforeEach(() => {
  folder = join(mkdtempSync(join(tmpdir(), 'dewpond-')), 'postgres');
  mkdirSync(folder);
});
afterEach(() => rmSync(folder, { recursive: true }));

const own = () => join(dataFolder('.dewpond-test'), 'postgres');

test('the database of these tests is found by its folder', () => {
  expect(runningPostmaster(own())?.port).toBe(config.DATABASE_PORT);
});

test('a copy of a running folder is no running folder: its pid file names the original', () => {
  cpSync(join(own(), 'postmaster.pid'), join(folder, 'postmaster.pid'));
  expect(runningPostmaster(folder)).toBeNull();
});

test.each([
  ['of another program that lives', process.pid],
  ['of nobody', 2 ** 22 - 3],
])('a number %s in the pid file is not believed', (_, pid) => {
  writeFileSync(join(folder, 'postmaster.pid'), [pid, folder, 0, 5432].join('\n'));
  expect(runningPostmaster(folder)).toBeNull();
});

test('without a pid file nothing runs', () => {
  expect(runningPostmaster(folder)).toBeNull();
});
