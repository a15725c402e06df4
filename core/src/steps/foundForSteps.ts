import { MAY_SPREAD, isEarWax, isMat, isToTheSkin, type Finding } from '../findings';
import { SIDES, placeKey, placeOf, type Grade, type Place, type PlaceKey, type Side } from '../places';

/** All that the list of steps takes from the findings of the look-over, besides the bars that follow from them. */
export interface FoundForSteps {
  /** Each place once, in the order found; to the skin, or not said: the careful way. */
  readonly mats: readonly { readonly place: Place; readonly toTheSkin: boolean }[];
  /** Eyes whose crust is fixed to the lid: it is softened on the table, whatever the business does with the rest. */
  readonly fixedCrust: readonly Side[];
  /** Wax of each ear by its grade, 0: seen clear; null: not looked at yet. */
  readonly wax: Readonly<Record<Side, Grade | null>>;
  /** Ears whose last pad came out clean. */
  readonly cleanPad: readonly Side[];
  /** Ears whose flap is greasy: a pad of its own, the rest in the bath. */
  readonly greasyFlaps: readonly Side[];
  /** The nose pad is dry: balm. */
  readonly dryNose: boolean;
  /** Something that may pass to another dog. */
  readonly maySpread: boolean;
}

/** What looking and cleaning has told so far, besides findings. */
interface LookedSoFar {
  readonly lookedClear: readonly PlaceKey[];
  readonly pads: Readonly<Record<Side, { readonly clean: boolean }>>;
}
const NOTHING_LOOKED: LookedSoFar = { lookedClear: [], pads: { left: { clean: false }, right: { clean: false } } };

export const NOTHING_FOUND: FoundForSteps = {
  mats: [],
  fixedCrust: [],
  greasyFlaps: [],
  dryNose: false,
  maySpread: false,
  wax: { left: null, right: null },
  cleanPad: [],
};

/** @param looked what was touched as clear, and the pads that were counted. */
export function foundForSteps(findings: readonly Finding[], looked: LookedSoFar = NOTHING_LOOKED): FoundForSteps {
  const { lookedClear, pads } = looked;
  if (findings.length === 0 && looked === NOTHING_LOOKED) return NOTHING_FOUND;
  const mats = findings.filter(isMat);
  const isFixed = ({ sign, answer }: Finding) => sign === 'eye lid stuck' || (sign === 'eye crust' && answer === false);
  const fixed = findings.filter((found) => found.place.site === 'eye' && isFixed(found));
  return {
    mats: [...new Set(mats.map(({ place }) => placeKey(place)))].map((key) => ({
      place: placeOf(key),
      toTheSkin: mats.some((found) => placeKey(found.place) === key && isToTheSkin(found)),
    })),
    fixedCrust: SIDES.filter((side) => fixed.some(({ place }) => place.side === side)),
    wax: { left: waxIn(findings, lookedClear, 'left'), right: waxIn(findings, lookedClear, 'right') },
    cleanPad: SIDES.filter((side) => pads[side].clean),
    greasyFlaps: SIDES.filter((side) =>
      findings.some(({ sign, place }) => sign === 'ear greasy flap' && (place.side === side || place.side === 'none')),
    ),
    dryNose: findings.some(({ sign }) => sign === 'nose dry'),
    maySpread: findings.some(({ sign }) => MAY_SPREAD.includes(sign)),
  };
}

/** The worst wax of one ear; an ear of no known side speaks of both. */
function waxIn(findings: readonly Finding[], lookedClear: readonly PlaceKey[], side: Side): Grade | null {
  const here = findings.filter(({ place }) => place.site === 'ear' && (place.side === side || place.side === 'none'));
  if (here.length === 0) return lookedClear.includes(placeKey({ site: 'ear', side })) ? 0 : null;
  return Math.max(0, ...here.filter(({ sign }) => isEarWax(sign)).map(({ grade }) => grade)) as Grade;
}
