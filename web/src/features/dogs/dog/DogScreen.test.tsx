import { finding } from '@dewpond/core/findings';
import { addDays, type Day } from '@dewpond/core/units';
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { v7 } from 'uuid';
import { queryClient } from '../../../data/queries';
import { TODAY, WASH_ID, dogView } from '../../../tests/demoDog';
import { openServer, show } from '../../../tests/server';
import { button, openPage } from '../../../tests/openDog';
import { DogScreen } from './DogScreen';
import { choose } from '../../../tests/choose';

describe('a dog’s page', () => {
  test('says who it is, what to mind, and when it comes next because of what', async () => {
    openPage();
    expect(await screen.findByRole('heading', { name: 'Radish' })).toBeTruthy();
    expect(document.body).toHaveWords(
      /Pug, 8 kg, smooth coat, 6 years \(about 42 in human terms\) · Amara Nwosu, 01632 960101/,
    );
    expect(screen.getByText('no neck loop')).toBeTruthy();
    const driver = dogView().nextVisit?.drivenBy ?? '';
    expect(screen.getByText(driver)).toBeTruthy();
  });

  test('is drawn once, with all its cards: none comes later and pushes a link from under the finger', async () => {
    openPage();
    const fetched = window.fetch.bind(window);
    let answer = () => {};
    const slow = new Promise<void>((done) => (answer = done));
    vi.stubGlobal('fetch', async (url: string, init?: RequestInit) => {
      if (url.endsWith('/mix')) await slow;
      return fetched(url, init);
    });
    cleanup();
    queryClient.clear();
    show(<DogScreen />, { path: '/dogs/:id', at: `/dogs/${dogView().id}` });
    expect(await screen.findByText('This dog…')).toBeTruthy();
    await waitFor(() => expect(queryClient.isFetching()).toBe(1));
    expect(screen.queryByRole('heading', { name: 'Radish' })).toBeNull();
    answer();
    expect(await screen.findByRole('heading', { name: 'Radish' })).toBeTruthy();
  });

  test('in US units the dog weighs pounds', async () => {
    openPage(dogView(), 'US');
    await screen.findByRole('heading', { name: 'Radish' });
    await waitFor(() => expect(document.body).toHaveWords(/17\.6 lb/));
  });

  test('the dirty left ear is brought forward, the clean right one stretched, and the reason can be argued with', async () => {
    const { person } = openPage();
    expect(await screen.findByText(/Clean ears, left ear: brought forward from \d+ to \d+ days/)).toBeTruthy();
    expect(screen.getByText(/Clean ears, right ear: stretched from \d+ to \d+ days/)).toBeTruthy();
    await person.click(button(/^Clean ears, left ear/));
    const why = screen.getByRole('heading', { name: /^Why \d+ days for left ear\?/ }).closest('section');
    expect(why).toHaveWords(/3 visits of this dog say: 80 % sure to find no more than slight dirt/);
    expect(why).toHaveWords(/From .* best .* at the latest/);
  });

  test('an open line shows how, when, who won and where each comes from', async () => {
    const { person } = openPage();
    await screen.findByRole('heading', { name: 'Care plan' });
    await person.click(button(/^Bath/));
    const line = screen.getByRole('region', { name: /^Bath/ });
    expect(line).toHaveWords(/When.*Won.*usual \d+/);
    expect(line).toHaveWords(/About 25 min at the salon.*\d+ ml wash 1, made-up mix/);
    expect(within(line).getByRole('link', { name: 'How it is done' }).getAttribute('href')).toBe(
      '/methods/wet-and-wash',
    );
    const when = within(line).getByText(/best .* at the latest|no care on record/);
    await person.click(within(when).getByRole('button', { name: 'Where this comes from' }));
    expect(await screen.findByText('Source: house value')).toBeTruthy();
    expect(screen.getByText(/opens at ¾ of the interval/)).toBeTruthy();
  });

  test('what is open from last time is asked about', async () => {
    const open = {
      ...finding({ site: 'ear', side: 'left' }, 'ear dark wax', 2),
      day: addDays(TODAY, -28),
      level: 'watch',
    };
    openPage(dogView({ openFindings: [open] }));
    expect(await screen.findByText(/left ear: dark-brown wax, no smell, plain/)).toBeTruthy();
  });

  test('a dog that is not there is said in words, with a way to try again', async () => {
    openServer({});
    show(<DogScreen />, { path: '/dogs/:id', at: `/dogs/${v7()}` });
    expect(await screen.findByText('This dog could not be loaded.')).toBeTruthy();
    expect(button('Try again')).toBeTruthy();
  });
});

describe('what if', () => {
  test('a trait seen otherwise shows what the plan would do, and is noted as seen', async () => {
    const { person, server } = openPage();
    await screen.findByRole('heading', { name: 'Care plan' });
    const card = screen.getByRole('heading', { name: 'What it is like' }).closest('section');
    expect(card).toHaveWords(/Hair in the canal.*none.*assumed from the breed/);
    expect(card).toHaveWords(/Breathing is tight/);
    await person.click(button('What if…'));
    const changes = screen.getByRole('region', { name: 'What would change' });
    expect(changes).toHaveWords(/Change something: what/);
    await choose(person, screen.getByLabelText('Tearing'), 'constant');
    expect(changes).toHaveWords(
      /Eyes and face, left eye, right eye.*every 21 days \(7–42 days\) instead of every 28 days/,
    );
    await choose(person, screen.getByLabelText('Fold: nose'), 'none');
    expect(changes).toHaveWords(/Folds, nose fold.*gone/);
    await person.click(button('Note as seen on this dog'));
    expect(await screen.findByText(/Noted as seen today/)).toBeTruthy();
    expect(server.sent.at(-1)).toMatchObject([
      'PUT /api/dogs/:id',
      { version: 3, profile: { seen: { tearing: 'constant', folds: { pocket: 'deep', tail: 'light' } } } },
    ]);
  });

  test('who saw it and when stands beside the trait', async () => {
    openPage(
      dogView({
        seenOn: { canalHair: { day: TODAY, by: 'Ines Castellan' } },
        profile: { ...dogView().profile, seen: { canalHair: 'sparse' } },
      }),
    );
    const card = (await screen.findByRole('heading', { name: 'What it is like' })).closest('section');
    expect(card).toHaveWords(/Hair in the canal.*sparse.*seen Wed 25 Nov, Ines Castellan/);
  });
});

describe('instructions on the page', () => {
  test('the first one is written down and stands beside the name', async () => {
    const { person, server } = openPage();
    await screen.findByRole('heading', { name: 'Care plan' });
    await person.click(button('Instructions'));
    await person.type(screen.getByLabelText('Who said it'), 'Dr Oyelaran');
    await choose(person, screen.getByLabelText('What'), 'Do not do this');
    await choose(person, screen.getByLabelText('Care'), 'Clean ears');
    await choose(person, screen.getByLabelText('Where'), 'left ear');
    await person.click(button('Write it down'));
    expect(await screen.findByText('No: clean ears, left ear (vet)')).toBeTruthy();
    expect(server.sent.at(-1)).toMatchObject([
      'POST /api/dogs/:id/instructions',
      { by: 'vet', place: { site: 'ear', side: 'left' }, says: { kind: 'bar', task: 'ear cleaning' }, until: null },
    ]);
  });

  test('what does not fit is said at its field, and nothing is lost', async () => {
    const { person, server } = openPage();
    await screen.findByRole('heading', { name: 'Care plan' });
    await person.click(button('Instructions'));
    await person.clear(screen.getByLabelText('Contact time, min'));
    await person.type(screen.getByLabelText('Contact time, min'), '90');
    await person.click(button('Write it down'));
    expect((await screen.findAllByRole('alert')).length).toBeGreaterThanOrEqual(2);
    expect(screen.getByLabelText<HTMLInputElement>('Contact time, min').value).toBe('90');
    expect(server.sent).toEqual([]);
  });

  test('an owner is not offered a lift', async () => {
    const { person } = openPage();
    await screen.findByRole('heading', { name: 'Care plan' });
    await person.click(button('Instructions'));
    const kinds = async () => {
      await person.click(screen.getByLabelText('What'));
      const offered = (await screen.findAllByRole('option')).map((each) => each.textContent);
      await person.keyboard('{Escape}');
      return offered;
    };
    expect(await kinds()).toContain('May be done in spite of a sign');
    await choose(person, screen.getByLabelText('Whose word'), 'the owner’s');
    expect(await kinds()).not.toContain('May be done in spite of a sign');
  });

  const ownWash = (until: Day | null) => ({
    id: v7(),
    version: 1,
    by: 'vet' as const,
    who: 'Dr Oyelaran',
    place: null,
    letter: null,
    says: { kind: 'bath product' as const, productId: WASH_ID, contactMinutes: 10, nothingElse: true },
    from: addDays(TODAY, -30),
    until,
  });

  test('one that ends soon is flagged; one that has ended is not beside the name any more', async () => {
    openPage(dogView({ instructions: [ownWash(addDays(TODAY, 3)), ownWash(addDays(TODAY, -1))] }));
    const chips = await screen.findAllByText(/Deep clean concentrate, 10 min, nothing else on the skin/);
    expect(chips).toHaveLength(1);
    expect(chips[0]).toHaveWords(/3 days left/);
  });

  test('it is ended from today, and that is undone', async () => {
    const { person, held } = openPage(dogView({ instructions: [ownWash(null)] }));
    await screen.findByRole('heading', { name: 'Care plan' });
    await person.click(button('Instructions'));
    await person.click(button('Ends today'));
    await waitFor(() => expect(held.dog.instructions[0]?.until).toBe(TODAY));
    await person.click(await screen.findByText('Undo'));
    await waitFor(() => expect(held.dog.instructions[0]?.until).toBeNull());
  });
});
