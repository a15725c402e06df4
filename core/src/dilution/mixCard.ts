import type { BathMix } from './bathMix';
import type { Bottle } from './bottle';
import { showStrength } from './strength';

/** A bath mix in plain numbers, as a screen or a label shows it. Volumes in ml of one batch. */
export interface MixCard {
  readonly kind: BathMix['kind'];
  readonly need: number;
  /** Null for a product used as it is. */
  readonly made: {
    readonly bottle: Bottle;
    readonly batches: number;
    readonly by: 'strokes' | 'strokes, water fitted' | 'millilitres';
    readonly strokes: number | null;
    readonly product: number;
    readonly water: number;
    readonly total: number;
    /** "52.3:1" */
    readonly realised: string;
    /** Share by which it is stronger (+) or weaker (−) than the label. */
    readonly error: number;
  } | null;
}

export function mixCard(mix: BathMix): MixCard {
  if (mix.kind === 'as it is' || mix.kind === 'no bottle') return { kind: mix.kind, need: mix.need, made: null };
  const { how } = mix;
  return {
    kind: mix.kind,
    need: mix.need,
    made: {
      bottle: mix.bottle,
      batches: mix.kind === 'mixed' ? 1 : mix.batches,
      by: how.by,
      strokes: how.by === 'millilitres' ? null : how.strokes,
      product: how.product,
      water: how.water,
      total: how.total,
      realised: showStrength(how.realised),
      error: how.error,
    },
  };
}
