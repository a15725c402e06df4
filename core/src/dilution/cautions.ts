import { COMMON_PRACTICE, type Source } from '../provenance';

/** What a label warns of. Words are ours; the label and local rules go first. */
export const CAUTIONS = {
  eyes: { asks: 'Keep away from eyes', label: 'Not in eyes.' },
  ears: { asks: 'Keep out of the ear canal', label: 'Not in ears.' },
  'deep cleanser': { asks: 'Strong: for oily or very dirty coats only', label: 'Strong: not for tender skin.' },
  scented: { asks: 'Scented', label: 'Scented.' },
  'broken skin': { asks: 'Not on broken skin', label: 'Not on broken skin.' },
  'cats in the house': { asks: 'Harms cats: not for a dog that lives with one', label: 'Harms cats.' },
  'pregnancy of the user': {
    asks: 'Not handled while pregnant',
    label: 'Not to be handled by anyone who is pregnant.',
  },
} as const satisfies Record<string, { readonly asks: string; readonly label: string }>;

export type MixCaution = keyof typeof CAUTIONS;
export const ALL_CAUTIONS = Object.keys(CAUTIONS) as [MixCaution, ...MixCaution[]];

/** What every made-up mix bears, whatever the product warns of. */
export const OF_EVERY_MIX = 'Not to drink. Keep from children.';

/** One line for a bottle's label: what the product warns of, then what holds for every mix. */
export const hazardLine = (cautions: readonly MixCaution[]): string =>
  [...cautions.map((caution) => CAUTIONS[caution].label), OF_EVERY_MIX].join(' ');

export const CAUTION_SOURCE: Source = COMMON_PRACTICE;

/** Lower case, no accents, no plural s: "Oats" and "oat" are one. */
const plain = (words: string): string[] =>
  words
    .normalize('NFD')
    .replaceAll(/\p{M}/gu, '')
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter((word) => word.length > 2)
    .map((word) => (word.length > 3 && word.endsWith('s') ? word.slice(0, -1) : word));

/**
 * Ingredients of a product that a dog is to be kept from: every word of what to avoid stands in one ingredient.
 * `avoid` holds words as said by a vet or an owner ("tea tree", "oats"). Empty when nothing matches, which is no
 * proof: labels name one thing in several ways, so the label itself is read, too.
 */
export function clashing(ingredients: readonly string[], avoid: readonly string[]): string[] {
  const wanted = avoid.map(plain).filter((words) => words.length > 0);
  return ingredients.filter((each) => {
    const has = new Set(plain(each));
    return wanted.some((words) => words.every((word) => has.has(word)));
  });
}
