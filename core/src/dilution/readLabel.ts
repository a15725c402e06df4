import type Fraction from 'fraction.js';
import type { LabelRange } from './product';
import { plainPrint } from './label/numbers';
import { AskForDilution, FORMS, type Phrase, type PhraseContext, type RatioWay } from './label/phrases';
import { strengthOf, type Strength } from './strength';

/** One way to understand what is printed. */
export interface Reading {
  /** What it is mixed to unless someone says otherwise: the gentle end of a range. */
  readonly strength: Strength;
  /** From where to where it lets one go; null: one ratio only. */
  readonly range: LabelRange | null;
  /** "50 parts water to 1 part product, 51 in all" */
  readonly words: string;
}

/** What a printed label ratio says, or why a person has to decide. */
export type LabelReading =
  | { readonly kind: 'read'; readonly reading: Reading }
  /** Not to be diluted. */
  | { readonly kind: 'ready to use' }
  /** It can be read in more than one way: show the volumes of each. */
  | {
      readonly kind: 'ask which';
      /** The trade differs by habit, the business's first; where it is no habit a person must always say. */
      readonly byHabit: boolean;
      readonly readings: readonly [Reading, Reading, ...Reading[]];
    }
  /** A "%" that is the strength of an active substance and never a dilution; more product than water; strokes of a pump that is not calibrated. */
  | { readonly kind: 'ask for the dilution'; readonly why: string }
  | { readonly kind: 'unreadable'; readonly why: string };

export interface LabelContext {
  /** Medicated product: "%" then names the active substance. */
  readonly medicated: boolean;
  /** How this business reads "1:N". */
  readonly oneToN: 'N parts water' | 'N parts in all';
  /** Ml of one stroke of the product's pump, for labels printed in pumps. */
  readonly strokeMl?: number | null;
}

const HOUSE_CONTEXT: LabelContext = { medicated: false, oneToN: 'N parts water' };

const READY =
  /^(?:(?:is |use |used |apply )?(?:ready[ -](?:to|for)[ -]use|rtu|neat|undiluted|as (?:it )?is)|(?:do )?not (?:to be )?dilute[d]?|no dilution|never dilute)[ .!]*$/;
/** Words around a ratio that say nothing about it. */
const FILLER =
  /\b(?:dilution(?: ratio| rate)?|dilute[ds]?|ratio|concentrate[d]?|mix(?:es|ed)?|makes?|approx\.?|about|up to|max(?:imum)?\.?|use|at|with|water|product|shampoo|solution|v\/v|of|in|a|the|recommended)(?![a-z])|:/y;
/** Between two ratios that belong together, by purpose. */
const LINK = /(?:-|\bto\b|\bor\b|\band\b|\(|,|;)/y;

/**
 * Reads a ratio as printed on a product: "50:1", "1 in 50", "2 %", "1:50", "20 ml/l", "4 oz/gal", "10:1 to 32:1", "1 + 24",
 * "ready to use". Never throws; text it cannot read comes back as `unreadable` with the reason.
 * Source: common practice (docs/formulas.md, "Dilution"); the two readings of "1:N" differ by 2 % at 50 and 25 % at 4.
 * @example
 * readLabel('ready to use') // { kind: 'ready to use' }
 * readLabel('1 + 24').reading.words // '24 parts water to 1 part product, 25 in all'
 * readLabel('20 ml/l').readings.map(({ strength }) => showStrength(strength)) // ['50:1', '49:1']
 */
export function readLabel(printed: string, context: LabelContext = HOUSE_CONTEXT): LabelReading {
  const text = plainPrint(printed);
  if (READY.test(text)) return { kind: 'ready to use' };
  const unknown: LabelReading = {
    kind: 'unreadable',
    why: `"${printed.trim()}" is no ratio we know. Write it as 50:1, 1 in 50, 20 ml/l, 4 oz/gal or ready to use.`,
  };
  try {
    const { phrases, linked, strange } = scan(text, { oneToN: context.oneToN, strokeMl: context.strokeMl ?? null });
    const percent = phrases.some(({ form }) => form === 'percent');
    if (percent && (context.medicated || /\p{L}/u.test(strange))) return activeSubstance(text);
    if (strange !== '') return unknown;
    const [first, second] = phrases;
    if (!first || phrases.length > 2) return unknown;
    if (!second) return decide([first], first.byHabit);
    if (first.form === second.form && linked) return decide([joined(first, second)], first.byHabit && second.byHabit);
    return decide([first, second], false);
  } catch (error) {
    if (error instanceof AskForDilution) return { kind: 'ask for the dilution', why: error.message };
    return { kind: 'unreadable', why: (error as Error).message };
  }
}

interface Scanned {
  readonly phrases: readonly Phrase[];
  /** Something between the two says that they belong together. */
  readonly linked: boolean;
  /** What is neither ratio nor filler. */
  readonly strange: string;
}

/** Goes through the print from left to right; what is "for" something is left out. */
function scan(text: string, context: PhraseContext): Scanned {
  const phrases: Phrase[] = [];
  let linked = false;
  let strange = '';
  let at = 0;
  const take = (pattern: RegExp): RegExpExecArray | null => {
    pattern.lastIndex = at;
    const found = pattern.exec(text);
    if (found && found[0] !== '') at += found[0].length;
    return found;
  };
  while (at < text.length) {
    if (take(/[ .)]+|\bfor\b[^()]*/y)) continue;
    const form = FORMS.find(({ pattern }) => {
      pattern.lastIndex = at;
      return pattern.test(text);
    });
    const found = form && take(form.pattern);
    if (form && found) phrases.push(form.reads(found.groups ?? {}, context));
    else if (phrases.length > 0 && take(LINK)) linked = true;
    else if (!take(FILLER)) strange += text[at++] ?? '';
  }
  return { phrases, linked, strange };
}

/** "10:1 to 32:1", "1:10 or 1:20", "1:32 (1:16 for a dirty coat)": the ends of one range. */
function joined(a: Phrase, b: Phrase): Phrase {
  const [strong, weak] = (a.weak[0]?.water ?? 0) < (b.weak[0]?.water ?? 0) ? [a, b] : [b, a];
  return { ...a, strong: strong.strong, weak: weak.weak };
}

/** One reading, or a question. */
function decide(phrases: readonly Phrase[], byHabit: boolean): LabelReading {
  const all = phrases.flatMap(({ strong, weak }) =>
    weak.map((end, i) => {
      const start = strong[i] ?? end;
      return start.water.compare(end.water) <= 0 ? readingOf(start, end) : readingOf(end, start);
    }),
  );
  const readings = all.filter((each, i) => all.findIndex((other) => key(other) === key(each)) === i);
  const [first, second, ...more] = readings;
  if (!first) return { kind: 'unreadable', why: 'It says no ratio.' };
  if (second) return { kind: 'ask which', byHabit, readings: [first, second, ...more] };
  if (first.strength.water.compare(1) < 0)
    return { kind: 'ask for the dilution', why: 'Read as it stands it is more product than water. Say the dilution.' };
  return { kind: 'read', reading: first };
}

const key = ({ strength, range }: Reading): string =>
  `${range?.strongest.water.toFraction() ?? ''} ${strength.water.toFraction()}`;

function readingOf(strong: RatioWay, weak: RatioWay): Reading {
  const [strongest, weakest] = [strengthOf(strong.water), strengthOf(weak.water)];
  if (strong.water.equals(weak.water))
    return { strength: weakest, range: null, words: weak.words ?? inWords(weak.water) };
  return {
    strength: weakest,
    range: { strongest, weakest },
    words: `from ${strong.words ?? parts(strong.water)} to ${weak.words ?? parts(weak.water)}`,
  };
}

const show = (value: Fraction): string => String(Number(value.valueOf().toFixed(1)));
const parts = (water: Fraction): string => `${show(water)} parts water to 1 part product`;
const inWords = (water: Fraction): string => `${parts(water)}, ${show(water.add(1))} in all`;

const activeSubstance = (text: string): LabelReading => ({
  kind: 'ask for the dilution',
  why: `${/[\d.,]+(?:\s*-\s*[\d.,]+)?(?=\s*(?:%|per ?cent))/.exec(text)?.[0] ?? 'A number of'} % is the strength of the active substance, not a dilution. Take the dilution from the label or the vet.`,
});
