import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, test } from 'vitest';

const SCRIPTS = fileURLToPath(new URL('../../../scripts', import.meta.url));

/** What a script imports before its first line runs, and what those import. */
function importedAtOnce(file: string, known = new Set<string>()): Set<string> {
  for (const [, name = ''] of readFileSync(file, 'utf8').matchAll(/^(?:import|\} from).*?'([^']+)';$/gm)) {
    if (known.has(name)) continue;
    known.add(name);
    if (name.startsWith('.')) importedAtOnce(join(dirname(file), name), known);
  }
  return known;
}

describe('on a machine with nothing but Node', () => {
  test.each(['demo', 'dev', 'start', 'test', 'backup', 'restore', 'upgrade'])(
    '%s.mjs installs what it needs before it imports it',
    (name) => {
      const packages = [...importedAtOnce(join(SCRIPTS, `${name}.mjs`))].filter((each) => !/^(node:|\.)/.test(each));
      expect(packages).toEqual([]);
    },
  );
});
