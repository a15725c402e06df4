import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { connect as connectHttp2 } from 'node:http2';
import https from 'node:https';
import { createServer, type Server } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Server as HttpServer } from 'node:http';
import { afterAll, beforeAll, describe, expect, test, vi } from 'vitest';
import { makeApp } from '../app';
import { makeAuth } from '../platform/auth/auth';
import { readConfig } from '../platform/config/config';
import { PASSWORD, addDog, databases, log, openSalon, services, type Salon } from './salon';
import { begin, eventsOf } from './tableSide';

/*
 * What deploy/ ships, with Debian's own nginx and systemd: read, started, and asked over TLS. What cannot run here is a
 * container that runs, and a machine that boots.
 */

const ROOT = fileURLToPath(new URL('../../..', import.meta.url));
const DEPLOY = join(ROOT, 'deploy');
/** Debian puts it where only root looks. */
const LOGROTATE = '/usr/sbin/logrotate';
const folder = mkdtempSync(join(tmpdir(), 'dewpond-deploy-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const freePort = () =>
  new Promise<number>((done) => {
    const probe: Server = createServer().listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => done(typeof address === 'object' && address ? address.port : 0));
    });
  });

describe('the units', () => {
  const units = readdirSync(join(DEPLOY, 'systemd'));

  test.each(units)('%s is one that systemd takes', (unit) => {
    // An instance where it is a template; the folder of this test for the one of an installation.
    const name = unit.replace('@.', '@4310.');
    const text = readFileSync(join(DEPLOY, 'systemd', unit), 'utf8')
      .replaceAll('WorkingDirectory=/opt/dewpond', `WorkingDirectory=${folder}`)
      .replaceAll('/usr/bin/node', process.execPath);
    writeFileSync(join(folder, name), text);
    const { status, stderr } = spawnSync('systemd-analyze', ['verify', '--man=no', join(folder, name)], {
      encoding: 'utf8',
    });
    const ours = stderr.split('\n').filter((line) => line.includes('dewpond'));
    expect(ours).toEqual([]);
    expect(status).toBe(0);
  });
});

test('logrotate takes what turns the database’s log', () => {
  const state = join(folder, 'logrotate.state');
  const { status, stderr } = spawnSync(LOGROTATE, ['--debug', '--state', state, join(DEPLOY, 'logrotate/dewpond')], {
    encoding: 'utf8',
  });
  expect(stderr).not.toMatch(/error/i);
  expect(stderr).toMatch(/Handling 1 logs/);
  expect(status).toBe(0);
});

describe('the container file', () => {
  // None is built here: there is nothing to build one with. What it names is looked at.
  const lines = readFileSync(join(DEPLOY, 'Containerfile'), 'utf8').split('\n');
  const all = lines.join('\n');
  const of = (word: string) =>
    lines.filter((line) => line.startsWith(`${word} `)).map((line) => line.slice(word.length + 1));

  test('starts from the Node that Dewpond is made for, and serves as nobody in particular', () => {
    const { engines } = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8')) as { engines: { node: string } };
    const major = /\d+/.exec(engines.node)?.[0];
    expect(of('FROM').every((image) => image.includes(`node:${major}-`))).toBe(true);
    expect(of('USER')).toEqual(['node']);
    expect(of('EXPOSE')).toEqual(['4310']);
  });

  test('runs programs that the build makes, with settings that are read', () => {
    const built = readFileSync(join(ROOT, 'scripts/build.mjs'), 'utf8');
    const programs = [...all.matchAll(/server\/dist\/(\w+)\.js/g)].map(([, name]) => name);
    expect(programs.toSorted()).toEqual(['main', 'migrate']);
    for (const name of programs) expect(built).toContain(`'${name}'`);
    const settings = of('ENV').flatMap((line) => [...line.matchAll(/(\w+)=/g)].map(([, name]) => name));
    const source = readFileSync(join(ROOT, 'server/src/platform/config/config.ts'), 'utf8');
    const migrate = readFileSync(join(ROOT, 'server/src/platform/db/migrate.ts'), 'utf8');
    for (const name of settings) expect(`${source}${migrate}NODE_ENV`).toContain(name);
  });

  test('asks whether it is well at an address there is', () => {
    const path = /127\.0\.0\.1:4310(\/[\w/]+)/.exec(all)?.[1];
    expect(path).toBe('/api/health/ready');
  });
});

describe('behind nginx, over TLS', () => {
  let nginx: ChildProcess;
  let server: HttpServer;
  let salon: Salon;
  let ca: Buffer;
  let port: number;
  let plain: number;

  beforeAll(async () => {
    salon = await openSalon();
    const behind = await freePort();
    [port, plain] = [await freePort(), await freePort()];
    const settings = readConfig({
      ...process.env,
      ...{ PUBLIC_URL: `https://127.0.0.1:${port}`, TRUST_PROXY: '1', LOG_LEVEL: 'silent' },
    });
    const app = makeApp(settings, services, log, makeAuth(settings, databases));
    await new Promise<void>((done) => (server = app.listen(behind, '127.0.0.1', () => done())));

    const [certificate, key] = [join(folder, 'certificate.pem'), join(folder, 'certificate.key')];
    const made = spawnSync('openssl', [
      ...['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', '-subj', '/CN=127.0.0.1'],
      ...['-addext', 'subjectAltName=IP:127.0.0.1', '-keyout', key, '-out', certificate],
    ]);
    expect(made.status).toBe(0);
    ca = readFileSync(certificate);

    const site = readFileSync(join(DEPLOY, 'nginx/dewpond.conf'), 'utf8')
      .replace('server 127.0.0.1:4310;', `server 127.0.0.1:${behind};`)
      .replace('listen 80;', `listen 127.0.0.1:${plain};`)
      .replace('listen 443 ssl http2;', `listen 127.0.0.1:${port} ssl http2;`)
      .replaceAll('dewpond.example', '127.0.0.1')
      .replaceAll('/etc/dewpond', folder);
    const paths = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'].map(
      (each) => `${each}_temp_path ${join(folder, each)};`,
    );
    const file = join(folder, 'nginx.conf');
    writeFileSync(
      file,
      `${process.getuid?.() === 0 ? 'user root;\n' : ''}pid ${join(folder, 'nginx.pid')};\nerror_log ${join(folder, 'error.log')};\ndaemon off;\nevents {}\nhttp {\n${paths.join('\n')}\naccess_log off;\n${site}\n}\n`,
    );
    const looked = spawnSync('/usr/sbin/nginx', ['-t', '-c', file, '-p', folder], { encoding: 'utf8' });
    expect(looked.stderr).toMatch(/test is successful/);
    nginx = spawn('/usr/sbin/nginx', ['-c', file, '-p', folder], { stdio: 'ignore' });
    await vi.waitFor(async () => expect((await ask('/api/health')).status).toBe(200), { timeout: 10_000 });
  }, 60_000);
  afterAll(async () => {
    nginx.kill('SIGTERM');
    await new Promise((done) => server.close(done));
  });

  interface Answer {
    readonly status: number;
    readonly headers: NodeJS.Dict<string | string[]>;
    readonly text: string;
  }
  /** One call over TLS, whose certificate is looked at. */
  function ask(path: string, given: { method?: string; body?: object; headers?: Record<string, string> } = {}) {
    return new Promise<Answer>((done, fail) => {
      const { method = 'GET', body, headers = {} } = given;
      const type =
        body === undefined ? {} : { 'content-type': 'application/json', origin: `https://127.0.0.1:${port}` };
      const asking = https.request(
        { host: '127.0.0.1', port, path, method, ca, headers: { ...type, ...headers } },
        (answer) => {
          let text = '';
          answer.on('data', (bytes: Buffer) => (text += bytes.toString()));
          answer.on('end', () => done({ status: answer.statusCode ?? 0, headers: answer.headers, text }));
        },
      );
      asking.on('error', fail);
      asking.end(body === undefined ? undefined : JSON.stringify(body));
    });
  }
  const signIn = async (headers: Record<string, string> = {}) => {
    const body = { email: `${salon.businessId}@example.test`, password: PASSWORD };
    const answer = await ask('/api/auth/sign-in/email', { method: 'POST', body, headers });
    return { answer, cookies: [answer.headers['set-cookie'] ?? []].flat() };
  };
  const cookieOf = (cookies: string[]) => cookies.map((each) => each.split(';')[0]).join('; ');

  test('plain http is sent on to https; figures are not for the network', async () => {
    const answer = await fetch(`http://127.0.0.1:${plain}/dogs`, { redirect: 'manual' });
    expect([answer.status, answer.headers.get('location')]).toEqual([301, 'https://127.0.0.1/dogs']);
    expect((await ask('/metrics')).status).toBe(404);
  });

  test('HTTP/2 is spoken, and browsers are told to keep to https', async () => {
    const session = connectHttp2(`https://127.0.0.1:${port}`, { ca });
    const headers = await new Promise<Record<string, unknown>>((done, fail) => {
      session.on('error', fail);
      const stream = session.request({ ':path': '/api/health' });
      stream.on('response', done);
      stream.resume();
    });
    session.close();
    expect(headers[':status']).toBe(200);
    expect(headers['strict-transport-security']).toMatch(/max-age=\d{7}/);
    expect(headers).toMatchObject({
      'x-content-type-options': 'nosniff',
      'referrer-policy': 'no-referrer',
      'content-security-policy': expect.stringMatching(/frame-ancestors 'none'/),
    });
    expect(headers['x-powered-by']).toBeUndefined();
  });

  test('cookies are Secure, and what a client says of its own address is not believed', async () => {
    const { answer, cookies } = await signIn({ 'X-Forwarded-For': '203.0.113.7' });
    expect(answer.status).toBe(200);
    expect(cookies.some((each) => /session_token=.*; Secure/i.test(each))).toBe(true);
    const { text } = await ask('/api/me/sessions', { headers: { cookie: cookieOf(cookies) } });
    expect(text).not.toContain('203.0.113.7');
    expect(text).toContain('127.0.0.1');
  });

  test('what happens at a table is heard at once', async () => {
    const { cookies } = await signIn();
    const { dogId } = await addDog(salon);
    const visit = await begin(salon, dogId);
    const heard: string[] = [];
    const listening = https.get(
      { host: '127.0.0.1', port, path: `/api/visits/${visit}/live`, ca, headers: { cookie: cookieOf(cookies) } },
      (answer) => answer.on('data', (bytes: Buffer) => heard.push(bytes.toString())),
    );
    listening.on('error', () => undefined);
    await expect.poll(() => heard.length, { timeout: 5000 }).toBeGreaterThan(0);
    const before = heard.length;
    const began = Date.now();
    await salon.call('POST /api/visits/:id/events', { id: visit, body: { events: eventsOf([{ type: 'opened' }]) } });
    await expect.poll(() => heard.length, { timeout: 5000, interval: 20 }).toBeGreaterThan(before);
    expect(Date.now() - began).toBeLessThan(3000);
    listening.destroy();
  });

  test('a book as large as one may be comes through, and nothing larger', async () => {
    const { cookies } = await signIn();
    const headers = { cookie: cookieOf(cookies) };
    const over = await ask('/api/imports', { method: 'POST', body: { text: 'x'.repeat(27_000_000) }, headers });
    expect(over.status).toBe(413);
    const fits = await ask('/api/imports', { method: 'POST', body: { text: 'x'.repeat(20_000_000) }, headers });
    // Read and answered by Dewpond: it is no book, but it came through.
    expect(fits.status).toBe(422);
  });
});
