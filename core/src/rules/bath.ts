import { COMMON_PRACTICE, HOUSE_VALUE, published } from '../provenance';
import { daysBetween } from '../units';
import {
  all,
  always,
  chilly,
  coatIs,
  either,
  fact,
  flatFaced,
  minds,
  not,
  skin,
  stage,
  trait,
  vetNamed,
} from './conditions';
import type { Rule } from './rule';
import { bar, beforeWater, caution, days, keepsOff, method, rowsOf } from './row';

const bath = rowsOf('bath', 'default', HOUSE_VALUE);
const safe = rowsOf('bath', 'safety', COMMON_PRACTICE);
const care = rowsOf('bath', 'default', COMMON_PRACTICE);
const second = rowsOf('second wash', 'default', COMMON_PRACTICE);
const conditioner = rowsOf('conditioner', 'safety', COMMON_PRACTICE);
const face = rowsOf('face wash', 'default', COMMON_PRACTICE);
const dry = rowsOf('drying', 'default', COMMON_PRACTICE);
const drySafe = rowsOf('drying', 'safety', COMMON_PRACTICE);

/** Bath intervals by coat: usual, least, most, in days. Full visits every 3–8 weeks. */
const BY_COAT = [
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

const OVERHEATS = either(flatFaced, trait('coatDensity', 'very dense'), minds('overheats'));

/** What skin that reacts, young, old or dry skin never gets; the rest of what a label names is for a person to read. */
const HARSH = keepsOff(['deep cleanser', 'scented'], 'tea tree', 'perfume', 'parfum', 'fragrance');

/** A spot-on may wash off for about so many days either side; the label says first. */
export const SPOT_ON_DAYS = 2;

/** Bath, washes, conditioner, face and drying. docs/trade.md: bath, order of work, dryers. */
export const BATH_RULES: readonly Rule[] = [
  ...BY_COAT.map(([coat, usual, least, most]) =>
    bath(`${coat} coat`, trait('coat', coat), `a ${coat} coat between full visits`, days(usual, least, most)),
  ),
  bath('water', always, 'skin warm, not hot', method('Lukewarm: 35–38 °C, tried on your own wrist.')),
  care('product', always, 'the house wash', { kind: 'product', product: 'cleansing' }),
  care('circuit', always, 'no place is forgotten', method('Running water, never a standing tub; one fixed circuit.')),
  care(
    'fingertips',
    always,
    'hands find what eyes miss',
    method('Fingertips, not nails; feel for lumps, scabs, sores.'),
  ),
  care(
    'never neat',
    always,
    'it irritates, rinses badly and wastes money',
    caution('Never neat: mixed as the label says.'),
  ),
  {
    ...care('ph', always, 'dog skin is near neutral, ours is acid', caution('Only products made for dogs.')),
    source: published('Matousek & Campbell 2002, Veterinary Dermatology 13:293'),
  },
  care(
    'sensitive',
    skin('sensitive', 'allergic'),
    'skin that reacts',
    caution('Gentle product, no scent, rinse until nothing bubbles.'),
    HARSH,
  ),
  safe(
    'under treatment',
    skin('under treatment'),
    'skin under treatment gets only what its vet says',
    caution("Only the vet's product. No conditioner, no scent, no extras."),
    HARSH,
  ),
  care(
    'flat face',
    all(flatFaced, not(chilly)),
    'breathing is tight',
    beforeWater('Flat face: cooler water, no spray at the nose.'),
  ),
  care(
    'flat face that chills',
    all(flatFaced, chilly),
    'breathing is tight, and it chills',
    beforeWater('Flat face that chills: lukewarm, not cool and not hot; no spray at the nose.'),
  ),
  care(
    'chills',
    chilly,
    'it loses warmth quickly',
    beforeWater('Chills quickly: warm room, no cool water, towelled and dried at once.'),
  ),
  care('puppy', stage('puppy'), 'young dogs tire', beforeWater('Short stay, stop while it is still fun.'), HARSH),
  care('senior', stage('senior'), 'old dogs tire', beforeWater('Short stay, breaks.'), HARSH),
  care('dry coat', coatIs('dry'), 'dry skin itches', caution('Dry coat now: gentle product, no scent.'), HARSH),
  care(
    'lying',
    fact('cannot stand through a bath', (dog) => !dog.canStandThroughBath),
    'it cannot stand through a bath',
    beforeWater('Lying on a mat, in parts, towel-dry, with breaks. Never made to stand by hands under the belly.'),
  ),
  care(
    'small belly',
    fact('up to 10 kg', (dog) => dog.weight <= 10),
    'the belly hides product',
    method('Lifted to rinse the belly.'),
  ),
  care('folded skin', minds('tight breathing'), 'it must breathe', beforeWater('Harness, no closed muzzle, breaks.')),
  care(
    'tender neck',
    minds('tender neck'),
    'the neck is easily hurt',
    beforeWater('Tethered by a harness, never by the neck.'),
  ),
  care('long back', minds('long back'), 'a long back is easily hurt', beforeWater('Lifted level, the rear held.')),
  care(
    'fine bones',
    minds('fine bones'),
    'fine bones break',
    beforeWater('Lifted with both arms, never left to jump.'),
  ),
  care('strong', minds('strong'), 'one slip is enough', beforeWater('A helper near, non-slip under all four feet.')),
  care(
    'wary',
    minds('wary'),
    'strangers frighten it',
    beforeWater('Voice and time first, the same person where it can be.'),
  ),
  safe(
    'stitches',
    fact('fresh stitches', (dog) => dog.fitness.stitches),
    'fresh stitches stay dry',
    bar('Fresh stitches: no bath until the vet agrees.'),
  ),
  care(
    'spot-on',
    fact(
      'a spot-on within two days',
      ({ fitness, today }) => fitness.spotOn !== null && Math.abs(daysBetween(fitness.spotOn, today)) <= SPOT_ON_DAYS,
    ),
    'it may wash off',
    beforeWater('Spot-on within two days: it may wash off. Ask the owner, read its label, or wait.'),
  ),
  care(
    'fits',
    fact('fits', (dog) => dog.fitness.fits),
    'fright and heat bring fits on',
    beforeWater('Has fits: calm, not hot, never alone, the vet’s number at hand.'),
  ),
  care(
    'heart',
    fact('a heart condition', (dog) => dog.fitness.heart),
    'effort tires it',
    beforeWater('Heart: short stay, no struggle; grey or blue gums end the visit.'),
  ),
  care(
    'in season',
    fact('in season', (dog) => dog.fitness.inSeason),
    'other dogs notice',
    beforeWater('In season: kept apart, own towels.'),
  ),

  second(
    'half',
    always,
    'the first is for dirt, the second for coat and skin',
    method('About half the product of the first.'),
  ),
  second(
    'feet',
    always,
    'dirt sits deepest there',
    method('Armpits, belly, between toes, behind the ears, lips, under the tail.'),
  ),
  conditioner(
    'treated skin',
    all(skin('under treatment'), not(vetNamed('conditioner'))),
    'on treated skin only by the vet’s word',
    bar('No conditioner on treated skin unless the vet’s instruction says so.'),
  ),
  rowsOf('conditioner', 'default', COMMON_PRACTICE)(
    'dry coat',
    coatIs('dry'),
    'a dry coat breaks and mats',
    caution('A dry coat now: conditioner helps, rinsed well, where the business gives it.'),
  ),
  rowsOf('second wash', 'default', COMMON_PRACTICE)(
    'oily coat',
    coatIs('oily'),
    'grease keeps water and product off the skin',
    caution('An oily coat now: two washes, the second until it lathers.'),
  ),
  rowsOf('conditioner', 'default', COMMON_PRACTICE)(
    'how',
    always,
    'it coats evenly',
    method('Spread on the hands first; about five minutes under a towel; rinsed.'),
    { kind: 'product', product: 'conditioner' },
  ),
  face(
    'product',
    always,
    'it is licked up and it burns',
    { kind: 'product', product: 'face' },
    caution('Body shampoo stays off the face.'),
  ),
  face(
    'how',
    always,
    'water runs away from the eye',
    method('Head tipped down, from behind, fingers over the eye; water to the cheek.'),
  ),
  face('flat face', flatFaced, 'water runs into a flat nose', caution('No spray at a flat nose.')),

  dry('towels', always, 'rubbing makes mats', method('Squeeze legs, tail and belly; press with towels, never rub.')),
  dry(
    'places',
    always,
    'damp places turn sore',
    method('Checked place by place: face, ears, armpits, belly, paws, rear, folds.'),
  ),
  drySafe(
    'never',
    always,
    'heat and noise hurt',
    caution('No heated air on a caged dog; no high-velocity air at face or ears.'),
  ),
  drySafe('cool', all(OVERHEATS, not(chilly)), 'it overheats easily', caution('Cool air, and watched.')),
  drySafe(
    'cool, and it chills',
    all(OVERHEATS, chilly),
    'it overheats easily, and it chills',
    caution('Barely warm air, kept moving, and watched: not cold, not hot.'),
  ),
  dry('chills', chilly, 'it chills', caution('Warm room, towelled and dried at once, no rest in wet towels.')),
  dry('thin skin', minds('thin skin'), 'thin skin burns', caution('Low heat, the nozzle kept moving and away.')),
  dry(
    'corded',
    trait('coat', 'corded'),
    'damp cords sour',
    method('Cords pressed one by one, then hours of moving air; felt to the root.'),
  ),
  dry(
    'dense',
    all(trait('coatDensity', 'dense', 'very dense'), trait('coat', 'long double', 'short double')),
    'damp undercoat smells and mats',
    method('Parted and dried to the skin.'),
  ),
  dry(
    'breathless',
    fact('a heart condition or fits', ({ fitness }) => fitness.heart || fitness.fits),
    'noise and heat',
    caution('Towels first, the quietest dryer, breaks.'),
  ),
];
