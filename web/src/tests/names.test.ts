import { readFileSync, readdirSync } from 'node:fs';
import { expect, test } from 'vitest';

/** Types that a file of any workspace declares, by name: who reads a name must not ask which one it is. */
function typesByName(): ReadonlyMap<string, readonly string[]> {
  const root = new URL('../../../', import.meta.url).pathname;
  const files = ['core/src', 'contract/src', 'server/src', 'web/src', 'e2e', 'benchmarks'].flatMap((folder) =>
    readdirSync(root + folder, { recursive: true, encoding: 'utf8' })
      .filter((file) => /\.tsx?$/.test(file) && !file.includes('node_modules'))
      .map((file) => `${folder}/${file}`),
  );
  const found = new Map<string, string[]>();
  for (const file of files)
    for (const [, name = ''] of readFileSync(root + file, 'utf8').matchAll(
      /^(?:export )?(?:interface|type|(?:abstract )?class) (\w+)/gm,
    ))
      found.set(name, [...(found.get(name) ?? []), file]);
  return found;
}

test('no two types have one name', () => {
  const all = typesByName();
  expect(all.size).toBeGreaterThan(500);
  expect([...all].filter(([, files]) => files.length > 1)).toEqual([]);
});
