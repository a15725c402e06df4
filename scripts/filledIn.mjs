// Files of deploy/ as they are for one installation.

import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './machine.mjs';
import { Stopped } from './say.mjs';

/** Fills in what stands between @ in a file of deploy. @param {string} file @param {Record<string, string | number>} words */
export function filledIn(file, words) {
  const text = readFileSync(join(ROOT, 'deploy', file), 'utf8');
  return text.replaceAll(/@([A-Z_]+)@/g, (_, /** @type {string} */ word) => {
    const said = words[word];
    if (said === undefined)
      throw new Stopped(`Nothing is said for ${word} in ${file}.`, 'Say it where it is filled in.');
    return String(said);
  });
}
