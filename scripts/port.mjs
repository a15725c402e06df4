// Whether somebody listens already: asked before anything is installed or built.

import { createServer } from 'node:net';
import { Stopped } from './say.mjs';

/** @param {number} port */
export async function checkPort(port) {
  await new Promise((done, fail) => {
    const probe = createServer().on('error', () =>
      fail(new Stopped(`Port ${port} is in use.`, 'Stop what uses it, or choose another, such as PORT=4311.')),
    );
    probe.listen(port, '127.0.0.1', () => probe.close(() => done(undefined)));
  });
}
