import { describe, expect, test } from 'vitest';
import { day } from '../units';
import { FIT, type DogFacts } from '../dog';
import { HOME_HOWS, RULES } from '../rules';
import { makePlan } from '.';
import { DEFAULT_HOUSE_WAYS, HOUSE_QUESTIONS, HOUSE_STANCES, type HouseQuestion, type HouseWays } from '../ways';
import { taskKey } from '../tasks';
import { ENGLISH, say } from '../wording';
import { aDog, instruct } from './tests/randomDogs';

/** Common practice, no source, unless a row says otherwise: each line of the trade's own rules, once, on a dog it is for. */
const wordsAt = (facts: DogFacts, key: string): string => {
  const line = makePlan(facts).lines.find((each) => taskKey(each) === key);
  if (!line) return '';
  return [
    ...[...line.methods, ...line.cautions].map(({ words }) => words),
    ...line.bars.map(({ reason }) => say(reason, ENGLISH, 'groomer')),
    line.home ? HOME_HOWS[line.home.how] : '',
  ].join(' ');
};
const LEFT_EAR = 'ear cleaning@ear/left';
const LEFT_EYE = 'eyes and face@eye/left';
const fit = (more: Partial<DogFacts['fitness']>) => ({ fitness: { ...FIT, ...more } });

describe('what the plan says', () => {
  test.each<[string, DogFacts, string, RegExp]>([
    ['swimmers’ ears are dried', aDog({ swims: true }), LEFT_EAR, /Dry the ears after every swim/],
    ['a clean ear is wiped only', aDog(), LEFT_EAR, /wiped only/],
    ['the nozzle is wiped', aDog(), LEFT_EAR, /nozzle wiped between ears and dogs/],
    ['swabs stay outside', aDog(), LEFT_EAR, /visible outer flap only, each end once/],
    ['as deep as the eye sees', aDog(), LEFT_EAR, /only as deep as the eye sees/],
    ['puppies get few drops', aDog({ lifeStage: 'puppy' }), LEFT_EAR, /stop before it has had enough/],
    ['old ears run', aDog({ lifeStage: 'senior' }), LEFT_EAR, /runnier wax/],
    ['ear trouble: ask the vet', aDog({ earTrouble: 'in the past, vet knows' }), LEFT_EAR, /ask the vet which cleaner/],
    ['heavy flaps', aDog({}, 'cocker'), LEFT_EAR, /Flap tips/],
    ['plucking never a sore ear', aDog({}, 'lagotto'), 'ear hair@ear/left', /Never a red, sore, wet or smelly ear/],
    ['a matted flap can swell', aDog({}, 'cocker'), 'ear flaps@ear/left', /look again after an hour/],
    ['seeds after every walk', aDog({ grassSeedMonths: [11] }), 'ear inspection@ear/left', /look for seeds/],
    ['tearing dogs see a vet once', aDog({ tearingSeenByVet: false }, 'pug'), LEFT_EYE, /seen once by an eye vet/],
    ['crust is never picked dry', aDog(), LEFT_EYE, /never pick it dry/],
    ['prominent eyes', aDog({}, 'pug'), LEFT_EYE, /Scissors point away/],
    ['nothing that burns at an eye', aDog(), LEFT_EYE, /No stain remover, alcohol or body shampoo/],
    ['no clipper at the lid', aDog({}, 'shih-tzu'), 'eye corners@eye/left', /No clipper at the lid margin/],
    ['stains are no groomer’s medicine', aDog({}, 'pug'), 'tear stains', /for a vet only/],
    ['folds are dried', aDog({}, 'pug'), 'fold care@fold nose/none', /dried gently/],
    ['lick-safe only', aDog({}, 'pug'), 'fold care@fold nose/none', /no zinc, no tea-tree, no xylitol/],
    ['a flinch is the first sign', aDog({}, 'pug'), 'fold care@fold pocket/left', /flinch/],
    ['a dry flat nose', aDog({}, 'pug'), 'nose balm', /warmed on the fingertip/],
    ['lukewarm', aDog(), 'bath', /35–38 °C, tried on your own wrist/],
    ['never a standing tub', aDog(), 'bath', /never a standing tub/],
    ['never neat', aDog(), 'bath', /Never neat/],
    ['flat faces breathe tightly', aDog({}, 'pug'), 'bath', /no closed muzzle/],
    ['lying down', aDog({ canStandThroughBath: false }), 'bath', /Lying on a mat/],
    ['stitches stay dry', aDog(fit({ stitches: true })), 'bath', /no bath until the vet agrees/],
    ['a spot-on may wash off', aDog(fit({ spotOn: day('2026-11-24') })), 'bath', /may wash off/],
    ['fits', aDog(fit({ fits: true })), 'bath', /never alone/],
    ['heart', aDog(fit({ heart: true })), 'bath', /no struggle/],
    ['in season', aDog(fit({ inSeason: true })), 'bath', /kept apart/],
    ['treated skin', aDog({ skin: 'under treatment' }), 'bath', /Only the vet's product/],
    [
      'no conditioner on treated skin',
      aDog({ skin: 'under treatment' }),
      'conditioner',
      /unless the vet’s instruction/,
    ],
    ['second wash is half', aDog(), 'second wash', /half the product/],
    ['the face has its own product', aDog(), 'face wash', /Body shampoo stays off the face/],
    ['never rub', aDog(), 'drying', /never rub/],
    ['no heated cage, no blower at the face', aDog(), 'drying', /No heated air on a caged dog/],
    ['flat faces dry cool', aDog({}, 'pug'), 'drying', /Cool air, and watched/],
    ['cords dry for hours', aDog({}, 'komondor'), 'drying', /hours of moving air/],
    ['cords are never brushed', aDog({}, 'komondor'), 'brush-out', /never brushed out/],
    ['no water on mats', aDog({}, 'shih-tzu'), 'mats', /No water on mats/],
    ['never scissors under a mat', aDog({}, 'shih-tzu'), 'mats', /Never scissors under a mat/],
    ['the owner’s word before shaving', aDog({}, 'shih-tzu'), 'mats', /owner’s word first/],
    ['undercoat stays', aDog({}, 'husky'), 'brush-out', /not clipped short/],
    ['dewclaws', aDog(), 'nails', /Dewclaws too/],
    ['dark nails', aDog(), 'nails', /tips only/],
    ['a clot holds', aDog(), 'nails', /Let a clot hold/],
    ['never human paste', aDog(), 'teeth', /Never human paste/],
  ])('%s', (_, facts, key, words) => {
    expect(wordsAt(facts, key)).toMatch(words);
  });

  test.each<[string, DogFacts, string]>([
    ['a beagle has no flap hair to clip', aDog(), 'ear flaps@ear/left'],
    ['a whippet has no mats', aDog({}, 'whippet'), 'mats'],
    ['a whippet’s pads grow no hair', aDog({}, 'whippet'), 'pads'],
    ['a long nose needs no balm', aDog({}, 'whippet'), 'nose balm'],
    ['a smooth face has no corner hair', aDog({}, 'whippet'), 'eye corners@eye/left'],
    ['a dry face needs no eye vet twice a year', aDog({}, 'whippet'), 'eye check'],
  ])('%s: the plan has no such line', (_, facts, key) => {
    expect(makePlan(facts).lines.map(taskKey)).not.toContain(key);
  });

  test('a spot-on of last week is no matter any more', () => {
    expect(wordsAt(aDog(fit({ spotOn: day('2026-11-18') })), 'bath')).not.toMatch(/wash off/);
  });

  test('season and way of life shorten intervals in their months, and only then', () => {
    const usual = (facts: DogFacts, key: string) =>
      makePlan(facts).lines.find((each) => taskKey(each) === key)?.interval?.usual;
    const [summer, winter] = [day('2026-07-01'), day('2026-12-15')];
    expect(usual(aDog({ swims: true, today: winter }), LEFT_EAR)).toBe(28);
    expect(usual(aDog({ swims: true, today: summer }), LEFT_EAR)).toBe(14);
    expect(usual(aDog({ today: winter }, 'husky'), 'brush-out')).toBe(42);
    expect(usual(aDog({ today: day('2026-04-01') }, 'husky'), 'brush-out')).toBe(21);
    expect(usual(aDog({ today: day('2026-04-01') }, 'bichon'), 'brush-out')).toBe(28);
  });

  test('nothing else beside a vet’s wash: no conditioner, no face product, by that vet’s name', () => {
    const wash = instruct({ kind: 'bath product', productId: 'p', contactMinutes: 10, nothingElse: true });
    const facts = aDog({ instructions: [wash] });
    const line = (task: string) => makePlan(facts).lines.find((each) => each.task === task);
    for (const task of ['conditioner', 'face wash', 'fold care', 'eyes and face', 'ear cleaning']) {
      if (!line(task)) continue;
      expect([task, line(task)?.productShare]).toEqual([task, 0]);
      expect(
        line(task)?.leavesOut.flatMap(({ bars }) => bars.map(({ reason }) => say(reason, ENGLISH, 'groomer'))),
      ).toContain('Nothing else on the skin: Dr Oyelaran');
    }
  });
});

/** Every question on which the trade disagrees, and where Dewpond's answer is: a house way, or a stance. */
const DISAGREEMENTS: readonly (readonly [
  asks: string,
  answer: HouseQuestion | (typeof HOUSE_STANCES)[number]['asks'],
])[] = [
  ['an ear that looks bad', 'An ear that looks bad'],
  ['pluck ears', 'earHair'],
  ['pluck with', 'pluckWith'],
  ['liquid in ears', 'earCleaning'],
  ['liquid first or dry first', 'earOrder'],
  ['wiping at home', 'earsAtHome'],
  ['nozzle', 'nozzle'],
  ['massage', 'massage'],
  ['after massage', 'afterMassage'],
  ['finger depth, pressure', 'How deep and how hard in an ear'],
  ['clean ears', 'earsWhen'],
  ['ear plugs', 'earPlugs'],
  ['cotton buds', 'Cotton buds'],
  ['alcohol in ears', 'alcohol'],
  ['clip face, feet, rear, pads', 'firstClip'],
  ['nails', 'nails'],
  ['washes', 'washes'],
  ['head', 'head'],
  ['dilute', 'Diluting'],
  ['medicated', 'medicated'],
  ['conditioner', 'conditioner'],
  ['face product', 'faceProduct'],
  ['eye crust', 'eyeCrust'],
  ['eye-corner hair', 'eyeCorner'],
  ['fold wipe', 'foldWipe'],
  ['fold dried or not', 'Drying a fold'],
  ['fold protection', 'foldProtect'],
  ['stain removers, chews, steroid creams', 'Stain removers, chews and steroid creams'],
  ['face cleaning', 'How often a face is cleaned'],
  ['teeth', 'teeth'],
  ['bones', 'Big raw bones for teeth'],
  ['comb', 'comb'],
  ['making a dog stand', 'Making a dog stand'],
];

describe('where the trade disagrees', () => {
  test.each(DISAGREEMENTS)('%s: Dewpond has an answer', (_, answer) => {
    const stances: readonly string[] = HOUSE_STANCES.map(({ asks }) => asks);
    expect(answer in HOUSE_QUESTIONS || stances.includes(answer)).toBe(true);
  });

  const schools = Object.entries(HOUSE_QUESTIONS).flatMap(([question, { schools: list }]) =>
    list.map((school): [HouseQuestion, string, string] => [question as HouseQuestion, school.id, school.words]),
  );
  /** Schools that say how work is ordered, a label read, a bottle mixed or poured, not how a task is done. */
  const NO_METHOD: readonly HouseQuestion[] = [
    'earHair',
    'earPlugs',
    'firstClip',
    'medicated',
    'pumpWaste',
    'disinfect',
    'ratioRange',
    'standingMinutes',
    'dryerMinutes',
    'reach',
    'readsOneTo',
  ];

  test.each(schools.filter(([question]) => !NO_METHOD.includes(question)))(
    '%s, %s: a business of that school sees its words in the plan, and no other school’s',
    (question, school, words) => {
      const ways = { ...DEFAULT_HOUSE_WAYS, [question]: school } as HouseWays;
      const said = makePlan(aDog({ ways }, 'shih-tzu')).lines.flatMap((line) => line.methods.map((each) => each.words));
      expect(said).toContain(words);
      const others = HOUSE_QUESTIONS[question].schools.filter(({ id }) => id !== school).map((each) => each.words);
      for (const other of others) expect(said).not.toContain(other);
    },
  );
});

test('the rules of the trade are there, each with a source and a reason of its own', () => {
  const trade = RULES.filter(
    ({ rank, source }) => rank !== 'house' && rank !== 'law' && source.kind !== "this dog's record",
  );
  expect(trade.length).toBeGreaterThanOrEqual(100);
  for (const { source, because } of RULES) expect([source.kind, because]).not.toContain('');
});
