import { Dexie } from 'dexie';
import { expect, test } from 'vitest';
import { v7 } from 'uuid';
import { browserStorage } from './browserStorage';

test('a database of the first shape is read on: what waits still waits, and what a van took along is there', async () => {
  const name = `older ${v7()}`;
  const older = new Dexie(name);
  older.version(1).stores({ answers: '', events: 'id, visitId', visits: 'id', photos: 'id, visitId', moved: 'id' });
  const event = (id: string, sentAt: number | null) => ({
    id,
    visitId: 'v',
    person: 'p',
    event: {},
    sentAt,
    refused: null,
  });
  await older.table('events').bulkPut([event('waits', null), event('arrived', 5)]);
  await older.table('answers').put({ answer: 'the visits to come', at: 7, shape: 2 }, 'carry');
  await older.table('answers').put({ answer: 'ways and shelf', at: 7, shape: 2 }, 'house');
  await older.table('answers').put({ answer: 'a dog', at: 7, shape: 2 }, 'dog 1');
  older.close();
  const storage = browserStorage(name);
  expect((await storage.events.unsent()).map(({ id }) => id)).toEqual(['waits']);
  expect((await storage.events.ofVisit('v')).map(({ id, sentAt }) => [id, sentAt])).toEqual([
    ['arrived', 5],
    ['waits', null],
  ]);
  const answer = async (question: string) => (await storage.answers.get(question))?.answer;
  expect(await Promise.all(['prefetch', 'business', 'dog 1', 'carry', 'house'].map(answer))).toEqual([
    'the visits to come',
    'ways and shelf',
    'a dog',
    undefined,
    undefined,
  ]);
});
