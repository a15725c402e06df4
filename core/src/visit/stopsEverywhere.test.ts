import fc from 'fast-check';
import { describe, test } from 'vitest';
import { barsOf, dogAtWork, makePlan } from '../careplan';
import { PRODUCT_PARTS, visitNeeds } from '../needs';
import { type DogFacts } from '../dog';
import { anyDog } from '../careplan/tests/randomDogs';
import { PRODUCT_KINDS, type Product } from '../dilution';
import { productOf } from '../dilution/tests/shelf';
import { ALL_SIGNS, CONDITIONS, PROCEDURES, signWords, type Condition, type Finding } from '../findings';
import { SIDES, placeKey, placeOf, type PlaceKey } from '../places';
import { mayDo, stopAt, type Bar, type VetLift } from '../stops';
import { day } from '../units';
import { conditioner, earCleaning, eyeOnTheTable, fold, wash, washFace } from '../work';
import { HANDOVER_QUESTIONS, type Happening } from '../events';
import { readVisit } from '.';
import { type Step } from '../steps';
import { touchesByHand } from './tests/byHand';
import { anyFinding, logged } from './tests/randomVisits';

const SHELF: Product[] = [
  ...PRODUCT_KINDS.map((kind) => productOf(kind, { id: `p ${kind}` })),
  productOf('medicated', { id: 'p', suppliedBy: 'vet' }),
];

const anyLift: fc.Arbitrary<VetLift> = fc.record({
  id: fc.constant('l'),
  who: fc.constantFrom('Dr Oyelaran', 'Dr Marchetti'),
  place: fc.constantFrom<PlaceKey>('ear/left', 'ear/right', 'eye/left', 'side/left', 'fold nose/none').map(placeOf),
  lifts: fc.constantFrom<VetLift['lifts']>(
    ...ALL_SIGNS.filter((sign) => ['ear', 'eye', 'fold', 'skin'].includes(signWords(sign).areas[0] ?? '')),
    ...(Object.keys(CONDITIONS) as Condition[]),
  ),
  upToGrade: fc.constantFrom(1, 2, 3),
  procedure: fc.constantFrom(...PROCEDURES.filter((each) => each !== 'look')),
  from: fc.constant(day('2026-01-01')),
  until: fc.constantFrom(day('2026-12-31'), day('2026-01-02')),
});
const anyAnswer = fc
  .tuple(fc.constantFrom(...HANDOVER_QUESTIONS), fc.boolean())
  .map(([question, answer]): Happening => ({ type: 'answered', question, answer }));

/** Everything that may never be true of a visit, in words. */
function leaks(
  facts: DogFacts,
  findings: readonly Finding[],
  answers: readonly Happening[],
  kind: 'full visit' | 'bath only' | 'ears and nails',
): string[] {
  const found = findings.map((finding): Happening => ({ type: 'found', finding }));
  const visit = readVisit(
    { kind, facts, plan: makePlan(facts), contactMinutes: 10, lastFindings: [] },
    logged([...answers, ...found]),
  );
  return [
    ...visit.steps.flatMap((step) => openLeaks(step, visit.bars, visit.facts)),
    ...visit.steps.flatMap((step) => insteadLeaks(step, visit.bars)),
    ...productLeaks(visit.facts),
  ];
}

/** An open step touches nothing that is barred without naming it: by its own word, and by the table's. */
function openLeaks(step: Step, bars: readonly Bar[], dog: DogFacts): string[] {
  if (step.barred) return step.barred.bars.length > 0 ? [] : [`${step.id}: barred without a bar`];
  const named = new Set(step.leavesOut.flatMap(({ places }) => places.map(placeKey)));
  return step.pieces.flatMap((piece) => {
    const own = piece.touches
      .filter((touch) => {
        const { isOpen, productOff } = stopAt(bars, touch, piece.task);
        return (!isOpen && !step.neverBarred) || (productOff && !step.neverBarred);
      })
      .map(({ place, procedure }) => `${step.id}, ${piece.id}: touches ${placeKey(place)} by ${procedure}`);
    const table = [...(touchesByHand(piece, step.stage, dog) ?? [`? not in the table`])].flatMap((each) => {
      const [, key = '', procedure = ''] = /^(.*) (\w+)$/.exec(each) ?? [];
      const touch = { place: placeOf(key), procedure: procedure as 'look', product: null };
      return stopAt(bars, touch, piece.task).isOpen || named.has(key as PlaceKey)
        ? []
        : [`${step.id}, ${piece.id}: says nothing of ${each}`];
    });
    return [...own, ...table];
  });
}

/** What is said to be done instead, of a whole step or of a place in it, is not barred itself. */
const insteadLeaks = (step: Step, bars: readonly Bar[]): string[] =>
  [
    ...step.leavesOut,
    ...(step.barred?.instead && step.place ? [{ instead: step.barred.instead, places: [step.place] }] : []),
  ].flatMap(({ instead, places }) =>
    places
      .filter((place) => !mayDo(bars, place, instead.does))
      .map((place) => `${step.id}: instead “${instead.words}” at ${placeKey(place)}`),
  );

/** No product is planned for a place or a skin that it is barred from. */
function productLeaks(facts: DogFacts): string[] {
  const bars = barsOf(facts);
  const plan = makePlan(facts);
  const needs = visitNeeds(PRODUCT_PARTS, facts, plan, SHELF, 1).needs;
  const dog = dogAtWork(facts);
  const pieces = [
    ...wash(dog, 1),
    ...wash(dog, 2),
    ...washFace(dog),
    ...conditioner(dog),
    ...SIDES.flatMap((side) => [...earCleaning(dog, side), ...eyeOnTheTable(dog, side)]),
    ...plan.lines.flatMap(({ task, place }) => (task === 'fold care' && place ? fold(dog, place) : [])),
  ];
  const kindOf = ({ kind, id }: Product) =>
    id === 'p' ? 'prescribed' : kind === 'conditioning wash' ? 'cleansing' : kind;
  return needs.flatMap(({ product: its }) => {
    const touches = pieces.flatMap(({ task, touches: all }) =>
      all.filter((touch) => touch.product === kindOf(its)).map((touch) => stopAt(bars, touch, task)),
    );
    const isBarred = touches.length > 0 && touches.every(({ isOpen, productOff }) => !isOpen || productOff);
    return isBarred ? [`${its.kind}: planned, and barred wherever it would go`] : [];
  });
}

describe('a stop holds everywhere', () => {
  test('over random dogs, findings, instructions, lifts and answers', () => {
    fc.assert(
      fc.property(
        anyDog,
        fc.array(anyLift, { maxLength: 3 }),
        fc.array(anyFinding, { maxLength: 4 }),
        fc.array(anyAnswer, { maxLength: 3 }),
        fc.constantFrom('full visit', 'full visit', 'bath only', 'ears and nails'),
        (dog, lifts, findings, answers, kind) => {
          const found = leaks({ ...dog, lifts }, findings, answers, kind);
          if (found.length > 0) throw new Error(found.join('; '));
        },
      ),
      { numRuns: process.env['DEWPOND_DEEP'] ? 50_000 : 400 },
    );
  }, 1_200_000);
});
