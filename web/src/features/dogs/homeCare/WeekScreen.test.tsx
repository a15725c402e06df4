import type { HomeCareView } from '@dewpond/contract';
import { makePlan } from '@dewpond/core/careplan';
import { planDue } from '@dewpond/core/due';
import { homeTasks } from '@dewpond/core/homecare';
import { ENGLISH, homeTaskTold } from '@dewpond/core/wording';
import { addDays, day } from '@dewpond/core/units';
import { screen, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import { queryClient } from '../../../data/queries';
import { DOG_ID, TODAY, dogView, facts } from '../../../tests/demoDog';
import { openServer, show } from '../../../tests/server';
import { WeekScreen } from './WeekScreen';

const due = planDue(
  makePlan(facts()),
  { places: {}, tasks: {}, homeCareChangedOn: null, schoolChangedOn: null },
  TODAY,
);
const all = homeTasks(due).map((task) => homeTaskTold(ENGLISH, task));
const folds = all.find(({ task }) => task === 'fold care');
if (!folds) throw new Error('a pug has folds');
const home = (tasks: HomeCareView['tasks']): HomeCareView => ({
  since: day('2026-11-24'),
  today: TODAY,
  language: 'en-GB',
  words: ENGLISH.page,
  tasks,
  minutes: { wanted: 135, agreed: null, asked: 135 },
  left: [],
  bath: null,
  version: 3,
  ticks: [{ key: folds.key, day: addDays(TODAY, 1), times: 1, note: '' }],
  photos: [],
  share: { asked: 0, done: 0 },
});
const open = (tasks: HomeCareView['tasks']) => {
  openServer({
    'GET /api/dogs/:id': () => dogView(),
    'GET /api/profile': () => ({
      version: 1,
      name: 'Withy Quay Grooming',
      phone: '01632 960100',
      email: '',
      colour: '#125B60',
      language: 'en-GB',
      wording: {},
      mayEdit: true,
    }),
    'GET /api/dogs/:id/home': () => home(tasks),
  });
  return show(<WeekScreen />, { path: '/dogs/:id/week', at: `/dogs/${DOG_ID}/week` });
};
const boxes = () => {
  const row = screen.getByRole('row', { name: /^Folds/ });
  return within(row)
    .getAllByRole('cell')
    .map((cell) => within(cell).queryByRole('img', { name: 'to do' }) !== null);
};

test('a week has a box on each day that is asked for, a picture of how, and whom to ring', async () => {
  // Every second day from the visit on the 24th: the 26th, 28th, 30th; what is ticked needs no box any more.
  const { person } = open([{ ...folds, everyDays: 2 }]);
  const paper = await screen.findByRole('article', { name: /at home$/ });
  expect(within(paper).getByText(/^Wed 25 Nov to Tue 1 Dec$/)).toBeTruthy();
  expect(boxes()).toEqual([false, false, false, true, false, true, false]);
  expect(within(paper).getByRole('img', { name: 'done' })).toBeTruthy();
  // Its picture has no words, which are a groomer's.
  expect(paper.querySelectorAll('[aria-hidden] svg').length).toBeGreaterThan(0);
  expect(paper.querySelector('svg text')).toBeNull();
  expect(within(paper).getByText(/Stop at once .*ring us. 01632 960100\./)).toBeTruthy();
  await person.click(screen.getByRole('button', { name: /A week later/ }));
  expect(within(paper).getByText(/^Wed 2 Dec to Tue 8 Dec$/)).toBeTruthy();
  expect(boxes()).toEqual([true, false, true, false, true, false, true]);
});

test('one picture for all that one card shows; a plan that asks nothing says so', async () => {
  const { unmount } = open(all);
  const paper = await screen.findByRole('article', { name: /at home$/ });
  expect(within(paper).getAllByRole('row')).toHaveLength(all.length + 1);
  const titles = within(paper)
    .getAllByRole('heading', { level: 2 })
    .map(({ textContent }) => textContent);
  expect(new Set(titles).size).toBe(titles.length);
  unmount();
  queryClient.clear();
  open([]);
  expect(await screen.findByText('The plan asks nothing of the owner between visits.')).toBeTruthy();
});
