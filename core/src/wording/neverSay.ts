/** Words that name an illness, and words that name a medicine or a dose, by language; no sentence that ships holds one. */
const ILLNESS: Readonly<Record<string, RegExp>> = {
  en: /\b(infect\w*|otitis|dermatitis|pyoderma|mange|mites?|ringworm|fung\w*|yeast infection|conjunctivitis|glaucoma|cataract|entropion|ulcers?|abscess|tumou?rs?|cancer|haematoma|allerg\w*|disease|diagnos\w*|parasit\w*|bacteri\w*)\b/giu,
  es: /(?<!\p{L})(infecc\p{L}*|infectad\p{L}*|otitis|dermatitis|pioderm\p{L}*|sarna|ácaros?|tiña|hongos?|levaduras?|conjuntivitis|glaucoma|cataratas?|entropi[oó]n|úlceras?|abscesos?|tumor\p{L}*|cáncer|hematomas?|al[eé]rg\p{L}*|enfermedad\p{L}*|diagn[oó]s\p{L}*|parásit\p{L}*|bacteria\p{L}*)(?!\p{L})/giu,
};
const DOSE: Readonly<Record<string, RegExp>> = {
  en: /\b(mg|\d+(?:[.,]\d+)?\s*(?:ml|drops?)|dose|dosage|tablets?|antibiotic\w*|steroid\w*)\b/giu,
  es: /(?<!\p{L})(mg|\d+(?:[.,]\d+)?\s*(?:ml|gotas?)|dosis|comprimidos?|pastillas?|antibi[oó]tic\p{L}*|corticoides?|esteroides?)(?!\p{L})/giu,
};

/** What a text says that a groomer does not: the word, and what it is. */
export interface NotOurs {
  readonly word: string;
  readonly is: 'an illness' | 'a medicine or a dose';
}

/**
 * Every word of a text that names an illness, a medicine or a dose, each once. English is always looked for, besides the
 * language of the text (BCP 47).
 */
export function allNotOurs(text: string, language = 'en-GB'): readonly NotOurs[] {
  const [own = 'en'] = language.split('-');
  const found = new Map<string, NotOurs>();
  for (const each of new Set([own, 'en']))
    for (const [table, is] of TABLES)
      for (const [word] of text.matchAll(table[each] ?? NOTHING))
        if (!found.has(word.toLowerCase())) found.set(word.toLowerCase(), { word, is });
  return [...found.values()];
}
const TABLES = [
  [ILLNESS, 'an illness'],
  [DOSE, 'a medicine or a dose'],
] as const;
const NOTHING = /(?!)/gu;

/** The first of them; null where there is none. */
export const notOurs = (text: string, language?: string): NotOurs | null => allNotOurs(text, language)[0] ?? null;

/** Why a groomer would not say so, in one sentence. */
export const notOursWords = ({ word, is }: NotOurs): string => `“${word}” names ${is}: a groomer says what was seen.`;
