import fc from 'fast-check';
import { makePlan, type DogFacts } from '../../careplan';
import { ALL_SIGNS, PAD_COLOURS, SIGNS, finding, mirrorFinding, type Finding, type Triage } from '../../findings';
import { SIDES, mirror, otherSide, type Place, type PlaceKey } from '../../places';
import { HANDOVER_QUESTIONS, stepList, type HandoverQuestion, type Happening, type Step, type VisitEvent } from '..';

/** Steps of a dog whose look-over came out like this. */
export const stepsFor = (facts: DogFacts, judged: Partial<Record<PlaceKey, Triage>> = {}, contactMinutes = 0): Step[] =>
  stepList({ kind: 'full visit', facts, plan: makePlan(facts), contactMinutes, judged });

let serial = 0;
/** Events of one device in a row, one counter each. */
export const logged = (happenings: readonly Happening[], device = 'tablet', from = 1): VisitEvent[] =>
  happenings.map((what, i) => ({
    id: `${device}-${from + i}-${String((serial += 1)).padStart(6, '0')}`,
    v: 1,
    counter: from + i,
    device,
    person: 'p',
    at: 1_000_000 + (from + i) * 1000,
    offset: 0,
    what,
  }));

const side = fc.constantFrom(...SIDES);
const grade = fc.constantFrom<1 | 2 | 3>(1, 2, 3);

/** A random finding at an ear, an eye, a nose fold or a lip fold. */
export const anyFinding: fc.Arbitrary<Finding> = fc
  .tuple(
    fc.constantFrom(...ALL_SIGNS.filter((sign) => SIGNS[sign].area !== 'body')),
    grade,
    fc.constantFrom(null, true, false),
    side,
    fc.boolean(),
  )
  .map(([sign, g, answer, s, nose]) => {
    const { area } = SIGNS[sign];
    const place: Place =
      area === 'fold'
        ? nose
          ? { site: 'fold nose', side: 'none' }
          : { site: 'fold lip', side: s }
        : { site: area, side: s };
    return finding(place, sign, g, answer);
  });

/** Any single happening. */
export const anyHappening: fc.Arbitrary<Happening> = fc.oneof(
  fc.constantFrom('wet', 'wash 1', 'dry', 'nails').map((step): Happening => ({ type: 'step done', step })),
  fc.constantFrom('wet', 'nails').map((step): Happening => ({ type: 'step undone', step })),
  fc.constantFrom('nails', 'brush-out').map((step): Happening => ({ type: 'step skipped', step, because: 'tired' })),
  anyFinding.map((found): Happening => ({ type: 'found', finding: found })),
  anyFinding.map((found): Happening => ({ type: 'taken back', place: found.place, sign: found.sign })),
  anyFinding.map((found): Happening => ({ type: 'looked clear', place: found.place })),
  side.map((s): Happening => ({ type: 'plug in', side: s })),
  fc
    .tuple(side, fc.constantFrom('dry', 'damp'))
    .map(([s, came]): Happening => ({ type: 'plug out', side: s, came: came as 'dry' })),
  fc
    .tuple(side, fc.constantFrom(...PAD_COLOURS))
    .map(([s, colour]): Happening => ({ type: 'pad dirty', side: s, colour })),
  side.map((s): Happening => ({ type: 'pad clean', side: s })),
  side.map((s): Happening => ({
    type: 'timer started',
    timer: `massage ${s}`,
    step: `ears, first pass ${s}`,
    seconds: 30,
  })),
  side.map((s): Happening => ({ type: 'timer stopped', timer: `massage ${s}` })),
  fc
    .tuple(fc.constantFrom(...HANDOVER_QUESTIONS), fc.boolean())
    .map(([question, answer]): Happening => ({ type: 'answered', question, answer })),
  fc.constantFrom('finished', 'ended early').map((how): Happening => ({ type: 'closed', how: how as 'finished' })),
);

/** Logs of up to three devices with clashing counters. */
export const anyLog: fc.Arbitrary<VisitEvent[]> = fc
  .array(fc.tuple(fc.constantFrom('tablet', 'phone', 'desk'), fc.integer({ min: 1, max: 12 }), anyHappening), {
    maxLength: 25,
  })
  .map((list) =>
    list.map(([device, counter, what], i) => ({
      id: `e${String(i).padStart(3, '0')}`,
      v: 1,
      counter,
      device,
      person: 'p',
      at: i,
      offset: 0,
      what,
    })),
  );

/** The same happening on the other half of the dog. */
export function mirrorHappening(what: Happening): Happening {
  const swapName = (name: string) => name.replace(/left|right/, (each) => otherSide(each as 'left'));
  switch (what.type) {
    case 'found':
      return { ...what, finding: mirrorFinding(what.finding) };
    case 'looked clear':
    case 'taken back':
      return { ...what, place: mirror(what.place) };
    case 'plug in':
    case 'plug out':
    case 'plug not found':
    case 'pad dirty':
    case 'pad clean':
      return { ...what, side: otherSide(what.side) };
    case 'timer started':
      return { ...what, timer: swapName(what.timer), step: swapName(what.step) };
    case 'timer stopped':
      return { ...what, timer: swapName(what.timer) };
    case 'answered':
      return { ...what, question: swapName(what.question) as HandoverQuestion };
    case 'step done':
    case 'step skipped':
    case 'step undone':
      return { ...what, step: swapName(what.step) };
    default:
      return what;
  }
}
