import type { DogFacts } from './facts';

/** Tight breath and thick coats want cool hours [common practice, no source]. */
export const wantsCoolHours = ({
  tightBreathing,
  breedHandling,
}: Pick<DogFacts, 'tightBreathing' | 'breedHandling'>): boolean =>
  tightBreathing || breedHandling.some((each) => each === 'tight breathing' || each === 'overheats');

const NORTHERN = [6, 7, 8] as const;
const SOUTHERN = [12, 1, 2] as const;

/**
 * The three warmest months, 1 to 12 [house value]: of the southern half where clocks are ahead of themselves in January, of the
 * northern everywhere else. Near the equator every month is warm, and nobody knows: there the line-up's hot day is set by hand.
 * @param aheadInJanuary minutes that a zone is ahead of UTC in January
 * @param aheadInJuly the same in July
 */
export const warmMonths = (aheadInJanuary: number, aheadInJuly: number): readonly number[] =>
  aheadInJanuary > aheadInJuly ? SOUTHERN : NORTHERN;
