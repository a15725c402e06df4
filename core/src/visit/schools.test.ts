import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { PRODUCT_PARTS, visitNeeds } from '../needs';
import { type DogFacts } from '../dog';
import { aDog, anyDog } from '../careplan/tests/randomDogs';
import { PRODUCT_KINDS } from '../dilution';
import { productOf } from '../dilution/tests/shelf';
import { finding } from '../findings';
import { placeOf } from '../places';
import { ALL_HOUSE_QUESTIONS, DEFAULT_HOUSE_WAYS, HOUSE_QUESTIONS, type HouseQuestion, type HouseWays } from '../ways';
import { movedBefore, moveRefused } from '.';
import { timeline, titleWords, totalMinutes, type Step } from '../steps';
import { stepsFor } from './tests/randomVisits';

const SHELF = PRODUCT_KINDS.map((kind) => productOf(kind));
const inBusiness = (dog: DogFacts, more: Partial<HouseWays>): DogFacts => ({
  ...dog,
  ways: { ...DEFAULT_HOUSE_WAYS, earHair: 'routine', ...more },
});
const lagotto = (more: Partial<HouseWays> = {}) => inBusiness(aDog({}, 'lagotto'), more);
const bulldog = (more: Partial<HouseWays> = {}) => inBusiness(aDog({}, 'english-bulldog'), more);
const amounts = (dog: DogFacts): Record<string, number> =>
  Object.fromEntries(
    visitNeeds(PRODUCT_PARTS, dog, makePlan(dog), SHELF, 1).needs.map(({ product: its, ml }) => [
      its.kind,
      Math.round(ml * 10) / 10,
    ]),
  );
const ids = (dog: DogFacts, ...findings: Parameters<typeof finding>[]): string[] =>
  stepsFor(dog, { findings: findings.map((each) => finding(...each)) })
    .filter(({ barred }) => barred === null)
    .map(({ id }) => id);
const at = (dog: DogFacts, id: string): Step | undefined => stepsFor(dog).find((step) => step.id === id);
const minutes = (dog: DogFacts): number => totalMinutes(timeline(stepsFor(dog)));
/** All of a visit, and of the weeks between, that a school could change, as text. */
const whole = (dog: DogFacts): string =>
  JSON.stringify([
    stepsFor(dog).map(({ id, title, how, pieces, minutes: its, dwell }) => [
      id,
      titleWords(title),
      how.map(({ words }) => words),
      pieces.map((piece) => piece.id),
      its,
      dwell?.seconds,
    ]),
    amounts(dog),
    makePlan(dog).lines.map(({ task, home }) => [task, home?.everyDays, home?.how]),
  ]);

/** Which way a ratio is read, which end of a range is taken, how long a dog stands, and how product gets into a bottle concern mixing, not dogs. */
const NOT_OF_THE_VISIT: readonly HouseQuestion[] = [
  'readsOneTo',
  'pumpWaste',
  'ratioRange',
  'standingMinutes',
  'dryerMinutes',
];

test('every school of every question changes the visit of some dog, or the weeks between: steps, words, amounts, minutes, home care', () => {
  const medicated = aDog({ skin: 'under treatment' }, 'lagotto');
  for (const question of ALL_HOUSE_QUESTIONS) {
    if (NOT_OF_THE_VISIT.includes(question)) continue;
    const seen = HOUSE_QUESTIONS[question].schools.map(({ id }) =>
      [lagotto(), bulldog(), inBusiness(medicated, {})]
        .map((dog) => {
          const its = { ...dog, ways: { ...dog.ways, [question]: id } };
          return whole(its) + JSON.stringify(stepsFor(its, { contactMinutes: 10 }).map((step) => step.id));
        })
        .join('\n'),
    );
    expect([question, new Set(seen).size]).toEqual([question, seen.length]);
  }
});

describe('schools that did nothing', () => {
  test('ears before and after: a second filling, its product and its minutes, only where no sign was seen', () => {
    const [once, twice] = [lagotto({ earsWhen: 'before' }), lagotto({ earsWhen: 'both' })];
    expect(at(twice, 'ears, second pass left')?.title).toMatchObject({ id: 'ear again' });
    expect(at(once, 'ears, second pass left')?.title).toMatchObject({ id: 'ear wipe' });
    expect(minutes(twice)).toBeGreaterThan(minutes(once));
    expect(amounts(twice)['ear cleaner']).toBeGreaterThan(amounts(once)['ear cleaner'] ?? 0);
    const redder = stepsFor(twice, { findings: [finding(placeOf('ear/left'), 'ear yellow wax', 1)] });
    const second = (side: string) => redder.find(({ id }) => id === `ears, second pass ${side}`);
    expect(
      second('left')
        ?.pieces.map(({ id }) => id)
        .join(),
    ).not.toMatch(/cleaner again/);
    expect(second('right')?.title).toMatchObject({ id: 'ear again' });
  });

  test('crust in the tub: no step on the table; crust that is fixed to the lid is softened there all the same', () => {
    const dog = lagotto({ eyeCrust: 'in the tub' });
    expect(ids(dog).filter((id) => id.startsWith('eyes'))).toEqual([]);
    expect(at(dog, 'face')?.pieces.map(({ id }) => id)).toEqual(
      expect.arrayContaining(['eye crust eye/left', 'eye crust eye/right']),
    );
    expect(ids(dog, [placeOf('eye/left'), 'eye crust', 2, false])).toContain('eyes, on the table left');
    expect(minutes(dog)).toBeLessThan(minutes(lagotto()));
    expect(amounts(dog)['eye and face cleaner'] ?? 0).toBeLessThan(amounts(lagotto())['eye and face cleaner'] ?? 0);
  });

  test('pads only for the face: another step, fewer minutes, no face product', () => {
    const dog = lagotto({ faceProduct: 'pads only' });
    expect(at(dog, 'face')?.title).toMatchObject({ id: 'face pads' });
    expect(minutes(dog)).toBeLessThan(minutes(lagotto()));
    expect(amounts(lagotto()).face).toBeGreaterThan(0);
    expect(amounts(dog).face ?? 0).toBe(0);
  });

  test('neck down only: no plugs, no face, less of the wash', () => {
    const dog = lagotto({ head: 'neck down only' });
    expect(ids(dog)).not.toContain('plugs');
    expect(ids(dog)).not.toContain('plugs out');
    expect(ids(dog)).not.toContain('face');
    expect(amounts(dog).cleansing).toBeLessThan(amounts(lagotto()).cleansing ?? 0);
    expect(minutes(dog)).toBeLessThan(minutes(lagotto()));
  });

  test('the head first soaks while the body is washed, and is rinsed first', () => {
    const order = (dog: DogFacts) => at(dog, 'wash 1')?.pieces.map(({ id }) => id);
    expect(order(lagotto({ head: 'first' }))).toEqual(['wash head 1', 'wash body 1']);
    expect(order(lagotto({ head: 'last' }))).toEqual(['wash body 1', 'wash head 1']);
    expect(at(lagotto({ head: 'first' }), 'last rinse')?.how[0]?.words).toBe('The head first.');
  });

  test('one mild wash for head and body: no face product, a little more of the wash', () => {
    const dog = lagotto({ faceProduct: 'mild wash for all' });
    expect(amounts(dog).face ?? 0).toBe(0);
    expect(amounts(dog).cleansing).toBeGreaterThan(amounts(lagotto()).cleansing ?? 0);
  });

  test('brush-out after the bath; with a mat before it, always: water tightens it', () => {
    const dog = lagotto({ brushOut: 'after the bath' });
    const order = ids(dog);
    expect(order.indexOf('brush-out')).toBeGreaterThan(order.indexOf('dry'));
    const matted = ids(dog, [placeOf('side/left'), 'mat', 1, false]);
    expect(matted.indexOf('brush-out')).toBeLessThan(matted.indexOf('wet'));
  });
});

describe('no order that is safe is refused', () => {
  const move = (dog: DogFacts, step: string, before: string, ...findings: Parameters<typeof finding>[]) =>
    moveRefused(stepsFor(dog, { findings: findings.map((each) => finding(...each)) }), step, before);
  test('the face before the first wash, the nails after the bath, the teeth before the bath', () => {
    expect(move(lagotto(), 'face', 'wash 1')).toBeNull();
    expect(move(lagotto(), 'nails', 'record')).toBeNull();
    expect(move(lagotto({ teeth: 'brush' }), 'teeth', 'wet')).toBeNull();
  });
  test('the brush-out after the bath, unless there is a mat: then the hazard is said', () => {
    expect(move(lagotto(), 'brush-out', 'record')).toBeNull();
    expect(move(lagotto(), 'brush-out', 'record', [placeOf('side/left'), 'mat', 1, false])).toBe(
      'Water tightens a mat.',
    );
  });
  test.each([
    ['rinse 1', 'wet', /Product|water/],
    ['wash 1', 'plugs', /Water runs into the ear/],
    ['dry', 'wash 1', /wet again/],
  ] as const)('%s before %s is refused for what would go wrong', (step, before, hazard) => {
    expect(move(lagotto(), step, before)).toMatch(hazard);
  });
  test('soap before the lid was softened is refused, in a business without plugs as well', () => {
    expect(move(lagotto({ earPlugs: 'hand shield' }), 'face', 'eyes, on the table left')).toMatch(
      /Soap and a water jet/,
    );
  });
  test('a refusal is a hazard of an order; an order that is refused is not made', () => {
    fc.assert(
      fc.property(anyDog, fc.nat(40), fc.nat(40), (dog, a, b) => {
        const steps = stepsFor(dog);
        const [one, other] = [steps[a % steps.length], steps[b % steps.length]];
        if (!one || !other || one === other) return;
        const refused = moveRefused(steps, one.id, other.id);
        expect(movedBefore(steps, one.id, other.id) === null).toBe(refused !== null);
      }),
      { numRuns: 200 },
    );
  });
});
