import { COMMON_PRACTICE, HOUSE_VALUE, published } from '../provenance';
import { all, always, either, fact, flatFaced, foldIs, stage, trait } from './conditions';
import type { Rule } from './rule';
import { caution, days, home, keepsOff, method, rowsOf } from './row';

const eyes = rowsOf('eyes and face', 'default', HOUSE_VALUE);
const care = rowsOf('eyes and face', 'default', COMMON_PRACTICE);
const corners = rowsOf('eye corners', 'default', HOUSE_VALUE);
const cornerCare = rowsOf('eye corners', 'default', COMMON_PRACTICE);
const stains = rowsOf('tear stains', 'default', COMMON_PRACTICE);
const check = rowsOf('eye check', 'default', COMMON_PRACTICE);
const folds = rowsOf('fold care', 'default', HOUSE_VALUE);
const foldCare = rowsOf('fold care', 'default', COMMON_PRACTICE);
const nose = rowsOf('nose balm', 'default', COMMON_PRACTICE);

const tears = trait('tearing', 'some', 'constant');
/** Hair that grows into the eye. */
const hairyFace = trait('coat', 'long', 'curly', 'silky drop', 'wire');

/** Eyes, corners, stains, folds and nose. docs/trade.md: eyes and face, folds. */
export const FACE_RULES: readonly Rule[] = [
  eyes('dry face', trait('tearing', 'none'), 'no tearing', days(42, 14, 84)),
  eyes('some tearing', trait('tearing', 'some'), 'some tearing', days(28, 7, 56), home(3, 3, 'wipe below the eye')),
  eyes(
    'wet face',
    trait('tearing', 'constant'),
    'wet hair stains, then smells, then makes skin sore',
    days(21, 7, 42),
    home(1, 5, 'clean a wet face'),
  ),
  care(
    'vet once',
    all(
      tears,
      fact('no vet has seen why', (dog) => !dog.tearingSeenByVet),
    ),
    'causes of tearing only a vet can tell apart',
    caution('Every tearing dog is seen once by an eye vet before it is called normal.'),
  ),
  care('product', always, 'tears and crust only', { kind: 'product', product: 'eye and face cleaner' }),
  care(
    'crust',
    always,
    'dry crust holds on to the lid',
    method('Loosen with plain water and time, never pick it dry; a fine comb away from the eye, fingers last.'),
  ),
  care(
    'prominent',
    either(flatFaced, trait('eyeSet', 'prominent')),
    'the eye is easily hurt',
    caution('Scissors point away, tether never by the neck, no towel across the eye.'),
  ),
  {
    ...care(
      'ulcers',
      either(flatFaced, trait('eyeSet', 'prominent')),
      'these eyes are sore far more often',
      caution('Flat faces have sore eyes some eleven times as often: look at each eye every time.'),
    ),
    source: published("O'Neill et al. 2017, Canine Genetics and Epidemiology 4:5"),
  },
  care(
    'never near',
    always,
    'it burns',
    caution('No stain remover, alcohol or body shampoo near an eye.'),
    keepsOff([], 'alcohol', 'spirit', 'peroxide', 'bleach'),
  ),
  care(
    'smell',
    tears,
    'a smell means yeast in wet hair',
    method('A smell that stays: clean better, dry better, or change the product.'),
  ),

  cornerCare(
    'margin',
    hairyFace,
    'the lid is thin',
    caution('No clipper at the lid margin, no scissors pointed at the eye.'),
  ),
  corners(
    'clipped',
    all(
      hairyFace,
      fact('house way: clip', (dog) => dog.ways.eyeCorner === 'clip'),
    ),
    'short corner hair stays dry',
    days(28, 14, 42),
  ),
  cornerCare(
    'left',
    all(
      hairyFace,
      fact('house way: leave and clean', (dog) => dog.ways.eyeCorner === 'leave and clean'),
    ),
    'what is left must be kept clean',
    home(1, 2, 'comb the eye corner'),
  ),

  stains(
    'never',
    tears,
    'it burns, or it is a medicine',
    caution('No caustic or bleaching remover. Chews and creams against stains are for a vet only.'),
  ),
  stains(
    'how',
    tears,
    'stain follows wet',
    method('Wipes may take smell and leave stain: drying does more than any wipe.'),
  ),
  stains(
    'bowl',
    all(tears, trait('coat', 'long', 'silky drop', 'curly')),
    'long beards stay wet',
    method('A drinking bottle in place of a bowl can keep the face drier.'),
  ),

  check(
    'twice a year',
    either(flatFaced, tears),
    'twice-yearly checks are usual for flat-faced, tearing dogs',
    days(182, 150, 220),
  ),
  check('old eyes', stage('senior'), 'old eyes cloud and dry, and nobody sees it happen', days(182, 150, 220)),
  check(
    'who',
    either(flatFaced, tears),
    'only a vet sees behind the lid',
    method('Asked about at handover; the owner says when it was.'),
  ),

  folds('light', foldIs('light'), 'a light fold', days(35, 14, 70), home(3, 2, 'wipe a light fold')),
  folds('deep', foldIs('deep'), 'a deep fold holds water', days(21, 7, 42), home(2, 3, 'wipe a deep fold')),
  foldCare(
    'always dried',
    always,
    'damp folds turn sore',
    method('Lifted, against the lie of the hair, until clean; product wiped off; dried gently.'),
  ),
  foldCare('product', always, 'clean, dry, protect', { kind: 'product', product: 'fold care' }),
  foldCare('greasy', always, 'it traps moisture', caution('Nothing greasy on red skin. No stain remover in a fold.')),
  foldCare(
    'lick-safe',
    always,
    'it is licked off',
    caution('Lick-safe only: no zinc, no tea-tree, no xylitol.'),
    keepsOff([], 'zinc', 'tea tree', 'xylitol'),
  ),
  foldCare(
    'flinch',
    foldIs('deep'),
    'flinching is often the first sign',
    caution('A deep pocket can be sore far down while the surface looks fine: watch for a flinch.'),
  ),
  {
    ...foldCare(
      'odds',
      all(flatFaced, foldIs('deep')),
      'these folds are sore far more often',
      caution('Flat faces have sore folds many times as often: each one lifted, every time.'),
    ),
    source: published("O'Neill et al. 2022, Scientific Reports 12:10553"),
  },

  nose('flat', flatFaced, 'a flat nose dries out', home(3, 1, 'balm on the nose')),
  nose(
    'not red',
    flatFaced,
    'grease holds in what is wrong',
    caution('No balm on cracked, red or bleeding skin: tell the owner.'),
  ),
];
