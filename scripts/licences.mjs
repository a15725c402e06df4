// Which licences the packages bear that ship with Dewpond, as their own package tells it; kept in docs/licences.md.

import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ROOT, ensureDependencies } from './machine.mjs';
import { command, say } from './say.mjs';

export const LICENCES = join(ROOT, 'docs/licences.md');

/** @typedef {{ readonly version?: string, readonly integrity?: string, readonly link?: boolean, readonly inBundle?: boolean, readonly cpu?: string[], readonly dependencies?: Record<string, string> }} Locked */

/** What package-lock.json says, by folder. @returns {Record<string, Locked>} */
export const lockedPackages = () => JSON.parse(readFileSync(join(ROOT, 'package-lock.json'), 'utf8')).packages;

/** What the application runs on; their packages for building and testing are not followed. */
const WORKSPACES = ['core', 'contract', 'server', 'web'];

/**
 * Name and version of the packages that are there when Dewpond runs: what the workspaces depend on, and what that depends on. Programs
 * made for one kind of processor are left out: which of them there are is the machine's.
 */
export function shipped() {
  const locked = lockedPackages();
  /** @type {Set<string>} */
  const found = new Set();
  /** The folder in which a package of this name is found from another one, as Node looks for it. @param {string} from @param {string} name */
  const lookUp = (from, name) => {
    for (let at = from; ; at = at.replace(/(^|\/)node_modules\/(@[^/]+\/)?[^/]+$|^[^/]+$/, '')) {
      const folder = [at, 'node_modules', name].filter(Boolean).join('/');
      if (locked[folder]) return folder;
      if (at === '') return null;
    }
  };
  /** @param {string} from */
  const follow = (from) => {
    for (const name of Object.keys(locked[from]?.dependencies ?? {})) {
      const folder = lookUp(from, name);
      const its = folder === null ? undefined : locked[folder];
      if (folder === null || !its || its.link || its.cpu || found.has(folder)) continue;
      found.add(folder);
      follow(folder);
    }
  };
  WORKSPACES.forEach(follow);
  return [...found].map((folder) => `${folder.split('node_modules/').at(-1)}@${locked[folder]?.version}`);
}

/** Each package that ships with its licence, by licence. @returns {Promise<Map<string, string[]>>} */
export async function licencesOfShipped() {
  const { init } = await import('license-checker-rseidelsohn');
  /** @type {import('license-checker-rseidelsohn').ModuleInfos} */
  const found = await new Promise((done, fail) =>
    init({ start: ROOT }, (error, said) => (error ? fail(error) : done(said))),
  );
  const ships = new Set(shipped());
  /** @type {Map<string, string[]>} */
  const by = new Map();
  for (const [name, { licenses }] of Object.entries(found)) {
    if (!ships.has(name)) continue;
    const licence = [licenses ?? 'unknown'].flat().join(' and ');
    by.set(licence, [...(by.get(licence) ?? []), name]);
  }
  return by;
}

/** The page as it is kept. @param {ReadonlyMap<string, readonly string[]>} by */
export function licencesPage(by) {
  const all = [...by.values()].flat().length;
  const groups = [...by]
    .toSorted(([a, one], [b, other]) => other.length - one.length || a.localeCompare(b))
    .map(([licence, names]) => `## ${licence}\n\n${names.toSorted().join(', ')}`);
  return `# Licences of what ships with Dewpond

Made by \`npm run licences\` from what the packages say of themselves (license-checker-rseidelsohn): the ${all} packages that are there
when Dewpond runs. Those for building and testing it are not among them, nor the programs that sharp brings for one kind of processor
(Apache-2.0, and libvips in them LGPL-3.0-or-later). Fonts are packages, too.

${groups.join('\n\n')}
`;
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href)
  await command(async () => {
    ensureDependencies();
    writeFileSync(LICENCES, licencesPage(await licencesOfShipped()));
    say('written: docs/licences.md');
  });
