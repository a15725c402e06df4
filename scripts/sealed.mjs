// A file that only its key opens: AES-256-GCM, the key from a passphrase by scrypt. Layout: mark, salt (16), iv (12),
// what is sealed, tag (16). The tag is looked at before anything of it is used.

import { createCipheriv, createDecipheriv, randomBytes, scryptSync } from 'node:crypto';
import { closeSync, createReadStream, createWriteStream, fstatSync, openSync, readFileSync, readSync } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { Stopped } from './say.mjs';

const MARK = Buffer.from('DEWPOND1');
const SALT = 16;
const IV = 12;
const TAG = 16;
const HEAD = MARK.length + SALT + IV;

/** @param {string} keyFile @param {Buffer} salt */
function keyOf(keyFile, salt) {
  let phrase;
  try {
    phrase = readFileSync(keyFile, 'utf8').trim();
  } catch {
    throw new Stopped(
      `The key file ${keyFile} cannot be read.`,
      'BACKUP_KEY_FILE names a file with a passphrase in it.',
    );
  }
  if (phrase.length < 16)
    throw new Stopped('The passphrase of backups is shorter than 16 characters.', 'Make one: openssl rand -base64 32');
  return scryptSync(phrase, salt, 32, { N: 1 << 15, r: 8, p: 1, maxmem: 64 << 20 });
}

/** @param {string} from @param {string} to @param {string} keyFile */
export async function seal(from, to, keyFile) {
  const [salt, iv] = [randomBytes(SALT), randomBytes(IV)];
  const cipher = createCipheriv('aes-256-gcm', keyOf(keyFile, salt), iv);
  const out = createWriteStream(to, { mode: 0o600 });
  out.write(Buffer.concat([MARK, salt, iv]));
  await pipeline(createReadStream(from), cipher, out, { end: false });
  await new Promise((done, fail) => {
    out.once('error', fail);
    out.end(cipher.getAuthTag(), () => done(undefined));
  });
}

/** Whether a file begins as a sealed one. @param {string} file */
export function isSealed(file) {
  const fd = openSync(file, 'r');
  const head = Buffer.alloc(MARK.length);
  readSync(fd, head, 0, MARK.length, 0);
  closeSync(fd);
  return head.equals(MARK);
}

/** Throws where the key does not fit, or the file was cut short or changed. @param {string} from @param {string} to @param {string} keyFile */
export async function unseal(from, to, keyFile) {
  const fd = openSync(from, 'r');
  const { size } = fstatSync(fd);
  const wrong = new Stopped(
    `${from} cannot be opened: it is cut short, was changed, or has another key.`,
    'Look for its key, or take another backup.',
  );
  if (size < HEAD + TAG) throw wrong;
  const head = Buffer.alloc(HEAD);
  const tag = Buffer.alloc(TAG);
  readSync(fd, head, 0, HEAD, 0);
  readSync(fd, tag, 0, TAG, size - TAG);
  closeSync(fd);
  const salt = head.subarray(MARK.length, MARK.length + SALT);
  const decipher = createDecipheriv('aes-256-gcm', keyOf(keyFile, salt), head.subarray(MARK.length + SALT));
  decipher.setAuthTag(tag);
  try {
    await pipeline(
      createReadStream(from, { start: HEAD, end: size - TAG - 1 }),
      decipher,
      createWriteStream(to, { mode: 0o600 }),
    );
  } catch {
    throw wrong;
  }
}
