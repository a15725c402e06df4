import { readFileSync, readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { ENDPOINTS } from '@dewpond/contract';
import { expect, test } from 'vitest';
import { queryClient } from './queries';
import { MAKES_STALE, makeStale } from './stale';

const root = fileURLToPath(new URL('..', import.meta.url));
const sources = readdirSync(root, { recursive: true, encoding: 'utf8' })
  .filter((name) => /\.tsx?$/.test(name) && !name.includes('.test.') && !name.startsWith('features/ownerPage'))
  .map((name) => readFileSync(`${root}/${name}`, 'utf8'));
const asked = new Set(
  sources.flatMap((text) => [...text.matchAll(/queryKey: \['([^']+)'/g)].map(([, name = '']) => name)),
);
const named = new Set(Object.values(MAKES_STALE).flatMap((names) => (names === 'everything' ? [] : names)));

test('every write says what it makes stale', () => {
  const writes = Object.keys(ENDPOINTS).filter((key) => !key.startsWith('GET'));
  expect(Object.keys(MAKES_STALE).toSorted()).toEqual(writes.toSorted());
});

test('whatever a screen asks for is made stale by something, and nothing is named that nobody asks for', () => {
  // A file being read, before anything is written; a visit at the table, which hears of its events itself; what only this
  // device knows.
  const apart = ['import preview', 'visit', 'begun here'];
  expect([...asked].filter((name) => !apart.includes(name)).toSorted()).toEqual([...named].toSorted());
});

test('an answer on a screen is asked for anew by the writes that change it, and by no other', async () => {
  let times = 0;
  const query = { queryKey: ['vets'], queryFn: () => Promise.resolve((times += 1)) };
  await queryClient.fetchQuery(query);
  await makeStale(['PUT /api/me']);
  expect(queryClient.getQueryState(['vets'])?.isInvalidated).toBe(false);
  await makeStale(['PUT /api/vets/:id', 'POST /api/vets']);
  expect(queryClient.getQueryState(['vets'])?.isInvalidated).toBe(true);
  await queryClient.fetchQuery(query);
  await makeStale(['PUT /api/business']);
  expect(queryClient.getQueryState(['vets'])?.isInvalidated).toBe(true);
});
