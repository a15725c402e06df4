import { COMMON_PRACTICE, HOUSE_VALUE } from '../provenance';
import { MOULTING_MONTHS, all, always, coatIs, fact, inMonths, minds, stage, trait } from './conditions';
import type { Rule } from './rule';
import { bar, caution, days, home, method, rowsOf } from './row';

const brush = rowsOf('brush-out', 'default', HOUSE_VALUE);
const brushCare = rowsOf('brush-out', 'default', COMMON_PRACTICE);
const mats = rowsOf('mats', 'default', COMMON_PRACTICE);
const pads = rowsOf('pads', 'default', HOUSE_VALUE);
const padCare = rowsOf('pads', 'default', COMMON_PRACTICE);
const rear = rowsOf('rear', 'default', HOUSE_VALUE);
const rearCare = rowsOf('rear', 'default', COMMON_PRACTICE);
const nails = rowsOf('nails', 'default', HOUSE_VALUE);
/** Before the usual of any dog. */
const nailsOfThisDog = rowsOf('nails', 'circumstance', HOUSE_VALUE);
const nailCare = rowsOf('nails', 'default', COMMON_PRACTICE);
const teeth = rowsOf('teeth', 'default', COMMON_PRACTICE);

/** Brush-out by coat: salon usual, least, most; then home days and minutes. */
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

const feathered = trait('coat', 'long', 'curly', 'silky drop', 'long double', 'wire');
const doubleCoat = trait('coat', 'short double', 'long double');

/** Coat, feet, nails, rear, teeth. docs/trade.md: order of work, nails, skin and coat, between visits. */
export const COAT_RULES: readonly Rule[] = [
  ...BRUSH_BY_COAT.map(([coat, usual, least, most, every, minutes]) =>
    brush(
      `${coat} coat`,
      trait('coat', coat),
      `a ${coat} coat`,
      days(usual, least, most),
      home(every, minutes, 'brush to the skin'),
    ),
  ),
  rowsOf('brush-out', 'circumstance', HOUSE_VALUE)(
    'moult',
    all(trait('shedding', 'heavy'), inMonths('the moulting months', MOULTING_MONTHS)),
    'a heavy coat lets go in spring and autumn',
    days(21, 14, 35),
    home(2, 10, 'undercoat in the moult'),
  ),
  brushCare(
    'undercoat',
    doubleCoat,
    'dead undercoat holds heat and damp',
    method('Undercoat out with a rubber tool before the bath.'),
  ),
  brushCare(
    'keep the undercoat',
    minds('never clipped short'),
    'it may not grow back as it was',
    caution('Undercoat carries this coat: brushed out, not clipped short.'),
  ),
  brushCare(
    'stripped',
    minds('hand stripped'),
    'clipping softens a wire coat',
    caution('Ask whether it is hand stripped before a clipper touches it.'),
  ),
  brushCare('thin skin', minds('thin skin'), 'thin skin tears', caution('Soft brush, no pulling.')),
  brushCare('puppy', stage('puppy'), 'it learns that it is pleasant', method('A minute each time, a treat, stop.')),
  brushCare(
    'corded',
    trait('coat', 'corded'),
    'cords are never brushed out',
    bar('Corded coat: never brushed out. Cords parted by hand.'),
  ),
  brushCare(
    'bare',
    trait('coat', 'hairless'),
    'there is nothing to brush',
    bar('Bare skin: nothing to brush; tufts combed.'),
  ),

  mats(
    'matted now',
    coatIs('matted'),
    'the coat is matted now',
    caution(
      'Matted now: opened from the tip, or shaved with the owner’s word; the skin beneath is looked at and recorded.',
    ),
    home(1, 10, 'comb what is matted'),
  ),
  mats('dry', feathered, 'water tightens mats', caution('No water on mats: brushed or shaved out before the bath.')),
  mats('scissors', feathered, 'skin is pulled up into a mat', caution('Never scissors under a mat.')),
  mats('small', feathered, 'most open', method('Small and loose: splitter and fingers, then comb.')),
  mats(
    'to the skin',
    feathered,
    'the owner decides, the dog must not suffer',
    method('To the skin: shaved, with the owner’s word first; the skin beneath is recorded.'),
  ),

  pads('hairy', feathered, 'hair between the pads slips and mats', days(42, 21, 70)),
  padCare(
    'how',
    feathered,
    'a cut pad is slow to heal',
    method('Hair level with the pads, blade flat; between the toes only what sticks out. Look for seeds and redness.'),
  ),

  rear('hairy', feathered, 'soiling sticks', days(42, 21, 70)),
  rearCare(
    'how',
    feathered,
    'thin skin, many folds',
    method('Clipped clear under the tail, blade held off the skin; soiling combed out once wet.'),
  ),

  nails('usual', always, 'nails grow back in 3–6 weeks', days(28, 21, 42)),
  nailsOfThisDog(
    'hard ground',
    fact('walks on hard ground', (dog) => dog.hardGround),
    'hard ground wears toes down, sometimes enough; dewclaws never',
    days(28, 21, 70),
  ),
  nailsOfThisDog(
    'overgrown',
    fact('overgrown nails', (dog) => dog.nailsOvergrown),
    'short trims let the quick retreat',
    days(21, 14, 28),
  ),
  nailCare('dewclaws', always, 'they never wear', method('Dewclaws too; file the edges.')),
  nailCare('dark', always, 'the quick does not show', caution('On dark nails take tips only. Styptic powder at hand.')),
  nailCare(
    'clot',
    always,
    'a wet clot comes off',
    caution('Let a clot hold before wetting; bleeding past 15 minutes is for a vet.'),
  ),
  nailCare(
    'curled',
    fact('overgrown nails', (dog) => dog.nailsOvergrown),
    'it can grow into the flesh',
    method('Curled nails clipped from the side; tell the owner of a dewclaw against the skin.'),
  ),

  teeth('home', always, 'plaque sets in days', home(2, 2, 'brush the teeth')),
  teeth('human paste', always, 'it is swallowed', caution('Never human paste.')),
  teeth(
    'puppy',
    stage('puppy'),
    'started young it is a game',
    method('A finger and a taste, every day, some seconds.'),
  ),
  {
    ...teeth(
      'bones',
      always,
      'broken teeth, germs',
      caution('Chewing big raw bones is a school Dewpond does not support.'),
    ),
    source: HOUSE_VALUE,
  },
];
