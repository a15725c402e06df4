import { breed, type Breed } from './row';

/** Spitz and northern dogs. Values from memory of breed standards and common practice. */
export const SPITZ: readonly Breed[] = [
  breed('akita', 'Akita', [32, 59], ['short double, half, very dense, heavy', 'upright, none', 'middle, ordinary, none'], { also: ['American Akita'], mind: ['strong', 'wary', 'never clipped short'] }),
  breed('akita-inu', 'Akita Inu', [23, 41], ['short double, half, very dense, heavy', 'upright, none', 'middle, ordinary, none'], { mind: ['strong', 'wary', 'never clipped short'] }),
  breed('malamute', 'Alaskan Malamute', [34, 43], ['long double, half, very dense, heavy', 'upright, none', 'middle, ordinary, none'], { mind: ['strong', 'overheats', 'never clipped short'] }),
  breed('eskimo-dog', 'American Eskimo Dog', [3, 16], ['long double, half, very dense, heavy', 'upright, none', 'middle, ordinary, some'], { mind: ['never clipped short'] }),
  breed('chow', 'Chow Chow', [20, 32], ['long double, full, very dense, heavy', 'upright, none', 'short, ordinary, some'], { folds: { brow: 'light', lip: 'light' }, mind: ['overheats', 'wary', 'never clipped short'] }),
  breed('eurasier', 'Eurasier', [18, 32], ['long double, full, very dense, heavy', 'upright, none', 'middle, ordinary, none'], { mind: ['never clipped short', 'wary'] }),
  breed('finnish-lapphund', 'Finnish Lapphund', [15, 24], ['long double, full, very dense, heavy', 'upright, none', 'middle, ordinary, none'], { mind: ['never clipped short'] }),
  breed('finnish-spitz', 'Finnish Spitz', [7, 13], ['long double, half, very dense, heavy', 'upright, none', 'middle, ordinary, none'], { mind: ['never clipped short'] }),
  breed('german-spitz', 'German Spitz', [5, 11], ['long double, full, very dense, heavy', 'upright, none', 'middle, ordinary, none'], { also: ['Mittelspitz', 'Kleinspitz'], mind: ['never clipped short'] }),
  breed('icelandic', 'Icelandic Sheepdog', [9, 14], ['long double, half, very dense, heavy', 'upright, none', 'middle, ordinary, none'], { mind: ['never clipped short'] }),
  breed('japanese-spitz', 'Japanese Spitz', [5, 10], ['long double, full, very dense, heavy', 'upright, none', 'middle, ordinary, some'], { mind: ['never clipped short'] }),
  breed('keeshond', 'Keeshond', [14, 20], ['long double, full, very dense, heavy', 'upright, none', 'middle, ordinary, none'], { mind: ['never clipped short', 'overheats'] }),
  breed('klee-kai', 'Alaskan Klee Kai', [2, 10], ['short double, half, dense, heavy', 'upright, none', 'middle, ordinary, none'], { mind: ['wary', 'never clipped short'] }),
  breed('lundehund', 'Norwegian Lundehund', [6, 9], ['short double, short, dense, heavy', 'upright, none', 'middle, ordinary, none'], { why: 'Six toes and more: every nail is found and counted.' }),
  breed('pomeranian', 'Pomeranian', [1.4, 3.5], ['long double, full, very dense, heavy', 'upright, none', 'short, ordinary, some'], {
    also: ['Pom', 'Zwergspitz'],
    mind: ['fine bones', 'tender neck', 'never clipped short'],
    why: 'A coat clipped short may not grow back as it was: say so before.',
  }),
  breed('samoyed', 'Samoyed', [16, 30], ['long double, full, very dense, heavy', 'upright, none', 'middle, ordinary, none'], { mind: ['overheats', 'never clipped short'] }),
  breed('schipperke', 'Schipperke', [3, 9], ['short double, half, dense, ordinary', 'upright, none', 'middle, ordinary, none']),
  breed('shiba', 'Shiba Inu', [7, 11], ['short double, short, very dense, heavy', 'upright, none', 'middle, ordinary, none'], { also: ['Shiba'], mind: ['wary', 'never clipped short'] }),
  breed('husky', 'Siberian Husky', [16, 27], ['short double, half, very dense, heavy', 'upright, none', 'middle, ordinary, none'], { also: ['Husky'], mind: ['overheats', 'never clipped short'] }),
  breed('swedish-lapphund', 'Swedish Lapphund', [15, 21], ['long double, half, very dense, heavy', 'upright, none', 'middle, ordinary, none'], { mind: ['never clipped short'] }),
  breed('volpino', 'Volpino Italiano', [3, 6], ['long double, full, dense, heavy', 'upright, none', 'middle, ordinary, some'], { mind: ['never clipped short'] }),
];
