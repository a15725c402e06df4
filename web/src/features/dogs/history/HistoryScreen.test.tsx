import type { RecordEntry, Picture } from '@dewpond/core/record';
import { day } from '@dewpond/core/units';
import { screen, within } from '@testing-library/react';
import { v7 } from 'uuid';
import { expect, test } from 'vitest';
import { DOG_ID, session } from '../../../tests/demoDog';
import { openServer, show } from '../../../tests/server';
import { AuditScreen } from '../../ways/audit/AuditScreen';
import { HistoryScreen } from './HistoryScreen';

const entry = (on: string, more: Partial<RecordEntry>): RecordEntry => ({
  id: v7(),
  day: day(on),
  kind: 'found',
  place: null,
  words: '',
  grade: null,
  visitId: null,
  picture: null,
  ...more,
});
const taken = (colour: Picture['colour'] = null): Picture => ({ id: v7(), takenBy: 'salon', grade: 2, colour });
const red = (a: number): Picture['colour'] => ({
  ...{ of: 'skin', lab: { l: 60, a, b: 15 }, plusMinus: { l: 4, a: 3, b: 3 } },
});
const items = [
  entry('2026-11-25', { kind: 'visit', words: 'Visit, finished', visitId: v7() }),
  entry('2026-11-25', { place: 'ear/left', words: 'musty smell, plain', grade: 2 }),
  entry('2026-11-25', { kind: 'clear', place: 'eye/left', words: 'clear', grade: 0 }),
  entry('2026-11-25', { kind: 'photo', place: 'ear/left', words: 'picture: musty smell', picture: taken() }),
  entry('2026-09-02', { kind: 'photo', place: 'ear/left', words: 'picture', picture: taken() }),
  entry('2026-09-02', { kind: 'clear', place: 'ear/left', words: 'clear', grade: 0 }),
];
const open = (given: RecordEntry[]) => {
  openServer({ 'GET /api/dogs/:id/history': () => ({ dog: 'Teasel', items: given }) });
  return show(<HistoryScreen />, { path: '/dogs/:id/history', at: `/dogs/${DOG_ID}/history` });
};

test('one line of time; of one place with what was clear, and its pictures from old to new', async () => {
  const { person } = open(items);
  expect(await screen.findByText(/musty smell, plain/)).toBeTruthy();
  expect(screen.queryByText('clear', { exact: true })).toBeNull();
  expect(screen.queryByRole('button', { name: 'left eye' })).toBeNull();
  await person.click(screen.getByRole('button', { name: 'left ear' }));
  const pictures = screen.getByRole('list', { name: 'Pictures of the left ear' });
  expect(
    within(pictures)
      .getAllByRole('img', { name: /left ear/ })
      .map((each) => each.getAttribute('alt')),
  ).toEqual(['The left ear on Wed 2 Sept', 'The left ear on Wed 25 Nov']);
  expect(screen.queryByText('Visit, finished')).toBeNull();
  expect(screen.getAllByText('clear')).toHaveLength(1);
  await person.click(screen.getByRole('button', { name: 'Everything' }));
  expect(screen.getByRole('link', { name: 'Visit, finished' })).toBeTruthy();
});

test('two pictures of a place stand side by side; what was measured is said only where it can be told, and drawn', async () => {
  const strip = (...figures: readonly number[]) => [
    ...figures.map((a, i) =>
      entry(`2026-0${3 + i}-02`, { kind: 'photo', place: 'ear/left', words: 'picture', picture: taken(red(a)) }),
    ),
  ];
  const { person } = open(strip(22, 20, 9));
  await person.click(await screen.findByRole('button', { name: 'left ear' }));
  const pair = () => screen.getByRole('region', { name: /^left ear: / });
  expect(pair().getAttribute('aria-label')).toBe('left ear: Mon 2 Mar and Sat 2 May');
  expect(pair().textContent).toContain('As measured: less red than on Mon 2 Mar.');
  expect(screen.getByRole('img', { name: 'skin, left ear: Mon 2 Mar 22 ± 3, Thu 2 Apr 20 ± 3, Sat 2 May 9 ± 3' }));
  // The grade of that day stands with its picture.
  const strips = screen.getByRole('list', { name: 'Pictures of the left ear' });
  expect(within(strips).getAllByRole('img', { name: 'plain' })).toHaveLength(3);
  const compare = () => within(strips).getAllByRole('button', { name: 'Compare' });
  await person.click(compare()[0] as HTMLElement);
  await person.click(compare()[1] as HTMLElement);
  expect(pair().getAttribute('aria-label')).toBe('left ear: Mon 2 Mar and Thu 2 Apr');
  expect(pair().textContent).toContain('no change that the pictures can tell');
});

test('one picture has nothing to be held beside, and one figure draws no line', async () => {
  const { person } = open([
    entry('2026-03-02', { kind: 'photo', place: 'ear/left', words: 'picture', picture: taken(red(22)) }),
  ]);
  await person.click(await screen.findByRole('button', { name: 'left ear' }));
  expect(screen.queryByRole('region', { name: /^left ear: / })).toBeNull();
  expect(screen.queryByRole('img', { name: /^skin, left ear/ })).toBeNull();
});

test('all of it can be taken away; nothing on record says when it begins', async () => {
  open([]);
  expect(await screen.findByText(/It begins with the first visit/)).toBeTruthy();
  expect(screen.getByRole('link', { name: /As data/ }).getAttribute('href')).toBe(`/api/dogs/${DOG_ID}/record.json`);
});

test('who did what is read in one list, each thing with a name and a moment', async () => {
  openServer({
    'GET /api/session': () => session(),
    'GET /api/audit': ({ query }) => ({
      items: [
        {
          id: v7(),
          at: '2026-11-25T09:00:00Z',
          person: 'Ines Okafor',
          what: 'gave away' as const,
          about: DOG_ID,
          name: 'Teasel',
          words: query.get('about') === null ? 'The whole record, json' : 'Of one dog',
        },
      ],
    }),
  });
  const { person } = show(<AuditScreen />, { path: '/house/audit' });
  expect(await screen.findByRole('listitem')).toHaveWords(
    /Wed 25 Nov, 9:00.*Ines Okafor.*gave away.*Teasel.*The whole record/,
  );
  await person.click(screen.getByRole('link', { name: 'Teasel' }));
  expect(await screen.findByText('Of one dog')).toBeTruthy();
});
