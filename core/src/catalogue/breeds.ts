import type { Traits } from './traits';

/** Published odds of ear-canal inflammation against crossbreds, O'Neill et al. 2021, Canine Medicine and Genetics 8:7. */
type EarOdds = number;

export interface Breed {
  readonly id: string;
  readonly name: string;
  readonly alsoCalled: readonly string[];
  /** Usual adult weight, kg, both sexes. From memory of breed standards. */
  readonly weightKg: readonly [least: number, most: number];
  readonly traits: Traits;
  readonly earOdds?: EarOdds;
}

const breed = (
  id: string,
  name: string,
  weightKg: readonly [number, number],
  traits: Traits,
  more: { readonly alsoCalled?: readonly string[]; readonly earOdds?: EarOdds } = {},
): Breed => ({ id, name, alsoCalled: [], weightKg, traits, ...more });

/**
 * The breeds of the first slice. Values are from memory of breed standards and common practice; the dog on the
 * table has the last word.
 */
export const BREEDS: readonly Breed[] = [
  breed(
    'basset',
    'Basset Hound',
    [20, 29],
    {
      coat: 'smooth',
      coatLength: 'short',
      coatDensity: 'ordinary',
      ears: 'long hanging',
      canalHair: 'none',
      muzzle: 'long',
      eyeSet: 'ordinary',
      tearing: 'some',
      folds: { lip: 'deep', neck: 'light' },
    },
    { earOdds: 5.87 },
  ),
  breed(
    'beagle',
    'Beagle',
    [9, 16],
    {
      coat: 'short double',
      coatLength: 'short',
      coatDensity: 'ordinary',
      ears: 'long hanging',
      canalHair: 'none',
      muzzle: 'middle',
      eyeSet: 'ordinary',
      tearing: 'none',
      folds: {},
    },
    { earOdds: 2.54 },
  ),
  breed('border-collie', 'Border Collie', [14, 20], {
    coat: 'long double',
    coatLength: 'full',
    coatDensity: 'dense',
    ears: 'tipped',
    canalHair: 'none',
    muzzle: 'middle',
    eyeSet: 'ordinary',
    tearing: 'none',
    folds: {},
  }),
  breed(
    'english-bulldog',
    'English Bulldog',
    [20, 26],
    {
      coat: 'smooth',
      coatLength: 'short',
      coatDensity: 'ordinary',
      ears: 'folded',
      canalHair: 'none',
      muzzle: 'flat',
      eyeSet: 'prominent',
      tearing: 'some',
      folds: { nose: 'deep', pocket: 'deep', lip: 'deep', tail: 'deep' },
    },
    { alsoCalled: ['Bulldog'] },
  ),
  breed(
    'cocker',
    'English Cocker Spaniel',
    [12, 16],
    {
      coat: 'silky drop',
      coatLength: 'half',
      coatDensity: 'ordinary',
      ears: 'long hanging',
      canalHair: 'sparse',
      muzzle: 'middle',
      eyeSet: 'ordinary',
      tearing: 'some',
      folds: { lip: 'light' },
    },
    { alsoCalled: ['Cocker'] },
  ),
  breed(
    'german-shepherd',
    'German Shepherd Dog',
    [22, 40],
    {
      coat: 'short double',
      coatLength: 'half',
      coatDensity: 'dense',
      ears: 'upright',
      canalHair: 'none',
      muzzle: 'long',
      eyeSet: 'ordinary',
      tearing: 'none',
      folds: {},
    },
    { alsoCalled: ['Alsatian'] },
  ),
  breed(
    'golden',
    'Golden Retriever',
    [25, 34],
    {
      coat: 'long double',
      coatLength: 'half',
      coatDensity: 'dense',
      ears: 'hanging',
      canalHair: 'none',
      muzzle: 'middle',
      eyeSet: 'ordinary',
      tearing: 'none',
      folds: {},
    },
    { earOdds: 2.23 },
  ),
  breed('lagotto', 'Lagotto Romagnolo', [11, 16], {
    coat: 'curly',
    coatLength: 'half',
    coatDensity: 'dense',
    ears: 'hanging',
    canalHair: 'dense',
    muzzle: 'middle',
    eyeSet: 'ordinary',
    tearing: 'none',
    folds: {},
  }),
  breed('miniature-schnauzer', 'Miniature Schnauzer', [5, 9], {
    coat: 'wire',
    coatLength: 'half',
    coatDensity: 'dense',
    ears: 'folded',
    canalHair: 'dense',
    muzzle: 'middle',
    eyeSet: 'ordinary',
    tearing: 'none',
    folds: {},
  }),
  breed('poodle-miniature', 'Miniature Poodle', [5, 9], {
    coat: 'curly',
    coatLength: 'half',
    coatDensity: 'dense',
    ears: 'hanging',
    canalHair: 'dense',
    muzzle: 'long',
    eyeSet: 'ordinary',
    tearing: 'some',
    folds: {},
  }),
  breed('poodle-standard', 'Standard Poodle', [18, 32], {
    coat: 'curly',
    coatLength: 'half',
    coatDensity: 'dense',
    ears: 'hanging',
    canalHair: 'dense',
    muzzle: 'long',
    eyeSet: 'ordinary',
    tearing: 'none',
    folds: {},
  }),
  breed('pug', 'Pug', [6, 9], {
    coat: 'smooth',
    coatLength: 'short',
    coatDensity: 'dense',
    ears: 'folded',
    canalHair: 'none',
    muzzle: 'flat',
    eyeSet: 'prominent',
    tearing: 'some',
    folds: { nose: 'deep', pocket: 'deep', tail: 'light' },
  }),
  breed(
    'shar-pei',
    'Shar Pei',
    [18, 27],
    {
      coat: 'smooth',
      coatLength: 'short',
      coatDensity: 'ordinary',
      ears: 'folded',
      canalHair: 'none',
      muzzle: 'middle',
      eyeSet: 'ordinary',
      tearing: 'some',
      folds: { brow: 'deep', lip: 'deep', neck: 'deep', tail: 'light' },
    },
    { earOdds: 3.44 },
  ),
  breed('shih-tzu', 'Shih Tzu', [4, 8], {
    coat: 'long',
    coatLength: 'half',
    coatDensity: 'dense',
    ears: 'hanging',
    canalHair: 'dense',
    muzzle: 'flat',
    eyeSet: 'prominent',
    tearing: 'constant',
    folds: { nose: 'light', pocket: 'light' },
  }),
  breed('whippet', 'Whippet', [9, 18], {
    coat: 'smooth',
    coatLength: 'short',
    coatDensity: 'thin',
    ears: 'folded',
    canalHair: 'none',
    muzzle: 'long',
    eyeSet: 'ordinary',
    tearing: 'none',
    folds: {},
  }),
  breed(
    'labradoodle',
    'Labradoodle',
    [20, 32],
    {
      coat: 'curly',
      coatLength: 'half',
      coatDensity: 'dense',
      ears: 'hanging',
      canalHair: 'dense',
      muzzle: 'middle',
      eyeSet: 'ordinary',
      tearing: 'none',
      folds: {},
    },
    { earOdds: 2.95 },
  ),
];

/** The breed with this id, or undefined. */
export const findBreed = (id: string): Breed | undefined => BREEDS.find((each) => each.id === id);
