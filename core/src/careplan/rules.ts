import { COMMON_PRACTICE, HOUSE_VALUE, published, type Source } from '../provenance';
import { all, always, either, fact, flatFaced, foldIs, skin, stage, trait, way } from './conditions';
import type { Condition, Rank, Rule, Then } from './rule';
import { ALL_HOUSE_QUESTIONS, HOUSE_QUESTIONS, type HouseQuestion } from './houseWays';
import type { Task } from './tasks';

const days = (usual: number, least: number, most: number): Then => ({ kind: 'interval', least, usual, most });
const home = (everyDays: number, minutes: number, how: string): Then => ({ kind: 'home', everyDays, minutes, how });
const caution = (words: string): Then => ({ kind: 'caution', words });
const bar = (words: string): Then => ({ kind: 'bar', words });
const method = (words: string): Then => ({ kind: 'method', words });

const rule =
  (task: Task, rank: Rank, source: Source) =>
  (id: string, when: Condition, because: string, ...then: readonly Then[]): Rule => ({
    id: `${task}: ${id}`,
    task,
    rank,
    when,
    then,
    because,
    source,
  });

const bath = rule('bath', 'default', HOUSE_VALUE);
const bathSafety = rule('bath', 'safety', COMMON_PRACTICE);
const bathCare = rule('bath', 'default', COMMON_PRACTICE);
const ears = rule('ear cleaning', 'default', HOUSE_VALUE);
const earCare = rule('ear cleaning', 'default', COMMON_PRACTICE);
const inspect = rule('ear inspection', 'default', COMMON_PRACTICE);
const eyes = rule('eyes and face', 'default', HOUSE_VALUE);
const eyeCare = rule('eyes and face', 'default', COMMON_PRACTICE);
const folds = rule('fold care', 'default', HOUSE_VALUE);
const foldCare = rule('fold care', 'default', COMMON_PRACTICE);
const nails = rule('nails', 'default', HOUSE_VALUE);
const nailCare = rule('nails', 'default', COMMON_PRACTICE);
const brush = rule('brush-out', 'default', HOUSE_VALUE);

const haired = trait('canalHair', 'sparse', 'dense');
const upright = trait('ears', 'upright', 'tipped');
const hanging = trait('ears', 'folded', 'hanging', 'long hanging');
const ODDS = "O'Neill et al. 2021, Canine Medicine and Genetics 8:7";

/** How often ears are looked into at home, days, before odds are weighed [common practice: weekly]. */
export const INSPECT_EVERY = 7;
/** A published odds ratio moves an inspection interval by odds^(−1/4) [house value]. */
export const oddsShare = (odds: number): number => odds ** -0.25;

const inspectEvery = (everyDays: number): Then =>
  home(everyDays, 1, 'Lift each flap: look and smell. Nothing goes in.');

/** Bath intervals by coat: usual, least, most, in days. Full visits every 3–8 weeks. */
const BATH_BY_COAT = [
  ['smooth', 56, 21, 84],
  ['short double', 49, 21, 84],
  ['wire', 42, 21, 70],
  ['long double', 42, 21, 70],
  ['silky drop', 35, 14, 56],
  ['long', 28, 14, 56],
  ['curly', 35, 14, 56],
  ['corded', 56, 28, 84],
  ['hairless', 21, 7, 42],
  ['puppy', 42, 21, 56],
] as const;

/** Brush-out by coat: salon usual, least, most; then home days and minutes (0 = not asked of the owner). */
const BRUSH_BY_COAT = [
  ['smooth', 56, 21, 84, 7, 5],
  ['short double', 42, 14, 84, 7, 10],
  ['wire', 42, 14, 70, 7, 10],
  ['long double', 35, 14, 56, 3, 10],
  ['silky drop', 28, 14, 49, 2, 10],
  ['long', 28, 14, 42, 1, 10],
  ['curly', 28, 14, 42, 2, 15],
  ['puppy', 28, 14, 42, 2, 5],
] as const;

/**
 * What the trade knows about recurring care, one row a rule. The engine only reads it. Handbook rows marked as
 * defaults are house values; manners and cautions are common practice.
 */
const TRADE_RULES: readonly Rule[] = [
  ...BATH_BY_COAT.map(([coat, usual, least, most]) =>
    bath(`${coat} coat`, trait('coat', coat), `a ${coat} coat between full visits`, days(usual, least, most)),
  ),
  bathCare('product', always, 'the house wash', { kind: 'product', product: 'cleansing' }),
  bathCare(
    'sensitive',
    skin('sensitive', 'allergic'),
    'skin that reacts',
    caution('Gentle product, no scent, rinse until nothing bubbles.'),
  ),
  bathSafety(
    'under treatment',
    skin('under treatment'),
    'skin under treatment gets only what its vet says',
    caution("Only the vet's product. No conditioner, no scent, no extras."),
  ),
  bathCare(
    'flat face',
    flatFaced,
    'breathing is tight',
    caution('Cooler water, no spray at the nose, cool air, watched while drying.'),
  ),
  bathCare(
    'thick coat',
    trait('coatDensity', 'very dense'),
    'a thick coat holds heat',
    caution('Dry with cool air, watched.'),
  ),
  bathCare('puppy', stage('puppy'), 'young dogs tire and chill', caution('Short stay, warm room.')),
  bathCare('senior', stage('senior'), 'old dogs tire and chill', caution('Short stay, warm room, breaks.')),
  bathCare(
    'lying',
    fact('cannot stand through a bath', (dog) => !dog.canStandThroughBath),
    'it cannot stand through a bath',
    method('Lying on a mat, in parts, towel-dry, with breaks.'),
  ),

  ears(
    'upright, no hair',
    all(upright, trait('canalHair', 'none')),
    'upright ears without hair air well',
    days(42, 14, 84),
  ),
  ears('upright, hair', all(upright, haired), 'hair in the canal holds wax', days(35, 14, 70)),
  ears(
    'folded or hanging, no dense hair',
    all(hanging, trait('canalHair', 'none', 'sparse')),
    'covered ears stay damp',
    days(28, 10, 56),
  ),
  ears(
    'hanging, dense hair',
    all(hanging, trait('canalHair', 'dense')),
    'covered and hairy ears stay dampest',
    days(21, 7, 42),
  ),
  ears(
    'swims',
    fact('swims', (dog) => dog.swims),
    'water stays in the canal',
    caution('Dry the ears after every swim.'),
  ),
  earCare('product', always, 'a drying cleaner made for dogs', { kind: 'product', product: 'ear cleaner' }),
  earCare('clean ear', always, 'over-cleaning dries the skin', caution('A dry, pink ear without smell is wiped only.')),
  earCare('alcohol', always, 'it stings', caution('No spirit in an ear, never on red skin.')),
  earCare(
    'swabs',
    always,
    'a dog jerks, the drum tears, and wax is pushed deeper',
    caution('Swabs on the visible outer flap only, each end once.'),
  ),
  earCare(
    'puppy',
    stage('puppy'),
    'young ears learn that it is pleasant',
    method('Few drops, a taste to lick, stop before it has had enough.'),
  ),

  inspect(
    'weekly',
    fact('no published odds', (dog) => dog.earOdds === null),
    'owners see a change first',
    inspectEvery(INSPECT_EVERY),
  ),
  {
    ...inspect(
      'published odds',
      fact('published ear odds', (dog) => dog.earOdds !== null),
      'this breed has ear trouble more often: look more often, do not clean more often',
    ),
    then: ({ earOdds }) => [inspectEvery(Math.max(1, Math.round(INSPECT_EVERY * oddsShare(earOdds ?? 1))))],
    source: published(ODDS),
  },

  eyes('dry face', trait('tearing', 'none'), 'no tearing', days(42, 14, 84)),
  eyes(
    'some tearing',
    trait('tearing', 'some'),
    'some tearing',
    days(28, 7, 56),
    home(3, 3, 'Wipe below the eye with a damp pad, then dry.'),
  ),
  eyes(
    'wet face',
    trait('tearing', 'constant'),
    'wet hair stains, then smells, then makes skin sore',
    days(21, 7, 42),
    home(1, 5, 'Clean below the eye with a damp pad and dry well.'),
  ),
  eyeCare(
    'vet once',
    all(
      trait('tearing', 'some', 'constant'),
      fact('no vet has seen why', (dog) => !dog.tearingSeenByVet),
    ),
    'causes of tearing only a vet can tell apart',
    caution('Every tearing dog is seen once by an eye vet before it is called normal.'),
  ),
  eyeCare(
    'prominent',
    either(flatFaced, trait('eyeSet', 'prominent')),
    'the eye is easily hurt',
    caution('Scissors point away, tether never by the neck, no towel across the eye.'),
  ),
  eyeCare('never near', always, 'it burns', caution('No stain remover, spirit or body shampoo near an eye.')),

  folds('light', foldIs('light'), 'a light fold', days(35, 14, 70), home(3, 2, 'Lift the fold, wipe, dry.')),
  folds(
    'deep',
    foldIs('deep'),
    'a deep fold holds water',
    days(21, 7, 42),
    home(2, 3, 'Lift the fold, wipe until clean, dry well.'),
  ),
  foldCare('always dried', always, 'damp folds turn sore', method('Clean, dry, protect.')),
  foldCare('greasy', always, 'it traps moisture', caution('Nothing greasy on red skin. No stain remover in a fold.')),

  nails('usual', always, 'nails grow back in 3–6 weeks', days(28, 21, 42)),
  nails(
    'overgrown',
    fact('overgrown nails', (dog) => dog.nailsOvergrown),
    'short trims let the quick retreat',
    days(21, 14, 28),
  ),
  nailCare('dewclaws', always, 'they never wear', method('Dewclaws too; file the edges.')),
  nailCare('dark', always, 'the quick does not show', caution('On dark nails take tips only. Styptic powder at hand.')),

  ...BRUSH_BY_COAT.map(([coat, usual, least, most, every, minutes]) =>
    brush(
      `${coat} coat`,
      trait('coat', coat),
      `a ${coat} coat`,
      days(usual, least, most),
      home(every, minutes, 'Brush to the skin, comb to check. No water on mats.'),
    ),
  ),
  rule('brush-out', 'default', COMMON_PRACTICE)(
    'corded',
    trait('coat', 'corded'),
    'cords are never brushed out',
    bar('Corded coat: never brushed out.'),
  ),
];

/** Which house question says how a task is done. */
const METHOD_OF: Readonly<Partial<Record<HouseQuestion, Task>>> = {
  earCleaning: 'ear cleaning',
  massage: 'ear cleaning',
  afterMassage: 'ear cleaning',
  washes: 'bath',
  head: 'bath',
  conditioner: 'bath',
  faceProduct: 'eyes and face',
  eyeCorner: 'eyes and face',
  foldWipe: 'fold care',
  foldProtect: 'fold care',
  nails: 'nails',
};

/** Each school of a method question is a rule of rank "house". */
const HOUSE_RULES: readonly Rule[] = ALL_HOUSE_QUESTIONS.flatMap((question) => {
  const task = METHOD_OF[question];
  if (!task) return [];
  const schools: readonly { id: string; words: string; for: string; warns?: string }[] =
    HOUSE_QUESTIONS[question].schools;
  return schools.map((school) =>
    rule(task, 'house', HOUSE_VALUE)(
      `${question}, ${school.id}`,
      way(question, school.id as never),
      school.for,
      method(school.words),
      ...(school.warns ? [caution(school.warns)] : []),
    ),
  );
});

export const RULES: readonly Rule[] = [...TRADE_RULES, ...HOUSE_RULES];
