import { COMMON_PRACTICE, HOUSE_VALUE, published } from '../provenance';
import { all, always, either, fact, hairInEar, inMonths, minds, stage, trait, way } from './conditions';
import type { Rule, Then } from './rule';
import { caution, days, home, keepsOff, method, rowsOf } from './row';

const ears = rowsOf('ear cleaning', 'default', HOUSE_VALUE);
const care = rowsOf('ear cleaning', 'default', COMMON_PRACTICE);
const hair = rowsOf('ear hair', 'default', COMMON_PRACTICE);
const flaps = rowsOf('ear flaps', 'default', HOUSE_VALUE);
const inspect = rowsOf('ear inspection', 'default', COMMON_PRACTICE);

const haired = hairInEar('sparse', 'dense');
const upright = trait('ears', 'upright', 'tipped');
const hanging = trait('ears', 'folded', 'hanging', 'long hanging');
const hairyFlap = all(hanging, trait('coat', 'silky drop', 'long', 'curly'));
const ODDS = "O'Neill et al. 2021, Canine Medicine and Genetics 8:7";

/** How often ears are looked into at home, days, before odds are weighed [common practice: weekly]. */
export const INSPECT_EVERY = 7;
/** A published odds ratio moves an inspection interval by odds^(−1/4) [house value]. */
export const oddsShare = (odds: number): number => odds ** -0.25;
/** Months in which a swimmer swims [house value]. */
const SWIMMING_MONTHS = [5, 6, 7, 8, 9];

const inspectEvery = (everyDays: number): Then => home(everyDays, 1, 'look into the ears');

/** Ears: cleaning, hair, flaps, looking. docs/trade.md: ears. */
export const EAR_RULES: readonly Rule[] = [
  ears('upright, no hair', all(upright, hairInEar('none')), 'upright ears without hair air well', days(42, 14, 84)),
  ears('upright, hair', all(upright, haired), 'hair in the canal holds wax', days(35, 14, 70)),
  ears(
    'folded or hanging, no dense hair',
    all(hanging, hairInEar('none', 'sparse')),
    'covered ears stay damp',
    days(28, 10, 56),
  ),
  ears('hanging, dense hair', all(hanging, hairInEar('dense')), 'covered and hairy ears stay dampest', days(21, 7, 42)),
  rowsOf('ear cleaning', 'circumstance', HOUSE_VALUE)(
    'swims in summer',
    all(
      fact('swims', (dog) => dog.swims),
      inMonths('the swimming months', SWIMMING_MONTHS),
    ),
    'water stays in the canal',
    days(14, 7, 21),
  ),
  care(
    'swims',
    fact('swims', (dog) => dog.swims),
    'water stays in the canal',
    caution('Dry the ears after every swim.'),
  ),
  care(
    'wiped at home',
    all(hanging, way('earsAtHome', 'wipe')),
    'covered ears stay damp between visits',
    home(10, 3, 'wipe the outer ear'),
  ),
  care(
    'wiped at home, hairy',
    all(hanging, haired, way('earsAtHome', 'wipe')),
    'covered and hairy ears stay dampest',
    home(7, 3, 'wipe the outer ear'),
  ),
  care('product', always, 'a drying cleaner made for dogs', { kind: 'product', product: 'ear cleaner' }),
  care(
    'no spirit',
    way('alcohol', 'avoided'),
    'it stings',
    keepsOff([], 'alcohol', 'ethanol', 'isopropanol', 'spirit'),
  ),
  care(
    'look first',
    always,
    'trouble found late is worse',
    method('Look and smell before anything wet. Flap up and away straightens the canal.'),
  ),
  care('clean ear', always, 'over-cleaning dries the skin', caution('A dry, pink ear without smell is wiped only.')),
  care(
    'wipe',
    always,
    'that is the measure of the ear',
    method('Fresh cotton each time until one comes out clean; the dirty ones are counted.'),
  ),
  care(
    'base',
    always,
    'dirt sits in the inner arm',
    method('Massage the base of the ear in upward circles, below the level of the eye. You may hear the liquid move.'),
  ),
  care('warm', always, 'cold liquid is what dogs mind', method('Warm the bottle in the hand.')),
  care(
    'clean hands',
    always,
    'what one ear has the next must not get',
    method('Fresh cotton for each ear, gloves; nozzle wiped between ears and dogs.'),
  ),
  care(
    'swabs',
    always,
    'a dog jerks, the drum tears, and wax is pushed deeper',
    caution('Swabs on the visible outer flap only, each end once.'),
  ),
  care('depth', always, 'the canal bends out of sight', caution('Light pressure, only as deep as the eye sees.')),
  care(
    'after',
    always,
    'the owner will wonder',
    method('Shaking for some hours is normal, past a day it is not; redness from handling fades in one to two hours.'),
  ),
  care(
    'puppy',
    stage('puppy'),
    'young ears learn that it is pleasant',
    method('Few drops, a taste to lick, stop before it has had enough.'),
  ),
  care(
    'senior',
    stage('senior'),
    'wax grows runnier with age',
    method('Expect runnier wax; more pads, not more liquid.'),
  ),
  care(
    'trouble before',
    fact('ear trouble in the past', (dog) => dog.earTrouble !== 'none'),
    'a vet has chosen for this ear before',
    caution('Ear trouble before: ask the vet which cleaner.'),
  ),
  care(
    'heavy flaps',
    minds('heavy ears'),
    'tips hang into bowl and mud',
    method('Flap tips and inner hair washed in the bath, dried to the root.'),
  ),

  hair(
    'never',
    always,
    'it inflames',
    caution('Never a red, sore, wet or smelly ear; never where hair is only at the flap.'),
  ),
  hair('how', always, 'less pain', method('Small tufts, skin held still. Enough is when air and cleaner get in.')),
  hair(
    'young',
    stage('puppy'),
    'it learns that it is nothing to fear',
    method('Start young: a few hairs, a taste, stop.'),
  ),

  flaps('hairy', hairyFlap, 'heavy hair on the flap keeps the ear shut', days(42, 21, 70)),
  rowsOf('ear flaps', 'default', COMMON_PRACTICE)(
    'how',
    hairyFlap,
    'it airs',
    method('Inside of the flap clipped short, the edge held between two fingers.'),
  ),
  rowsOf('ear flaps', 'default', COMMON_PRACTICE)(
    'swollen',
    hairyFlap,
    'long-matted flaps can swell with blood when freed',
    caution('Matted flap: warn the owner, look again after an hour.'),
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
  {
    ...inspect(
      'carriage',
      all(
        hanging,
        fact('no published odds of its own', (dog) => dog.earOdds === null),
      ),
      'hanging ears are in trouble more often than upright ones',
      caution('Covered ears are in trouble nearly twice as often as upright ones: look, do not clean more.'),
    ),
    source: published(ODDS),
  },
  inspect(
    'grass seeds',
    either(inMonths('the dog’s grass-seed months', null)),
    'a seed works inwards within hours',
    home(1, 2, 'look for seeds'),
  ),
  inspect(
    'swims',
    fact('swims', (dog) => dog.swims),
    'water starts it',
    home(3, 1, 'dry after a swim'),
  ),
];
