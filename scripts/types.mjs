// npm run types: each workspace with the types it may use, then tests and scripts. TypeScript 7 checks, four times as fast;
// ESLint still needs the program of TypeScript 5.

import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './machine.mjs';

export const TYPE_CONFIGS = ['core', 'contract', 'server', 'web', 'tsconfig.tests.json', 'tsconfig.scripts.json'];

/** Whether what a config includes has no error; errors are shown. @param {string} config @returns {Promise<boolean>} */
export function checkTypes(config) {
  const tsc = join(ROOT, 'node_modules/typescript7/bin/tsc');
  const child = spawn(process.execPath, [tsc, '-p', config], { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'] });
  return new Promise((done) => child.once('exit', (code) => done(code === 0)));
}

if (process.argv[1] === import.meta.filename)
  for (const config of TYPE_CONFIGS) if (!(await checkTypes(config))) process.exitCode = 1;
