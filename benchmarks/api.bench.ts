import { quantile, report, round } from './report';
import { base, signedIn } from './signedIn';

/** The calls behind Today and Dog, one after the other, against the application that the bench command started. */
const CALLS = 60;

const cookie = await signedIn();
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
