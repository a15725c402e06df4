import { quantile, report, round } from './report';

/** The calls behind Today and Dog, one after the other, against the application that the bench command started. */
const base = process.env['BASE_URL'];
if (!base) throw new Error('Run it with `npm run bench`.');
const CALLS = 60;

const signIn = await fetch(`${base}/api/auth/sign-in/email`, {
  method: 'POST',
  headers: { 'content-type': 'application/json', origin: base },
  body: JSON.stringify({ email: 'ines@withyquay.example', password: 'reeds-and-chalk' }),
});
const cookie = signIn.headers
  .getSetCookie()
  .map((each) => each.split(';')[0])
  .join('; ');
const get = (path: string) => fetch(`${base}${path}`, { headers: { cookie } });
const { items } = (await (await get('/api/dogs')).json()) as { items: { id: string; name: string }[] };
const dog = items.find((each) => each.name === 'Teasel')?.id ?? '';

const rows = [];
for (const path of ['/api/session', '/api/today', '/api/dogs', `/api/dogs/${dog}`, `/api/dogs/${dog}/mix`]) {
  const times: number[] = [];
  let bytes = 0;
  for (let i = 0; i < CALLS + 5; i++) {
    const start = performance.now();
    bytes = (await (await get(path)).arrayBuffer()).byteLength;
    if (i >= 5) times.push(performance.now() - start);
  }
  rows.push({
    call: path.replace(dog, ':id'),
    'p50 ms': round(quantile(times, 0.5), 1),
    'p95 ms': round(quantile(times, 0.95), 1),
    'answer kB': round(bytes / 1024, 1),
  });
}
report('api', rows);
