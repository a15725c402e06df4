import { learnRhythm, rhythmOf, type Observation, type RhythmQuestion } from '@dewpond/core/rhythm';
import type { Grade } from '@dewpond/core/places';
import { addDays, day, daysBetween } from '@dewpond/core/units';
import { learnOnePlace } from './reference/learnOnePlace';
import { againstReference } from './report';
import { report, seeded } from './report';

/** Learning one place from eight visits, against a hand-tuned loop over typed arrays. */
const PLACES = 400;
const VISITS = 8;
const START = day('2025-01-06');
const random = seeded(16);

const questions = Array.from({ length: PLACES }, (): RhythmQuestion => {
  let on = START;
  const observations = Array.from({ length: VISITS }, (): Observation => {
    const t = 14 + Math.floor(random() * 40);
    return { day: (on = addDays(on, t)), t, padGrade: null, lookGrade: Math.floor(random() * 4) as Grade };
  });
  const plan = { least: 7, usual: 28, most: 56 };
  return { observations, plan, today: addDays(on, 20), homeCareChangedOn: null, schoolChangedOn: null };
});
const arrays = questions.map(({ observations, today }) => ({
  t: Float64Array.from(observations, (seen) => seen.t),
  grade: Uint8Array.from(observations, (seen) => seen.lookGrade),
  daysAgo: Float64Array.from(observations, (seen) => daysBetween(seen.day, today)),
}));

const ours = () => questions.map((each) => learnRhythm(each).interval);
const reference = () => arrays.map(({ t, grade, daysAgo }) => learnOnePlace(t, grade, daysAgo, 7, 28, 56));
const other = ours().filter((days, i) => days !== reference()[i]).length;
if (other > 0) throw new Error(`${other} of ${PLACES} places have another interval in the reference.`);

report('learning', [
  againstReference('learning one place, 8 visits', 'µs', ours, reference, PLACES),
  againstReference(
    'the same places again, nothing changed',
    'µs',
    () => questions.map((each) => rhythmOf(each)),
    reference,
    PLACES,
  ),
]);
