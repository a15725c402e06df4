import { tapped, type Happening, type VisitEvent } from '@dewpond/core/events';
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
