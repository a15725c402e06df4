import { v7 } from 'uuid';
import { quantile, report, round } from './report';
import { base, signedIn } from './signedIn';

/** What an owner is told: sheets and their PDFs for 100 visits, and the calendars of a business with 600 dogs. */
const VISITS = 100;
const DOGS = 600;

const cookie = await signedIn();

async function ask(path: string, method = 'GET', body?: object): Promise<Response> {
  const response = await fetch(`${base}${path}`, {
    method,
    headers: { cookie, ...(body ? { 'content-type': 'application/json' } : {}) },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
  if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${await response.text()}`);
  return response;
}
const json = async <T>(path: string) => (await (await ask(path)).json()) as T;

async function timed(what: () => Promise<Response>): Promise<{ ms: number; bytes: number }> {
  const start = performance.now();
  const bytes = (await (await what()).arrayBuffer()).byteLength;
  return { ms: performance.now() - start, bytes };
}
const line = (what: string, times: readonly { ms: number; bytes: number }[]) => ({
  what,
  times: times.length,
  'p50 ms': round(
    quantile(
      times.map(({ ms }) => ms),
      0.5,
    ),
    1,
  ),
  'p95 ms': round(
    quantile(
      times.map(({ ms }) => ms),
      0.95,
    ),
    1,
  ),
  'all s': round(times.reduce((sum, { ms }) => sum + ms, 0) / 1000, 1),
  'kB each': round(times.reduce((sum, { bytes }) => sum + bytes, 0) / times.length / 1024, 1),
});

const { items: dogs } = await json<{ items: { id: string }[] }>('/api/dogs');
const visits: string[] = [];
for (const { id } of dogs) {
  const { items } = await json<{ items: { kind: string; visitId: string | null }[] }>(`/api/dogs/${id}/history`);
  visits.push(...items.flatMap(({ kind, visitId }) => (kind === 'visit' && visitId !== null ? [visitId] : [])));
}

// There are fewer visits than a hundred in the demo world: an edit makes a sheet a new one.
const sheets = [];
const drawn = [];
const kept = [];
for (let i = 0; i < VISITS; i++) {
  const id = visits[i % visits.length] ?? '';
  const { version, edits } = await json<{ version: number; edits: { added: object[] } }>(`/api/visits/${id}/sheet`);
  await ask(`/api/visits/${id}/sheet`, 'PUT', {
    version,
    edits: { ...edits, added: [{ id: v7(), section: 'suggest', words: `Bench line ${i}.` }] },
  });
  sheets.push(await timed(() => ask(`/api/visits/${id}/sheet`)));
  drawn.push(await timed(() => ask(`/api/visits/${id}/sheet.pdf`)));
  kept.push(await timed(() => ask(`/api/visits/${id}/sheet.pdf`)));
}

// A business of 600 dogs: each booked once with its groomer in the weeks to come.
const { items: members } = await json<{ items: { id: string; personId: string }[] }>('/api/members');
const { person } = await json<{ person: { id: string } }>('/api/session');
const me = members.find((member) => member.personId === person.id)?.id ?? '';
const made = [];
const SLOT_MS = 30 * 60_000;
const first = Math.ceil(Date.now() / SLOT_MS) * SLOT_MS + 30 * 86_400_000;
for (let i = 0; i < DOGS; i++) {
  const [clientId, dogId] = [v7(), v7()];
  await ask('/api/clients', 'POST', {
    id: clientId,
    name: `Owner ${i}`,
    card: { phones: [{ number: '01632 960177' }] },
  });
  await ask('/api/dogs', 'POST', {
    id: dogId,
    clientId,
    profile: { name: `Dog ${i}`, weightKg: 9, breeds: ['beagle'] },
  });
  await ask('/api/appointments', 'POST', {
    id: v7(),
    dogId,
    memberId: me,
    kind: 'ears and nails',
    startsAt: new Date(first + i * SLOT_MS).toISOString(),
    minutes: 30,
  });
  made.push(dogId);
}
const { url } = (await (await ask('/api/me/calendar', 'PUT', { open: true })).json()) as { url: string };
const groomers = [];
for (let i = 0; i < 25; i++) groomers.push(await timed(() => ask(new URL(url).pathname)));
const owners = [];
for (const dogId of made) owners.push(await timed(() => ask(`/api/dogs/${dogId}/home.ics`)));

report('telling', [
  line('sheet, made', sheets),
  line('sheet as a PDF, drawn', drawn),
  line('sheet as a PDF, kept', kept),
  line('groomer’s calendar, 600 bookings', groomers),
  line('home-care calendar, each of 600 dogs', owners),
]);
