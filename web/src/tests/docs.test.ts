import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { describe, expect, test } from 'vitest';

const ROOT = new URL('../../../', import.meta.url).pathname;
const DOCS = ['README.md', 'CONTRIBUTING.md', 'benchmarks/README.md'].concat(
  readdirSync(`${ROOT}docs`)
    .filter((file) => file.endsWith('.md'))
    .map((file) => `docs/${file}`),
);

/** Files and folders that a page names: in code marks from a workspace on, and behind its links. */
const named = (file: string): readonly string[] => {
  const text = readFileSync(ROOT + file, 'utf8');
  const folder = file.split('/').slice(0, -1).join('/');
  const inMarks = [...text.matchAll(/`((?:core|contract|server|web|e2e|benchmarks|scripts|docs)\/[\w./-]+)`/g)];
  const linked = [...text.matchAll(/\]\((?!https?:|#)([^)#]+)[^)]*\)/g)];
  return [
    ...inMarks.map(([, path = '']) => path),
    ...linked.map(([, path = '']) => (folder ? `${folder}/${path}` : path)),
  ];
};

describe('what a page of the documentation names is there', () => {
  test.each(DOCS)('%s', (file) => {
    expect(named(file).filter((path) => !existsSync(ROOT + path))).toEqual([]);
  });

  test('recipes name a good many', () => {
    expect(named('CONTRIBUTING.md').length).toBeGreaterThan(20);
  });
});
