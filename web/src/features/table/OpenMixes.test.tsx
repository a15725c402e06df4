import type { AvailableMix, MixView } from '@dewpond/contract';
import { bathMix, mixCard, strengthOf } from '@dewpond/core/dilution';
import { millilitres } from '@dewpond/core/units';
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { DOG_ID, WASH_ID, visitView } from '../../tests/demoDog';
import { standAtTable } from '../../tests/tableSide';

const bottle = {
  id: v7(),
  name: 'Half-litre bottle',
  brim: millilitres(550),
  line: millilitres(500),
  graduation: millilitres(50),
};
const wash = (more: Partial<MixView['product']> = {}): MixView => {
  const product = {
    id: WASH_ID,
    name: 'Deep clean',
    kind: 'cleansing' as const,
    label: '24:1',
    contact: null,
    amountFactor: 1,
    suppliedBy: 'house' as const,
    costPerMl: null,
    cautions: [],
    ingredients: [],
    ...more,
  };
  const dilution = { kind: 'dilute', strength: strengthOf(24) } as const;
  return {
    product: { ...product, strength: '24:1' },
    mix: mixCard(bathMix(millilitres(400), { ...product, dilution }, [bottle], millilitres(5))),
    strokeMl: 5,
    tasks: ['bath', 'second wash'],
    note: '',
    working: { area: 0.4, wash1: 267, wash2: 133, factor: 1, reserve: 0.1 },
  };
};
const HOUR = 3_600_000;
const at = (hours: number) => new Date(Date.now() + hours * HOUR).toISOString();
const standing = (more: Partial<AvailableMix> = {}): AvailableMix => ({
  id: v7(),
  bottle: 'Half-litre bottle 1',
  productId: WASH_ID,
  strength: '24:1',
  leftMl: 500,
  meant: false,
  forDogId: null,
  discardAt: at(8),
  watered: true,
  ...more,
});

/** Radish at its wash, with these mixes at the bench. */
async function atTheWash(openMixes: readonly AvailableMix[], mix = wash(), step: RegExp = /First wash/) {
  const { person, happened } = await standAtTable(visitView({ mixes: [mix], openMixes: [...openMixes] }));
  await person.keyboard('s');
  // The first is the step itself; "Do next" stands behind it.
  const [its] = within(screen.getByRole('dialog')).getAllByRole('button', { name: step });
  await person.click(its as HTMLElement);
  return { person, happened };
}
const mixButton = (name: RegExp) => screen.getByRole<HTMLButtonElement>('button', { name });

describe('mixes of the bench at the table', () => {
  test('one tap takes a bottle, another puts it back', async () => {
    const mix = standing();
    const { person, happened } = await atTheWash([mix]);
    await person.click(mixButton(/Half-litre bottle 1/));
    await waitFor(() =>
      expect(happened()).toContainEqual({ type: 'mix taken', mix: mix.id, product: WASH_ID, override: null }),
    );
    expect(mixButton(/Half-litre bottle 1/).getAttribute('aria-pressed')).toBe('true');
    await person.click(mixButton(/Half-litre bottle 1/));
    await waitFor(() => expect(happened()).toContainEqual({ type: 'mix put back', mix: mix.id }));
  });

  test('past its time it is struck out; taking it all the same asks why, and the reason is sent', async () => {
    const mix = standing({ discardAt: at(-1) });
    const { person, happened } = await atTheWash([mix]);
    const button = mixButton(/Half-litre bottle 1/);
    expect(button.querySelector('.line-through')).toBeTruthy();
    await person.click(button);
    const take = within(screen.getByRole('dialog')).getByRole<HTMLButtonElement>('button', { name: 'Take it' });
    expect(take).toBeDisabledAnd(/Take it/);
    expect(happened().some((each) => each.type === 'mix taken')).toBe(false);
    await person.click(screen.getByRole('button', { name: /nothing else left/ }));
    await person.click(take);
    await waitFor(() =>
      expect(happened()).toContainEqual({
        type: 'mix taken',
        mix: mix.id,
        product: WASH_ID,
        override: 'nothing else left, dog is wet',
      }),
    );
  });

  test.each([
    ['medicated', wash({ kind: 'medicated' }), {}, /pour it away/],
    ['brought by the owner', wash({ suppliedBy: 'owner' }), {}, /pour it away/],
    ['another dog’s', wash(), { forDogId: v7(), discardAt: at(3) }, /another dog/],
  ])('past and %s: it cannot be taken at all', async (_, mix, more, why) => {
    await atTheWash([standing({ discardAt: at(-1), ...more })], mix);
    expect(mixButton(/Half-litre bottle 1/)).toBeDisabledAnd(why);
  });

  test('its own medicated mix can; one without water says so', async () => {
    await atTheWash([standing({ forDogId: DOG_ID, watered: false })], wash({ kind: 'medicated' }));
    expect(mixButton(/Half-litre bottle 1/)).toHaveWords(/No water is ticked in yet/);
    expect(mixButton(/Half-litre bottle 1/).disabled).toBe(false);
  });

  test('nothing at the bench: what to mix', async () => {
    await atTheWash([]);
    expect(screen.getByText(/Nothing of it stands at the bench/)).toHaveWords(/half-litre bottle, 4 strokes/);
  });
});

describe('what was used', () => {
  test('one tap tells it, and takes the one bottle it can have come from', async () => {
    const mix = standing();
    const { person, happened } = await atTheWash([mix, standing({ discardAt: at(-1) })], wash(), /Rinse until/);
    await person.click(screen.getByRole('button', { name: /A bit more/i }));
    await waitFor(() =>
      expect(happened().map(({ type }) => type)).toEqual(expect.arrayContaining(['mix taken', 'used'])),
    );
    expect(happened()).toContainEqual({ type: 'mix taken', mix: mix.id, product: WASH_ID, override: null });
    expect(happened().find(({ type }) => type === 'used')).toMatchObject({ ml: 500, planned: 400, how: 'a bit more' });
  });

  test('of two bottles none is guessed', async () => {
    const { person, happened } = await atTheWash([standing(), standing()], wash(), /Rinse until/);
    await person.click(screen.getByRole('button', { name: /As planned/i }));
    await waitFor(() => expect(happened().some(({ type }) => type === 'used')).toBe(true));
    expect(happened().some(({ type }) => type === 'mix taken')).toBe(false);
  });

  test('the exact amount can be told', async () => {
    const { person, happened } = await atTheWash([], wash(), /Rinse until/);
    await person.click(screen.getByRole('button', { name: 'Tell it exactly' }));
    const field = screen.getByLabelText(/exactly, ml/);
    await person.clear(field);
    await person.type(field, '333');
    await person.click(screen.getByRole('button', { name: 'Tell' }));
    await waitFor(() => expect(happened().at(-1)).toMatchObject({ type: 'used', ml: 333, how: 'measured' }));
  });
});
