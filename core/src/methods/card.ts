import type { Task } from '../tasks';
import { COMMON_PRACTICE, HOUSE_VALUE, published, type Source, type Sourced } from '../provenance';

/** Drawings that a card may show; the screen draws them. */
export const DRAWINGS = [
  'ear look',
  'ear section',
  'ear swab',
  'ear hair',
  'eye corner',
  'face wash',
  'fold section',
  'nail and quick',
  'dewclaw',
  'wetting path',
  'contact',
  'towel press',
  'mat',
  'pads',
  'rear',
  'teeth',
] as const;
export type Drawing = (typeof DRAWINGS)[number];

/** How one piece of work is done, for the hand that does it and for an owner who does a part of it at home. */
export interface MethodCard {
  readonly id: string;
  readonly title: string;
  /** Tasks of the plan it belongs to. */
  readonly tasks: readonly Task[];
  readonly drawings: readonly Drawing[];
  /** What lies within reach before it begins. */
  readonly needs: readonly string[];
  readonly steps: readonly Sourced[];
  readonly never: readonly Sourced[];
  /** Stop and look again, or ring. */
  readonly stops: readonly Sourced[];
  /** Enough is when … */
  readonly enough: string;
}

/** Plain sentences are common practice; a pair names another source. */
type Line = string | readonly [words: string, source: Source];
const sourced = (lines: readonly Line[]): Sourced[] =>
  lines.map((line) =>
    typeof line === 'string' ? { words: line, source: COMMON_PRACTICE } : { words: line[0], source: line[1] },
  );

export const house = (words: string): Line => [words, HOUSE_VALUE];
export const cited = (words: string, cite: string): Line => [words, published(cite)];

interface CardParts extends Omit<MethodCard, 'id' | 'title' | 'steps' | 'never' | 'stops'> {
  readonly steps: readonly Line[];
  readonly never: readonly Line[];
  readonly stops: readonly Line[];
}

export const methodCard = (id: string, title: string, { steps, never, stops, ...rest }: CardParts): MethodCard => ({
  id,
  title,
  ...rest,
  steps: sourced(steps),
  never: sourced(never),
  stops: sourced(stops),
});
