// A backup as one file: a tar of manifest.json, database.dump (pg_dump's own format) and secrets.json, sealed where a key
// is given. All of it is open without Dewpond: tar and pg_restore read it.

import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { createReadStream, existsSync, mkdtempSync, readFileSync, renameSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { Stopped } from './say.mjs';
import { isSealed, seal, unseal } from './sealed.mjs';

/**
 * @typedef {object} Manifest
 * @property {1} format
 * @property {string} at when it was made, ISO 8601
 * @property {string} version of the application
 * @property {number} changes migrations the database had
 * @property {number} postgres major
 * @property {string} dump SHA-256 of database.dump
 * @property {Record<string, import('./tables.mjs').TableSum>} tables
 */

export const PARTS = ['manifest.json', 'database.dump', 'secrets.json'];

/** A folder of one's own that is gone when `work` is done. @template T @param {(folder: string) => Promise<T>} work @param {string} [beside] */
export async function inScratch(work, beside = tmpdir()) {
  const folder = mkdtempSync(join(beside, 'dewpond-'));
  try {
    return await work(folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** @param {string} file */
export async function hashOfFile(file) {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  return hash.digest('hex');
}

/** @param {string[]} args @param {string} what */
function tar(args, what) {
  const { status, stderr } = spawnSync('tar', args, { encoding: 'utf8' });
  if (status !== 0) throw new Stopped(`${what}: ${stderr.trim().split('\n').at(-1)}`, 'Nothing was changed.');
}

/** Packs a folder with the parts; the file is whole or not there. @param {string} folder @param {string} file @param {string | undefined} keyFile */
export async function pack(folder, file, keyFile) {
  const part = `${file}.part`;
  try {
    const bare = keyFile === undefined ? part : join(folder, 'backup.tar');
    tar(['--create', '--file', bare, '--directory', folder, ...PARTS], 'The backup could not be written');
    spawnSync('chmod', ['600', bare]);
    if (keyFile !== undefined) await seal(bare, part, keyFile);
    renameSync(part, file);
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  }
  return statSync(file).size;
}

/** Unpacks into a folder and looks whether all of it is there. @param {string} file @param {string} folder @param {string | undefined} keyFile @returns {Promise<Manifest>} */
export async function unpack(file, folder, keyFile) {
  if (!existsSync(file)) throw new Stopped(`There is no ${file}.`, 'Give the path of a backup.');
  let bare = file;
  if (isSealed(file)) {
    if (keyFile === undefined) throw new Stopped('This backup is sealed.', 'Say where its key is: BACKUP_KEY_FILE=…');
    bare = join(folder, 'opened.tar');
    await unseal(file, bare, keyFile);
  }
  const broken = new Stopped(`${file} is no whole backup: it is cut short or was changed.`, 'Take another backup.');
  try {
    tar(['--extract', '--file', bare, '--directory', folder, ...PARTS], 'The backup cannot be read');
  } catch {
    throw broken;
  }
  /** @type {Manifest} */
  const manifest = JSON.parse(readFileSync(join(folder, 'manifest.json'), 'utf8'));
  if ((await hashOfFile(join(folder, 'database.dump'))) !== manifest.dump) throw broken;
  return manifest;
}
