import { finding } from '@dewpond/core/findings';
import type { Happening } from '@dewpond/core/events';
import { eq } from 'drizzle-orm';
import { simpleParser, type ParsedMail } from 'mailparser';
import { SMTPServer } from 'smtp-server';
import request from 'supertest';
import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { message, ownerLink } from '../platform/db/schema';
import { inTenant } from '../platform/db/tenant';
import type { Services } from '../platform/http/context';
import type { Carrier } from '../platform/post/carrier';
import { smtpCarrier } from '../platform/post/post';
import { sendMessage } from '../features/messages/sendMessage';
import { musty, outbox, reachable, textOf, write } from './owner';
import { addDog, app, clock, databases, logLines, openSalon, services, type Salon } from './salon';
import { addProduct } from './shelfSide';
import { visitDog } from './tableSide';

const on = '2026-11-02';
let salon: Salon;
let stranger: Salon;
beforeAll(async () => {
  salon = await openSalon();
  stranger = await openSalon();
});

/** A mail server of our own on loopback, that keeps what it was given. */
async function openMailServer(refuse: (to: string) => { code: number; words: string } | null = () => null) {
  const mails: ParsedMail[] = [];
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS'],
    onRcptTo: ({ address }, _session, done) => {
      const no = refuse(address);
      done(no ? Object.assign(new Error(no.words), { responseCode: no.code }) : undefined);
    },
    onData: (stream, _session, done) => {
      void simpleParser(stream).then((mail) => {
        mails.push(mail);
        done();
      });
    },
  });
  await new Promise<void>((listening) => server.listen(0, '127.0.0.1', listening));
  const { port } = server.server.address() as { port: number };
  return { mails, url: `smtp://127.0.0.1:${port}`, close: () => new Promise<void>((closed) => server.close(closed)) };
}
const withMail = (carrier: Carrier): Services => ({ ...services, post: { ...services.post, 'e-mail': carrier } });
const sent = (by: Services, id: string) => sendMessage(by, salon.businessId, id);

describe('what is written around a visit', () => {
  const draft = async (dogId: string, kind: string, more: object = {}) =>
    (await salon.call('GET /api/dogs/:id/draft', { id: dogId, query: { kind, ...more } })).body;
  const at = { day: '2026-12-01', time: '10:30' };

  test.each([
    ['time to come', 'We could do Tue 1 Dec at 10:30: would that suit you?'],
    ['a gap', 'a place came free for Teasel on Tue 1 Dec at 10:30. The first yes takes it, here: {link} Or ring us.'],
    ['on our way', 'we are on our way and should be with Teasel around 10:30.'],
    ['before you come', 'we look forward to Teasel on Tue 1 Dec at 10:30.'],
  ])('“%s” names the day and the hour', async (kind, says) => {
    const { dogId } = await reachable(salon);
    expect((await draft(dogId, kind, at)).words).toContain(says);
  });

  test('a walk before, not for a flat face; the vet’s bottle where the dog is washed with it', async () => {
    const { dogId } = await reachable(salon);
    const before = async (id: string) => (await draft(id, 'before you come', at)).words;
    await visitDog(salon, dogId);
    expect(await before(dogId)).toContain('at 10:30. A walk before helps it to stand still. If you cannot come');
    const pug = await addDog(salon, { breeds: ['pug'] });
    expect(await before(pug.dogId)).toContain(
      'at 10:30. No big meal in the two hours before. As it is the first visit: please bring its lead, treats it may have, and the name of your vet. If you cannot come',
    );
    await visitDog(salon, pug.dogId);
    expect(await before(pug.dogId)).toContain('at 10:30. If you cannot come');
    const wash = await addProduct(salon, { name: 'From the vet', suppliedBy: 'vet' });
    const says = { kind: 'bath product', productId: wash, contactMinutes: 10, nothingElse: true };
    const { status } = await salon.call('POST /api/dogs/:id/instructions', {
      id: dogId,
      body: { id: v7(), by: 'vet', who: 'Dr Oyelaran', place: null, says, from: '2026-11-20', until: '2026-12-20' },
    });
    expect(status).toBe(201);
    expect(await before(dogId)).toContain('Please bring the bottle that your vet gave you. If you cannot come');
  });

  test('in the owner’s language', async () => {
    const { dogId, clientId } = await reachable(salon);
    const { version, name, card } = (await salon.call('GET /api/clients/:id', { id: clientId })).body.client;
    const body = { version, name, card: { ...card, language: 'es' } };
    expect((await salon.call('PUT /api/clients/:id', { id: clientId, body })).status).toBe(200);
    expect((await draft(dogId, 'a gap', at)).words).toMatch(
      /^Hola .*ha quedado un hueco para Teasel el .* a las 10:30/,
    );
  });

  test('a day that is none is refused', async () => {
    const { dogId } = await reachable(salon);
    const query = { kind: 'a gap', day: '2026-02-30' };
    expect((await salon.call('GET /api/dogs/:id/draft', { id: dogId, query })).status).toBe(422);
  });
});

describe('a message to an owner', () => {
  let mail: Awaited<ReturnType<typeof openMailServer>>;
  beforeAll(async () => {
    mail = await openMailServer((to) =>
      to.startsWith('gone')
        ? { code: 550, words: 'No such box here' }
        : to.startsWith('busy')
          ? { code: 451, words: 'Try later' }
          : null,
    );
  });
  afterAll(() => mail.close());
  const smtp = () => withMail(smtpCarrier(mail.url, 'salon@dewpond.example'));

  test('goes out by SMTP with sheet, link and headers; the outbox shows it, the secret nowhere', async () => {
    const { dogId } = await reachable(salon);
    const visitId = await visitDog(salon, dogId, [musty()]);
    const { body: draft } = await salon.call('GET /api/dogs/:id/draft', {
      id: dogId,
      query: { kind: 'sheet', visit: visitId },
    });
    expect(draft.reach.map(({ whyNot }) => whyNot)).toEqual([null, null]);
    const { status, body } = await write(salon, dogId, {
      kind: 'sheet',
      visitId,
      subject: draft.subject,
      words: draft.words,
    });
    expect(status).toBe(201);
    expect((await outbox(salon, body.id)).state).toBe('waiting');
    const linesBefore = logLines.length;
    await sent(smtp(), body.id);
    const [got] = mail.mails.splice(0);
    expect(got).toMatchObject({
      subject: 'Teasel at A salon, Wed 25 Nov',
      messageId: `<${body.id}@dewpond.example>`,
      attachments: [{ contentType: 'application/pdf', filename: 'Teasel-2026-11-25.pdf' }],
    });
    expect(got?.from?.value).toEqual([{ name: 'A salon', address: 'salon@dewpond.example' }]);
    expect([got?.to].flat()[0]?.text).toBe('folake@thornmere.example');
    expect((await textOf(got?.attachments[0]?.content as Buffer)).text).toContain('a musty smell');
    const [, token = ''] = /\/owner#(\S+)/.exec(got?.text ?? '') ?? [];
    expect(token).toMatch(/^[\w-]{22}\.[\w-]{43}$/);
    // The same as HTML: the address can be tapped, and nothing is fetched.
    expect(got?.html).toContain(`#${token}">http`);
    expect(got?.html).not.toMatch(/<img|<link|src=/);

    const shown = await outbox(salon, body.id);
    expect(shown).toMatchObject({ state: 'sent', via: 'smtp', tries: 1 });
    expect(shown.words).toContain('(the owner’s private page)');
    const kept = await inTenant(databases, salon.businessId, (tx) =>
      Promise.all([tx.select().from(message).where(eq(message.id, body.id)), tx.select().from(ownerLink)]),
    );
    expect(JSON.stringify(kept)).not.toContain(token.split('.')[1]);
    const page = await request(app).get('/api/owner').set('Authorization', `Link ${token}`);
    expect(page.body).toMatchObject({ dog: 'Teasel' });
    expect(logLines.slice(linesBefore).join('\n')).not.toContain(token.split('.')[1]);
  });

  test('a break in its subject begins no header of its own', async () => {
    const { dogId } = await reachable(salon);
    const { body } = await write(salon, dogId, { subject: 'Ready\r\nBcc: thief@elsewhere.example\r\n\r\nHello' });
    await sent(smtp(), body.id);
    const [got] = mail.mails.splice(0);
    expect(got?.bcc).toBeUndefined();
    expect([got?.to].flat().map((each) => each?.text)).toEqual(['folake@thornmere.example']);
    expect(got?.subject).toMatch(/^Ready\s+Bcc: thief@elsewhere.example\s+Hello$/);
  });

  test('is never sent twice: two workers, a second job, a crash in the middle', async () => {
    const { dogId } = await reachable(salon);
    const { body } = await write(salon, dogId);
    await Promise.all([sent(smtp(), body.id), sent(smtp(), body.id), sent(smtp(), body.id)]);
    await sent(smtp(), body.id);
    expect(mail.mails.splice(0)).toHaveLength(1);

    const { body: crashed } = await write(salon, dogId);
    const dying: Carrier = { via: 'smtp', deliver: () => new Promise(() => undefined) };
    void sent(withMail(dying), crashed.id);
    await expect.poll(async () => (await outbox(salon, crashed.id)).state).toBe('sending');
    await sent(smtp(), crashed.id);
    expect(mail.mails).toHaveLength(0);
    const before = clock.now;
    clock.now += 11 * 60_000;
    expect(await outbox(salon, crashed.id)).toMatchObject({
      state: 'unsure',
      lastWord: expect.stringContaining('may have arrived') as string,
    });
    expect((await salon.call('GET /api/status')).body.messages.unsure).toBe(1);
    expect((await salon.call('PUT /api/messages/:id', { id: crashed.id, body: { what: 'again' } })).status).toBe(200);
    await sent(smtp(), crashed.id);
    expect(mail.mails.splice(0)).toHaveLength(1);
    clock.now = before;
  });

  test('a line that falls silent once all was handed over: it may have arrived, and only a person sends it again', async () => {
    const heard: string[] = [];
    const server = new SMTPServer({
      authOptional: true,
      disabledCommands: ['STARTTLS'],
      onData: (stream) => {
        void simpleParser(stream).then(({ text = '' }) => {
          heard.push(text.trim());
          for (const { _socket } of server.connections) _socket.destroy();
        });
      },
    });
    await new Promise<void>((listening) => server.listen(0, '127.0.0.1', listening));
    const { port } = server.server.address() as { port: number };
    const silent = withMail(smtpCarrier(`smtp://127.0.0.1:${port}`, 'salon@dewpond.example'));
    const { dogId } = await reachable(salon);
    const visitId = await visitDog(salon, dogId);
    for (const given of [{}, { kind: 'sheet', visitId }]) {
      const { body } = await write(salon, dogId, given);
      await sent(silent, body.id);
      expect(await outbox(salon, body.id)).toMatchObject({
        state: 'unsure',
        nextTryAt: null,
        lastWord: expect.stringContaining('may have arrived') as string,
      });
      await sent(silent, body.id);
      expect(heard.splice(0)).toEqual(['Teasel will be ready around 15:30.']);
      expect((await salon.call('PUT /api/messages/:id', { id: body.id, body: { what: 'again' } })).status).toBe(200);
    }
    await new Promise<void>((closed) => server.close(closed));
  });

  test('letters of any script arrive as they were written, with a sheet and without', async () => {
    const { dogId } = await reachable(salon);
    const visitId = await visitDog(salon, dogId);
    const words =
      'Zoë Łucía: שלום, Ελλάδα 🐕. A line that is longer than the seventy-eight letters a mail likes in one row.\nSecond.';
    for (const given of [{ words }, { words, kind: 'sheet', visitId }]) {
      const { body } = await write(salon, dogId, { ...given, subject: 'Zoë 🐕' });
      await sent(smtp(), body.id);
      const [got] = mail.mails.splice(0);
      expect([got?.subject, got?.text?.trim()]).toEqual(['Zoë 🐕', words]);
    }
  });

  test('of two places for a vet the letter of the one that is written about goes along', async () => {
    const { dogId } = await reachable(salon);
    const yellow = (side: 'left' | 'right'): Happening => ({
      type: 'found',
      finding: finding({ site: 'ear', side }, 'ear yellow wax', 2),
    });
    await visitDog(salon, dogId, [yellow('left'), yellow('right')]);
    const { body: open } = await salon.call('GET /api/referrals', { query: { dog: dogId } });
    expect(open.items.map(({ placeName }) => placeName).toSorted()).toEqual(['left ear', 'right ear']);
    for (const { id: referralId, placeName } of open.items) {
      const { body } = await write(salon, dogId, { kind: 'vet, please', referralId });
      await sent(smtp(), body.id);
      const [got] = mail.mails.splice(0);
      const { title } = await textOf(got?.attachments[0]?.content as Buffer);
      expect(title).toContain(placeName);
      expect((await outbox(salon, body.id)).attached).toBe('the letter');
    }
    const { dogId: another } = await reachable(salon);
    expect((await write(salon, another, { kind: 'vet, please', referralId: open.items[0]?.id })).status).toBe(404);
  });

  test.each([
    ['a refused box is final', 'gone@thornmere.example', { state: 'failed', tries: 1 }, /No such box here/],
    ['a busy one is tried again', 'busy@thornmere.example', { state: 'waiting', tries: 1 }, /Try later/],
  ])('%s', async (_, address, stands, words) => {
    const { dogId } = await reachable(salon);
    const { body } = await write(salon, dogId);
    await inTenant(databases, salon.businessId, (tx) =>
      tx.update(message).set({ recipient: address }).where(eq(message.id, body.id)),
    );
    await sent(smtp(), body.id);
    const shown = await outbox(salon, body.id);
    expect(shown).toMatchObject(stands);
    expect(shown.lastWord).toMatch(words);
    expect(shown.nextTryAt !== null).toBe(stands.state === 'waiting');
  });

  test('a mail server that is down loses nothing, and after five tries a person is asked', async () => {
    const { dogId } = await reachable(salon);
    const { body } = await write(salon, dogId);
    const down = withMail(smtpCarrier('smtp://127.0.0.1:1', 'salon@dewpond.example'));
    for (let tries = 1; tries <= 6; tries++) {
      await sent(down, body.id);
      expect(await outbox(salon, body.id)).toMatchObject({ state: tries < 6 ? 'waiting' : 'failed', tries });
    }
    expect((await salon.call('PUT /api/messages/:id', { id: body.id, body: { what: 'again' } })).status).toBe(200);
    await sent(smtp(), body.id);
    expect(mail.mails.splice(0)).toHaveLength(1);
  });

  test('goes nowhere it is not welcome, also when the word was taken back while it waited', async () => {
    const { dogId } = await reachable(salon, { 'text message': { yes: true, on } });
    const refused = await write(salon, dogId);
    expect([refused.status, refused.body.error.message]).toEqual([
      422,
      'Nobody has asked yet whether e-mails are welcome.',
    ]);
    const { dogId: other, clientId } = await reachable(salon);
    const { body } = await write(salon, other);
    const { body: view } = await salon.call('GET /api/clients/:id', { id: clientId });
    const { version, name, card } = view.client;
    const consents = { ...card.consents, 'e-mail': { yes: false, on } };
    await salon.call('PUT /api/clients/:id', { id: clientId, body: { version, name, card: { ...card, consents } } });
    await sent(smtp(), body.id);
    expect(mail.mails).toHaveLength(0);
    expect(await outbox(salon, body.id)).toMatchObject({ state: 'failed', lastWord: 'The owner wants no e-mails.' });
  });

  test('asked for twice is one message; withdrawn it stays; the stand-in can let one come back', async () => {
    const { dogId } = await reachable(salon);
    const id = v7();
    expect((await write(salon, dogId, { id })).status).toBe(201);
    expect((await write(salon, dogId, { id })).status).toBe(201);
    expect((await write(salon, dogId, { id, words: 'Something else.' })).status).toBe(409);
    expect((await salon.call('PUT /api/messages/:id', { id, body: { what: 'withdraw' } })).status).toBe(200);
    await sent(smtp(), id);
    expect(mail.mails).toHaveLength(0);
    expect((await outbox(salon, id)).state).toBe('withdrawn');

    const { body } = await write(salon, dogId, { channel: 'text message' });
    expect((await salon.call('PUT /api/messages/:id', { id: body.id, body: { what: 'bounce' } })).status).toBe(409);
    await sent(services, body.id);
    expect(await outbox(salon, body.id)).toMatchObject({ state: 'sent', via: 'stand-in', to: '01632 960114' });
    await salon.call('PUT /api/messages/:id', { id: body.id, body: { what: 'bounce' } });
    expect((await outbox(salon, body.id)).state).toBe('bounced');
    expect((await stranger.call('GET /api/messages')).body.items).toEqual([]);
  });
});
