import type { SheetView } from '@dewpond/contract';
import { makePlan } from '@dewpond/core/careplan';
import { planDue } from '@dewpond/core/due';
import { finding } from '@dewpond/core/findings';
import { NO_EDITS, makeSheet } from '@dewpond/core/sheet';
import { ENGLISH, wordingIn, type Wording } from '@dewpond/core/wording';
import { addDays } from '@dewpond/core/units';
import { placesToLookAt, readVisit } from '@dewpond/core/visit';
import { type Happening } from '@dewpond/core/events';
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { DOG_ID, TODAY, facts, session } from '../../../tests/demoDog';
import { RefusedAnswer, openServer, show } from '../../../tests/server';
import { SheetScreen } from './SheetScreen';

/** The sheet of a visit in which this happened, made by the core. */
/** Nothing is booked. */
const NEXT = { booked: null, suggested: addDays(TODAY, 21) };

function sheetOf(happenings: readonly Happening[], wording: Wording = ENGLISH): SheetView {
  const pug = facts();
  const events = happenings.map((what, i) => ({
    id: `e${i}`,
    v: 1,
    counter: i + 1,
    device: 'd',
    person: 'p',
    at: i,
    offset: 0,
    seen: null,
    what,
  }));
  const before = { kind: 'full visit', facts: pug, plan: makePlan(pug), contactMinutes: 0, lastFindings: [] } as const;
  const due = planDue(before.plan, { places: {}, tasks: {}, homeCareChangedOn: null, schoolChangedOn: null }, TODAY);
  const sheet = makeSheet({
    dog: 'Radish',
    day: TODAY,
    ...readVisit(before, events),
    places: placesToLookAt(pug),
    lastTime: null,
    due,
    next: NEXT,
    often: [],
    isPuppyNew: false,
    asked: null,
    wording,
  });
  return {
    visitId: v7(),
    dogId: DOG_ID,
    clientId: v7(),
    business: { name: 'Withy Quay Grooming', phone: '01632 960100', email: '', colour: '#125B60' },
    owner: 'Amara Nwosu',
    closed: true,
    sheet,
    inBusinessLanguage: null,
    edits: NO_EDITS,
    version: 0,
    photos: [],
    photosAgreed: false,
    fromLost: null,
    next: NEXT,
    drawing: pug.traits,
  };
}
function openSheet(view: SheetView) {
  openServer({
    'GET /api/session': () => session(),
    'GET /api/members': () => ({ items: [session().member] }),
    'GET /api/appointments': () => ({ items: [] }),
    'GET /api/visits/:id/sheet': () => view,
  });
  return show(<SheetScreen />, { path: '/visits/:id/sheet', at: `/visits/${view.visitId}/sheet` });
}
const clear: Happening[] = placesToLookAt(facts()).map((place) => ({ type: 'looked clear', place }));
const musty: Happening = { type: 'found', finding: finding({ site: 'ear', side: 'left' }, 'ear musty smell', 2) };
const page = () => screen.getByRole('article');

describe('the owner sheet', () => {
  test('keeps what we saw, did and suggest apart, the dog’s sides named, and a vet asked for on top', async () => {
    openSheet(sheetOf([...clear, musty, { type: 'step done', step: 'nails' }]));
    await screen.findByRole('article', { name: 'Owner sheet for Radish' });
    expect(page()).toHaveWords(/A vet should look within a week/i);
    expect(page()).toHaveWords(/What we saw.*left ear.*What is next.*vet.*What we did.*nails/i);
    expect(page()).toHaveWords(/Left and right are the dog’s own/);
    expect(page()).not.toHaveWords(/infection|otitis|disease/i);
  });

  test('all clear is one line, and no vet is asked for', async () => {
    openSheet(sheetOf(clear));
    await screen.findByRole('article');
    expect(page()).toHaveWords(/Both ears, .*: clear\./);
    expect(page()).not.toHaveWords(/A vet should look/i);
  });

  test('nothing looked at is said, not passed over', async () => {
    openSheet(sheetOf([]));
    await screen.findByRole('article');
    expect(page()).toHaveWords(/Nothing was looked at/);
  });

  test('work that came in after the close asks for a new look', async () => {
    openSheet(sheetOf([...clear, { type: 'closed', how: 'finished' }, musty]));
    expect(await screen.findByText(/Work came in from another device after the close/)).toBeTruthy();
  });

  test('the PDF is a link, and the next visit can be booked from here', async () => {
    const view = sheetOf(clear);
    const { person } = openSheet(view);
    expect((await screen.findByRole('link', { name: 'PDF' })).getAttribute('href')).toBe(
      `/api/visits/${view.visitId}/sheet.pdf`,
    );
    await person.click(screen.getByRole('button', { name: 'Book the next visit' }));
    expect(screen.getByRole('dialog', { name: 'Book Radish' })).toBeTruthy();
  });
});

describe('a sheet in another language', () => {
  test('goes out as the owner reads it; the groomer reads it in the business’s, and back', async () => {
    const english = sheetOf([...clear, musty]);
    const spanish = { ...sheetOf([...clear, musty], wordingIn('es')), inBusinessLanguage: english.sheet };
    const { person } = openSheet(spanish);
    await screen.findByText(/Amara Nwosu reads Spanish/);
    expect(page()).toHaveWords(/Lo que vimos/);
    expect(page().getAttribute('lang')).toBe('es');
    await person.click(screen.getByRole('button', { name: 'Read it in English' }));
    expect(page()).toHaveWords(/What we saw.*Left ear: a musty smell/);
    expect(screen.queryByRole('button', { name: 'Add a line' })).toBeNull();
    await person.click(screen.getByRole('button', { name: 'As it goes out' }));
    expect(page()).toHaveWords(/Lo que vimos/);
  });
});

describe('a hand on the sheet', () => {
  const nails: Happening[] = [...clear, musty, { type: 'step done', step: 'nails' }];
  /** A server that keeps edits as the real one does. */
  function kept(view: SheetView) {
    let stands = { edits: view.edits, version: view.version };
    const server = openServer({
      'GET /api/session': () => session(),
      'GET /api/visits/:id/sheet': () => ({ ...view, ...stands }),
      'PUT /api/visits/:id/sheet': ({ body }) => {
        if (body.version !== stands.version)
          throw new RefusedAnswer(409, {
            kind: 'conflict',
            message: 'Someone else changed this sheet meanwhile.',
            current: stands,
            yours: body,
          });
        stands = { edits: body.edits, version: stands.version + 1 };
        return { version: stands.version };
      },
    });
    const shown = show(<SheetScreen />, { path: '/visits/:id/sheet', at: `/visits/${view.visitId}/sheet` });
    return {
      ...shown,
      server,
      stands: () => stands,
      otherGroomerAdds: (words: string) => {
        stands = {
          edits: { ...NO_EDITS, added: [{ id: v7(), section: 'suggest', words }] },
          version: stands.version + 1,
        };
      },
      otherGroomer: (words: string) => {
        const lines = { nails: { section: 'did' as const, made: 'Nails and dewclaws done.', words } };
        stands = { edits: { ...NO_EDITS, lines }, version: stands.version + 1 };
      },
    };
  }
  const pencil = (words: RegExp) => screen.findByRole('button', { name: words });

  test('says one sentence otherwise, shows what was made, takes it back and undoes', async () => {
    const { person, stands } = kept(sheetOf(nails));
    await person.click(await pencil(/^Say it differently: Nails and dewclaws done/));
    const field = screen.getByRole('textbox', { name: /^Sentence: Nails/ });
    await person.clear(field);
    await person.type(field, 'Nails done, two were long.{Enter}');
    expect(await screen.findByText('Nails done, two were long.')).toBeTruthy();
    await waitFor(() => expect(stands().edits.lines['nails']).toMatchObject({ words: 'Nails done, two were long.' }));
    await person.click(await screen.findByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(stands()).toMatchObject({ version: 2, edits: NO_EDITS }));
    expect(await screen.findByText('Nails and dewclaws done.')).toBeTruthy();
  });

  test('leaves a sentence out, struck through and off the paper, and takes it in again', async () => {
    const { person, stands } = kept(sheetOf(nails));
    await person.click(await pencil(/^Say it differently: Nails and dewclaws done/));
    await person.click(screen.getByRole('button', { name: 'Leave it out' }));
    await waitFor(() => expect(stands().edits.lines['nails']).toMatchObject({ words: null }));
    const line = screen.getByText('Nails and dewclaws done.').closest('li');
    expect(line?.className).toContain('no-print');
    await person.click(screen.getByRole('button', { name: 'Take in again' }));
    await waitFor(() => expect(stands().edits).toEqual(NO_EDITS));
  });

  test('adds a line of its own to a part; an empty one is none', async () => {
    const { person, stands } = kept(sheetOf(nails));
    const suggest = await screen.findByRole('region', { name: 'What is next' });
    await person.click(within(suggest).getByRole('button', { name: 'Add a line' }));
    await person.type(within(suggest).getByRole('textbox'), 'Bring the red harness.{Enter}');
    await waitFor(() =>
      expect(stands().edits.added).toMatchObject([{ section: 'suggest', words: 'Bring the red harness.' }]),
    );
    await person.click(within(suggest).getByRole('button', { name: 'Add a line' }));
    await person.type(within(suggest).getByRole('textbox'), '   {Enter}');
    expect(stands().version).toBe(1);
  });

  test('an illness or a dose in one’s own words is not refused but marked, while it is typed and where it stands', async () => {
    const { person, stands } = kept(sheetOf(nails));
    const suggest = await screen.findByRole('region', { name: 'What is next' });
    await person.click(within(suggest).getByRole('button', { name: 'Add a line' }));
    await person.type(within(suggest).getByRole('textbox'), 'Looks like an infection');
    expect(within(suggest).getByRole('status')).toHaveWords(
      /“infection” names an illness: a groomer says what was seen/,
    );
    await person.type(within(suggest).getByRole('textbox'), '{Enter}');
    await waitFor(() => expect(stands().edits.added).toMatchObject([{ words: 'Looks like an infection' }]));
    expect(await within(suggest).findByRole('status')).toHaveWords(/names an illness/);
    // On paper nothing of the mark is seen.
    expect(within(suggest).getByRole('status').className).toContain('no-print');
  });

  const addLine = async (person: ReturnType<typeof kept>['person'], words: string) => {
    const suggest = await screen.findByRole('region', { name: 'What is next' });
    await person.click(within(suggest).getByRole('button', { name: 'Add a line' }));
    await person.type(within(suggest).getByRole('textbox'), `${words}{Enter}`);
  };

  test('works on beside another hand on another sentence: both stand', async () => {
    const { person, stands, otherGroomer } = kept(sheetOf(nails));
    await pencil(/^Say it differently: Nails and dewclaws done/);
    otherGroomer('Nails done, two bled.');
    await addLine(person, 'Bring the red harness.');
    await waitFor(() => expect(stands().edits.added).toMatchObject([{ words: 'Bring the red harness.' }]));
    expect(stands().edits.lines['nails']).toMatchObject({ words: 'Nails done, two bled.' });
    expect(await screen.findByText('Nails done, two bled.')).toBeTruthy();
  });

  test('adds its line beside the line that another hand added', async () => {
    const { person, stands, otherGroomerAdds } = kept(sheetOf(nails));
    await pencil(/^Say it differently: Nails and dewclaws done/);
    otherGroomerAdds('Ring at the side gate.');
    await addLine(person, 'Bring the red harness.');
    await waitFor(() =>
      expect(
        stands()
          .edits.added.map(({ words }) => words)
          .toSorted(),
      ).toEqual(['Bring the red harness.', 'Ring at the side gate.']),
    );
    expect(screen.queryByText(/meanwhile/)).toBeNull();
  });

  test('meets another hand on the same sentence: both are shown, and one chooses', async () => {
    const { person, stands, otherGroomer } = kept(sheetOf(nails));
    const open = await pencil(/^Say it differently: Nails and dewclaws done/);
    otherGroomer('Nails done, two bled.');
    await person.click(open);
    await person.click(screen.getByRole('button', { name: 'Leave it out' }));
    await person.click(await screen.findByRole('button', { name: 'Compare' }));
    const dialog = screen.getByRole('dialog', { name: 'Two changes of one thing' });
    expect(dialog).toHaveWords(/Yours.*left out.*Theirs.*Nails done, two bled\./);
    await person.click(within(dialog).getByRole('radio', { name: /Theirs/ }));
    await person.click(within(dialog).getByRole('button', { name: 'Go on with these' }));
    expect(await screen.findByText('Nails done, two bled.')).toBeTruthy();
    expect(stands()).toMatchObject({ version: 1, edits: { lines: { nails: { words: 'Nails done, two bled.' } } } });
  });

  test('keeps two sentences that are said one right after the other', async () => {
    const { person, stands } = kept(sheetOf(nails));
    await addLine(person, 'Bring the red harness.');
    await addLine(person, 'Ring at the side gate.');
    await waitFor(() =>
      expect(stands().edits.added.map(({ words }) => words)).toEqual([
        'Bring the red harness.',
        'Ring at the side gate.',
      ]),
    );
  });

  test('loses no sentence without a network: it stays, and goes when one asks again', async () => {
    const { person, server, stands } = kept(sheetOf(nails));
    await pencil(/^Say it differently: Nails and dewclaws done/);
    server.away = true;
    await addLine(person, 'Bring the red harness.');
    expect(await screen.findByText(/^Not kept yet/)).toBeTruthy();
    expect(screen.getByText('Bring the red harness.')).toBeTruthy();
    server.away = false;
    await person.click(screen.getByRole('button', { name: 'Try again' }));
    await waitFor(() => expect(stands().edits.added).toMatchObject([{ words: 'Bring the red harness.' }]));
  });

  test('a picture goes on the sheet only where pictures were agreed to', async () => {
    const photos = [{ id: v7(), name: 'left ear', beside: null }];
    const { person, stands, unmount } = kept({ ...sheetOf(nails), photos, photosAgreed: true });
    await person.click(await screen.findByRole('button', { name: 'Put on the sheet' }));
    await waitFor(() => expect(stands().edits.photos).toEqual([photos[0]?.id]));
    expect(within(page()).getByRole('img', { name: 'left ear' })).toBeTruthy();
    unmount();
    kept({ ...sheetOf(nails), photos, edits: { ...NO_EDITS, photos: photos.map(({ id }) => id) } });
    expect(await screen.findByText(/has not agreed to pictures/)).toBeTruthy();
    expect(within(page()).queryByRole('img', { name: 'left ear' })).toBeNull();
  });

  test('a picture goes on the sheet as a pair with the earlier one, and comes off as one', async () => {
    const photos = [{ id: v7(), name: 'left ear, today', beside: { id: v7(), name: 'left ear, Mon 2 Mar' } }];
    const { person, stands } = kept({ ...sheetOf(nails), photos, photosAgreed: true });
    const onPage = () =>
      within(page())
        .queryAllByRole('img')
        .flatMap((each) => (each.getAttribute('alt')?.startsWith('left ear') ? [each.getAttribute('alt')] : []));
    await person.click(await screen.findByRole('button', { name: 'As a pair' }));
    await waitFor(() => expect(stands().edits.photos).toEqual([photos[0]?.id, photos[0]?.beside.id]));
    expect(onPage()).toEqual(['left ear, Mon 2 Mar', 'left ear, today']);
    await person.click(screen.getByRole('button', { name: 'As a pair' }));
    await waitFor(() => expect(stands().edits.photos).toEqual([photos[0]?.id]));
    await person.click(screen.getByRole('button', { name: 'As a pair' }));
    await person.click(screen.getByRole('button', { name: 'On the sheet' }));
    await waitFor(() => expect(onPage()).toEqual([]));
  });
});
