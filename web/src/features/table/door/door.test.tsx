import { HOUSE_VALUE } from '@dewpond/core/provenance';
import { showDay, day } from '@dewpond/core/units';
import { screen, within } from '@testing-library/react';
import type { UserEvent } from '@testing-library/user-event';
import { v7 } from 'uuid';
import { describe, expect, test } from 'vitest';
import type { Happening, VisitEvent } from '@dewpond/core/events';
import { MEMBER, business, facts, product, visitView } from '../../../tests/demoDog';
import { standAtTable } from '../../../tests/tableSide';

const button = (name: RegExp | string) => screen.getByRole('button', { name });
const within_ = (name: string) => within(screen.getByRole('region', { name }));
const told = (happened: () => readonly Happening[]) =>
  happened().findLast((each): each is Extract<Happening, { type: 'word told' }> => each.type === 'word told');

/** Opens a step from the list of all. */
async function goTo(person: UserEvent, step: RegExp): Promise<void> {
  await person.keyboard('s');
  const [item] = within(screen.getByRole('dialog')).getAllByRole('button', { name: step });
  if (!item) throw new Error(`no step ${step.source}`);
  await person.click(item);
}

async function atHandover(view = visitView()) {
  const table = await standAtTable(view);
  await goTo(table.person, /Ask the owner/);
  return table;
}

const planned = product();
const mix = {
  product: { ...planned, contact: null, cautions: [], ingredients: [] },
  mix: { kind: 'as it is' as const, need: 300, made: null },
  strokeMl: null,
  tasks: ['bath', 'second wash'] as const,
  note: '',
  working: { area: 0.4, wash1: 200, wash2: 100, factor: 1, reserve: 0.1 },
};

const diet = {
  id: v7(),
  by: 'owner' as const,
  who: 'Noor Haddad',
  place: null,
  says: { kind: 'uses' as const, what: 'diet' as const, name: 'fish only' },
  from: day('2026-05-01'),
  until: null,
};

describe('at the door', () => {
  test('what was noted of booking, dog and last visit is read again', async () => {
    await atHandover(
      visitView({
        atTheDoor: {
          booking: 'leave the beard',
          dog: 'barks at umbrellas',
          closing: { day: day('2026-10-20'), words: 'left hind nail split' },
          ownerSaid: { day: day('2026-10-20'), words: 'scratches at night' },
        },
      }),
    );
    expect(screen.getByLabelText('Read first')).toHaveWords(
      new RegExp(
        `leave the beard.*Closing note, ${showDay(day('2026-10-20'))}.*left hind nail split.*scratches at night.*barks at umbrellas`,
      ),
    );
  });

  test('cats are asked once, and again where somebody wants to say otherwise', async () => {
    const lives = { cats: { answer: true, day: day('2026-03-03') } };
    const dog = facts('pug', { fitness: { ...facts('pug').fitness, cats: true } });
    const { person, happened } = await atHandover(visitView({ lastAnswers: lives, facts: dog }));
    expect(screen.queryByRole('group', { name: 'Does it live with a cat?' })).toBeNull();
    await person.click(button('It lives with a cat: otherwise by now?'));
    const cats = within(screen.getByRole('group', { name: 'Does it live with a cat?' }));
    await person.click(cats.getByRole('button', { name: 'No' }));
    expect(happened().at(-1)).toEqual({ type: 'answered', question: 'cats', answer: false });
  });

  test('what the owner says besides is kept, and told as said', async () => {
    const { person, happened } = await atHandover();
    await person.type(screen.getByLabelText('What the owner says besides'), '  limps after walks ');
    await person.click(button('Keep it'));
    expect(happened().at(-1)).toEqual({ type: 'owner said', text: 'limps after walks' });
    expect(screen.getByText('limps after walks')).toBeTruthy();
  });

  test('what it gets stands with what follows; one tap ends it', async () => {
    const { person, happened } = await atHandover(visitView({ facts: { ...facts('pug'), instructions: [diet] } }));
    const list = within_('What it gets and what is used at home');
    expect(list.getByText(/A diet: fish only/)).toBeTruthy();
    expect(list.getByText(/no treat but its own/)).toBeTruthy();
    await person.click(button('No longer: A diet, fish only'));
    expect(happened().at(-1)).toEqual({ type: 'word ended', word: diet.id });
    expect(list.queryByText(/A diet/)).toBeNull();
  });

  test('something new in one ear: two taps and a name, and the plan minds it at that ear', async () => {
    const { person, happened } = await atHandover();
    await person.click(button('Something new'));
    await person.click(button('Ear drops'));
    await person.click(button('left ear'));
    await person.type(screen.getByLabelText(/What it is called/), 'the brown bottle');
    await person.click(button('Keep it'));
    expect(told(happened)?.word).toMatchObject({
      by: 'owner',
      who: 'Noor Haddad',
      place: { site: 'ear', side: 'left' },
      says: { kind: 'uses', what: 'ear drops', name: 'the brown bottle' },
      until: null,
    });
    expect(screen.getByText(/Ask its vet: whether the ear is to be cleaned/)).toBeTruthy();
  });
});

test('a vet’s look that is wanted is asked after; with its date it is kept, and not asked again', async () => {
  const { person, happened } = await atHandover();
  const asked = within(screen.getByRole('region', { name: 'Seen by a vet' }));
  const keep = asked.getByRole<HTMLButtonElement>('button', { name: 'Keep: Eyes seen by a vet' });
  expect([asked.getByText('not known when').tagName, keep.disabled]).toEqual(['SPAN', true]);
  await person.type(asked.getByLabelText('Eyes seen by a vet: when'), '2026-10-01');
  await person.click(keep);
  expect(happened().at(-1)).toMatchObject({
    type: 'word told',
    word: { by: 'vet', says: { kind: 'vet saw', task: 'eye check', on: '2026-10-01' } },
  });
  expect(screen.queryByRole('region', { name: 'Seen by a vet' })).toBeNull();
});

test('what a person must decide before the bath stands at the handover and at the wash', async () => {
  const trouble = ['Sharp was asked for and is marked “Keep away from eyes”: ask Dr Oyelaran first.'];
  const none = { bath: null, 'second wash': null, 'face wash': null, conditioner: null };
  const conditioned = { wanted: false, because: 'the business uses none', source: HOUSE_VALUE };
  const { person } = await atHandover(visitView({ bath: { ...none, conditioned, trouble } }));
  expect(screen.getByLabelText('Read first')).toHaveWords(/Before its bath.*ask Dr Oyelaran first/);
  await goTo(person, /First wash/);
  expect(screen.getByRole('list', { name: 'Before it is mixed' })).toHaveWords(/Keep away from eyes/);
});

describe('a bottle was brought', () => {
  test('a vet’s wash for today: read off its label, taken at both washes with its minutes, and told as used', async () => {
    const { person, happened } = await atHandover();
    await person.click(button('A bottle was brought'));
    await person.click(button('a vet’s'));
    await person.click(button('Take it'));
    expect(screen.getByText('What stands on the bottle?')).toBeTruthy();
    await person.type(screen.getByLabelText('Name on the bottle'), 'Blue wash');
    await person.type(screen.getByLabelText('Ratio on the label'), '9:1');
    await person.type(screen.getByLabelText(/Minutes it must stay on/), '8');
    await person.type(screen.getByLabelText('Which vet'), 'Dr Oyelaran');
    await person.click(button('Take it'));
    const [bottle, word] = happened().slice(-2);
    expect(bottle).toMatchObject({
      type: 'bottle brought',
      bottle: { name: 'Blue wash', kind: 'medicated', label: '9:1', waterParts: '9', suppliedBy: 'vet' },
    });
    expect(word).toMatchObject({
      type: 'word told',
      word: {
        by: 'vet',
        who: 'Dr Oyelaran',
        says: { kind: 'bath product', contactMinutes: 8, nothingElse: false },
        until: visitView().day,
      },
    });
    await goTo(person, /Leave it on, 8 min/);
    await goTo(person, /First wash/);
    expect(screen.getByRole('region', { name: 'Blue wash' })).toHaveWords(/9:1: \d+ ml of mix, for both washes/);
    expect(screen.getByText(/Dr Oyelaran brought it/)).toBeTruthy();
  });

  test('for the second wash alone: there it is taken, and the mix of the morning is for the first and no more', async () => {
    const { person } = await atHandover(visitView({ mixes: [mix] }));
    await person.click(button('A bottle was brought'));
    await person.click(button('Second wash'));
    await person.type(screen.getByLabelText('Name on the bottle'), 'Blue rinse');
    await person.type(screen.getByLabelText('Ratio on the label'), '9:1');
    await person.click(button('Take it'));
    await goTo(person, /Second wash/);
    expect(screen.getByRole('region', { name: 'Blue rinse' })).toHaveWords(/9:1: \d+ ml of mix/);
    expect(screen.queryByRole('region', { name: planned.name })).toBeNull();
    await goTo(person, /First wash/);
    expect(screen.queryByRole('region', { name: 'Blue rinse' })).toBeNull();
    expect(screen.getByRole('region', { name: planned.name })).toHaveWords(/: 200 ml of mix/);
  });

  test('a label that can be read two ways asks; a cleaner for the right ear is named at that ear alone', async () => {
    const { person, happened } = await atHandover();
    await person.click(button('A bottle was brought'));
    await person.click(button('Clean ears'));
    await person.click(button('right ear'));
    await person.type(screen.getByLabelText('Name on the bottle'), 'Green cleaner');
    await person.type(screen.getByLabelText('Ratio on the label'), '1:4');
    const which = within(screen.getByRole('group', { name: 'Which does it mean?' }));
    await person.click(which.getByRole('button', { name: /4 parts water to 1/ }));
    await person.click(button('until it is ended'));
    await person.click(button('Take it'));
    expect(told(happened)?.word).toMatchObject({
      place: { site: 'ear', side: 'right' },
      says: { kind: 'product', task: 'ear cleaning' },
      until: null,
    });
    for (const [side, isNamed] of [
      ['right', true],
      ['left', false],
    ] as const) {
      await goTo(person, new RegExp(`Clean the ${side} ear`));
      expect(screen.queryByText('Green cleaner') !== null).toBe(isNamed);
    }
  });
});

describe('what was used instead', () => {
  const lavender = product({ id: v7(), name: 'Lavender wash', kind: 'cleansing', ingredients: ['lavender oil'] });
  const mild = product({ id: v7(), name: 'Mild wash', kind: 'gentle wash', ingredients: [] });
  test('only what may be taken is offered; what should not have been can be told, and opens an incident', async () => {
    const opened: VisitEvent = {
      id: v7(),
      v: 5,
      counter: 1,
      device: 'another tablet',
      person: MEMBER.personId,
      at: Date.now() - 60_000,
      offset: 0,
      seen: {},
      what: { type: 'opened' },
    };
    const { person, happened } = await standAtTable(
      visitView({
        facts: { ...facts('pug'), reactions: 'lavender' },
        mixes: [mix],
        events: [opened, { ...opened, id: v7(), counter: 2, what: { type: 'step done', step: 'look-over' } }],
      }),
      0,
      'at the server',
      business({ products: [planned, lavender, mild] }),
    );
    await goTo(person, /Rinse until it squeaks/);
    await person.click(button('It ran out, something else was used'));
    const form = within(screen.getByRole('form', { name: /Instead of/ }));
    expect(form.getByRole('button', { name: 'Mild wash' })).toBeTruthy();
    expect(form.queryByRole('button', { name: 'Lavender wash' })).toBeNull();
    await person.click(form.getByRole('button', { name: 'It was another one' }));
    await person.click(form.getByRole('button', { name: 'Lavender wash' }));
    expect(form.getByRole('alert')).toHaveWords(/lists lavender oil/);
    await person.type(form.getByLabelText(/Lavender wash, how much/), '250');
    await person.click(form.getByRole('button', { name: 'It was used' }));
    expect(happened().slice(-2)).toEqual([
      expect.objectContaining({ type: 'used', name: 'Lavender wash', how: 'substituted' }),
      {
        type: 'incident',
        incident: {
          kind: 'wrong product',
          place: null,
          done: 'Lavender wash lists lavender oil',
          told: '',
          words: '',
          product: { id: lavender.id, name: 'Lavender wash' },
        },
      },
    ]);
  });
});
