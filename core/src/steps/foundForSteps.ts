import { MAY_SPREAD, isMat, isToTheSkin, type Finding } from '../findings';
import { SIDES, placeKey, placeOf, type Place, type Side } from '../places';

/** All that the list of steps takes from the findings of the look-over, besides the bars that follow from them. */
export interface FoundForSteps {
  /** Each place once, in the order found; to the skin, or not said: the careful way. */
  readonly mats: readonly { readonly place: Place; readonly toTheSkin: boolean }[];
  /** Eyes whose crust is fixed to the lid: it is softened on the table, whatever the business does with the rest. */
  readonly fixedCrust: readonly Side[];
  /** The nose pad is dry: balm. */
  readonly dryNose: boolean;
  /** Something that may pass to another dog. */
  readonly maySpread: boolean;
}

export const NOTHING_FOUND: FoundForSteps = { mats: [], fixedCrust: [], dryNose: false, maySpread: false };

export function foundForSteps(findings: readonly Finding[]): FoundForSteps {
  if (findings.length === 0) return NOTHING_FOUND;
  const mats = findings.filter(isMat);
  const isFixed = ({ sign, answer }: Finding) => sign === 'eye lid stuck' || (sign === 'eye crust' && answer === false);
  const fixed = findings.filter((found) => found.place.site === 'eye' && isFixed(found));
  return {
    mats: [...new Set(mats.map(({ place }) => placeKey(place)))].map((key) => ({
      place: placeOf(key),
      toTheSkin: mats.some((found) => placeKey(found.place) === key && isToTheSkin(found)),
    })),
    fixedCrust: SIDES.filter((side) => fixed.some(({ place }) => place.side === side)),
    dryNose: findings.some(({ sign }) => sign === 'nose dry'),
    maySpread: findings.some(({ sign }) => MAY_SPREAD.includes(sign)),
  };
}
