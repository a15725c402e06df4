import type { Task } from '../tasks';
import type { HouseQuestion, HouseWays } from '../ways';
import { isPoured, type EarDepth } from '../work';
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
  'bath path',
  'rinse spots',
  'contact',
  'towel press',
  'mat',
  'pads',
  'rear',
  'teeth',
] as const;
export type Drawing = (typeof DRAWINGS)[number];

/** How one piece of work is done, for the hand that does it, as this business does it. */
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

/** How a card is worked: the ways of the business or of one dog, and an ear as deep as the look asks for. */
export type CardWays = Omit<HouseWays, 'earCleaning'> & { readonly earCleaning: EarDepth };

/** Words that hang on what the business has chosen; null: nothing to say there. */
type Words = string | ((ways: CardWays) => string | null);
/** Plain sentences are common practice; a pair names another source. */
type CardLine = Words | readonly [words: Words, source: Source];

export const houseLine = (words: Words): CardLine => [words, HOUSE_VALUE];
export const cited = (words: string, cite: string): CardLine => [words, published(cite)];

/** What is said only where cleaner is poured. */
export const wherePoured =
  (words: (ways: CardWays) => string | null) =>
  (ways: CardWays): string | null =>
    isPoured(ways.earCleaning) ? words(ways) : null;

/** One sentence a school; a school without one is not spoken of. */
export const by =
  <Q extends HouseQuestion>(question: Q, sentences: Readonly<Partial<Record<CardWays[Q], string>>>) =>
  (ways: CardWays): string | null =>
    sentences[ways[question]] ?? null;

/** A card before it is known whose it is: a business's schools pick its sentences, so that it never says otherwise. */
export interface MethodSource extends Pick<MethodCard, 'id' | 'title' | 'tasks' | 'drawings' | 'enough'> {
  readonly needs: readonly Words[];
  readonly steps: readonly CardLine[];
  readonly never: readonly CardLine[];
  readonly stops: readonly CardLine[];
}

export const methodCard = (id: string, title: string, parts: Omit<MethodSource, 'id' | 'title'>): MethodSource => ({
  id,
  title,
  ...parts,
});

/** The card as a business works, as it works on one dog (`waysFor`), or as it does today (`depthToday`). */
export function cardFor({ needs, steps, never, stops, ...card }: MethodSource, ways: CardWays): MethodCard {
  const said = (words: Words): string | null => (typeof words === 'string' ? words : words(ways));
  const sourced = (lines: readonly CardLine[]): Sourced[] =>
    lines.flatMap((line) => {
      const [words, source]: readonly [Words, Source] =
        typeof line === 'string' || typeof line === 'function' ? [line, COMMON_PRACTICE] : line;
      const its = said(words);
      return its === null ? [] : [{ words: its, source }];
    });
  return {
    ...card,
    needs: needs.map(said).filter((each) => each !== null),
    steps: sourced(steps),
    never: sourced(never),
    stops: sourced(stops),
  };
}
