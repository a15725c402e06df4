import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { LICENCES, licencesOfShipped, licencesPage, lockedPackages, shipped } from '../../../scripts/licences.mjs';

/** Licences under which a package may be shipped with a program that is not given away with its source. */
const ALLOWED = [
  ...['MIT', 'MIT-0', 'MIT*', 'ISC', '0BSD', 'BSD-2-Clause', 'BSD-3-Clause', 'Apache-2.0', 'Apache-2.0 AND BSL-1.0'],
  // Fonts; and what is used as it is, unchanged.
  ...['OFL-1.1', 'MPL-2.0', 'BlueOak-1.0.0', '(MIT OR CC0-1.0)'],
];

test('the file of licences says what the packages say, and none of them asks for more than we give', async () => {
  const by = await licencesOfShipped();
  expect([...by.keys()].filter((licence) => !ALLOWED.includes(licence))).toEqual([]);
  expect([...by.values()].flat().toSorted()).toEqual([...new Set(shipped())].toSorted());
  expect(readFileSync(LICENCES, 'utf8')).toBe(licencesPage(by));
}, 60_000);

test('every package is locked by the hash of its content, and comes from a registry', () => {
  const locked = Object.entries(lockedPackages()).filter(
    ([folder, { link, inBundle }]) => folder.includes('node_modules/') && !link && !inBundle,
  );
  expect(locked.length).toBeGreaterThan(500);
  const loose = locked.filter(
    ([, { integrity, version }]) => !integrity?.startsWith('sha512-') || !/^\d/.test(version ?? ''),
  );
  expect(loose.map(([folder]) => folder)).toEqual([]);
});
