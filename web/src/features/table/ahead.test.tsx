import type { Happening, VisitEvent } from '@dewpond/core/events';
import { makePlan } from '@dewpond/core/careplan';
import { readVisit, type BeforeVisit } from '@dewpond/core/visit';
import { screen, within } from '@testing-library/react';
import { v7 } from 'uuid';
import { expect, test } from 'vitest';
import { addDays } from '@dewpond/core/units';
import { MEMBER, TODAY, facts, visitView } from '../../tests/demoDog';
import { standAtTable } from '../../tests/tableSide';

const button = (name: RegExp | string) => screen.getByRole('button', { name });

/** With these done already, begun so many minutes ago. */
function view(done: readonly Happening[], minutesAgo = 1) {
  const first: VisitEvent = {
    id: v7(),
    v: 5,
    counter: 1,
    device: 'another tablet',
    person: MEMBER.personId,
    at: Date.now() - minutesAgo * 60_000,
    offset: 0,
    seen: {},
    what: { type: 'opened' },
  };
  return visitView({
    events: [first, ...done.map((what, i): VisitEvent => ({ ...first, id: v7(), counter: 2 + i, what }))],
  });
}
/** All that must be done of a dog that is dry yet. */
const BEGUN = ['prepare', 'handover', 'look-over', 'decide'];
const did = (...steps: readonly string[]): Happening[] => steps.map((step) => ({ type: 'step done', step }));

test('below a step stand the next two, and when the dog is ready', async () => {
  await standAtTable(view([]));
  const ahead = within(screen.getByRole('region', { name: 'What comes next' }));
  expect(ahead.getAllByRole('listitem').map((each) => each.textContent)).toEqual([
    'Ask the owner',
    'Look and smell before anything wet',
  ]);
  expect(ahead.getByText(/Ready about/)).toHaveWords(/Ready about \d+:\d\d, on time/);
});

test('an hour in with nothing done is told', async () => {
  await standAtTable(view([], 61));
  expect(screen.getByText(/Ready about/)).toHaveWords(/6[0-2] min behind/);
});

test('as planned, up to here: what needs no answer in one tap, taken back by one; what needs one is named', async () => {
  const dog = facts();
  const before: BeforeVisit = {
    kind: 'full visit',
    facts: dog,
    plan: makePlan(dog),
    contactMinutes: 0,
    lastFindings: [],
  };
  const { steps } = readVisit(before, []);
  const upToTheBath = steps
    .slice(
      0,
      steps.findIndex(({ id }) => id === 'wash 1'),
    )
    .map(({ id }) => id);
  const plugged: Happening[] = [
    { type: 'plug in', side: 'left' },
    { type: 'plug in', side: 'right' },
  ];
  const { person, happened } = await standAtTable(view([...plugged, ...did(...upToTheBath)]));
  await person.keyboard('s');
  const dialog = within(screen.getByRole('dialog'));
  await person.click(dialog.getByRole('button', { name: /^As planned, up to here: Comb and tidy/ }));
  expect(dialog.getByRole('status')).toHaveWords(/Not in one go\. .*: /);
  expect(happened()).toEqual([]);
  const [next] = dialog.getAllByRole('button', { name: /^As planned, up to here/ });
  if (!next) throw new Error('nothing may be ticked off');
  await person.click(next);
  const ticked = happened();
  expect(ticked.length).toBeGreaterThan(1);
  expect(new Set(ticked.map(({ type }) => type))).toEqual(new Set(['step done']));
  await person.click(button(/Undo/));
  expect(
    happened()
      .slice(ticked.length)
      .map(({ type }) => type),
  ).toEqual(ticked.map(() => 'step undone'));
});

test('it cannot stand, in two taps: told beside every step, and offered for the dog where it showed before', async () => {
  const { person, happened } = await standAtTable({ ...view([]), shownBefore: ['cannot stand'] });
  await person.click(button('Today it…'));
  // Clocks tell it, after more than one visit: nobody is asked, and one tap of long ago offers no mark.
  expect(screen.queryByRole('button', { name: /takes long at the nails/ })).toBeNull();
  expect(button(/It needs a muzzle/)).toBeDisabledAnd(/Never on a flat face/);
  await person.click(button(/It cannot stand/));
  expect(happened().at(-1)).toEqual({ type: 'shows today', what: 'cannot stand', yes: true });
  expect(screen.getByRole('region', { name: 'How it shows itself today' })).toHaveWords(
    /Washed lying on a mat, in parts/,
  );
  await person.click(button('Take back: It cannot stand'));
  expect(happened().at(-1)).toEqual({ type: 'shows today', what: 'cannot stand', yes: false });
});

test('a flat face has its minutes: after them what can wait is left out in two taps, or kept for another day', async () => {
  await standAtTable(view([], 20));
  expect(screen.queryByText(/min here/)).toBeNull();
  const { person, happened } = await standAtTable(view([], 50));
  expect(screen.getByText(/50 min here: it has had its time/)).toBeTruthy();
  await person.click(button('Leave out, or split it…'));
  const dialog = within(screen.getByRole('dialog'));
  expect(within(dialog.getByRole('region', { name: 'Can wait' })).getByText(/^Wet the coat/)).toBeTruthy();
  expect(within(dialog.getByRole('region', { name: 'Must be done now' })).queryByText(/^Wet the coat/)).toBeNull();
  await person.click(dialog.getByRole('button', { name: 'Leave out what can wait' }));
  const left = happened();
  expect(left).toContainEqual(
    expect.objectContaining({
      type: 'step skipped',
      step: 'wet',
      because: expect.objectContaining({ choice: 'has had enough' }) as object,
    }),
  );
  expect(left.some((each) => each.type === 'step skipped' && each.step === 'look-over')).toBe(false);
  expect(screen.queryByRole('button', { name: 'Leave out, or split it…' })).toBeNull();
});

test('split over two: only what must be done comes now; then it goes home, and the rest is another day’s', async () => {
  const { person, happened } = await standAtTable(view(did(...BEGUN, 'wet'), 50));
  await person.click(button('Leave out, or split it…'));
  await person.click(button(/^Split: only what must be done now/));
  expect(happened().some(({ type }) => type === 'step moved')).toBe(true);
  expect(screen.getAllByRole('heading', { level: 1 }).at(-1)?.textContent).toMatch(/rinse|water off|dry/i);
});

test('with nothing left that must be done it goes home, and says when it comes back', async () => {
  const { person, happened } = await standAtTable(view(did(...BEGUN), 50));
  await person.click(button('Leave out, or split it…'));
  await person.click(button('Home now, the rest then'));
  expect(happened()).toEqual([
    {
      type: 'went home',
      because: expect.objectContaining({ choice: 'has had enough' }) as object,
      back: addDays(TODAY, 7),
    },
  ]);
});
