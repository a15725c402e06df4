import { deflateSync } from 'node:zlib';
import pg from 'pg';
import request from 'supertest';
import { v7 } from 'uuid';
import { beforeAll, describe, expect, test } from 'vitest';
import sharp from 'sharp';
import { connectionString } from '../platform/db/connect';
import { accountNumber, traceOf } from '../platform/http/logging';
import { addDog, app, config, databases, log, logLines, openSalon, signIn, type Salon } from './salon';
import { begin } from './tableSide';
import { passed, toPass } from '@dewpond/core/threads';
import { asBuffer } from '../platform/threads/bytes';
import { bottleOf, makeMix, mixBody } from './shelfSide';
import Fraction from 'fraction.js';
import { freePort } from '../../../scripts/cluster.mjs';
import { openPool } from '../platform/db/connect';
import { inTenant } from '../platform/db/tenant';
import { sql } from 'drizzle-orm';

let salon: Salon;
let visitId: string;
beforeAll(async () => {
  salon = await openSalon();
  const { dogId } = await addDog(salon);
  visitId = await begin(salon, dogId);
});

const send = (bytes: Buffer, type = 'image/png') =>
  request(app)
    .put(`/api/visits/${visitId}/photos/${v7()}`)
    .set('Cookie', salon.cookie)
    .set('Content-Type', type)
    .send(bytes);

/** A PNG that says it is so large, with nothing in it: what is judged before a point is read. */
function hugePng(width: number, height: number, { interlaced = false, deep = false } = {}): Buffer {
  const crcTable = Array.from({ length: 256 }, (_, n) => {
    let c = n;
    for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
    return c >>> 0;
  });
  const crc = (bytes: Buffer) => {
    let c = 0xffffffff;
    for (const byte of bytes) c = (crcTable[(c ^ byte) & 0xff] ?? 0) ^ (c >>> 8);
    return (c ^ 0xffffffff) >>> 0;
  };
  const chunk = (name: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(name, 'latin1'), data]);
    const length = Buffer.alloc(4);
    length.writeUInt32BE(data.length);
    const check = Buffer.alloc(4);
    check.writeUInt32BE(crc(body));
    return Buffer.concat([length, body, check]);
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([deep ? 16 : 8, 2, 0, 0, interlaced ? 1 : 0], 8);
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(Buffer.alloc(1000))),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

describe('pictures are judged by their content', () => {
  const svg = Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="4000" height="4000"><filter id="f"><feTurbulence baseFrequency="0.9" numOctaves="20"/></filter><rect width="4000" height="4000" filter="url(#f)"/></svg>`,
  );

  test.each([
    ['a drawing that is a program, sent as PNG', svg, 'image/png'],
    ['a GIF sent as JPEG', Buffer.from('GIF89a\u0001\u0000\u0001\u0000\u0000\u0000\u0000;', 'latin1'), 'image/jpeg'],
    ['a PDF', Buffer.from('%PDF-1.4\n%%EOF'), 'image/png'],
    ['half a picture', hugePng(400, 400), 'image/png'],
    ['nothing', Buffer.alloc(3), 'image/png'],
  ])('%s is refused at once', async (_, bytes, type) => {
    const before = performance.now();
    const { status, body } = await send(bytes, type);
    expect(status).toBe(422);
    expect((body as { error: { message: string } }).error.message).toMatch(/Nothing was kept/);
    expect(performance.now() - before).toBeLessThan(3000);
  });

  test('sharp reads nothing but what a camera makes', async () => {
    await expect(sharp(svg).metadata()).rejects.toThrow(/unsupported/i);
  });

  test.each([
    ['of too many points', hugePng(20_000, 20_000)],
    ['that must be held whole in memory', hugePng(8000, 8000, { interlaced: true })],
    ['of sixteen bits, held whole', hugePng(6000, 6000, { interlaced: true, deep: true })],
  ])('a small file of a picture %s is refused before it is read', async (_, bytes) => {
    expect(bytes.length).toBeLessThan(2000);
    expect((await send(bytes)).status).toBe(413);
  });

  test('a PNG that calls itself JPEG is a picture all the same', async () => {
    const png = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#888' } })
      .png()
      .toBuffer();
    expect((await send(png, 'image/jpeg')).status).toBe(200);
  });
});

describe('much at once', () => {
  const get = (path: string) => request(app).get(path).set('Cookie', salon.cookie);

  test('80 labels to draw: drawn, or told when to try again; health answers meanwhile', async () => {
    const bottleId = await bottleOf(salon);
    const mixed = await makeMix(salon, mixBody(salon.productId, bottleId));
    const drawing = Promise.all(Array.from({ length: 80 }, () => get(`/api/mixes/labels.pdf?ids=${mixed.body.id}`)));
    const before = performance.now();
    expect((await request(app).get('/api/health')).status).toBe(200);
    expect(performance.now() - before).toBeLessThan(2000);
    const answers = await drawing;
    const statuses = new Set(answers.map(({ status }) => status));
    for (const status of statuses) expect([200, 503]).toContain(status);
    expect(answers.filter(({ status }) => status === 200).length).toBeGreaterThanOrEqual(40);
    for (const { status, headers } of answers) if (status === 503) expect(headers['retry-after']).toBe('2');
  });

  test.each(['/api/today', '/api/prefetch'])('200 × %s: no fault of ours', async (path) => {
    const answers = await Promise.all(Array.from({ length: 200 }, () => get(path)));
    expect(answers.filter(({ status }) => status !== 200)).toEqual([]);
  });

  test('who waits for a connection behind slow work is served, and not told that the database is away', async () => {
    const pool = openPool(config, 'app', 1);
    const slow = pool.query('select pg_sleep(6)');
    const waiting = pool.query<{ one: number }>('select 1 as one');
    expect((await waiting).rows).toEqual([{ one: 1 }]);
    await slow;
    await pool.end();
    // One that is not there is told at once.
    const nowhere = openPool({ ...config, DATABASE_PORT: await freePort() }, 'app', 1);
    const asked = performance.now();
    await expect(nowhere.query('select 1')).rejects.toThrow();
    expect(performance.now() - asked).toBeLessThan(5500);
    await nowhere.end();
  });

  test('a fraction crosses to another thread and comes back as itself, and so do bytes', () => {
    const value = { a: [new Fraction('97/3'), null, 'x'], b: { c: Buffer.from('ab'), at: new Date(0) } };
    expect(passed(structuredClone(toPass(value)), asBuffer)).toEqual(value);
  });
});

describe('the log of a day', () => {
  test('says who and where from by number, and holds no name, address or word of anybody', async () => {
    const from = logLines.length;
    const { clientId } = await addDog(salon);
    const names = ['Thistlewood', '01632 960199', 'thistlewood@thornmere.example', 'Side gate sticks'];
    const [name, number, email, note] = names;
    await salon.call('POST /api/clients', {
      body: { id: v7(), name, card: { phones: [{ number, whose: '' }], emails: [email], note } },
    });
    await request(app).get(`/api/dogs?find=${name}`).set('Cookie', salon.cookie);
    await request(app).get('/API/Calendars/abcdefghijkl.ics');
    await signIn(email ?? '', 'wrong-password');
    await salon.call('GET /api/clients/:id', { id: v7() });
    await salon.call('GET /api/clients/:id', { id: clientId });
    // A query that fails bears what was asked.
    await inTenant(databases, salon.businessId, async (tx) => {
      await tx
        .execute(sql`select ${name}::text::int`)
        .catch((error: unknown) => log.error({ trace: traceOf(error) }, 'unexpected'));
    }).catch(() => undefined);
    const lines = logLines.slice(from);
    const records = lines.map((line) => JSON.parse(line) as Record<string, unknown>);
    for (const each of [...names, 'abcdefghijkl', 'select ', 'Ines'])
      expect([each, lines.filter((line) => line.includes(each))]).toEqual([each, []]);
    const tried = records.find(({ account }) => account === accountNumber(email ?? ''));
    expect(tried).toMatchObject({ address: expect.stringMatching(/\d/) as string, res: { statusCode: 401 } });
    const seen = records.find(({ req }) => (req as { url?: string }).url === `/api/clients/${clientId}`);
    expect(seen).toMatchObject({
      business: salon.businessId,
      account: expect.stringMatching(/^[0-9a-f-]{36}$/) as string,
    });
    expect(
      records.some(({ trace }) => (trace as { cause?: { code?: string } } | undefined)?.cause?.code === '22P02'),
    ).toBe(true);
  });
});

describe('what every answer says', () => {
  test('private things are kept nowhere, nothing of a device is used but its camera, and who leaves leaves nothing', async () => {
    const seen = await request(app).get('/api/business').set('Cookie', salon.cookie);
    expect(seen.headers).toMatchObject({
      'cache-control': 'private, no-store',
      'permissions-policy': expect.stringContaining('camera=(self)') as string,
    });
    const other = await openSalon();
    const left = await request(app)
      .post('/api/auth/sign-out')
      .set('Cookie', other.cookie)
      .set('Origin', config.PUBLIC_URL)
      .send({});
    expect([left.status, left.headers['clear-site-data']]).toEqual([200, '"cache"']);
    expect((await other.call('GET /api/business')).status).toBe(401);
  });
});

describe('the database goes away', () => {
  const cut = async () => {
    const owner = new pg.Client({ connectionString: connectionString(config, 'owner') });
    await owner.connect();
    await owner.query(
      `select pg_terminate_backend(pid) from pg_stat_activity where usename in ('dewpond_app', 'dewpond_auth') and datname = current_database()`,
    );
    await owner.end();
  };

  test('a connection that breaks inside a transaction ends no process; the next call is served', async () => {
    await expect(
      inTenant(databases, salon.businessId, async (tx) => {
        await cut();
        await tx.execute(sql`select 1`);
      }),
    ).rejects.toThrow();
    // As soon as the process has heard that its other connections are gone, too.
    const [app, door] = databases.pools;
    await expect.poll(() => [app?.idleCount, door?.idleCount]).toEqual([0, 0]);
    expect((await salon.call('GET /api/business')).status).toBe(200);
  });

  test.each(['app', 'auth'])(
    'no connection to be had as %s: 503 and when to try again, for pages and for signing in',
    async (role) => {
      const owner = new pg.Client({ connectionString: connectionString(config, 'owner') });
      await owner.connect();
      try {
        // Of this database alone: another is used by other tests at the same time.
        await owner.query(`alter database ${config.DATABASE_NAME} connection limit 0`);
        await owner.query(
          `select pg_terminate_backend(pid) from pg_stat_activity where usename = 'dewpond_${role}' and datname = current_database()`,
        );
        const page = await request(app).get('/api/business').set('Cookie', salon.cookie);
        expect([page.status, page.headers['retry-after']]).toEqual([503, '2']);
        if (role === 'auth') {
          const door = await request(app)
            .post('/api/auth/sign-in/email')
            .set('Origin', config.PUBLIC_URL)
            .send({ email: 'ines@example.test', password: 'a-long-password' });
          expect([door.status, door.headers['retry-after']]).toEqual([503, '2']);
        }
      } finally {
        await owner.query(`alter database ${config.DATABASE_NAME} connection limit -1`);
        await owner.end();
      }
      expect((await salon.call('GET /api/business')).status).toBe(200);
    },
  );

  test('calls that are cut off answer 503 and when to try again, and all is well a second later', async () => {
    const answers: request.Response[] = [];
    const asking = Promise.all(
      Array.from({ length: 20 }, async () => {
        const answer = await request(app).get('/api/dogs').set('Cookie', salon.cookie);
        answers.push(answer);
      }),
    );
    for (let i = 0; i < 5; i++) await cut();
    await asking;
    for (const { status, headers } of answers) {
      expect([200, 503]).toContain(status);
      if (status === 503) expect(headers['retry-after']).toBe('2');
    }
    await new Promise((done) => setTimeout(done, 1000));
    expect((await salon.call('GET /api/dogs')).status).toBe(200);
  });
});
