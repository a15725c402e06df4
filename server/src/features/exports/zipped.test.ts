import { once } from 'node:events';
import { get, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import { setTimeout as sleep } from 'node:timers/promises';
import express from 'express';
import { expect, test } from 'vitest';
import { sendZip } from './zipped';

/** More than any buffer on the way holds. */
async function* endless(): AsyncGenerator<Buffer> {
  const piece = Buffer.alloc(64 * 1024, 7);
  for (;;) {
    yield piece;
    await sleep(1);
  }
}

async function asked(
  content: () => AsyncIterable<Buffer>,
  then: (answer: IncomingMessage) => Promise<unknown>,
  stalledMs?: number,
) {
  const app = express();
  const ended = new Promise<unknown>((done) => {
    app.get('/', (_, response) =>
      sendZip(
        response,
        'Withy Quay 2026-11-30.zip',
        new Date(0),
        async (zip) => {
          await zip.add('a', content(), 'packed');
        },
        stalledMs,
      ).then(
        () => done('sent'),
        (error: unknown) => done(error),
      ),
    );
  });
  const server = app.listen(0);
  await once(server, 'listening');
  try {
    const [answer] = (await once(get({ port: (server.address() as AddressInfo).port }), 'response')) as [
      IncomingMessage,
    ];
    await then(answer);
    return await ended;
  } finally {
    server.close();
  }
}

test('whoever stops a download stops the work behind it', async () => {
  const ended = await asked(endless, async (answer) => {
    await once(answer, 'data');
    answer.destroy();
  });
  expect(ended).toBe('sent');
}, 10_000);

test('whoever takes nothing of it any more does not hold it open', async () => {
  const ended = await asked(
    endless,
    async (answer) => {
      await once(answer, 'data');
      answer.pause();
      answer.on('error', () => undefined);
    },
    500,
  );
  expect(ended).toBe('sent');
}, 30_000);

test('a trouble on the way cuts the file short and is told to whoever runs this', async () => {
  const ended = await asked(
    async function* () {
      yield Buffer.from('half');
      await sleep(1);
      throw new Error('The database went away.');
    },
    async (answer) => {
      answer.resume();
      await once(answer, 'error');
      expect(answer.complete).toBe(false);
    },
  );
  expect(String(ended)).toContain('The database went away.');
});
