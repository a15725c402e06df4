import type { OwnerPage } from '@dewpond/contract';
import { homeTasks } from '@dewpond/core/homecare';
import { makePlan } from '@dewpond/core/careplan';
import { planDue } from '@dewpond/core/due';
import { addDays, day } from '@dewpond/core/units';
import { ENGLISH, homeTaskTold, wordingIn } from '@dewpond/core/wording';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { v7 } from 'uuid';
import { beforeEach, describe, expect, test } from 'vitest';
import { TODAY, facts } from '../../tests/demoDog';
import { RefusedAnswer, openServer, show } from '../../tests/server';
import { OwnerPageScreen } from './OwnerPageScreen';

const pug = facts();
const due = planDue(makePlan(pug), { places: {}, tasks: {}, homeCareChangedOn: null, schoolChangedOn: null }, TODAY);
const line = (key: string, words: string, grade: 0 | 1 | 2 | 3 | null = null) => ({ key, words, grade, task: null });
const sheet = (on: string, words: string): OwnerPage['sheets'][number] => ({
  visitId: v7(),
  read: {
    dog: 'Radish',
    day: day(on),
    language: 'en-GB',
    frame: {
      title: 'Radish',
      forOwner: 'For {owner}',
      headings: {
        saw: 'What we saw',
        suggest: 'What is next',
        care: 'Until the next visit',
        did: 'What we did',
        home: 'At home',
      },
      presses: null,
      foot: 'Only a vet can say what it means.',
      sides: { left: 'dog’s left', right: 'dog’s right' },
    },
    grades: { 'ear/left': 2 },
    parts: [
      { section: 'saw', lines: [line('saw ear/left', words, 2)] },
      { section: 'did', lines: [line('bath', 'Bathed and dried.')] },
    ],
  },
  photos: [],
});
const coming = (more: Partial<OwnerPage['booked'][number]> = {}) => ({
  ...{ id: v7(), dog: 'Radish', isOwn: true, startsAt: '2026-12-16T09:30:00Z', kind: 'full visit' },
  ...{ saidYes: false, isCancelled: false },
  ...more,
});
const ownerPage = (more: Partial<OwnerPage> = {}, wording = ENGLISH): OwnerPage => ({
  business: { name: 'Withy Quay Grooming', phone: '01632 960100', email: '', colour: '#125B60' },
  dog: 'Radish',
  language: wording.language,
  words: wording.page,
  drawing: pug.traits,
  sheets: [sheet('2026-11-24', 'Left ear: a musty smell (plain).'), sheet('2026-10-20', 'Left ear: clear then.')],
  letters: [],
  booked: [coming()],
  offers: [],
  reminder: { weekday: null },
  zone: 'Europe/London',
  vetLooks: [],
  suggested: null,
  home: {
    since: addDays(TODAY, -30),
    today: TODAY,
    language: wording.language,
    words: wording.page,
    tasks: homeTasks(due).map((task) => homeTaskTold(wording, task)),
    minutes: { wanted: 135, agreed: null, asked: 135 },
    left: [],
    bath: null,
    version: 1,
    ticks: [],
    photos: [],
    share: { asked: 0, done: 0 },
  },
  calendar: 'http://127.0.0.1:4310/api/calendars/a.b.ics',
  until: '2027-01-25T12:00:00Z',
  ...more,
});

/** A set of times that somebody else took while the page stood open. */
const GONE = v7();

function openPage(given: OwnerPage) {
  let stands = given;
  let seen = 0;
  const server = openServer({
    'GET /api/owner': () => stands,
    'POST /api/owner/seen': () => {
      seen += 1;
      return {};
    },
    'PUT /api/owner/vet-looks': () => ({}),
    'PUT /api/owner/reminder': ({ body: { weekday } }) => {
      stands = { ...stands, reminder: { weekday } };
      return {};
    },
    'PUT /api/owner/answers': ({ body }) => {
      if (given.offers.some(({ set }) => set === GONE))
        throw new RefusedAnswer(409, { kind: 'conflict', message: 'That time is taken.' });
      if (body.says === 'comes')
        stands = { ...stands, booked: stands.booked.map((each) => ({ ...each, saidYes: true })) };
      return {};
    },
    'PUT /api/owner/home': ({ body: { key, day: on, done, times = 1, note } }) => {
      const others = stands.home.ticks.filter((tick) => tick.key !== key || tick.day !== on);
      stands = {
        ...stands,
        home: { ...stands.home, ticks: done ? [...others, { key, day: on, times, note }] : others },
      };
      return {};
    },
  });
  return { ...show(<OwnerPageScreen />, { path: '/owner' }), server, seen: () => seen };
}
const look = (state: DocumentVisibilityState) => {
  Object.defineProperty(document, 'visibilityState', { value: state, configurable: true });
  document.dispatchEvent(new Event('visibilitychange'));
};
beforeEach(() => look('visible'));

describe('what an owner sees', () => {
  test('the date, the newest sheet, earlier ones by a tap', async () => {
    const { person } = openPage(ownerPage());
    expect(await screen.findByText('Wed 16 Dec, 9:30')).toBeTruthy();
    expect(screen.getByRole('article', { name: /Owner sheet/ })).toHaveWords(/Left ear: a musty smell \(plain\)/);
    await person.click(screen.getByRole('button', { name: 'Tue 20 Oct' }));
    expect(screen.getByRole('article', { name: /Owner sheet/ })).toHaveWords(/Left ear: clear then/);
    expect(document.title).toBe('Radish, Withy Quay Grooming');
  });

  test('a vet who should look comes first, with the letter to take along', async () => {
    openPage(ownerPage({ letters: [{ id: v7(), place: 'left ear', urgency: 'within a week', openedOn: TODAY }] }));
    expect(await screen.findByText('Please let a vet look: left ear, within a week.')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Letter for the vet' })).toBeTruthy();
  });

  test('a page that is closed says so and shows nothing', async () => {
    openServer({
      'GET /api/owner': () => {
        throw new RefusedAnswer(404, {
          kind: 'not found',
          message: 'This page is closed. Please ask the salon for a new link.',
        });
      },
    });
    show(<OwnerPageScreen />, { path: '/owner' });
    expect(await screen.findByRole('alert')).toHaveWords(/does not open.*ask the salon for a new link/);
  });

  test('is told as seen once it is in sight, and only once', async () => {
    look('hidden');
    const { seen } = openPage(ownerPage());
    await screen.findByRole('article', { name: /Owner sheet/ });
    expect(seen()).toBe(0);
    look('visible');
    await waitFor(() => expect(seen()).toBe(1));
    look('hidden');
    look('visible');
    expect(seen()).toBe(1);
  });
});

describe('an owner who reads Spanish', () => {
  test('has every heading, button and date in Spanish, and the week on paper', async () => {
    const { container, person } = openPage(ownerPage({}, wordingIn('es')));
    expect(await screen.findByRole('button', { name: 'Imprimir la semana' })).toBeTruthy();
    expect(screen.getByText(/Próxima visita/)).toBeTruthy();
    expect(screen.getByText(/mié,? 16 dic/)).toBeTruthy();
    await person.click(screen.getAllByRole('button', { name: 'ver cómo' })[0] as HTMLElement);
    expect(within(await screen.findByRole('dialog')).getByRole('button', { name: 'Cerrar' })).toBeTruthy();
    await person.keyboard('{Escape}');
    expect(container.querySelector('main')?.getAttribute('lang')).toBe('es');
    // The sheet in this test was made in English; around it nothing is.
    const [sheets] = screen.getAllByRole('article');
    sheets?.remove();
    expect(container.textContent).not.toMatch(/\b(the|and|your|visit|print|week|home|today|every|minutes)\b/i);
  });
});

describe('a vet’s look', () => {
  const eyes = { task: 'eye check', name: 'Eyes seen by a vet', last: null } as const;

  test('is asked with the last day known; a day of the past is kept, one to come is not', async () => {
    const { person, server } = openPage(ownerPage({ vetLooks: [{ ...eyes, last: addDays(TODAY, -400) }] }));
    const asked = within(await screen.findByRole('region', { name: 'Seen by a vet?' }));
    expect(asked.getByText(/The last we know of: /)).toBeTruthy();
    const day = asked.getByLabelText('Eyes seen by a vet: day of the last one');
    const keep = asked.getByRole<HTMLButtonElement>('button', { name: 'Keep' });
    expect(keep.disabled).toBe(true);
    fireEvent.change(day, { target: { value: addDays(TODAY, 1) } });
    expect(keep.disabled).toBe(true);
    fireEvent.change(day, { target: { value: addDays(TODAY, -20) } });
    await person.click(keep);
    await waitFor(() =>
      expect(server.sent.at(-1)).toEqual(['PUT /api/owner/vet-looks', { task: 'eye check', on: addDays(TODAY, -20) }]),
    );
    expect(await screen.findAllByText('Thank you, noted.')).not.toEqual([]);
  });

  test('is not asked of a dog that needs none', async () => {
    openPage(ownerPage());
    await screen.findByRole('region', { name: 'Next dates' });
    expect(screen.queryByText('Seen by a vet?')).toBeNull();
  });
});

describe('home care', () => {
  test('is ticked by one tap, gets a word besides, and is taken back', async () => {
    const { person, server } = openPage(ownerPage());
    const care = await screen.findByRole('region', { name: 'At home' });
    const teeth = await within(care).findByRole('button', { name: 'Teeth: done today' });
    await person.click(teeth);
    await waitFor(() => expect(teeth.getAttribute('aria-pressed')).toBe('true'));
    await person.click(within(care).getByRole('button', { name: 'add a word' }));
    await person.type(within(care).getByLabelText('A word for the salon'), 'She likes the new brush.{Enter}');
    await waitFor(() =>
      expect(server.sent.at(-1)).toMatchObject([
        'PUT /api/owner/home',
        { day: TODAY, done: true, note: 'She likes the new brush.' },
      ]),
    );
    expect(await within(care).findByText('“She likes the new brush.”')).toBeTruthy();
    await person.click(teeth);
    await waitFor(() => expect(teeth.getAttribute('aria-pressed')).toBe('false'));
  });

  test('three times a day is three taps, one can be taken back, and the last tap takes back the day', async () => {
    const page = ownerPage();
    const tasks = page.home.tasks.map((task) => (task.task === 'teeth' ? { ...task, everyDays: 1 / 3 } : task));
    const { person, server } = openPage({ ...page, home: { ...page.home, tasks } });
    const care = await screen.findByRole('region', { name: 'At home' });
    const teeth = await within(care).findByRole('button', { name: 'Teeth: done today' });
    const stands = () => [teeth.textContent, teeth.getAttribute('aria-pressed')];
    expect(stands()).toEqual(['0/3', 'false']);
    for (const [shown, pressed] of [
      ['1/3', 'false'],
      ['2/3', 'false'],
    ]) {
      await person.click(teeth);
      await waitFor(() => expect(stands()).toEqual([shown, pressed]));
    }
    expect(within(care).getByText(/^2 of 3 done today/)).toBeTruthy();
    await person.click(within(care).getByRole('button', { name: 'one less' }));
    await waitFor(() => expect(stands()).toEqual(['1/3', 'false']));
    for (const shown of ['2/3', '3/3']) {
      await person.click(teeth);
      await waitFor(() => expect(stands()[0]).toBe(shown));
    }
    expect(stands()[1]).toBe('true');
    expect(server.sent.at(-1)).toMatchObject(['PUT /api/owner/home', { day: TODAY, done: true, times: 3 }]);
    await person.click(teeth);
    await waitFor(() => expect(stands()).toEqual(['0/3', 'false']));
    expect(server.sent.at(-1)).toMatchObject(['PUT /api/owner/home', { done: false }]);
  });

  test('something noticed is told with a word, and what follows is said before: a day that moves, or a call', async () => {
    const { person, server } = openPage(ownerPage());
    const care = await screen.findByRole('region', { name: 'At home' });
    const noticed = await within(care).findByRole('group', { name: 'Did you notice something?', hidden: true });
    await person.click(within(care).getByText('Did you notice something?'));
    await person.click(within(noticed).getByRole('button', { name: 'An ear smells', hidden: true }));
    expect(within(care).getByText(/^Leave it alone, and put nothing on it\. We ring you\./)).toBeTruthy();
    await person.click(within(noticed).getByRole('button', { name: 'The nails click on a hard floor', hidden: true }));
    expect(within(care).getByText(/^It is for us to do\. We count it as due from today/)).toBeTruthy();
    await person.type(within(care).getByLabelText('Where, and since when?'), 'Since Sunday');
    await person.click(within(care).getByRole('button', { name: 'Tell the salon', hidden: true }));
    await waitFor(() =>
      expect(server.sent.at(-1)).toMatchObject([
        'PUT /api/owner/answers',
        { says: 'nails click', note: 'Since Sunday' },
      ]),
    );
    await waitFor(() => expect(within(care).queryByText(/^It is for us to do/)).toBeNull());
  });

  test('a word once a week is asked for, and given up; who may not be written to is not asked', async () => {
    const { person, server } = openPage(ownerPage());
    const care = await screen.findByRole('region', { name: 'At home' });
    const days = await within(care).findByRole('group', { name: 'On which day?', hidden: true });
    const day = (name: string) => within(days).getByRole('button', { name, hidden: true });
    expect(day('not at all').getAttribute('aria-pressed')).toBe('true');
    await person.click(day('Sun'));
    await waitFor(() => expect(day('Sun').getAttribute('aria-pressed')).toBe('true'));
    expect(server.sent.at(-1)).toEqual(['PUT /api/owner/reminder', { weekday: 6 }]);
    await person.click(day('not at all'));
    await waitFor(() => expect(server.sent.at(-1)).toEqual(['PUT /api/owner/reminder', { weekday: null }]));
  });

  test('shows how, and goes into a calendar', async () => {
    const { person } = openPage(ownerPage());
    const care = await screen.findByRole('region', { name: 'At home' });
    expect(within(care).getByRole('link', { name: 'Keep it up to date there' }).getAttribute('href')).toBe(
      'webcal://127.0.0.1:4310/api/calendars/a.b.ics',
    );
    const [how] = within(care).getAllByRole('button', { name: 'show how' });
    if (!how) throw new Error('no card');
    await person.click(how);
    const shown = await screen.findByRole('dialog');
    expect(shown).toHaveWords(/Nothing goes into the ear/);
    // A groomer's card has a list of what lies within reach, and words in its drawing; this one is an owner's.
    expect(shown).not.toHaveWords(/Enough:|Within reach/);
    expect(shown.querySelector('svg text')).toBeNull();
  });

  test('stands above the sheet when the sheet is no news any more', async () => {
    const old = { ...ownerPage(), sheets: [sheet('2026-11-01', 'Left ear: clear.')] };
    openPage(old);
    const care = await screen.findByRole('region', { name: 'At home' });
    expect(care.compareDocumentPosition(screen.getByRole('article', { name: /Owner sheet/ }))).toBe(
      Node.DOCUMENT_POSITION_FOLLOWING,
    );
  });
});

describe('answers', () => {
  const offer = (day: number, dogs = ['Radish'], set: string = v7()) => ({
    ...{ set, dogs },
    startsAt: `2026-12-${day}T09:30:00Z`,
  });
  const dates = async () => within(await screen.findByRole('region', { name: 'Next dates' }));
  /** Without the id that each has of its own. */
  const last = (server: ReturnType<typeof openPage>['server']) => {
    const [key, body] = server.sent.at(-1) ?? [];
    const { id, ...rest } = body as { id: string };
    expect([key, id.length]).toEqual(['PUT /api/owner/answers', 36]);
    return rest;
  };

  test('yes, we will be there; said, it stands there and is not asked again', async () => {
    const visit = coming();
    const { person, server } = openPage(ownerPage({ booked: [visit] }));
    await person.click((await dates()).getByRole('button', { name: 'We will be there' }));
    await waitFor(() => expect(last(server)).toEqual({ says: 'comes', bookings: [visit.id] }));
    expect(await screen.findByText('You said yes. Thank you.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'We will be there' })).toBeNull();
  });

  test('two dogs of a house: none of them can come, or only this one', async () => {
    const [own, other] = [coming(), coming({ dog: 'Bobbin', isOwn: false, startsAt: '2026-12-16T11:00:00Z' })];
    const { person, server } = openPage(ownerPage({ booked: [own, other] }));
    expect((await dates()).getByText('Wed 16 Dec, 11:00')).toBeTruthy();
    await person.click((await dates()).getByRole('button', { name: 'Only Radish cannot come' }));
    await waitFor(() => expect(last(server)).toEqual({ says: 'cannot come', bookings: [own.id] }));
    await person.click((await dates()).getByRole('button', { name: 'We cannot come' }));
    await waitFor(() => expect(last(server)).toEqual({ says: 'cannot come', bookings: [own.id, other.id] }));
  });

  test('cancelled, it can be taken back; at short notice the owner is asked to ring as well', async () => {
    const visit = coming({ isCancelled: true, startsAt: new Date(Date.now() + 3_600_000).toISOString() });
    const { person, server } = openPage(ownerPage({ booked: [visit] }));
    expect((await dates()).getByText(/You told us that Radish cannot come/)).toBeTruthy();
    expect((await dates()).getByText(/please ring us as well/)).toBeTruthy();
    await person.click((await dates()).getByRole('button', { name: 'We can come after all' }));
    await waitFor(() => expect(last(server)).toEqual({ says: 'comes after all', bookings: [visit.id] }));
  });

  test('one of the offered times, or none of them and what would suit', async () => {
    const [one, two] = [offer(16, ['Radish', 'Bobbin']), offer(17, ['Radish', 'Bobbin'])];
    const { person, server } = openPage(ownerPage({ booked: [], offers: [one, two] }));
    expect((await dates()).getByText('These times are free for Radish and Bobbin')).toBeTruthy();
    await person.click((await dates()).getByRole('button', { name: 'Yes, this one: Thu 17 Dec, 9:30' }));
    await waitFor(() => expect(last(server)).toEqual({ says: 'takes', set: two.set }));
    await person.click((await dates()).getByRole('button', { name: 'None of these suits' }));
    await person.type((await dates()).getByLabelText('What would suit you?'), 'Fridays');
    await person.click((await dates()).getByRole('button', { name: 'Tell the salon' }));
    await waitFor(() => expect(last(server)).toEqual({ says: 'none suits', note: 'Fridays' }));
  });

  test('a time that somebody else has by now is said to be taken', async () => {
    const { person } = openPage(ownerPage({ booked: [], offers: [offer(16, ['Radish'], GONE)] }));
    await person.click((await dates()).getByRole('button', { name: /Yes, this one/ }));
    expect(await screen.findAllByText('Somebody was quicker: that time is taken.')).not.toEqual([]);
  });
});
