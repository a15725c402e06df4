import { onDisk } from '../../tests/onDisk';
import { finding } from '@dewpond/core/findings';
import { day } from '@dewpond/core/units';
import { tapped, typed, type Happening, type VisitEvent } from '@dewpond/core/events';
import { screen, waitFor, within } from '@testing-library/react';
import { v7 } from 'uuid';
import { describe, expect, test, vi } from 'vitest';
import { usePreferences } from '../../browser/preferences';
import { MEMBER, business, facts, product, visitView } from '../../tests/demoDog';
import { lookAllClear, standAtTable } from '../../tests/tableSide';
import { useVisitLog } from './visitLog';
import { choose } from '../../tests/choose';

/** Of the dialog that is open, as a hand can reach no other; looking through the whole table takes seconds. */
const button = (name: RegExp | string) =>
  within(screen.queryAllByRole('dialog').at(-1) ?? document.body).getByRole('button', { name });
const dialog = (name?: RegExp | string) => screen.getByRole('dialog', name === undefined ? {} : { name });
const next = () => within(screen.getByRole('contentinfo')).getAllByRole('button').at(-1) as HTMLButtonElement;

/** A visit in which all this has happened already. */
const after = (...happened: readonly Happening[]) =>
  visitView({
    events: happened.map((what, i): VisitEvent => ({
      id: v7(),
      v: 1,
      counter: i + 1,
      device: 'another tablet',
      person: MEMBER.personId,
      at: Date.now() - 60_000,
      offset: 0,
      seen: null,
      what,
    })),
  });
const LEFT_SIDE = { site: 'side', side: 'left' } as const;
const found = (...each: Parameters<typeof finding>): Happening => ({ type: 'found', finding: finding(...each) });
const doneUpTo = (...steps: string[]): Happening[] => steps.map((step) => ({ type: 'step done', step }));
const goTo = async (person: Awaited<ReturnType<typeof standAtTable>>['person'], step: RegExp) => {
  await person.keyboard('s');
  // The first is the step itself; "Do next" stands behind it.
  await person.click(within(dialog()).getAllByRole('button', { name: step })[0] as HTMLElement);
};

describe('a finding', () => {
  test('of the body: two taps, then size, colour, whether known and words, all in one event each', async () => {
    const { person, happened } = await standAtTable(after({ type: 'opened' }, ...doneUpTo('prepare', 'handover')));
    await person.click(screen.getByRole('tab', { name: /Body/ }));
    await person.click(button(/^left side: not looked at/));
    await person.click(button('lump, new, seen'));
    expect(happened().at(-1)).toEqual(found(LEFT_SIDE, 'lump new', 1));
    await person.click(button(/More: colour/));
    await person.click(button('+ 5 mm'));
    await person.click(button('1 mm larger'));
    await person.click(button('red'));
    await person.click(button('painful'));
    await person.type(screen.getByLabelText(/In your own words/), 'soft, moves');
    await person.click(button('Done'));
    await waitFor(() =>
      expect(happened().at(-1)).toEqual({
        type: 'found',
        finding: {
          ...finding(LEFT_SIDE, 'lump new', 1),
          more: { mm: 6, colour: 'red', painful: true, words: 'soft, moves' },
        },
      }),
    );
    expect(button(/^left side: lump, new/)).toBeTruthy();
  });

  test('of a nail: from the paw to the nail and back; the paw was looked at then', async () => {
    const { person, happened } = await standAtTable(after({ type: 'opened' }, ...doneUpTo('prepare', 'handover')));
    await person.click(screen.getByRole('tab', { name: /Paws/ }));
    await person.click(button(/^right hind paw: not looked at/));
    await person.click(within(dialog()).getByRole('button', { name: 'right hind dewclaw' }));
    expect(dialog('Right hind dewclaw')).toBeTruthy();
    await person.click(button('dewclaw curled against the skin, seen'));
    await person.click(button('Done'));
    expect(happened().at(-1)).toEqual(found({ site: 'nail hind 1', side: 'right' }, 'dewclaw curled', 1));
    expect(button(/^right hind paw: right hind dewclaw: dewclaw curled/)).toBeTruthy();
    expect(screen.getByRole('tab', { name: /Paws/ })).toHaveWords(/3/);
  });

  test('rare signs are one tap further; marked ones are always in sight', async () => {
    const { person } = await standAtTable(
      after({ type: 'opened' }, ...doneUpTo('prepare', 'handover'), found(LEFT_SIDE, 'stitches left', 1)),
    );
    await person.click(screen.getByRole('tab', { name: /Body/ }));
    await person.click(button(/^left side: stitches/));
    expect(button('stitches still in, seen')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'oozing skin, seen' })).toBeNull();
    await person.click(button(/\d+ more signs/));
    expect(button('oozing skin, seen')).toBeTruthy();
  });

  test('words left behind by Escape are kept, once', async () => {
    const { person, happened } = await standAtTable(after({ type: 'opened' }, ...doneUpTo('prepare', 'handover')));
    await person.click(button(/^left ear: not looked at/));
    await person.click(button('redness, slight'));
    await person.click(button(/More: colour/));
    await person.type(screen.getByLabelText(/In your own words/), 'hot at the base');
    await person.keyboard('{Escape}');
    const worded = happened().filter((what) => what.type === 'found' && what.finding.more?.words === 'hot at the base');
    expect(worded).toHaveLength(1);
  });

  test('a deep fold is not clear by a glance: its floor is asked for, and a flinch is a finding', async () => {
    const { person, happened } = await standAtTable(after({ type: 'opened' }, ...doneUpTo('prepare', 'handover')));
    expect(screen.queryByRole('button', { name: 'nose fold clear' })).toBeNull();
    await person.click(screen.getByRole('button', { name: /here are clear/ }));
    await person.click(screen.getByRole('tab', { name: /Head/ }));
    await person.click(screen.getByRole('button', { name: /^left pocket.*: not looked at/ }));
    const pocket = within(dialog('Left pocket between eye and nose'));
    expect(pocket.getByText(/Part the hair, look to its floor/)).toBeTruthy();
    await person.click(pocket.getByRole('button', { name: 'It flinches' }));
    await person.keyboard('{Escape}');
    await person.click(screen.getByRole('button', { name: /2 deep folds parted: no flinch/ }));
    const seen = happened().filter(({ type }) => type === 'found' || type === 'looked clear');
    expect(seen.filter((what) => 'place' in what && what.place.site === 'fold pocket')).toEqual([
      { type: 'looked clear', place: { site: 'fold pocket', side: 'right' } },
    ]);
    expect(seen).toContainEqual(
      expect.objectContaining({ finding: expect.objectContaining({ sign: 'fold flinching' }) }),
    );
  });

  test('everything clear is five taps: four views, and the floors of the deep folds', async () => {
    const { person, happened } = await standAtTable(after({ type: 'opened' }, ...doneUpTo('prepare', 'handover')));
    const before = happened().length;
    const taps = vi.fn();
    document.addEventListener('click', taps);
    await lookAllClear(person);
    document.removeEventListener('click', taps);
    expect(taps).toHaveBeenCalledTimes(5);
    expect(next().disabled).toBe(false);
    expect(
      happened()
        .slice(before)
        .every(({ type }) => type === 'looked clear'),
    ).toBe(true);
  });
});

test('last time, a place that nobody looked at was not clear', async () => {
  const lastTime = { day: day('2026-10-25'), findings: [], looked: ['ear/right' as const] };
  const { person } = await standAtTable(visitView({ lastTime }));
  const aside = within(screen.getByRole('complementary'));
  expect(aside.getByText('nothing found.')).toBeTruthy();
  await goTo(person, /Clean the right ear/);
  expect(aside.getByText('right ear: clear.')).toBeTruthy();
  await goTo(person, /Clean the left ear/);
  expect(aside.getByText('left ear: not looked at.')).toBeTruthy();
});

describe('a change of plan', () => {
  test('a mat asks for the owner’s word; the call is on record, the shave waits for it, the water for the mat', async () => {
    const { person, happened } = await standAtTable(
      after({ type: 'opened' }, found(LEFT_SIDE, 'mat', 2, true), ...doneUpTo('prepare', 'handover', 'look-over')),
    );
    const change = screen.getByRole('region', { name: 'Change of plan' });
    await person.click(within(change).getByRole('button', { name: 'Ring the owner' }));
    const call = dialog('Ring the owner');
    expect(
      within(call)
        .getByRole('link', { name: /01632 960114/ })
        .getAttribute('href'),
    ).toBe('tel:01632960114');
    await person.type(within(call).getByLabelText(/In their words/), 'short is fine');
    await person.click(within(call).getByRole('button', { name: 'Yes' }));
    expect(happened().at(-1)).toMatchObject({
      type: 'owner asked',
      about: 'mat side/left',
      answer: 'yes',
      words: 'short is fine',
      who: 'Noor Haddad',
    });
    expect(change).toHaveWords(/Noor Haddad: yes, “short is fine”/);

    await goTo(person, /Mat, left side/);
    await person.click(button('shaved'));
    expect(button('The owner’s word first').getAttribute('disabled')).not.toBeNull();
    await person.click(button('Noor Haddad, just now'));
    await person.click(button('redness'));
    await person.click(button('20 min'));
    await person.click(button('This mat is settled'));
    expect(happened().slice(-2)).toEqual([
      {
        type: 'mat settled',
        place: LEFT_SIDE,
        way: 'shaved',
        word: 'Noor Haddad, just now',
        beneath: tapped('red skin'),
        minutes: 20,
      },
      { type: 'step done', step: 'mat side/left' },
    ]);
  });

  test('what was not booked is added in two taps, where it belongs', async () => {
    const view = after({ type: 'opened' }, ...doneUpTo('prepare'));
    const { person, happened } = await standAtTable({ ...view, kind: 'bath only' });
    await person.click(button(/^More: incident/));
    await person.click(button('Add a step'));
    await person.click(within(screen.getByRole('group', { name: 'Not booked today' })).getByText('Nails and dewclaws'));
    expect(happened().at(-1)).toMatchObject({ type: 'step added', step: 'nails', before: null });
    await person.keyboard('s');
    expect(within(dialog()).getByText('Nails and dewclaws')).toBeTruthy();
  });

  test('a step is added, and pulled forward where nothing speaks against it', async () => {
    const { person, happened } = await standAtTable(after({ type: 'opened' }, ...doneUpTo('prepare')));
    await person.click(button(/^More: incident/));
    await person.click(button('Add a step'));
    await person.type(screen.getByLabelText('What is to be done'), 'Red bow');
    await person.click(button('Add it'));
    expect(happened().at(-1)).toMatchObject({ type: 'step added', title: 'Red bow', before: 'handover' });
    expect(screen.getByRole('heading', { name: 'Red bow' })).toBeTruthy();
    await person.keyboard('s');
    // What speaks against it is a hazard, told where it was asked for.
    const before = happened().length;
    await person.click(within(dialog()).getByRole('button', { name: 'Do next: Second wash, half the mix' }));
    expect(within(dialog()).getByRole('status')).toHaveWords(/Not next: Product that stays on burns/);
    expect(happened()).toHaveLength(before);
    await person.click(within(dialog()).getByRole('button', { name: 'Do next: Ask the owner' }));
    expect(happened().at(-1)).toMatchObject({ type: 'step moved', step: 'handover' });
    await person.keyboard('{Escape}');
    expect(screen.getByRole('heading', { name: 'Ask the owner' })).toBeTruthy();
  });
});

test('an incident: first what to do, then place, what was done, who was told', async () => {
  const { person, happened } = await standAtTable(after({ type: 'opened' }));
  await person.keyboard('i');
  await person.click(within(dialog('What happened?')).getByRole('button', { name: 'Nick' }));
  expect(dialog('Nick')).toHaveWords(/Press with clean gauze until it stops.*asked how it is after 2 days/);
  await choose(person, screen.getByLabelText('Where on the dog'), 'left front paw');
  await person.type(screen.getByLabelText('What was done'), 'Pressed, stopped.');
  await person.click(within(dialog()).getByRole('button', { name: 'Noor Haddad' }));
  await person.click(button('Write it down'));
  expect(happened().at(-1)).toEqual({
    type: 'incident',
    incident: {
      kind: 'nick',
      place: { site: 'paw front', side: 'left' },
      done: 'Pressed, stopped.',
      told: 'Noor Haddad',
      words: '',
    },
  });
});

describe('an end before the end', () => {
  test('home, to be finished another day; then one tap goes on', async () => {
    const { person, happened } = await standAtTable(after({ type: 'opened' }, ...doneUpTo('prepare')));
    await person.click(button(/^More: incident/));
    await person.click(button('The dog goes home now'));
    await person.click(button('No time left today'));
    await person.click(button('Home now, finished then'));
    expect(happened().at(-1)).toMatchObject({
      type: 'went home',
      because: tapped('no time today'),
      back: '2026-11-26',
    });
    expect(screen.getByText('another screen')).toBeTruthy();
  });

  test('a dog that came back goes on where it was', async () => {
    const away: Happening = { type: 'went home', because: typed('too tired'), back: visitView().day };
    const { person, happened } = await standAtTable(after({ type: 'opened' }, ...doneUpTo('prepare'), away));
    expect(document.body).toHaveWords(/Went home: too tired/);
    await person.click(button('It is back: go on'));
    expect(happened().at(-1)).toEqual({ type: 'came back' });
    expect(screen.queryByText(/Went home/)).toBeNull();
  });

  test('for good: what is left of the visit is closed early', async () => {
    const { person, happened } = await standAtTable(after({ type: 'opened' }, ...doneUpTo('prepare')));
    await person.click(button(/^More: incident/));
    await person.click(button('The dog goes home now'));
    await person.click(button('Home for good: close what is left'));
    expect(screen.queryByRole('contentinfo')).toBeNull();
    expect(screen.queryByRole('complementary')).toBeNull();
    await person.click(button('Close the visit, make the owner sheet'));
    expect(happened().at(-1)).toEqual({ type: 'closed', how: 'ended early' });
  });

  test('not with a plug in an ear', async () => {
    const { person } = await standAtTable(after({ type: 'opened' }, { type: 'plug in', side: 'left' }));
    await person.click(button(/^More: incident/));
    await person.click(button('The dog goes home now'));
    expect(dialog()).toHaveWords(/A plug is still in. Take it out first/);
  });
});

describe('two people', () => {
  const mark = (deviceName: string, counter: number, what: Happening): VisitEvent => ({
    id: v7(),
    v: 2,
    counter,
    device: deviceName,
    person: MEMBER.personId,
    at: counter,
    offset: 0,
    seen: {},
    what,
  });

  test('what they marked differently is shown with names, the finding holds, and one look settles it', async () => {
    const ear = { site: 'ear', side: 'left' } as const;
    const { person, happened } = await standAtTable(
      visitView({
        events: [
          mark('a', 1, { type: 'opened' }),
          mark('a', 2, { type: 'looked clear', place: ear }),
          mark('b', 1, found(ear, 'ear redness', 2)),
        ],
      }),
    );
    const clash = screen.getByRole('alert');
    await waitFor(() => expect(clash).toHaveWords(/Ines Okafor: found at the left ear.*Ines Okafor: clear: left ear/));
    expect(screen.getByText('Clean the left ear').tagName).toBe('S');
    await person.click(button('Look again'));
    await person.click(button('Clear after all'));
    expect(happened().at(-1)).toEqual({ type: 'looked clear', place: ear });
    expect(screen.queryByText('Two of you marked this differently')).toBeNull();
  });

  test('done here, skipped there: either holds by one tap', async () => {
    const { person, happened } = await standAtTable(
      visitView({
        events: [
          mark('a', 1, { type: 'step done', step: 'nails' }),
          mark('b', 1, { type: 'step skipped', step: 'nails', because: typed('not today') }),
        ],
      }),
    );
    await person.click(button('step skipped: nails holds'));
    expect(happened().at(-1)).toMatchObject({ type: 'step skipped', because: typed('not today') });
    expect(screen.queryByText('Two of you marked this differently')).toBeNull();
  });
});

test('drying: each place is felt; what was not is asked about', async () => {
  const pug = facts('pug');
  const { person, happened } = await standAtTable({
    ...after({ type: 'opened' }, ...doneUpTo('last rinse', 'water off', 'look-over')),
    facts: pug,
  });
  await goTo(person, /Dry, place by place/);
  await person.click(button('armpits'));
  expect(happened().at(-1)).toEqual({ type: 'checked', step: 'dry', part: 'armpits' });
  await person.click(next());
  expect(dialog('Wait a moment')).toHaveWords(/Not felt dry yet: face, ears, belly, paws, rear, folds/);
  await person.click(button('Not done yet: go back'));
  await person.click(button(/I felt them: the other 6 are dry/));
  await person.click(next());
  expect(happened().at(-1)).toEqual({ type: 'step done', step: 'dry' });
});

test('crust: whether it lifted is asked; the rest is handed on to the tub, and asked there again', async () => {
  const eye = { site: 'eye', side: 'left' } as const;
  const { person, happened } = await standAtTable(
    after({ type: 'opened' }, found(eye, 'eye crust', 2), ...doneUpTo('prepare', 'handover', 'look-over')),
  );
  await goTo(person, /Soften and clean, left eye/);
  const asked = within(screen.getByRole('region', { name: 'Crust, left eye' }));
  await person.click(asked.getByRole('button', { name: 'The rest in the tub' }));
  expect(happened().at(-1)).toMatchObject({ type: 'piece settled', piece: 'eye crust eye/left', how: 'handed on' });
  await goTo(person, /Wash the face/);
  const inTub = within(screen.getByRole('region', { name: 'Crust, left eye' }));
  expect(inTub.queryByRole('button', { name: 'The rest in the tub' })).toBeNull();
  await person.click(inTub.getByRole('button', { name: 'No: leave it and tell' }));
  expect(happened().slice(-2)).toMatchObject([
    { type: 'found', finding: { sign: 'eye crust', answer: false } },
    { type: 'piece settled', step: 'face', how: 'left' },
  ]);
});

test('what finishes is offered after the comb, held back with why, told with its amount, and taken back', async () => {
  const mist = product({ id: v7(), name: 'Reed mist', kind: 'finish' });
  const view = after({ type: 'opened' }, ...doneUpTo('look-over'));
  const its = business({ products: [mist] });
  const { person, happened } = await standAtTable(view, 0, 'at the server', its);
  await goTo(person, /Comb and tidy/);
  await person.click(await screen.findByRole('button', { name: 'Used: Reed mist' }));
  expect(happened().at(-1)).toMatchObject({ type: 'used', product: mist.id, ml: 5, how: 'as planned', tasks: [] });
  await person.click(button('Not used after all: Reed mist'));
  expect(happened().at(-1)).toMatchObject({ type: 'used', ml: 0 });
});

test('blade and comb: what the owner wishes in sight, last time’s by one tap, or another for a part', async () => {
  const { person, happened } = await standAtTable({
    ...after({ type: 'opened' }, ...doneUpTo('look-over')),
    tools: { body: '7F blade', legs: 'scissors' },
    style: { beard: 'round, 25 mm' },
  });
  await goTo(person, /Comb and tidy/);
  expect(button(/^beard/i)).toHaveWords(/round, 25 mm.*not noted/);
  await person.click(button(/^body/i));
  await person.click(
    within(screen.getByRole('group', { name: 'Tool, body' })).getByRole('button', { name: '5F blade' }),
  );
  await person.click(button(/As last time: legs scissors/));
  expect(happened().slice(-2)).toEqual([
    { type: 'tool used', part: 'body', tool: '5F blade' },
    { type: 'tool used', part: 'legs', tool: 'scissors' },
  ]);
});

describe('pictures', () => {
  test('are kept on the device with the place they show; what is no picture is refused in words', async () => {
    const draw = { drawImage: () => undefined } as unknown as CanvasRenderingContext2D;
    vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(draw);
    vi.spyOn(HTMLCanvasElement.prototype, 'toBlob').mockImplementation((done) =>
      done(new Blob(['x'], { type: 'image/jpeg' })),
    );
    vi.stubGlobal('createImageBitmap', (file: File) =>
      file.name.endsWith('.jpg')
        ? Promise.resolve({ width: 4000, height: 3000, close: () => undefined })
        : Promise.reject(new Error('no picture')),
    );
    vi.stubGlobal(
      'URL',
      Object.assign(URL, { createObjectURL: () => 'blob:picture', revokeObjectURL: () => undefined }),
    );
    const { person, happened, server } = await standAtTable(
      after({ type: 'opened' }, ...doneUpTo('prepare', 'handover')),
    );
    await vi.waitFor(async () => expect(await onDisk('events')).toHaveLength(0));
    server.away = true;
    await person.click(button(/^left ear: not looked at/));
    const choose = screen.getByLabelText<HTMLInputElement>(/Picture/, { selector: 'input' });
    await person.upload(choose, new File(['MZ'], 'tool.exe', { type: 'image/jpeg' }));
    expect(await screen.findByText(/“tool.exe” is no picture this device can open/)).toBeTruthy();
    await person.upload(choose, new File(['x'], 'ear.jpg', { type: 'image/jpeg' }));
    await waitFor(() =>
      expect(happened().at(-1)).toMatchObject({ type: 'photo taken', place: { site: 'ear', side: 'left' } }),
    );
    expect(await onDisk('photos')).toMatchObject([{ visitId: useVisitLog.getState().visitId, refused: null }]);
    await person.click(await screen.findByRole('button', { name: 'take off' }));
    expect(happened().at(-1)).toMatchObject({ type: 'photo removed' });
    vi.restoreAllMocks();
  });
});

test('the big button lies under the thumb that is free', async () => {
  const { person } = await standAtTable(after({ type: 'opened' }));
  await person.click(button(/^More: incident/));
  await person.click(button('Big button under the left thumb'));
  expect(usePreferences.getState().handedness).toBe('left');
  expect(screen.getByRole('contentinfo', { hidden: true }).className).toContain('flex-row-reverse');
  usePreferences.getState().setHandedness('right');
});

test.each([
  [600_000, 'this device’s clock is 10 min slow: times are corrected'],
  [-300_000, 'this device’s clock is 5 min fast: times are corrected'],
  [20_000, null],
])('a server clock %i ms ahead of this device’s is told when it is far off', async (ahead, words) => {
  const { person } = await standAtTable(after({ type: 'opened' }), ahead);
  await person.click(next());
  await screen.findByText('the server has it all');
  await waitFor(() => expect(useVisitLog.getState().offset).not.toBeNull());
  const chip = screen.queryByText(/this device’s clock/);
  expect(chip ? chip.textContent : null).toBe(words);
});

test('what is watched is asked after until its place was looked at; what waits for a vet is said all the time', async () => {
  const { person } = await standAtTable({
    ...after({ type: 'opened' }, { type: 'step done', step: 'prepare' }, { type: 'step done', step: 'handover' }),
    askAgain: [{ place: 'ear/left', words: 'musty smell, slight', day: day('2026-11-02') }],
    referred: [{ place: 'eye/right', openedOn: day('2026-11-17') }],
  });
  expect(screen.getByText('for a vet: right eye, Tue 17 Nov')).toBeTruthy();
  expect(button('left ear: still there? musty smell, slight, Mon 2 Nov')).toBeTruthy();
  expect(button('right ear: not looked at')).toBeTruthy();
  await person.click(button('left ear clear'));
  expect(screen.queryByRole('button', { name: /still there/ })).toBeNull();
  expect(button('left ear: clear')).toBeTruthy();
});

test('a greasy flap: its own pad, the rest handed on to the bath, where it is asked again', async () => {
  const greasy = found({ site: 'ear', side: 'left' }, 'ear greasy flap', 1);
  const { person, happened } = await standAtTable(
    after({ type: 'opened' }, greasy, ...doneUpTo('prepare', 'handover')),
  );
  await goTo(person, /the left ear/);
  const ear = within(screen.getByRole('region', { name: 'Greasy flap, left ear' }));
  await person.click(ear.getByRole('button', { name: 'The rest in the bath' }));
  const piece = { type: 'piece settled', step: 'ears, first pass left', piece: 'greasy flap ear/left' };
  expect(happened().at(-1)).toEqual({ ...piece, how: 'handed on', because: null });
  await goTo(person, /First wash/);
  const flap = within(screen.getByRole('region', { name: 'Greasy flap, left ear' }));
  expect(flap.queryByRole('button', { name: 'The rest in the bath' })).toBeNull();
  await person.click(flap.getByRole('button', { name: 'Clean' }));
  expect(happened().at(-1)).toMatchObject({ step: 'wash 1', piece: 'flap washed ear/left', how: 'done' });
});
