import type { MessageDraft, MessageView, OwnerLinkView } from '@dewpond/contract';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { v7 } from 'uuid';
import { describe, expect, test } from 'vitest';
import { CLIENT_ID, DOG_ID, session } from '../../../tests/demoDog';
import { openServer, show } from '../../../tests/server';
import { LinksDialog } from '../../../parts/messages/LinksDialog';
import { MessageDialog, type MessageAbout } from '../../../parts/messages/MessageDialog';
import { OutboxScreen } from './OutboxScreen';

const reach = (channel: 'e-mail' | 'text message', whyNot: string | null = null) => ({
  channel,
  to: channel === 'e-mail' ? 'folake@thornmere.example' : '01632 960114',
  whyNot,
});
const draft = (more: Partial<MessageDraft> = {}): MessageDraft => ({
  owner: 'Folake Adeyemi',
  language: 'en-GB',
  reach: [reach('text message'), reach('e-mail')],
  subject: 'Teasel is nearly ready',
  words: 'Teasel will be ready around 15:30.',
  ...more,
});
const message = (more: Partial<MessageView> = {}): MessageView => ({
  id: v7(),
  clientId: CLIENT_ID,
  client: 'Folake Adeyemi',
  dogId: DOG_ID,
  dog: 'Teasel',
  visitId: null,
  kind: 'sheet',
  channel: 'e-mail',
  to: 'folake@thornmere.example',
  subject: 'Teasel at Withy Quay Grooming',
  words: 'Here is the sheet: (the owner’s private page)',
  attached: 'the sheet',
  state: 'sent',
  tries: 1,
  nextTryAt: null,
  lastWord: '250 ok',
  via: 'smtp',
  askedBy: 'Ines Okafor',
  createdAt: '2026-11-25T15:00:00Z',
  sentAt: '2026-11-25T15:00:05Z',
  arrivedAt: null,
  ...more,
});

describe('writing to an owner', () => {
  const ABOUT: MessageAbout = { kind: 'nearly ready', dogId: DOG_ID, visitId: null, time: '15:30' };
  function write(its: MessageDraft | ((time: string) => MessageDraft), about = ABOUT) {
    const hours: (string | null)[] = [];
    const server = openServer({
      'GET /api/session': () => session(),
      'GET /api/dogs/:id/draft': ({ query }) => {
        hours.push(query.get('time'));
        return typeof its === 'function' ? its(query.get('time') ?? '') : its;
      },
      'POST /api/messages': ({ body }) => ({ id: body.id }),
    });
    return { ...show(<MessageDialog about={about} onClose={() => undefined} />), server, hours };
  }

  test('shows what will be sent, by the way the owner likes, and sends what was changed', async () => {
    const { person, server } = write(draft());
    const text = await screen.findByRole('textbox', { name: 'Text' });
    expect(screen.getByRole('button', { name: /^text message/i }).getAttribute('aria-pressed')).toBe('true');
    expect(screen.queryByLabelText('Subject')).toBeNull();
    await person.click(screen.getByRole('button', { name: /^e-mail/i }));
    await person.clear(text);
    await person.type(text, 'She is ready now.');
    await person.click(screen.getByRole('button', { name: 'Send by e-mail' }));
    await waitFor(() =>
      expect(server.sent.at(-1)).toMatchObject([
        'POST /api/messages',
        { channel: 'e-mail', words: 'She is ready now.', subject: 'Teasel is nearly ready', dogId: DOG_ID },
      ]),
    );
    expect(await screen.findByText(/On its way by e-mail/)).toBeTruthy();
  });

  test('another hour asks for another draft', async () => {
    const { hours } = write(draft());
    const hour = await screen.findByLabelText('Ready around');
    fireEvent.change(hour, { target: { value: '16:10' } });
    await waitFor(() => expect(hours.at(-1)).toBe('16:10'));
  });

  test('another hour leaves what was typed; it says that the hour is not in it, and the suggestion comes back by a tap', async () => {
    const { person } = write((time) => draft({ words: `Teasel will be ready around ${time}.` }));
    const text = () => screen.findByRole<HTMLTextAreaElement>('textbox', { name: 'Text' });
    await person.type(await text(), ' Bring the lead.');
    fireEvent.change(screen.getByLabelText('Ready around'), { target: { value: '16:10' } });
    expect(await screen.findByText('Your own text. It does not say 16:10.')).toBeTruthy();
    expect((await text()).value).toBe('Teasel will be ready around 15:30. Bring the lead.');
    await person.click(screen.getByRole('button', { name: 'As suggested' }));
    await waitFor(async () => expect((await text()).value).toBe('Teasel will be ready around 16:10.'));
    // Untyped, it follows the hour again.
    fireEvent.change(screen.getByLabelText('Ready around'), { target: { value: '17:00' } });
    expect(await screen.findByDisplayValue('Teasel will be ready around 17:00.')).toBeTruthy();
  });

  test('where nothing may be sent it is said why, and nothing can be', async () => {
    write(draft({ reach: [reach('e-mail', 'The owner wants no e-mails.'), reach('text message', 'No number.')] }));
    expect(await screen.findByText('The owner wants no e-mails.')).toBeTruthy();
    expect(screen.getByText(/Nothing may be sent to Folake Adeyemi/)).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Send' }).disabled).toBe(true);
  });
});

describe('the outbox', () => {
  function outbox(items: MessageView[]) {
    const asked: unknown[] = [];
    const server = openServer({
      'GET /api/session': () => session(),
      'GET /api/messages': () => ({ items }),
      'PUT /api/messages/:id': ({ id, body }) => {
        asked.push([id, body.what]);
        return {};
      },
    });
    return { ...show(<OutboxScreen />, { path: '/watch/outbox' }), server, asked };
  }

  test('empty says what comes here', async () => {
    outbox([]);
    expect(await screen.findByText(/Nothing was written yet/)).toBeTruthy();
  });

  test('shows each message as it went out, with what became of it and what can be done', async () => {
    const failed = message({ state: 'failed', lastWord: '550 No such box here', sentAt: null });
    const waiting = message({
      state: 'waiting',
      tries: 2,
      nextTryAt: '2026-11-25T15:10:00Z',
      lastWord: 'Try later',
      sentAt: null,
    });
    const simulated = message({ via: 'stand-in', channel: 'text message', to: '01632 960114', attached: null });
    const { person, asked } = outbox([failed, waiting, simulated]);
    expect(await screen.findByText(/One message did not arrive/)).toBeTruthy();
    const [first, second, third] = screen.getAllByRole('listitem');
    if (!first || !second || !third) throw new Error('three messages');
    expect(first).toHaveWords(/failed.*550 No such box here/);
    expect(second).toHaveWords(/waiting.*Tried 2 times; again Wed 25 Nov, 15:10/);
    expect(third).toHaveWords(/text message to 01632 960114.*nothing left this machine/);
    expect(first).toHaveWords(/private page.*With the sheet as a PDF/);
    await person.click(within(first).getByRole('button', { name: 'Send again' }));
    await person.click(within(second).getByRole('button', { name: 'Withdraw' }));
    await person.click(within(third).getByRole('button', { name: 'Let it come back' }));
    await waitFor(() =>
      expect(asked).toEqual([
        [failed.id, 'again'],
        [waiting.id, 'withdraw'],
        [simulated.id, 'bounce'],
      ]),
    );
  });

  test('one that perhaps arrived is sent again only by somebody who knows that it did not', async () => {
    outbox([message({ state: 'unsure', lastWord: 'It may have arrived.', sentAt: null })]);
    expect(await screen.findByRole('button', { name: 'It did not arrive: send again' })).toBeTruthy();
  });
});

test('private pages: made, told whether they were seen, closed', async () => {
  const link = (more: Partial<OwnerLinkView> = {}): OwnerLinkView => ({
    id: v7(),
    url: 'http://127.0.0.1:4310/owner#x.y',
    expiresAt: '2099-01-01T00:00:00Z',
    revokedAt: null,
    seenAt: null,
    lastSeenAt: null,
    createdBy: 'Ines Okafor',
    createdAt: '2026-11-25T15:00:00Z',
    ...more,
  });
  const items = [link({ expiresAt: '2020-01-01T00:00:00Z' })];
  openServer({
    'GET /api/session': () => session(),
    'GET /api/dogs/:id/links': () => ({ items }),
    'POST /api/links': ({ body }) => {
      const made = link({ id: body.id, seenAt: '2026-11-25T16:00:00Z' });
      items.unshift(made);
      return made;
    },
    'PUT /api/links/:id/revoke': ({ id }) => {
      const at = items.findIndex((each) => each.id === id);
      const before = items[at];
      if (before) items[at] = { ...before, revokedAt: '2026-11-25T17:00:00Z' };
      return {};
    },
  });
  const { person } = show(<LinksDialog dogId={DOG_ID} dog="Teasel" onClose={() => undefined} />);
  expect(await screen.findByText('run out')).toBeTruthy();
  await person.click(screen.getByRole('button', { name: 'Make a link' }));
  expect(await screen.findByText('seen Wed 25 Nov, 16:00')).toBeTruthy();
  await person.click(screen.getByRole('button', { name: 'Close it' }));
  expect(await screen.findByText('closed by the salon')).toBeTruthy();
});
