import { tapped, type Happening, type VisitEvent } from '@dewpond/core/events';
import { DEFAULT_HOUSE_WAYS } from '@dewpond/core/ways';
import { screen, within } from '@testing-library/react';
import { v7 } from 'uuid';
import { describe, expect, test } from 'vitest';
import { MEMBER, facts, visitView } from '../../tests/demoDog';
import { standAtTable } from '../../tests/tableSide';

const button = (name: RegExp | string) => screen.getByRole('button', { name });
const inGroup = (name: string) => within(screen.getByRole('group', { name }));

/** At a step of a visit: all others are settled. */
async function standAt(step: string, view = visitView()) {
  const opened: VisitEvent = {
    id: v7(),
    v: 4,
    counter: 1,
    device: 'another tablet',
    person: MEMBER.personId,
    at: Date.now() - 60_000,
    offset: 0,
    seen: {},
    what: { type: 'opened' },
  };
  const lookedOver: Happening = { type: 'step done', step: 'look-over' };
  const table = await standAtTable({
    ...view,
    events: [opened, { ...opened, id: v7(), counter: 2, what: lookedOver }],
  });
  await table.person.keyboard('s');
  const [item] = within(screen.getByRole('dialog')).getAllByRole('button', { name: new RegExp(step) });
  if (!item) throw new Error(`No step ${step}.`);
  await table.person.click(item);
  return table;
}

describe('nails are judged before they are clipped', () => {
  test('all toes in one tap, dewclaws by themselves, and a foot that differs', async () => {
    const { person, happened } = await standAt('Nails and dewclaws');
    await person.click(inGroup('Nails, toes').getByRole('button', { name: 'at the floor' }));
    expect(happened().slice(-4)).toEqual(
      ['paw front', 'paw front', 'paw hind', 'paw hind'].map((site, i) => ({
        type: 'nails judged',
        place: { site, side: i % 2 === 0 ? 'left' : 'right' },
        length: 'at the floor',
      })),
    );
    await person.click(inGroup('Nails, dewclaws').getByRole('button', { name: 'long' }));
    expect(inGroup('Nails, dewclaws').getByRole('button', { name: 'long', pressed: true })).toBeTruthy();
    await person.click(button('Foot by foot'));
    await person.click(inGroup('Nails, right hind paw').getByRole('button', { name: 'click' }));
    expect(happened().at(-1)).toEqual({
      type: 'nails judged',
      place: { site: 'paw hind', side: 'right' },
      length: 'clicks',
    });
    await person.click(button('All feet alike'));
    // The feet differ now: no length holds for all of them.
    expect(inGroup('Nails, toes').queryByRole('button', { pressed: true })).toBeNull();
  });

  test('"looked at: nothing needed" settles the step, by key as well, and the list of steps says so', async () => {
    const { person, happened } = await standAt('Nails and dewclaws');
    await person.keyboard('n');
    expect(happened().at(-1)).toEqual({ type: 'step skipped', step: 'nails', because: tapped('not needed') });
    await person.keyboard('s');
    expect(within(screen.getByRole('dialog')).getByLabelText('looked at, nothing needed')).toBeTruthy();
  });
});

describe('face, feet and rear', () => {
  test('piece by piece: one left, with why, one that needed nothing', async () => {
    const { person, happened } = await standAt('Face, feet and rear', visitView({ facts: facts('lagotto') }));
    await person.click(inGroup('rear').getByRole('button', { name: 'nothing needed' }));
    await person.click(inGroup('feet').getByRole('button', { name: 'left' }));
    await person.click(inGroup('Why feet is left').getByRole('button', { name: 'Dog would not have it' }));
    expect(happened().slice(-3)).toEqual([
      { type: 'piece settled', step: 'first clip', piece: 'rear', how: 'not needed', because: null },
      { type: 'piece settled', step: 'first clip', piece: 'feet', how: 'left', because: null },
      { type: 'piece settled', step: 'first clip', piece: 'feet', how: 'left', because: tapped('would not have it') },
    ]);
    await person.click(inGroup('feet').getByRole('button', { name: 'done' }));
    expect(screen.queryByRole('group', { name: 'Why feet is left' })).toBeNull();
  });

  test('a wash is not looked at: it is done or skipped', async () => {
    await standAt('Wet');
    expect(screen.queryByRole('button', { name: /nothing needed/ })).toBeNull();
  });
});

describe('hair in the ear', () => {
  const routine = { ...DEFAULT_HOUSE_WAYS, earHair: 'routine' } as const;
  const lagotto = () => {
    const { ears, ...rest } = facts('lagotto', { ways: routine, pluckingConsent: true });
    const known = { ...ears.left, plucked: { daysAgo: 35 } };
    return visitView({ facts: { ...rest, ears: { left: known, right: known } } });
  };

  test('three taps say how it went, a clock runs for a second look, and the next time is decided', async () => {
    const { person, happened } = await standAt('hair.*left ear', lagotto());
    await person.click(inGroup('Came out').getByRole('button', { name: 'most' }));
    expect(happened().slice(-2)).toEqual([
      { type: 'ear hair went', side: 'left', came: 'most', borne: null, left: null },
      { type: 'timer started', timer: 'redness left', step: 'ears, second pass left', seconds: 3600, most: 7200 },
    ]);
    await person.click(inGroup('The dog').getByRole('button', { name: 'calm' }));
    await person.click(inGroup('Still in it').getByRole('button', { name: 'some' }));
    expect(happened().at(-1)).toEqual({
      type: 'ear hair went',
      side: 'left',
      came: 'most',
      borne: 'calm',
      left: 'some',
    });
    expect(screen.getByText(/Next time:/)).toHaveWords(/staged.*about one more visit/);
    await person.click(inGroup('Came out').getByRole('button', { name: 'all' }));
    // All of it is out: none is left, and nobody has to say so.
    expect(happened().at(-1)).toMatchObject({ came: 'all', left: 'none' });
    expect(happened().filter(({ type }) => type === 'timer started')).toHaveLength(1);
  });

  test('seen at the look-over, it stands in the place of the breed’s guess', async () => {
    const { person, happened } = await standAt('Look and smell', lagotto());
    await person.click(button(/^right ear: not looked at/));
    const seen = inGroup('Hair in the canal');
    expect(screen.getByRole('group', { name: 'Hair in the canal' })).toHaveWords(/dense, by its breed/);
    await person.click(seen.getByRole('button', { name: 'none' }));
    expect(happened().at(-1)).toEqual({ type: 'ear hair seen', side: 'right', hair: 'none' });
    expect(screen.getByRole('group', { name: 'Hair in the canal' })).toHaveWords(/as seen on this dog/);
  });
});
