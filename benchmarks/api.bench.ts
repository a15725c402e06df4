import { fork, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { v7 } from 'uuid';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { RecordedCall } from './reference/bareServer';
import { quantile, report, round } from './report';
import { base, signedIn } from './signedIn';

/**
 * The calls behind the main screens, against a bare Express and pg handler that asks the same statements, prepared and
 * pipelined, and sends the same bytes. Asked in turn, so that a slow moment falls on both.
 */
const CALLS = 200;
const WARM = 60;

const root = fileURLToPath(new URL('..', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'dewpond-bench-'));
const recorded = join(folder, 'statements.jsonl');

const freePort = () =>
  new Promise<number>((done) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => done(typeof address === 'object' && address ? address.port : 0));
    });
  });
const listening = (child: ChildProcess) =>
  new Promise<void>((done, fail) => {
    child.on('message', () => done());
    child.on('exit', (code) => fail(new Error(`A server ended with ${code}.`)));
  });

const cookie = await signedIn();
const get = async (from: string, path: string) => {
  const answer = await fetch(`${from}${path}`, { headers: { cookie, 'accept-encoding': 'identity' } });
  if (!answer.ok) throw new Error(`${path}: ${answer.status}`);
  return answer.text();
};
const { items } = JSON.parse(await get(base, '/api/dogs')) as { items: { id: string; name: string }[] };
const dog = items.find((each) => each.name === 'Teasel')?.id ?? '';
const paths = ['/api/session', '/api/today', '/api/dogs', `/api/dogs/${dog}`, `/api/dogs/${dog}/mix`, '/api/watch'];

const send = async (from: string, path: string, body: object) => {
  const headers = { cookie, 'content-type': 'application/json', origin: base };
  const answer = await fetch(`${from}${path}`, { method: 'POST', headers, body: JSON.stringify(body) });
  if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`);
  return answer.text();
};
const beginVisit = async () => {
  const id = v7();
  await send(base, '/api/visits', { id, dogId: dog, appointmentId: null });
  return id;
};
/** One tap at the table: a step is done, or opened again. */
let taps = 0;
const tap = (id: string) => {
  taps += 1;
  const what = { type: taps % 2 === 0 ? 'step undone' : 'step done', step: 'nails' };
  return { events: [{ id, v: 2, counter: taps, device: 'tablet', at: Date.now(), offset: 0, seen: {}, what }] };
};

/** What each call asks the database once everything is prepared, from a server of its own that writes it down. */
async function record(): Promise<RecordedCall[]> {
  const port = await freePort();
  const server = fork(join(root, 'server/dist/main.js'), {
    cwd: root,
    env: { ...process.env, PORT: String(port), RECORD_STATEMENTS_TO: recorded },
    execArgv: ['--import', join(root, 'benchmarks/reference/recordStatements.mjs')],
  });
  await listening(server);
  const here = `http://127.0.0.1:${port}`;
  const written = async (work: () => Promise<string>) => {
    rmSync(recorded, { force: true });
    const body = await work();
    const lines = existsSync(recorded) ? readFileSync(recorded, 'utf8').trim().split('\n') : [];
    return { body, statements: lines.map((line) => JSON.parse(line) as RecordedCall['statements'][number]) };
  };
  const calls: RecordedCall[] = [];
  for (const path of paths) {
    for (let i = 0; i < 3; i++) await get(here, path);
    calls.push({ path, anew: null, ...(await written(() => get(here, path))) });
  }
  const path = `/api/visits/${await beginVisit()}/events`;
  for (let i = 0; i < 6; i++) await send(here, path, tap(v7()));
  const anew = v7();
  calls.push({ path, anew, ...(await written(() => send(here, path, tap(anew)))) });
  server.removeAllListeners('exit');
  server.kill();
  return calls;
}

const calls = await record();
writeFileSync(join(folder, 'calls.json'), JSON.stringify(calls));
const port = await freePort();
const bare = fork(join(root, 'benchmarks/reference/bareServer.ts'), [join(folder, 'calls.json'), String(port)], {
  execPath: join(root, 'node_modules/.bin/tsx'),
});
await listening(bare);

const BEGINS = /^(begin|commit|select set_config)/;
const rows = [];
const visit = await beginVisit();
for (const { path, anew, body, statements } of calls) {
  // Ours and theirs are visits of one dog that grow alike.
  const ask = (from: string) => {
    if (anew === null) return get(from, path);
    return send(from, from === base ? `/api/visits/${visit}/events` : path, tap(v7()));
  };
  const times: [ours: number[], reference: number[]] = [[], []];
  for (let i = 0; i < CALLS + WARM; i++)
    for (const [which, from] of [base, `http://127.0.0.1:${port}`].entries()) {
      const start = performance.now();
      await ask(from);
      if (i >= WARM) times[which]?.push(performance.now() - start);
    }
  const [ours = NaN, reference = NaN] = times.map((each) => quantile(each, 0.5));
  rows.push({
    call: anew === null ? path.replace(dog, ':id') : 'one tap at the table',
    statements: statements.filter(({ text }) => !BEGINS.test(text)).length,
    'answer kB': round(body.length / 1024, 1),
    'Dewpond p50 ms': round(ours),
    'p95 ms': round(quantile(times[0], 0.95)),
    'reference p50 ms': round(reference),
    ratio: round(ours / reference),
  });
}
bare.removeAllListeners('exit');
bare.kill();
rmSync(folder, { recursive: true });
report('api', rows);
