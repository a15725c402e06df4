import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { DogFacts } from '../dog';
import type { Finding } from '../findings';
import { anyDog, aDog } from '../careplan/tests/randomDogs';
import { SIDES, placeKey, placeOf } from '../places';
import { schoolWords } from '../ways';
import type { Piece } from '../work';
import { titleWords, type Step } from '../steps';
import { byHand, touchesByHand } from './tests/byHand';
import { ORDER_OF_WORK, WORDS_FOR_PLACES } from './tests/orderOfWork';
import { anyFinding, stepsFor } from './tests/randomVisits';

/** How a piece differs from the table by hand; empty: not at all. */
function differences(piece: Piece, stage: string, dog: DogFacts): string[] {
  const hand = touchesByHand(piece, stage, dog);
  if (!hand) return [`${piece.id}: not in the table`];
  const code = new Set(piece.touches.map(({ place, procedure }) => `${placeKey(place)} ${procedure}`));
  if (code.size === 0) return [`${piece.id}: touches nothing`];
  return [
    ...[...hand].filter((each) => !code.has(each)).map((each) => `${piece.id}: forgets ${each}`),
    ...[...code].filter((each) => !hand.has(each)).map((each) => `${piece.id}: also ${each}`),
  ];
}

/** Names what is left dry. */
const NOT_THE_HEAD = schoolWords({ ...aDog().ways, head: 'neck down only' }, 'head');

/** Every piece of every step that random dogs and houses have while nothing is barred; no bar shortens them. */
const unbarred = (facts: DogFacts): DogFacts => ({
  ...facts,
  instructions: [],
  suspended: {},
  fitness: { ...facts.fitness, stitches: false },
  ears: { left: { ...facts.ears.left, conditions: [] }, right: { ...facts.ears.right, conditions: [] } },
  eyes: { left: [], right: [] },
  pluckingConsent: true,
  services: {
    ...facts.services,
    'ear cleaning': facts.services['ear cleaning'] === 'vet' ? 'done' : facts.services['ear cleaning'],
    teeth: 'done',
  },
});

describe('what each piece of work touches, against the table by hand', () => {
  const met = new Set<string>();
  test('the code’s pieces are those of the table, touch for touch', () => {
    const asked = [anyDog, fc.array(anyFinding, { maxLength: 2 })] as const;
    const check = (random: DogFacts, findings: readonly Finding[]): void => {
      const dog = unbarred(random);
      // What makes pieces of its own and bars none.
      const making = findings.filter(
        ({ sign }) => sign.endsWith('mat') || sign === 'nose dry' || sign === 'ear greasy flap',
      );
      const flapHandedOn = SIDES.filter((side) =>
        making.some(({ sign, place }) => sign === 'ear greasy flap' && place.side === side),
      );
      for (const step of stepsFor(dog, { findings: making, flapHandedOn }))
        for (const piece of step.pieces) {
          // A mat keeps water and combs off its place; what is left of a piece is looked at below.
          if (step.leavesOut.length > 0) continue;
          expect(differences(piece, step.stage, dog)).toEqual([]);
          met.add(byHand(piece, step.stage).name);
        }
    };
    fc.assert(fc.property(...asked, check), { numRuns: process.env['DEWPOND_DEEP'] ? 5000 : 80 });
    // A fixed draw meets the rarest piece, too.
    for (const drawn of fc.sample(fc.tuple(...asked), { seed: 16, numRuns: 1500 })) check(...drawn);
    expect(Object.keys(ORDER_OF_WORK).filter((name) => !met.has(name))).toEqual([]);
  });

  test('one touch taken out of one piece, or one put in, turns it red', () => {
    const bulldog = unbarred(
      aDog({ ways: { ...aDog().ways, earHair: 'routine', teeth: 'brush', conditioner: 'always' } }, 'english-bulldog'),
    );
    for (const dog of [bulldog, unbarred(aDog({ ways: bulldog.ways }, 'lagotto'))])
      for (const step of stepsFor(dog))
        for (const piece of step.pieces) {
          expect(differences(piece, step.stage, dog)).toEqual([]);
          piece.touches.forEach((_, i) => {
            const less = { ...piece, touches: piece.touches.toSpliced(i, 1) };
            expect(differences(less, step.stage, dog)).not.toEqual([]);
          });
          const more = {
            ...piece,
            touches: [...piece.touches, { place: placeOf('body/none'), procedure: 'blow', product: null } as const],
          };
          expect(differences(more, step.stage, dog)).not.toEqual([]);
        }
  });

  test('a step with hands on the dog has pieces; asking, waiting and noting has none', () => {
    const handsOff = ['prepare', 'handover', 'decide', 'contact', 'contact 2', 'plugs out', 'record', 'clean-down'];
    fc.assert(
      fc.property(anyDog, (random) => {
        for (const step of stepsFor(unbarred(random), { contactMinutes: 10 }))
          // A coat that is never brushed has no brush-out: a rule bars the step.
          if (!step.barred)
            expect([step.id, step.pieces.length > 0]).toEqual([step.id, !handsOff.includes(step.stage)]);
      }),
      { numRuns: 300 },
    );
  });

  test('a step’s own words name no place that it does not touch', () => {
    const wrong = (step: Step): string[] => {
      const sites = step.pieces.flatMap(({ touches }) => touches.map(({ place }) => place.site));
      const said = [
        titleWords(step.title),
        ...step.pieces.map(({ name }) => name),
        ...step.how.filter((each) => !('rank' in each)).map(({ words }) => words),
      ].filter((words) => words !== NOT_THE_HEAD);
      return said.flatMap((words) =>
        WORDS_FOR_PLACES.filter(([named, where]) => named.test(words) && !sites.some((site) => where.test(site))).map(
          ([named]) => `${step.id}: “${words}” names ${named.source}`,
        ),
      );
    };
    fc.assert(
      fc.property(anyDog, (random) => {
        for (const step of stepsFor(unbarred(random))) if (step.pieces.length > 0) expect(wrong(step)).toEqual([]);
      }),
      { numRuns: 600 },
    );
    const [nails] = stepsFor(aDog()).filter(({ stage }) => stage === 'nails');
    expect(
      nails && wrong({ ...nails, how: [{ words: 'Ears, too.', source: { kind: 'common practice' } }] }),
    ).not.toEqual([]);
  });
});
