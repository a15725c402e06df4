import { finding } from '@dewpond/core/findings';
import { seenBy, type Happening, type VisitEvent } from '@dewpond/core/events';
import { SIDES, type Place } from '@dewpond/core/places';
import { v7 } from 'uuid';
import { seeded } from './report';

const random = seeded(31);
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
const START = Date.now() - 4 * 3_600_000;
const DEVICES = ['tablet', 'phone', 'desk'];
const PLACES: readonly Place[] = [
  ...SIDES.flatMap((side): Place[] => [
    { site: 'ear', side },
    { site: 'side', side },
    { site: 'paw front', side },
  ]),
];

function happening(): Happening {
  const place = pick(PLACES);
  const sign = place.site === 'ear' ? 'ear pale wax' : 'tangles';
  return pick<Happening>([
    { type: 'looked clear', place },
    { type: 'found', finding: finding(place, sign, pick([1, 2, 3] as const)) },
    { type: 'step done', step: pick(['prepare', 'nails', 'brush-out', 'wet', 'dry']) },
    { type: 'step undone', step: pick(['nails', 'brush-out']) },
    { type: 'pad dirty', side: pick(SIDES), colour: pick(['pale', 'brown'] as const) },
    { type: 'checked', step: 'dry', part: pick(['face', 'ears', 'belly']) },
    { type: 'noted', text: 'a word' },
  ]);
}

/** A visit of three devices, begun four hours ago, that hear from each other now and then. */
export function longVisit(length: number): VisitEvent[] {
  const known = new Map<string, VisitEvent[]>(DEVICES.map((device) => [device, []]));
  const all: VisitEvent[] = [];
  for (let i = 0; i < length; i++) {
    const device = pick(DEVICES);
    const mine = known.get(device) ?? [];
    const counter = mine.reduce((top, event) => Math.max(top, event.counter), 0) + 1;
    const seen = seenBy(device, mine);
    const event: VisitEvent = {
      id: v7(),
      v: 2,
      counter,
      device,
      person: 'p',
      at: START + i * 1000,
      offset: 0,
      seen,
      what: i === 0 ? { type: 'opened' } : happening(),
    };
    all.push(event);
    known.set(device, random() < 0.2 ? [...all] : [...mine, event]);
  }
  return all;
}
