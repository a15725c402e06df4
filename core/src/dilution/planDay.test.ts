import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { millilitres } from '../units';
import {
  clashing,
  hazardLine,
  mayTake,
  planDay,
  strengthOf,
  type OpenMix,
  type Bottle,
  type DogNeed,
  type FreeBottle,
  type Product,
} from '.';

const product = (id: string, water: number | null, more: Partial<Product> = {}): Product => ({
  id,
  name: id,
  kind: 'cleansing',
  label: water === null ? 'Ready to use' : `${water}:1`,
  dilution: water === null ? { kind: 'ready to use' } : { kind: 'dilute', strength: strengthOf(water) },
  contact: null,
  amountFactor: 1,
  suppliedBy: 'house',
  costPerMl: 0.02,
  cautions: [],
  ingredients: [],
  ...more,
});
const OAT = product('oat', 24);
const ANTISEPTIC = product('antiseptic', 9, { kind: 'medicated', suppliedBy: 'vet' });
const FACE = product('face', null, { kind: 'face' });

const need = (dog: string, of: Product, ml: number, at = 0): DogNeed => ({
  visit: `visit ${dog}`,
  dogId: dog,
  dog,
  at,
  product: of,
  stroke: millilitres(5),
  ml: millilitres(ml),
});
const bottle = (id: string, line: number, graduation: number | null): Bottle => ({
  id,
  name: id,
  brim: millilitres(line + 50),
  line: millilitres(line),
  graduation: graduation === null ? null : millilitres(graduation),
});
const BOTTLES: readonly FreeBottle[] = [
  { bottle: bottle('half', 500, 50), count: 3 },
  { bottle: bottle('litre', 1000, 50), count: 2 },
];
const NOW = 1_000_000;
const standing = (more: Partial<OpenMix> = {}): OpenMix => ({
  id: 'm1',
  productId: 'oat',
  strength: strengthOf(24),
  bottleId: 'litre',
  left: millilitres(800),
  forDog: null,
  discardAt: NOW + 1,
  ...more,
});
const day = (needs: readonly DogNeed[], made: readonly OpenMix[] = [], bottles = BOTTLES) =>
  planDay({ needs, openMixes: made, bottles, now: NOW, mostWaste: 0.2 });
const total = (batch: { bottles: readonly { how: { total: number } }[] } | undefined) =>
  batch?.bottles.reduce((sum, { how }) => sum + how.total, 0) ?? 0;

describe('the morning mix', () => {
  test('two dogs, one product: 300 + 400 ml and a tenth more is 770; one litre bottle to 800, 32 ml of product', () => {
    const { batches } = day([need('Teasel', OAT, 300, 2), need('Umber', OAT, 400, 1)]);
    expect(batches).toHaveLength(1);
    const [batch] = batches;
    expect(batch?.wanted).toBeCloseTo(770, 9);
    expect(batch?.bottles.map(({ bottle: { id } }) => id)).toEqual(['litre']);
    expect(total(batch)).toBe(800);
    expect(batch?.bottles[0]?.pours.map(({ dog, ml }) => [dog, ml])).toEqual([
      ['Umber', 400],
      ['Teasel', 300],
    ]);
    // 800/25 = 32 ml: six strokes of 5 ml are 6 % under, within the limit.
    expect(batch?.bottles[0]?.how).toMatchObject({ by: 'strokes', strokes: 6 });
    expect(batch?.draws).toBe(30);
  });

  test('a medicated mix is for one dog, comes first, and is never shared', () => {
    const { batches } = day([need('Teasel', OAT, 300), need('Sorrel', ANTISEPTIC, 200), need('Rook', ANTISEPTIC, 200)]);
    expect(batches.map(({ product: { id }, forDog }) => [id, forDog?.name ?? 'any'])).toEqual([
      ['antiseptic', 'Sorrel'],
      ['antiseptic', 'Rook'],
      ['oat', 'any'],
    ]);
  });

  test('ready to use is not mixed: how much to have at hand, and for whom', () => {
    const { batches, asItIs } = day([need('Teasel', FACE, 30, 2), need('Umber', FACE, 40, 1)]);
    expect(batches).toEqual([]);
    expect(asItIs.map((each) => [each.need, each.dogs.map(({ dog }) => dog)])).toEqual([[70, ['Umber', 'Teasel']]]);
  });

  test('no bottle is used twice, and what has none is told', () => {
    const few = [{ bottle: bottle('half', 500, 50), count: 1 }];
    const { batches } = day([need('Teasel', OAT, 700), need('Sorrel', ANTISEPTIC, 200)], [], few);
    expect(batches[0]?.bottles).toHaveLength(1);
    expect(batches[1]?.bottles).toEqual([]);
    expect(batches[1]?.unbottled).toBeCloseTo(770, 9);
    expect(batches[1]?.unserved.map(({ dog, ml }) => [dog, ml])).toEqual([['Teasel', 700]]);
  });

  test('a bottle a mix stands in is not free, even when that mix is past its time', () => {
    const one = [{ bottle: bottle('litre', 1000, 50), count: 1 }];
    expect(day([need('Teasel', OAT, 300)], [standing({ discardAt: NOW })], one).batches[0]?.bottles).toEqual([]);
  });
});

describe('late changes', () => {
  const dogs = [need('Teasel', OAT, 300, 1), need('Umber', OAT, 400, 2)];

  test('what stands is poured first, and nothing more is mixed when it is enough', () => {
    const [batch] = day(dogs, [standing()]).batches;
    expect(batch?.wanted).toBe(0);
    expect(batch?.bottles).toEqual([]);
    expect(batch?.openMixes).toMatchObject([{ mix: 'm1', pours: [{ dog: 'Teasel' }, { dog: 'Umber' }] }]);
  });

  test('one dog more: only what is missing is mixed, with its reserve', () => {
    const [batch] = day([...dogs, need('Wren', OAT, 200, 3)], [standing()]).batches;
    // 900 and a tenth are 990, 800 are there. At 24:1 one stroke makes 125 ml: of the marks only 250 takes whole strokes, and
    // throws away more than a fifth. So it is measured.
    expect(batch?.wanted).toBeCloseTo(190, 9);
    expect(total(batch)).toBe(200);
    expect(batch?.bottles.map(({ how }) => how.by)).toEqual(['millilitres']);
  });

  test('ticking bottles off changes neither the others nor who gets what', () => {
    const six = [
      need('Umber', OAT, 1688, 1),
      need('Teasel', OAT, 1106, 2),
      need('Barley', OAT, 830, 3),
      need('Plover', OAT, 501, 4),
    ];
    const bottles = [...BOTTLES, { bottle: bottle('jug', 2000, 100), count: 2 }];
    const before = day(six, [], bottles).batches[0];
    const first = before?.bottles[0];
    if (!first || !before) throw new Error('nothing to mix');
    const ticked = standing({ bottleId: first.bottle.id, left: first.how.total });
    const after = day(six, [ticked], bottles).batches[0];
    expect(after?.bottles).toEqual(before.bottles.slice(1));
    expect(after?.openMixes[0]?.pours).toEqual(first.pours);
  });

  test('however the bottles are ticked off, never more are left to fill than before', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 120, max: 1500 }), { minLength: 1, maxLength: 5 }),
        fc.infiniteStream(fc.nat(5)),
        (amounts, picks) => {
          const dogs = amounts.map((ml, i) => need(`dog ${i}`, OAT, ml, i));
          const ownBottles = [
            { bottle: bottle('small', 250, 25), count: 3 },
            { bottle: bottle('half', 500, 50), count: 4 },
            { bottle: bottle('litre', 1000, 50), count: 5 },
          ];
          const made: OpenMix[] = [];
          for (;;) {
            const batch = day(dogs, made, ownBottles).batches[0];
            const left = batch?.bottles ?? [];
            const tick = left[(picks.next().value ?? 0) % Math.max(1, left.length)];
            if (!tick || batch?.unbottled !== 0) break;
            made.push(standing({ id: `m${made.length}`, bottleId: tick.bottle.id, left: tick.how.total }));
            const after = day(dogs, made, ownBottles).batches[0]?.bottles ?? [];
            expect(after.length).toBeLessThan(left.length);
          }
        },
      ),
      { numRuns: 150 },
    );
  });

  test('one dog fewer leaves a mix without takers: it stays where it is', () => {
    const [batch] = day([need('Teasel', OAT, 300, 1)], [standing()]).batches;
    expect(batch?.openMixes[0]?.pours).toHaveLength(1);
    expect(batch?.wanted).toBe(0);
  });

  test.each([
    ['past its discard time', standing({ discardAt: NOW })],
    ['of another strength', standing({ strength: strengthOf(32) })],
    ['bearing a dog’s name', standing({ forDog: 'Teasel' })],
    ['empty', standing({ left: millilitres(0) })],
  ])('a mix %s is not counted on', (_, made) => {
    expect(day([need('Teasel', OAT, 300)], [made]).batches[0]?.wanted).toBeCloseTo(330, 9);
  });

  test('its own medicated mix is; another dog’s is not', () => {
    const own = standing({
      productId: 'antiseptic',
      strength: strengthOf(9),
      forDog: 'Sorrel',
      left: millilitres(300),
    });
    expect(day([need('Sorrel', ANTISEPTIC, 200)], [own]).batches[0]?.wanted).toBe(0);
    expect(day([need('Rook', ANTISEPTIC, 200)], [own]).batches[0]?.wanted).toBeCloseTo(220, 9);
  });

  test('every dog gets what it needs, no bottle gives more than it holds, nothing is mixed twice', () => {
    const dogNeed = fc.record({ ml: fc.integer({ min: 20, max: 900 }), at: fc.integer({ min: 0, max: 9 }) });
    const left = fc.array(fc.integer({ min: 0, max: 900 }), { maxLength: 3 });
    fc.assert(
      fc.property(fc.array(dogNeed, { minLength: 1, maxLength: 8 }), left, (needs, lefts) => {
        const mixes = lefts.map((ml, i) => standing({ id: `m${i}`, bottleId: 'elsewhere', left: millilitres(ml) }));
        const asked = needs.map(({ ml, at }, i) => need(`dog ${i}`, OAT, ml, at));
        const plenty = BOTTLES.map(({ bottle: each }) => ({ bottle: each, count: null }));
        const [batch] = day(asked, mixes, plenty).batches;
        if (!batch) throw new Error('no batch');
        const pours = [...batch.openMixes, ...batch.bottles].flatMap((each) => each.pours);
        for (const { dogId, ml } of asked) {
          const got = pours.filter((each) => each.dogId === dogId).reduce((sum, each) => sum + each.ml, 0);
          // A last splash under 5 ml is not mixed for.
          expect(got).toBeGreaterThanOrEqual(ml - 5);
          expect(got).toBeLessThanOrEqual(ml + 1e-6);
        }
        batch.openMixes.forEach(({ mix, pours: its }) => {
          const poured = its.reduce((sum, each) => sum + each.ml, 0);
          expect(poured).toBeLessThanOrEqual((mixes.find(({ id }) => id === mix)?.left ?? 0) + 1e-6);
        });
        for (const { how, pours: its } of batch.bottles)
          expect(its.reduce((sum, each) => sum + each.ml, 0)).toBeLessThanOrEqual(how.total + 1e-6);
        expect(total(batch)).toBeGreaterThanOrEqual(batch.wanted - 1e-6);
      }),
    );
  });
});

describe('in millilitres and in fluid ounces alike', () => {
  const OUNCE = 29.5735295625;
  const sizes = fc.record({
    ounces: fc.constantFrom(4, 8, 12, 16, 20, 24, 32, 64, 128),
    graduation: fc.constantFrom(null, 0.5, 1, 2, 4),
    count: fc.integer({ min: 1, max: 6 }),
    metric: fc.boolean(),
    /** The line stands above the last mark. */
    above: fc.constantFrom(0, 7),
  });
  const water = fc.integer({ min: 3, max: 60 });
  const dogNeeds = fc.array(fc.tuple(fc.integer({ min: 1, max: 30_000 }), fc.nat(3)), { minLength: 1, maxLength: 8 });

  test('no day makes it throw; no bottle is filled above its line, or between its marks; none is used twice', () => {
    fc.assert(
      fc.property(
        fc.array(sizes, { minLength: 1, maxLength: 5 }),
        dogNeeds,
        fc.array(water, { minLength: 4, maxLength: 4 }),
        fc.constantFrom(null, 1, 5, 30, OUNCE / 4),
        (kinds, needs, waters, stroke) => {
          const ownBottles = kinds.map(({ ounces, graduation, count, metric, above }, i) => {
            const unit = metric ? 25 : OUNCE;
            return { bottle: bottle(`b${i}`, ounces * unit + above, graduation && graduation * unit), count };
          });
          const products = waters.map((parts, i) => product(`p${i}`, parts, i === 0 ? { kind: 'medicated' } : {}));
          const dogs = needs.map(([tenths, of], i) => ({
            ...need(`dog ${i}`, products[of] ?? OAT, tenths / 10, i),
            stroke: stroke === null ? null : millilitres(stroke),
          }));
          const { batches } = day(dogs, [], ownBottles);
          const bottles = batches.flatMap((batch) => batch.bottles);
          for (const { bottle: its, how } of bottles) {
            expect(how.total).toBeLessThanOrEqual(its.line);
            if (its.graduation !== null) {
              const marks = how.total / its.graduation;
              expect(Math.abs(marks - Math.round(marks))).toBeLessThan(1e-6);
            } else expect(how.total).toBe(its.line);
            expect(how.product + how.water).toBeCloseTo(how.total, 6);
          }
          for (const { bottle: its, count } of ownBottles)
            expect(bottles.filter(({ bottle: { id } }) => id === its.id).length).toBeLessThanOrEqual(count);
          for (const batch of batches)
            if (batch.unbottled === 0)
              expect(total(batch)).toBeGreaterThanOrEqual(batch.wanted - 0.001 * bottles.length);
        },
      ),
      { numRuns: process.env['DEWPOND_DEEP'] ? 3000 : 300 },
    );
  });
});

describe('when bottles are scarce', () => {
  test('another order is tried before a dog goes short', () => {
    // Largest first takes the litre and a half for 1045 ml and leaves one half for 600. The other way round the litre takes
    // the 600, two halves the rest: only the reserve is cut short.
    const ownBottles = [
      { bottle: bottle('litre', 1000, 50), count: 1 },
      { bottle: bottle('half', 500, 50), count: 2 },
    ];
    const CHALK = product('chalk', 24);
    const { batches } = day([need('Wren', OAT, 950), need('Teasel', CHALK, 545)], [], ownBottles);
    expect(batches.flatMap(({ unserved }) => unserved)).toEqual([]);
    expect(batches.map((batch) => [batch.product.id, total(batch)])).toEqual([
      ['oat', 1000],
      ['chalk', 600],
    ]);
  });

  test('a vial whose marks no eye can read is no bottle', () => {
    const vial = [{ bottle: bottle('vial', 0.5, 0.001), count: 3 }];
    const { batches } = day([need('Wren', OAT, 300)], [], vial);
    expect([batches[0]?.bottles, batches[0]?.unbottled.toFixed(6)]).toEqual([[], '330.000000']);
  });

  test('a need under 5 ml is mixed while bottles are free', () => {
    const { batches } = day([{ ...need('Wren', ANTISEPTIC, 4), stroke: null }]);
    expect(batches[0]?.unserved).toEqual([]);
    expect(total(batches[0])).toBe(50);
  });
});

describe('past its time', () => {
  const past = standing({ discardAt: NOW });
  test.each([
    ['fresh', standing(), OAT, 'Teasel', 'yes'],
    ['past, a house wash: only with a reason', past, OAT, 'Teasel', 'with a reason'],
    ['past, medicated: no', past, ANTISEPTIC, 'Teasel', 'no'],
    ['past, brought by the owner: no', past, product('own', 10, { suppliedBy: 'owner' }), 'Teasel', 'no'],
    ['another dog’s: no, however fresh', standing({ forDog: 'Rook' }), ANTISEPTIC, 'Teasel', 'no'],
    ['its own', standing({ forDog: 'Teasel' }), ANTISEPTIC, 'Teasel', 'yes'],
  ] as const)('%s', (_, mix, of, dog, answer) => {
    expect(mayTake(mix, of, dog, NOW).kind).toBe(answer);
  });
});

describe('what a label warns of', () => {
  test('the hazard line names what holds, and what holds for every mix', () => {
    expect(hazardLine(['eyes', 'ears'])).toBe('Not in eyes. Not in ears. Not to drink. Keep from children.');
    expect(hazardLine([])).toBe('Not to drink. Keep from children.');
  });

  test.each([
    [['Tea-tree oil', 'water'], ['tea tree'], ['Tea-tree oil']],
    [['Hydrolysed oats'], ['oat'], ['Hydrolysed oats']],
    [['Lavande'], ['lavender'], []],
    [['water'], [''], []],
    [['Café extract'], ['cafe'], ['Café extract']],
  ])('%j against %j', (ingredients, avoid, expected) => {
    expect(clashing(ingredients, avoid)).toEqual(expected);
  });
});
