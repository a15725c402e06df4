import { makePlan } from '@dewpond/core/careplan';
import { plainDog } from '@dewpond/core/dog';
import { inOrder, type Happening } from '@dewpond/core/events';
import { ALL_SIGNS, finding } from '@dewpond/core/findings';
import type { Place } from '@dewpond/core/places';
import { day } from '@dewpond/core/units';
import { readVisit, type BeforeVisit } from '@dewpond/core/visit';
import { longVisit } from './longVisit';
import { differences, encode, readVisitLoop } from './reference/readVisitLoop';
import { againstReference, report } from './report';

/** What a tap at the table waits for, after 150 events of three devices, against a hand-tuned loop over typed arrays. */
const facts = plainDog(['lagotto'], { today: day('2026-11-25'), pluckingConsent: true });
const before: BeforeVisit = {
  kind: 'full visit',
  facts,
  plan: makePlan(facts),
  contactMinutes: 10,
  lastFindings: [],
};
// As a device keeps them: in order.
const events = longVisit(150).toSorted(inOrder);
const encoded = encode(events, before, ALL_SIGNS);
const wrong = differences(readVisitLoop(encoded.columns, encoded.tables), encoded, readVisit(before, events), events);
if (wrong.length > 0) throw new Error(`The reference reads another visit: ${wrong.join('; ')}`);
const reference = () => readVisitLoop(encoded.columns, encoded.tables);

/** The same visit with another last event. */
const endingWith = (what: Happening) =>
  events.map((event, i) => (i === events.length - 1 ? { ...event, what } : event));
const taps = (some: Happening, other: Happening) => {
  const [one, two] = [endingWith(some), endingWith(other)];
  let turn = 0;
  return () => readVisit(before, turn++ % 2 === 0 ? one : two);
};
const right: Place = { site: 'ear', side: 'right' };
const wax = (grade: 1 | 2): Happening => ({ type: 'found', finding: finding(right, 'ear pale wax', grade) });
const smell = (grade: 1 | 2): Happening => ({ type: 'found', finding: finding(right, 'ear musty smell', grade) });
const done: Happening = { type: 'step done', step: 'nails' };
const noted: Happening = { type: 'noted', text: 'calm' };

report('reading', [
  againstReference('a tap that finds nothing, 150 events', 'µs', taps(done, noted), reference),
  againstReference('a tap that finds something', 'µs', taps(wax(1), wax(2)), reference),
  againstReference('a tap that bars something', 'µs', taps(wax(1), smell(2)), reference),
  againstReference('opened anew: nothing read before', 'µs', () => readVisit({ ...before }, events), reference),
]);
