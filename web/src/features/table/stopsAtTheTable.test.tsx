import { finding } from '@dewpond/core/findings';
import { placeOf, type PlaceKey } from '@dewpond/core/places';
import type { DogFacts, OlderFacts } from '@dewpond/core/dog';
import type { Happening, OlderEvent, VisitEvent } from '@dewpond/core/events';
import { screen, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { facts, visitView } from '../../tests/demoDog';
import { standAtTable } from '../../tests/tableSide';

const event = (what: Happening, i: number): VisitEvent => ({
  id: v7(),
  v: 3,
  counter: i + 1,
  device: 'tablet',
  person: 'p',
  at: 1_700_000_000_000 + i,
  offset: 0,
  seen: null,
  what,
});
const found = (key: PlaceKey, sign: Parameters<typeof finding>[1], grade: 1 | 2 | 3 = 1): Happening => ({
  type: 'found',
  finding: finding(placeOf(key), sign, grade),
});
const looked = (...happened: Happening[]) =>
  visitView({
    facts: facts('english-bulldog'),
    events: [
      { type: 'opened' } as const,
      ...['prepare', 'handover', 'look-over', 'decide'].map((step): Happening => ({ type: 'step done', step })),
      ...happened,
    ].map(event),
  });
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const dialog = () => screen.getByRole('dialog');
type TestPerson = Awaited<ReturnType<typeof standAtTable>>['person'];
const goTo = async (person: TestPerson, step: RegExp) => {
  await person.keyboard('s');
  // The first is the step itself; "Do next" stands behind it.
  await person.click(within(dialog()).getAllByRole('button', { name: step })[0] as HTMLElement);
};

describe('a dog with three stops at once', () => {
  const three = looked(
    found('ear/right', 'ear yellow wax', 2),
    found('eye/left', 'eye squinting'),
    found('fold nose/none', 'fold raw'),
  );

  test('each is told beside the steps with its place, the most urgent first; a step that is open for the rest says what it leaves out', async () => {
    const { person } = await standAtTable(three);
    const aside = screen.getByRole('complementary');
    expect(aside).toHaveWords(/Left eye: squinting.*Nose fold: raw skin.*Right ear: yellow or thick wax/);
    expect(aside).toHaveWords(/Tell the owner: “Please let a vet look at the left eye today/);
    await goTo(person, /Wash the face/);
    const left = screen.getByRole('region', { name: 'Left out' });
    expect(left).toHaveWords(/Leave out: left eye \(squinting\)\. Look only\./);
    expect(left).toHaveWords(/nose fold \(raw skin; right ear: yellow or thick wax\)/);
    expect(left).toHaveWords(/Left to do: left pocket between eye and nose, left lip fold/);
    // All steps: one that is open in part says so.
    await person.keyboard('s');
    expect(within(dialog()).getAllByRole('button', { name: /Wash the face.*in part/ })).toHaveLength(1);
    expect(
      within(dialog()).getAllByRole('button', { name: /Soften and clean, left eye.*squinting/ })[0],
    ).toHaveProperty('disabled', true);
  });

  test('in the panel of the place all of it stands, the worst first, with where it comes from', async () => {
    const { person } = await standAtTable(looked(found('ear/right', 'ear redness'), found('ear/right', 'ear blood')));
    await person.click(button('Found something'));
    await person.click(within(dialog()).getAllByRole('button', { name: /^right ear/i })[0] as HTMLElement);
    const alert = within(screen.getAllByRole('dialog').at(-1) as HTMLElement).getByRole('alert');
    expect(alert).toHaveWords(
      /Nothing goes into this place today.*Instead: Outer flap by damp pad only.*Blood.*Redness/,
    );
  });
});

describe('marking what was seen', () => {
  const panelOf = async (person: TestPerson, place: RegExp) => {
    await person.click(button('Found something'));
    await person.click(within(dialog()).getAllByRole('button', { name: place })[0] as HTMLElement);
    return within(screen.getAllByRole('dialog').at(-1) as HTMLElement);
  };

  test('of the three answers to a haze one holds: another one tapped takes its place', async () => {
    const { person, happened } = await standAtTable(looked(found('eye/left', 'eye new cloudiness')));
    const panel = await panelOf(person, /^left eye/i);
    expect(panel.getByRole('alert')).toHaveWords(/a vet should look today/i);
    await person.click(
      panel.getByRole('button', { name: 'haze, long there, no vet has seen it, eye quiet otherwise, seen' }),
    );
    expect(happened().slice(-2)).toMatchObject([
      { type: 'taken back', sign: 'eye new cloudiness' },
      { type: 'found', finding: { sign: 'eye old haze' } },
    ]);
    expect(panel.getByRole('alert')).toHaveWords(/Around it only, plain water.*within 7 days/i);
  });

  test('a slight sign that a vet knows is noted with its day, and no more is asked; its stop stays', async () => {
    const { person, happened } = await standAtTable(looked(found('ear/left', 'ear redness')));
    const panel = await panelOf(person, /^left ear/i);
    expect(panel.getByRole('alert')).toHaveWords(/Tell the owner/);
    await person.click(panel.getAllByRole('button', { name: /^More: colour/ })[0] as HTMLElement);
    await person.click(panel.getByRole('button', { name: 'a vet knows it, unchanged' }));
    expect(happened().at(-1)).toMatchObject({ finding: { more: { vetKnew: '2026-11-25' } } });
    expect(panel.getByRole('alert')).toHaveWords(/As always: a vet knows it/);
    expect(panel.getByRole('alert')).not.toHaveWords(/Tell the owner/);
    expect(panel.getByRole('alert')).toHaveWords(/Nothing goes into this place/);
  });

  test('pain cannot be “as always”: the question is not put', async () => {
    const { person } = await standAtTable(looked(found('ear/left', 'ear pain')));
    const panel = await panelOf(person, /^left ear/i);
    await person.click(panel.getAllByRole('button', { name: /^More: colour/ })[0] as HTMLElement);
    expect(panel.queryByRole('button', { name: 'a vet knows it, unchanged' })).toBeNull();
  });
});

test('an eye under drops is asked at the handover, and what to ask besides stands with the answer', async () => {
  const { person } = await standAtTable(
    visitView({ events: [event({ type: 'opened' }, 0), event({ type: 'step done', step: 'prepare' }, 1)] }),
  );
  const drops = screen.getByRole('group', { name: 'Eye drops or ointment today, left eye?' });
  await person.click(within(drops).getByRole('button', { name: 'Yes' }));
  expect(drops).toHaveWords(/Ask whether to give them again after the bath/);
});

test('a visit that a version before kept on this device opens: its stops and its reasons are read', async () => {
  const { eyes: _, known: __, ...then } = facts('english-bulldog');
  const kept: OlderFacts = {
    ...then,
    ears: {
      left: { conditions: [], plucked: { weeksAgo: 5 }, ownerForbidsPlucking: false },
      right: { conditions: [], plucked: 'never', ownerForbidsPlucking: false },
    },
    suspended: { 'ear/left': 'musty or yeasty smell' },
    earUnsettled: { left: null, right: null },
  };
  const skipped: OlderEvent = {
    ...event({ type: 'opened' }, 1),
    v: 2,
    what: { type: 'step skipped', step: 'nails', because: 'no time left' },
  };
  const events = [event({ type: 'opened' }, 0), skipped] as unknown as VisitEvent[];
  const { person } = await standAtTable(visitView({ facts: kept as unknown as DogFacts, events }), 0, 'on this device');
  expect(screen.getByRole('complementary')).toHaveWords(/musty or yeasty smell/);
  await person.keyboard('s');
  expect(within(dialog()).getAllByRole('button', { name: /Nails and dewclaws.*No time left/ }).length).toBe(1);
});

test('a sign of a newer version bars its place, and says that this device is older', async () => {
  const glowing = { place: placeOf('ear/left'), sign: 'ear glowing' as 'ear pus', grade: 1, answer: null } as const;
  await standAtTable(looked({ type: 'found', finding: glowing }));
  expect(screen.getByRole('complementary')).toHaveWords(
    /Left ear: ear glowing; this device is older than the record: update/,
  );
});
