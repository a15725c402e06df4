import type { ReferralView } from '@dewpond/contract';
import { dueOn, nextStep, vetBy } from '@dewpond/core/referral';
import { addDays, type Day } from '@dewpond/core/units';
import { screen, waitFor, within } from '@testing-library/react';
import { v7 } from 'uuid';
import { describe, expect, test } from 'vitest';
import { CLIENT_ID, DOG_ID, TODAY, session } from '../../tests/demoDog';
import { RefusedAnswer, openServer, show } from '../../tests/server';
import { DueFollowUps } from '../../parts/referrals/DueFollowUps';
import { OpenReferrals } from '../../parts/referrals/OpenReferrals';
import { VetDialog } from './VetDialog';
import { WatchScreen } from './WatchScreen';

const referral = (more: Partial<ReferralView> = {}): ReferralView => {
  const its = {
    id: v7(),
    version: 1,
    dogId: DOG_ID,
    dog: 'Radish',
    clientId: CLIENT_ID,
    owner: 'Amara Nwosu',
    phone: '01632 960171',
    visitId: v7(),
    place: 'ear/left' as const,
    placeName: 'left ear',
    words: 'yellow or thick wax, plain',
    level: 'vet' as const,
    openedOn: TODAY,
    told: null,
    answer: null,
    vet: null,
    end: null,
    ...more,
  };
  const stands = { ...its, level: 'vet' as const };
  return { ...its, vetBy: vetBy(stands), dueOn: dueOn(stands), next: nextStep(stands) };
};

function watch(first: ReferralView) {
  let stands = first;
  const server = openServer({
    'GET /api/session': () => session(),
    'GET /api/watch': () => ({ items: [] }),
    'GET /api/referrals': () => ({ items: [stands] }),
    'PUT /api/referrals/:id': ({ body: { version, ...set } }) => {
      if (version !== stands.version)
        throw new RefusedAnswer(409, { kind: 'conflict', message: 'Someone else worked on this meanwhile.' });
      stands = referral({ ...stands, ...set, version: version + 1 });
      return { version: version + 1 };
    },
  });
  return {
    ...show(<WatchScreen />, { path: '/watch' }),
    server,
    stands: () => stands,
    otherGroomer: () => {
      stands = { ...stands, version: stands.version + 1 };
    },
  };
}

describe('a place a vet should see', () => {
  test('goes from telling to the end, one next step at a time, each undone by a tap', async () => {
    const { person, stands } = watch(referral());
    expect(await screen.findByText(/Next: tell the owner/)).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'The owner was told' }));
    await person.click(await screen.findByRole('button', { name: 'at the door' }));
    expect(await screen.findByText(/Next: ask whether the owner is going/)).toBeTruthy();
    expect(screen.getByText(/Owner told at the door/)).toBeTruthy();
    await person.click(await screen.findByRole('button', { name: 'Undo' }));
    expect(await screen.findByText(/Next: tell the owner/)).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'The owner was told' }));
    await person.click(screen.getByRole('button', { name: 'by telephone' }));
    await person.click(await screen.findByRole('button', { name: 'The owner answered' }));
    await person.type(screen.getByLabelText('In their words, if it matters'), 'On Friday.');
    await person.click(screen.getByRole('button', { name: 'will go' }));
    await person.click(await screen.findByRole('button', { name: 'The vet answered' }));
    await person.type(screen.getByLabelText('Who said it'), 'Dr Oyelaran');
    await person.type(screen.getByLabelText('In the vet’s words'), 'Leave it for a week.');
    await person.click(screen.getByRole('button', { name: 'Write it down' }));
    expect(await screen.findByText(/Next: close it/)).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'Close it' }));
    await person.click(screen.getByRole('button', { name: 'seen by a vet, all well' }));
    expect(await screen.findByText('No place waits for a vet.')).toBeTruthy();
    expect(stands()).toMatchObject({
      told: { how: 'by telephone', by: 'Ines Okafor' },
      answer: { answer: 'will go', words: 'On Friday.' },
      vet: { who: 'Dr Oyelaran', words: 'Leave it for a week.' },
      end: { outcome: 'seen by a vet, all well' },
    });
  });

  test('no step is offered before it is known who signs it', async () => {
    openServer({ 'GET /api/watch': () => ({ items: [] }), 'GET /api/referrals': () => ({ items: [referral()] }) });
    const { person } = show(<WatchScreen />, { path: '/watch' });
    await person.click(await screen.findByRole('button', { name: 'The owner was told' }));
    expect(screen.queryByRole('button', { name: 'at the door' })).toBeNull();
  });

  test('lateness is said, the letter is a link, the owner’s number is one tap', async () => {
    watch(referral({ openedOn: '2026-11-20' as typeof TODAY }));
    expect(await screen.findByText(/Next: tell the owner, 5 days late/)).toBeTruthy();
    expect(screen.getByRole('link', { name: /Letter to the vet/ }).getAttribute('href')).toMatch(/letter\.pdf$/);
    expect(screen.getByRole('link', { name: '01632 960171' }).getAttribute('href')).toBe('tel:01632 960171');
  });

  test('an owner who has not answered is reminded by a message', async () => {
    const told = { how: 'at the door', on: TODAY, by: 'Ines' } as const;
    const kinds: (string | null)[] = [];
    openServer({
      'GET /api/session': () => session(),
      'GET /api/watch': () => ({ items: [] }),
      'GET /api/referrals': () => ({ items: [referral({ told })] }),
      'GET /api/dogs/:id/draft': ({ query }) => {
        kinds.push(query.get('kind'));
        return {
          owner: 'Amara Nwosu',
          language: 'en-GB',
          reach: [],
          subject: 'How is Radish?',
          words: 'How is Radish?',
        };
      },
    });
    const { person } = show(<WatchScreen />, { path: '/watch' });
    await person.click(await screen.findByRole('button', { name: 'Remind the owner' }));
    expect(await screen.findByRole('textbox', { name: 'Text' })).toBeTruthy();
    expect(kinds).toEqual(['has a vet looked']);
  });

  test('hears of another hand', async () => {
    const { person, otherGroomer, stands } = watch(referral());
    const button = await screen.findByRole('button', { name: 'The owner was told' });
    otherGroomer();
    await person.click(button);
    await person.click(screen.getByRole('button', { name: 'at the door' }));
    expect(await screen.findByText('Someone else worked on this meanwhile.')).toBeTruthy();
    expect(stands().told).toBeNull();
  });
});

test('the day begins with what is due to be followed up, the longest due first, and says nothing of the rest', async () => {
  const on = (openedOn: Day, more: Partial<ReferralView> = {}) => referral({ id: v7(), openedOn, ...more });
  openServer({
    'GET /api/referrals': () => ({
      items: [
        on(TODAY),
        on(addDays(TODAY, -1), { dog: 'Barley' }),
        on(addDays(TODAY, -9), { dog: 'Umber' }),
        on(addDays(TODAY, -4), { dog: 'Quill', end: { outcome: 'seen clear here', on: TODAY, by: 'Ines' } }),
        on(addDays(TODAY, -2), { dog: 'Rook' }),
        on(TODAY, { dog: 'Wren', told: { how: 'at the door', on: TODAY, by: 'Ines' } }),
      ],
    }),
  });
  show(<DueFollowUps today={TODAY} />);
  const due = await screen.findByRole('region', { name: 'To follow up' });
  expect(
    within(due)
      .getAllByRole('listitem')
      .map(({ textContent }) => textContent),
  ).toEqual([
    expect.stringMatching(/Umber.*: tell the owner, 9 days late$/),
    expect.stringMatching(/Rook.*: tell the owner, 2 days late$/),
    expect.stringMatching(/Barley.*: tell the owner, a day late$/),
  ]);
  expect(within(due).getByRole('link', { name: '1 more on the Watch list' }).getAttribute('href')).toBe('/watch');
});

test('what the vet said becomes an instruction on the dog, of that place', async () => {
  const its = referral({
    told: { how: 'at the door', on: TODAY, by: 'Ines' },
    answer: { answer: 'will go', words: '', on: TODAY },
  });
  const server = openServer({
    'POST /api/dogs/:id/instructions': ({ body }) => ({ id: body.id }),
  });
  const said: NonNullable<ReferralView['vet']>[] = [];
  const { person } = show(
    <VetDialog referral={its} today={TODAY} onClose={() => undefined} onSaid={(vet) => said.push(vet)} />,
  );
  await person.type(screen.getByLabelText('Who said it'), 'Dr Oyelaran');
  await person.type(screen.getByLabelText('In the vet’s words'), 'Leave it for two weeks.');
  await person.click(screen.getByRole('button', { name: 'Leave it until…' }));
  await person.click(screen.getByRole('button', { name: 'Write it down' }));
  await waitFor(() => expect(said).toHaveLength(1));
  expect(server.sent).toMatchObject([
    [
      'POST /api/dogs/:id/instructions',
      {
        id: said[0]?.instructionId,
        by: 'vet',
        who: 'Dr Oyelaran',
        place: { site: 'ear', side: 'left' },
        says: { kind: 'bar', task: 'ear cleaning' },
        from: TODAY,
        until: '2026-12-09',
      },
    ],
  ]);
});

test('is said where one books and on the dog’s page; closed it is not', async () => {
  openServer({ 'GET /api/referrals': () => ({ items: [referral()] }) });
  const { unmount } = show(<OpenReferrals dogId={DOG_ID} />);
  const said = await screen.findByRole('status');
  expect(said).toHaveWords(/Left ear: a vet should look by Wed 2 Dec; next: tell the owner/i);
  expect(within(said).getByRole('link', { name: 'On the Watch list' })).toBeTruthy();
  unmount();
  openServer({
    'GET /api/referrals': () => ({
      items: [referral({ end: { outcome: 'seen clear here', on: TODAY, by: 'the look-over' } })],
    }),
  });
  show(<OpenReferrals dogId={v7()} />);
  await waitFor(() => expect(screen.queryByRole('status')).toBeNull());
});

test.each([
  ['after plucking, both ears', 'after plucking'],
  ['incident, left ear', 'how is it'],
  ['left ear', null],
] as const)('%s is asked after by its own message, or by none', async (place, kind) => {
  const asked: (string | null)[] = [];
  openServer({
    'GET /api/session': () => session(),
    'GET /api/referrals': () => ({ items: [] }),
    'GET /api/watch': () => ({
      items: [
        {
          ...{ dogId: DOG_ID, dog: 'Radish', owner: 'Amara Nwosu', phone: '01632 960171', place },
          ...{ words: 'Ask how it is.', level: 'watch', day: TODAY, visitId: v7() },
        },
      ],
    }),
    'GET /api/dogs/:id/draft': ({ query }) => {
      asked.push(query.get('kind'));
      return { owner: 'Amara Nwosu', language: 'en-GB', reach: [], subject: 'How is it?', words: 'How is it?' };
    },
  });
  const { person } = show(<WatchScreen />, { path: '/watch' });
  await screen.findByRole('link', { name: 'Radish' });
  if (kind === null) return expect(screen.queryByRole('button', { name: 'Ask how it is' })).toBeNull();
  await person.click(await screen.findByRole('button', { name: 'Ask how it is' }));
  await waitFor(() => expect(asked).toEqual([kind]));
});
