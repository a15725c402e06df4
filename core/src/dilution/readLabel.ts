import Fraction from 'fraction.js';
import { strengthOf, type Strength } from './strength';

/** One way to understand what is printed. */
export interface Reading {
  readonly strength: Strength;
  /** "50 parts water to 1 part product, 51 in all" */
  readonly words: string;
}

/** What a printed label ratio says, or why a person has to decide. */
export type LabelReading =
  | { readonly kind: 'read'; readonly reading: Reading }
  /** Not to be diluted. */
  | { readonly kind: 'ready to use' }
  /** The trade reads this both ways: show both volumes, the house's habit first. */
  | { readonly kind: 'ask which'; readonly readings: readonly [Reading, Reading] }
  /** From the strongest to the weakest, by purpose. */
  | { readonly kind: 'range'; readonly strongest: Reading; readonly weakest: Reading }
  /** A "%" that is the strength of an active substance and never a dilution. */
  | { readonly kind: 'ask for the dilution'; readonly why: string }
  | { readonly kind: 'unreadable'; readonly why: string };

export interface LabelContext {
  /** Medicated product: "%" then names the active substance. */
  readonly medicated: boolean;
  /** How this house reads "1:N". */
  readonly oneToN: 'N parts water' | 'N parts in all';
}

const HOUSE_CONTEXT: LabelContext = { medicated: false, oneToN: 'N parts water' };

const NUMBER = String.raw`(\d{1,5}(?:[.,]\d{1,3})?)`;
const PATTERN = {
  colon: new RegExp(`^${NUMBER}\\s*(?::|to|/)\\s*${NUMBER}$`),
  oneIn: new RegExp(`^1\\s*(?:part\\s*)?in\\s*${NUMBER}$`),
  percent: new RegExp(`^${NUMBER}\\s*(?:%|per ?cent)(.*)$`),
  perLitre: new RegExp(`^${NUMBER}\\s*ml\\s*(?:/|per|to a|in a)\\s*(?:l|litre|liter)$`),
};

const number = (text: string): Fraction => new Fraction(text.replace(',', '.'));

/**
 * Reads a ratio as printed on a product: "50:1", "50 to 1", "1 in 50", "2 %", "1:50", "20 ml/l", "10:1 to 32:1", "ready to use".
 * Never throws; text it cannot read comes back as `unreadable` with the reason.
 * Source: common practice (handbook on dilution); the two readings of "1:N" differ by 2 % at 50 and 25 % at 4.
 */
export function readLabel(printed: string, context: LabelContext = HOUSE_CONTEXT): LabelReading {
  const text = printed.trim().toLowerCase().replaceAll(/\s+/g, ' ');
  const range = readRange(text, context);
  if (range) return range;
  if (/^(ready[ -]to[ -]use|rtu|do not dilute|undiluted)$/.test(text)) return { kind: 'ready to use' };
  try {
    return (
      readPercent(text, context) ??
      readOneIn(text) ??
      readPerLitre(text) ??
      readColon(text, context) ?? {
        kind: 'unreadable',
        why: `"${printed.trim()}" is no ratio we know. Write it as 50:1, 1 in 50, 2 %, 20 ml/l or ready to use.`,
      }
    );
  } catch (error) {
    return { kind: 'unreadable', why: (error as Error).message };
  }
}

/** "10:1 to 32:1", "1 in 10 - 1 in 32": both ends are ratios of their own. */
function readRange(text: string, context: LabelContext): LabelReading | undefined {
  const ends = text.split(/\s*(?:\bto\b|[-–—])\s*/);
  if (ends.length !== 2 || !ends.every((end) => /:|\bin\b|%/.test(end))) return undefined;
  const read = ends.map((end) => readLabel(end, context));
  const unread = read.find((each) => each.kind === 'unreadable' || each.kind === 'ask for the dilution');
  if (unread) return unread;
  const readings = read.flatMap((each) =>
    each.kind === 'read' ? [each.reading] : each.kind === 'ask which' ? [each.readings[0]] : [],
  );
  const [strongest, weakest] = readings.toSorted((a, b) => a.strength.water.compare(b.strength.water));
  return strongest && weakest ? { kind: 'range', strongest, weakest } : undefined;
}

function readPercent(text: string, context: LabelContext): LabelReading | undefined {
  const match = PATTERN.percent.exec(text);
  if (!match) return undefined;
  const [, amount = '', rest = ''] = match;
  const besideAName = /[a-z]{3}/.test(rest.replaceAll(/product|shampoo|solution|dilution|mix/g, ''));
  if (context.medicated || besideAName) {
    return {
      kind: 'ask for the dilution',
      why: `${amount} % is the strength of the active substance, not a dilution. Take the dilution from the label or the vet.`,
    };
  }
  return { kind: 'read', reading: reading(new Fraction(100).div(number(amount)).sub(1)) };
}

function readOneIn(text: string): LabelReading | undefined {
  const match = PATTERN.oneIn.exec(text);
  return match?.[1] ? { kind: 'read', reading: reading(number(match[1]).sub(1)) } : undefined;
}

function readPerLitre(text: string): LabelReading | undefined {
  const match = PATTERN.perLitre.exec(text);
  if (!match?.[1]) return undefined;
  const perLitre = new Fraction(1000).div(number(match[1]));
  return {
    kind: 'ask which',
    readings: [
      reading(perLitre, `${match[1]} ml in a litre of water`),
      reading(perLitre.sub(1), `${match[1]} ml in a litre of mix`),
    ],
  };
}

function readColon(text: string, context: LabelContext): LabelReading | undefined {
  const match = PATTERN.colon.exec(text);
  if (!match?.[1] || !match[2]) return undefined;
  const [first, second] = [number(match[1]), number(match[2])];
  if (first.equals(0) || second.equals(0)) {
    return { kind: 'unreadable', why: `"${text}" has a zero in it; a dilution has some of each.` };
  }
  if (second.equals(1)) return { kind: 'read', reading: reading(first) };
  if (!first.equals(1)) return { kind: 'read', reading: reading(first.div(second)) };
  const asWater = reading(second);
  const inAll = reading(second.sub(1));
  return {
    kind: 'ask which',
    readings: context.oneToN === 'N parts water' ? [asWater, inAll] : [inAll, asWater],
  };
}

function reading(water: Fraction, words?: string): Reading {
  const strength = strengthOf(water);
  const show = (parts: Fraction) => String(Number(parts.valueOf().toFixed(1)));
  return {
    strength,
    words: words ?? `${show(water)} parts water to 1 part product, ${show(water.add(1))} in all`,
  };
}
