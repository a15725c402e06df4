import type { FoldSite } from '../../places';
import type { CanalHair, Coat, EarCarriage, EyeSet, Muzzle, Shedding, Tearing, Traits } from '../traits';
import type { CoatDensity, CoatLength } from '../../dilution';
import type { Handling } from '../handling';

/** A breed, or a common cross under its own name. */
export interface Breed {
  readonly id: string;
  readonly name: string;
  readonly alsoCalled: readonly string[];
  /** Usual adult weight, kg, both sexes. From memory of breed standards. */
  readonly weightKg: readonly [least: number, most: number];
  readonly traits: Traits;
  /** What a groomer minds with most dogs of this breed. */
  readonly handling: readonly Handling[];
  /** Parents of a common cross; empty for a breed. */
  readonly parents: readonly string[];
  /** One line of reasoning where a value is debatable. */
  readonly why: string | null;
  /** Published odds of ear-canal inflammation against crossbreds, O'Neill et al. 2021, Canine Medicine and Genetics 8:7. */
  readonly earOdds: number | null;
}

type CoatCell = `${Coat}, ${CoatLength}, ${CoatDensity}, ${Shedding}`;
type EarCell = `${EarCarriage}, ${CanalHair}`;
type FaceCell = `${Muzzle}, ${EyeSet}, ${Tearing}`;

interface More {
  readonly folds?: Readonly<Partial<Record<FoldSite, 'light' | 'deep'>>>;
  readonly mind?: readonly Handling[];
  readonly also?: readonly string[];
  readonly why?: string;
  readonly earOdds?: number;
}

/**
 * One row of the breed table. Cells are read as a groomer says them: coat as it mostly comes in, its length and
 * density, how much it sheds; ears and the hair in the canal; muzzle, eyes, tearing. A word that is no trait does not compile.
 */
export function breed(id: string, name: string, weightKg: readonly [least: number, most: number], [coatCell, earCell, faceCell]: readonly [coat: CoatCell, ears: EarCell, face: FaceCell], more: More = {}): Breed {
  const [coat, coatLength, coatDensity, shedding] = coatCell.split(', ') as [Coat, CoatLength, CoatDensity, Shedding];
  const [ears, canalHair] = earCell.split(', ') as [EarCarriage, CanalHair];
  const [muzzle, eyeSet, tearing] = faceCell.split(', ') as [Muzzle, EyeSet, Tearing];
  const folds = more.folds ?? {};
  return { id, name, alsoCalled: more.also ?? [], weightKg, traits: { coat, coatLength, coatDensity, shedding, ears, canalHair, muzzle, eyeSet, tearing, folds }, handling: more.mind ?? [], parents: [], why: more.why ?? null, earOdds: more.earOdds ?? null };
}
