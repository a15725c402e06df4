import { describe, expect, test } from 'vitest';
import fc from 'fast-check';
import { makePlan } from '../careplan';
import { aDog, anyDog } from '../careplan/tests/randomDogs';
import { BODY_WASHES, PRODUCT_KINDS, showStrength, strengthOf, type Product, type ProductKind } from '../dilution';
import { productOf } from '../dilution/tests/shelf';
import { type BATH_TASKS, toAvoid, type DogFacts, type Instruction, type Saying } from '../dog';
import { day, kilograms } from '../units';
import { stepsFor } from '../visit/tests/randomVisits';
import { titleWords } from '../steps';
import { PRODUCT_PARTS, standIns, visitNeeds, WASH_TABLE, type BathChoice } from '.';

const READY = { kind: 'ready to use' } as const;
/** One of each kind, as a large salon has them. */
const FULL: readonly Product[] = PRODUCT_KINDS.map((kind) =>
  productOf(kind, { ...(kind === 'medicated' ? { suppliedBy: 'vet' as const } : {}) }),
);
const bathOf = (facts: DogFacts, shelf: readonly Product[] = FULL, due = true): BathChoice => {
  const { bath } = visitNeeds(['bath'], facts, makePlan(facts), shelf, 1, { conditionerDue: due });
  if (!bath) throw new Error('no bath');
  return bath;
};
const kinds = (facts: DogFacts, shelf?: readonly Product[]): (ProductKind | null)[] => {
  const bath = bathOf(facts, shelf);
  return [bath.bath?.product.kind ?? null, bath['second wash']?.product.kind ?? null];
};
const vet = (says: Saying, more: Partial<Instruction> = {}): Instruction => ({
  id: JSON.stringify(says),
  by: 'vet',
  who: 'Dr Oyelaran',
  place: null,
  says,
  from: day('2026-01-01'),
  until: null,
  ...more,
});
const ways = (more: Partial<DogFacts['ways']>) => ({ ways: { ...aDog().ways, ...more } });

// The rows of docs/trade.md, "Which product" (house values): first wash, second wash.
describe('the table of washes', () => {
  test.each<[string, string, Partial<DogFacts>, ProductKind, ProductKind]>([
    ['wire', 'gwp', {}, 'cleansing', 'texturing wash'],
    ['curly', 'lagotto', {}, 'cleansing', 'conditioning wash'],
    ['drop', 'springer', {}, 'cleansing', 'conditioning wash'],
    ['smooth', 'gsp', {}, 'cleansing', 'texturing wash'],
    ['white and curly', 'lagotto', { whiteCoat: true }, 'cleansing', 'brightening wash'],
    ['a puppy', 'lagotto', { lifeStage: 'puppy' }, 'gentle wash', 'conditioning wash'],
    ['an old wire coat', 'gwp', { lifeStage: 'senior' }, 'gentle wash', 'texturing wash'],
    ['allergic', 'gsp', { skin: 'allergic' }, 'gentle wash', 'soothing wash'],
    ['dry', 'lagotto', { coatCondition: 'dry' }, 'gentle wash', 'soothing wash'],
    ['oily', 'gsp', { coatCondition: 'oily' }, 'degreasing wash', 'cleansing'],
    ['itchy now', 'gsp', { hayFeverMonths: [11], today: day('2026-11-25') }, 'gentle wash', 'soothing wash'],
    ['itchy in June', 'gsp', { hayFeverMonths: [6], today: day('2026-11-25') }, 'cleansing', 'texturing wash'],
    ['on farms', 'gsp', { dirtyWork: true }, 'cleansing', 'texturing wash'],
  ])('%s', (_, breed, more, first, second) => {
    expect(kinds(aDog(more, breed))).toEqual([first, second]);
  });

  test('a double coat stands in January and lets go in October', () => {
    const husky = (today: string) => kinds(aDog({ today: day(today) }, 'husky'));
    expect([husky('2026-01-15')[1], husky('2026-10-15')[1]]).toEqual(['volume wash', 'gentle wash']);
  });

  test('one wash takes the combined product; an oily coat takes two all the same, and says so in the steps', () => {
    const one = aDog(ways({ washes: 'one' }), 'gsp');
    const oily = { ...one, coatCondition: 'oily' as const };
    expect([kinds(one), kinds(oily)]).toEqual([
      ['two-in-one wash', null],
      ['degreasing wash', 'cleansing'],
    ]);
    const titles = (dog: DogFacts) => stepsFor(dog).map(({ title }) => titleWords(title));
    expect(titles(oily)).toContain('Second wash, half the mix');
    expect(titles(one)).not.toContain('Second wash, half the mix');
  });

  test('a business changes a line; this dog’s own choice goes before it, a vet’s word before both', () => {
    const its = aDog({ washKinds: { 'second: wire or smooth coat': 'volume wash' } }, 'gsp');
    expect(kinds(its)).toEqual(['cleansing', 'volume wash']);
    const own = {
      ...its,
      ownBath: { 'second wash': { productId: 'soothing wash', because: 'scratched after the other' } },
    };
    expect(bathOf(own)['second wash']).toMatchObject({ because: 'scratched after the other' });
    const named = { ...own, instructions: [vet({ kind: 'product', task: 'second wash', productId: 'gentle wash' })] };
    expect(bathOf(named)['second wash']).toMatchObject({
      product: { kind: 'gentle wash' },
      because: 'Dr Oyelaran asked for it',
    });
  });

  test('every line is for some dog, and no dog is without a line', () => {
    const held = new Set<string>();
    fc.assert(
      fc.property(anyDog, fc.boolean(), (dog, white) => {
        const facts = { ...dog, whiteCoat: white };
        for (const wash of ['first', 'second', 'only'] as const) {
          const row = WASH_TABLE.find((each) => each.wash === wash && each.when.holds(facts, null));
          expect(row).toBeDefined();
          held.add(row?.id ?? '');
        }
      }),
      { numRuns: 3000, seed: 17 },
    );
    expect(WASH_TABLE.map(({ id }) => id).filter((id) => !held.has(id))).toEqual([]);
  });
});

describe('what stands on the shelf', () => {
  test('with one product, that one for everything; with none of what is asked for, the mildest', () => {
    const only = [productOf('gentle wash')];
    for (const breed of ['gsp', 'lagotto', 'gwp'])
      expect(kinds(aDog({}, breed), only)).toEqual(['gentle wash', 'gentle wash']);
    const two = [productOf('degreasing wash'), productOf('gentle wash')];
    expect(kinds(aDog({}, 'gsp'), two)).toEqual(['gentle wash', 'gentle wash']);
    expect(kinds(aDog({ coatCondition: 'oily' }, 'gsp'), two)).toEqual(['degreasing wash', 'degreasing wash']);
  });

  test('what its label calls strong is for oily and dirty dogs, however the business named its kind', () => {
    const deep = productOf('cleansing', { id: 'deep', cautions: ['deep cleanser'] });
    const shelf = [deep, productOf('gentle wash')];
    const first = (more: Partial<DogFacts>, its = shelf) => bathOf(aDog(more, 'gsp'), its).bath?.product.id;
    expect(first({})).toBe('gentle wash');
    expect(first({ dirtyWork: true })).toBe('deep');
    expect(first({ coatCondition: 'oily' })).toBe('deep');
    expect(first({ dirtyWork: true, skin: 'sensitive' })).toBe('gentle wash');
    expect(first({}, [deep])).toBe('deep');
  });

  test('tender dogs never get a deep cleanser, tea tree or scent, in any wash, whatever a business chose', () => {
    const harsh = [
      ...BODY_WASHES.map((kind) => productOf(kind, { id: `deep ${kind}`, cautions: ['deep cleanser'] })),
      ...BODY_WASHES.map((kind) => productOf(kind, { id: `tree ${kind}`, ingredients: ['tea tree oil'] })),
      productOf('conditioner', { id: 'scented', cautions: ['scented'] }),
      productOf('face', { id: 'scented face', cautions: ['scented'] }),
    ];
    const tender = fc.constantFrom<Partial<DogFacts>>(
      { skin: 'sensitive' },
      { skin: 'allergic' },
      { skin: 'under treatment' },
      { lifeStage: 'puppy' },
      { lifeStage: 'senior' },
      { coatCondition: 'dry', lifeStage: 'adult' },
    );
    fc.assert(
      fc.property(anyDog, tender, fc.constantFrom(...BODY_WASHES), (dog, more, kind) => {
        const washKinds = Object.fromEntries(WASH_TABLE.map(({ id }) => [id, kind]));
        const facts = { ...dog, instructions: [], ownBath: {}, ...more, washKinds };
        const { needs } = visitNeeds(['bath'], facts, makePlan(facts), harsh, 1);
        expect(needs.map(({ product }) => product.id)).toEqual([]);
      }),
      { numRuns: 200, seed: 17 },
    );
  });

  test('a dog’s own product that is ruled out since is not taken, and that is said', () => {
    const own = { bath: { productId: 'cleansing', because: 'always had it' } };
    const facts = aDog({ ownBath: own, reactions: 'lavender' }, 'gsp');
    const shelf = FULL.map((each) => (each.kind === 'cleansing' ? { ...each, ingredients: ['lavender oil'] } : each));
    const { bath, trouble } = bathOf(facts, shelf);
    expect(bath?.product.kind).not.toBe('cleansing');
    expect(trouble.join()).toMatch(/this dog’s own, lists lavender oil: another was taken/);
  });
});

describe('the end of a range', () => {
  const range = { strongest: strengthOf(10), weakest: strengthOf(32) };
  const ranged = (kind: ProductKind) =>
    productOf(kind, { dilution: { kind: 'dilute', strength: strengthOf(24), range } });
  const shelf = [
    ...PRODUCT_KINDS.filter((kind) => kind !== 'medicated').map(ranged),
    { ...ranged('medicated'), suppliedBy: 'vet' as const },
  ];
  const ratio = (facts: DogFacts, wash: 'bath' | 'second wash') => {
    const dilution = bathOf(facts, shelf)[wash]?.product.dilution;
    return dilution?.kind === 'dilute' ? showStrength(dilution.strength) : null;
  };

  test.each<[string, Partial<DogFacts>, string, string]>([
    ['a clean dog', {}, '32:1', '32:1'],
    ['a dirty dog', { dirtyWork: true }, '10:1', '32:1'],
    ['an oily coat', { coatCondition: 'oily' }, '10:1', '32:1'],
    ['a dirty puppy', { dirtyWork: true, lifeStage: 'puppy' }, '32:1', '32:1'],
    ['a dirty dog with sensitive skin', { dirtyWork: true, skin: 'sensitive' }, '32:1', '32:1'],
    ['one ratio for all', { dirtyWork: true, ...ways({ ratioRange: 'one ratio' }) }, '24:1', '24:1'],
    ['one ratio, a puppy', { lifeStage: 'puppy', ...ways({ ratioRange: 'one ratio' }) }, '32:1', '32:1'],
  ])('%s: %s', (_, more, first, second) => {
    const dog = aDog(more, 'gsp');
    expect([ratio(dog, 'bath'), ratio(dog, 'second wash')]).toEqual([first, second]);
  });

  test('never on a medicated product', () => {
    const says = { kind: 'bath product', productId: 'medicated', contactMinutes: 10, nothingElse: false } as const;
    const dog = aDog({ dirtyWork: true, instructions: [vet(says)] }, 'gsp');
    expect([ratio(dog, 'bath'), ratio(dog, 'second wash')]).toEqual(['24:1', '24:1']);
  });
});

// docs/trade.md: body shampoo stays off the face; strong cleansers are for bodies. Common practice, no source.
describe('what comes to a face, an eye or into an ear', () => {
  const sharp = productOf('cleansing', { id: 'sharp', name: 'Sharp', cautions: ['eyes'] });
  const mild = productOf('gentle wash', { id: 'mild', name: 'Mild' });
  const face = productOf('face', { id: 'face' });
  const forAll = ways({ faceProduct: 'mild wash for all' });
  const own = (task: (typeof BATH_TASKS)[number], more: Partial<DogFacts> = {}) =>
    bathOf(aDog({ ownBath: { [task]: { productId: 'sharp', because: 'likes it' } }, ...more }, 'gsp'), [
      sharp,
      mild,
      face,
    ]);

  test('a dog’s own product for the face is not taken where its label keeps it from eyes, and that is said', () => {
    const { 'face wash': taken, trouble } = own('face wash');
    expect(taken?.product.id).toBe('face');
    expect(trouble).toEqual(['Sharp, this dog’s own, is marked “Keep away from eyes”: another was taken.']);
  });

  test('nor its own wash where one mild wash does head and body; where the head stays dry it is', () => {
    expect(own('bath', forAll).bath?.product.id).toBe('mild');
    expect(own('bath', ways({ faceProduct: 'mild wash for all', head: 'neck down only' })).bath?.product.id).toBe(
      'sharp',
    );
    expect(own('bath').bath?.product.id).toBe('sharp');
  });

  test('one that was named is taken, and asked about first: for its mark, and where the skin reacted to it', () => {
    const named = (task: 'face wash' | 'second wash', more: Partial<DogFacts> = {}) =>
      bathOf(aDog({ instructions: [vet({ kind: 'product', task, productId: 'sharp' })], ...more }, 'gsp'), [
        sharp,
        mild,
        face,
      ]).trouble;
    expect(named('face wash')).toEqual([
      'Sharp was asked for and is marked “Keep away from eyes”: ask Dr Oyelaran first.',
    ]);
    expect(named('second wash', forAll)).toHaveLength(1);
    expect(named('second wash', { reactedTo: ['sharp'] })[0]).toMatch(/made its skin react before: ask Dr Oyelaran/);
    expect(named('second wash')).toEqual([]);
  });

  test('the strong end of a range never comes to a face', () => {
    const range = { strongest: strengthOf(10), weakest: strengthOf(32) };
    const shelf = [productOf('cleansing', { dilution: { kind: 'dilute', strength: strengthOf(24), range } })];
    const ratio = (more: Partial<DogFacts>) => {
      const dilution = bathOf(aDog({ dirtyWork: true, ...more }, 'gsp'), shelf).bath?.product.dilution;
      return dilution?.kind === 'dilute' ? showStrength(dilution.strength) : null;
    };
    expect([ratio({}), ratio(forAll)]).toEqual(['10:1', '32:1']);
  });

  test('a cleaner that its label keeps out of ears or eyes is passed over for one that may go there', () => {
    const pair = (kind: 'ear cleaner' | 'eye and face cleaner', mark: 'ears' | 'eyes') => {
      const shelf = [productOf(kind, { id: 'not there', cautions: [mark] }), productOf(kind, { id: 'may' })];
      const facts = aDog({}, 'pug');
      return visitNeeds(PRODUCT_PARTS, facts, makePlan(facts), shelf, 1).needs.map(({ product }) => product.id);
    };
    expect([pair('ear cleaner', 'ears'), pair('eye and face cleaner', 'eyes')]).toEqual([['may'], ['may']]);
  });

  test('what stands in for a wash that ran out is held to every part that it is for', () => {
    const against = (tasks: readonly (typeof BATH_TASKS)[number][], more: Partial<DogFacts> = {}) => {
      const facts = aDog(more, 'gsp');
      const found = standIns(productOf('cleansing', { id: 'gone' }), facts, makePlan(facts), tasks, [sharp, mild]);
      return found.map((each) => [each.product.id, each.against]);
    };
    const free = ['mild', null];
    const marked = ['sharp', 'is marked “Keep away from eyes”'];
    expect(against(['bath', 'second wash'])).toEqual([['sharp', null], free]);
    expect(against(['bath', 'second wash'], forAll)).toEqual([free, marked]);
    expect(against(['bath', 'second wash', 'face wash'])).toEqual([free, marked]);
  });
});

describe('a prescribed wash', () => {
  const says = { kind: 'bath product', productId: 'medicated', contactMinutes: 10, nothingElse: false } as const;

  test('in both washes; in the second after a plain one where the business does so; alone where nothing else may', () => {
    const dog = (more: Partial<DogFacts['ways']>, nothingElse = false) =>
      kinds(aDog({ instructions: [vet({ ...says, nothingElse })], ...ways(more) }, 'gsp'));
    expect(dog({})).toEqual(['medicated', 'medicated']);
    expect(dog({ medicated: 'plain wash first' })).toEqual(['cleansing', 'medicated']);
    expect(dog({ medicated: 'plain wash first' }, true)).toEqual(['medicated', 'medicated']);
  });

  test('conditioner on treated skin only where a vet named one: product, step and amount', () => {
    const treated = (instructions: readonly Instruction[]) =>
      aDog({ skin: 'under treatment', instructions, ...ways({ conditioner: 'always' }) }, 'lagotto');
    const named = treated([vet(says), vet({ kind: 'product', task: 'conditioner', productId: 'conditioner' })]);
    const step = (dog: DogFacts) => stepsFor(dog).find(({ id }) => id === 'conditioner');
    expect(bathOf(treated([vet(says)])).conditioner).toBeNull();
    expect(step(treated([vet(says)]))?.barred).not.toBeNull();
    expect(bathOf(named).conditioner?.because).toBe('Dr Oyelaran asked for it');
    expect(step(named)?.barred).toBeNull();
  });
});

describe('conditioner is decided once', () => {
  const step = (dog: DogFacts, bath: BathChoice) =>
    stepsFor(dog, { bath: { ...NOTHING, conditioned: bath.conditioned } }).some(
      ({ id, barred }) => id === 'conditioner' && barred === null,
    );
  const NOTHING = { bath: null, 'second wash': null, 'face wash': null, conditioner: null, trouble: [] };

  test('step, product, amount agree for every dog, school, shelf and day of its own interval', () => {
    const school = fc.constantFrom('long or dry coats', 'always', 'own interval', 'never' as const);
    const shelves = fc.subarray([...FULL], { minLength: 1 });
    fc.assert(
      fc.property(anyDog, school, shelves, fc.boolean(), (dog, conditioner, shelf, due) => {
        const facts: DogFacts = { ...dog, ways: { ...dog.ways, conditioner } };
        const plan = makePlan(facts);
        const { needs, bath } = visitNeeds(['bath'], facts, plan, shelf, 1, { conditionerDue: due });
        if (!bath) throw new Error('no bath');
        const need = needs.find(({ tasks }) => tasks.includes('conditioner'));
        expect((need?.ml ?? 0) > 0).toBe(bath.conditioner !== null);
        // A business that has no conditioner on its shelf may have one all the same: the step stays.
        if (bath.bath !== null && shelf.some(({ kind }) => kind === 'conditioner'))
          expect(step(facts, bath)).toBe(bath.conditioner !== null);
        expect(toAvoid(facts, facts.today)).toBeDefined();
      }),
      { numRuns: 300, seed: 17 },
    );
  });

  test.each<[string, Partial<DogFacts>, boolean]>([
    ['a curly coat', {}, true],
    ['a two-in-one before it', ways({ washes: 'one' }), false],
    ['decided against for this dog', { ownBath: { conditioner: { productId: null, because: 'lies flat' } } }, false],
  ])('long or dry coats, %s', (_, more, wanted) => {
    expect(bathOf(aDog(more, 'lagotto')).conditioner !== null).toBe(wanted);
  });

  test('a smooth coat that is dry now gets one, and none when it is well again', () => {
    expect(bathOf(aDog({ coatCondition: 'dry' }, 'gsp')).conditioned.wanted).toBe(true);
    expect(bathOf(aDog({}, 'gsp')).conditioned.wanted).toBe(false);
  });

  test('on its own interval only when that is up', () => {
    const dog = aDog(ways({ conditioner: 'own interval' }), 'gsp');
    expect([bathOf(dog, FULL, true), bathOf(dog, FULL, false)].map(({ conditioner }) => conditioner !== null)).toEqual([
      true,
      false,
    ]);
  });
});

describe('how much', () => {
  const ml = (facts: DogFacts, task: (typeof BATH_TASKS)[number], shelf: readonly Product[] = FULL) =>
    visitNeeds(['bath'], facts, makePlan(facts), shelf, 1).needs.find(({ tasks }) => tasks.includes(task))?.ml ?? 0;
  const pointer = (more: Partial<DogFacts> = {}) => aDog({ weight: kilograms(10), ...more }, 'gsp');

  test('two products share what one took: the second half of the first', () => {
    // docs/trade.md: wash 2 is half of wash 1 (common practice).
    expect(ml(pointer(), 'second wash') / ml(pointer(), 'bath')).toBeCloseTo(0.5, 9);
    const both = ml(pointer(), 'bath', [productOf('cleansing')]);
    expect(both).toBeCloseTo(ml(pointer(), 'bath') + ml(pointer(), 'second wash'), 9);
  });

  test('the business’s own ml a square metre and its reach', () => {
    const usual = ml(pointer(), 'bath');
    expect(ml(pointer({ mixPerSquareMetre: 400 }), 'bath')).toBeCloseTo(usual / 2, 9);
    expect(ml(pointer(ways({ reach: 'sponge' })), 'bath')).toBeCloseTo(usual * 0.8, 9);
    expect(ml(pointer(ways({ reach: 'hose mixer' })), 'bath')).toBeCloseTo(usual * 1.3, 9);
    const says = { kind: 'bath product', productId: 'medicated', contactMinutes: 10, nothingElse: false } as const;
    const treated = (reach: 'bottle' | 'hose mixer') =>
      ml(pointer({ instructions: [vet(says)], ...ways({ reach }) }), 'bath');
    expect(treated('hose mixer')).toBe(treated('bottle'));
  });

  test('a conditioner that is used as it comes is a few spoonfuls by size, and teaches no factor', () => {
    const mask = FULL.map((each) => (each.kind === 'conditioner' ? { ...each, dilution: READY } : each));
    const always = (kg: number) => aDog({ weight: kilograms(kg), ...ways({ conditioner: 'always' }) }, 'gsp');
    expect([6, 18, 40].map((kg) => ml(always(kg), 'conditioner', mask))).toEqual([10, 20, 40]);
    const { needs } = visitNeeds(['bath'], always(6), makePlan(always(6)), mask, 1);
    expect(needs.find(({ tasks }) => tasks.includes('conditioner'))?.byArea).toBe(false);
  });
});
