import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import fc from 'fast-check';
import { afterEach, describe, expect, test } from 'vitest';
import { httpCarrier } from './httpCarrier';

type Answering = (request: IncomingMessage, response: ServerResponse) => void;
interface Heard {
  readonly headers: IncomingMessage['headers'];
  readonly body: string;
}

const closing: (() => Promise<void>)[] = [];
afterEach(async () => {
  for (const close of closing.splice(0)) await close();
});

/** Whoever carries texts, as badly as one likes. */
async function openCarrier(answer: Answering) {
  const heard: Heard[] = [];
  const server = createServer((request, response) => {
    let body = '';
    request.on('data', (bytes: Buffer) => (body += bytes.toString()));
    request.on('end', () => {
      heard.push({ headers: request.headers, body });
      answer(request, response);
    });
  });
  await new Promise<void>((listening) => server.listen(0, '127.0.0.1', listening));
  closing.push(async () => {
    server.closeAllConnections();
    await new Promise<void>((closed) => server.close(() => closed()));
  });
  return { heard, url: `http://127.0.0.1:${(server.address() as AddressInfo).port}/send` };
}

const TEMPLATE = '{"to":"{to}","text":{"body":"{words}","sender":"{from}"},"refs":["{id}"],"flash":false}';
const mail = {
  ...{
    id: 'a-message',
    ref: 'a-salon.a-message',
    to: '01632 960114',
    from: { name: 'Withy Quay', replyTo: '' },
    subject: '',
  },
  ...{ words: 'Hello "Folake", {to} \\ is\nno slot.', language: 'en-GB', attached: [] },
};
const carrying = (url: string, more: object = {}) =>
  httpCarrier({ url, template: TEMPLATE, secret: 'between us', patienceMs: 300, ...more });
const says =
  (status: number, words = ''): Answering =>
  (_request, response) =>
    response.writeHead(status).end(words);

test('sends what was set, with the secret and one name for all its tries; no word changes its shape', async () => {
  const { heard, url } = await openCarrier(says(202, '{"queued": true}'));
  expect(await carrying(url).deliver(mail)).toEqual({ kind: 'sent', word: 'Answered 202: {"queued": true}' });
  const [{ headers, body } = { headers: {}, body: '' }] = heard;
  expect(headers).toMatchObject({
    'content-type': 'application/json',
    'idempotency-key': 'a-message',
    authorization: 'Bearer between us',
  });
  expect(JSON.parse(body)).toEqual({
    to: '01632 960114',
    text: { body: mail.words, sender: 'Withy Quay' },
    refs: ['a-message'],
    flash: false,
  });
});

test('whatever the words, they arrive as they are', async () => {
  const { heard, url } = await openCarrier(says(200));
  await fc.assert(
    fc.asyncProperty(fc.string({ unit: 'grapheme', maxLength: 160 }), async (words) => {
      await carrying(url, { secret: '' }).deliver({ ...mail, words });
      const { headers, body } = heard.at(-1) ?? { headers: {}, body: '{}' };
      expect(headers.authorization).toBeUndefined();
      expect((JSON.parse(body) as { text: { body: string } }).text.body).toBe(words);
    }),
    { numRuns: 50 },
  );
});

describe('what may be tried again, what may not, and what nobody knows', () => {
  test.each([
    ['is taken', says(200), 'sent'],
    ['no such number', says(400, 'no such number'), 'refused'],
    ['a wrong secret', says(401), 'refused'],
    ['an address that moved: no number goes elsewhere', says(302), 'refused'],
    ['asked too often', says(429), 'trouble'],
    ['too slow by its own word', says(408), 'trouble'],
    ['its own fault', says(503), 'trouble'],
    ['silence', () => undefined, 'unsure'],
    ['a line that is cut', (request) => request.socket.destroy(), 'unsure'],
    ['an answer that breaks off in its words', broken, 'sent'],
    ['no answer of this kind', (request) => request.socket.end('HELLO\r\n\r\n'), 'unsure'],
    ['an answer without end', endless, 'sent'],
  ] as const satisfies readonly (readonly [string, Answering, string])[])('%s', async (_, answer, kind) => {
    const { url } = await openCarrier(answer);
    expect((await carrying(url).deliver(mail)).kind).toBe(kind);
  });

  test('an answer without end is not waited for, nor read to the end', async () => {
    let written = 0;
    const { url } = await openCarrier((_request, response) => {
      response.writeHead(200);
      const more = setInterval(() => {
        response.write('x'.repeat(1000));
        written += 1000;
      }, 5);
      response.once('close', () => clearInterval(more));
    });
    const { kind } = await carrying(url, { patienceMs: 60_000 }).deliver(mail);
    expect([kind, written < 100_000]).toEqual(['sent', true]);
  }, 10_000);

  test('nobody is there: later, again', async () => {
    const { url } = await openCarrier(says(200));
    await closing.pop()?.();
    expect((await carrying(url).deliver(mail)).kind).toBe('trouble');
  });

  test('what it says is cut short and in one line', async () => {
    const { url } = await openCarrier(says(500, `a\nb ${'x'.repeat(5000)}`));
    const { word } = await carrying(url).deliver(mail);
    expect(word).toMatch(/^Answered 500: a b x+$/);
    expect(word.length).toBeLessThan(330);
  });
});

function broken(_request: IncomingMessage, response: ServerResponse): void {
  response.writeHead(200, { 'content-length': '100' }).write('half');
  setTimeout(() => response.destroy(), 20);
}

function endless(_request: IncomingMessage, response: ServerResponse): void {
  response.writeHead(200);
  const more = setInterval(() => response.write('x'.repeat(1000)), 5);
  response.once('close', () => clearInterval(more));
}
