import type { Drawing } from './card';

/**
 * A bath at home, step by step, for the owner who gives it: no tool but a jug, hands, towels and lukewarm air. Common practice, no
 * source; the head stays dry, as a jug over a face frightens and body shampoo burns eyes.
 */
export const BATH_STEPS = {
  'comb first': { words: 'Brush and comb to the skin first. A mat that gets wet grows tighter.', drawing: 'mat' },
  mix: { words: 'Mix it now: the water into a clean jug first, then the shampoo. Stir.', drawing: null },
  wet: {
    words:
      'Lukewarm water, tried on your wrist. Wet the coat to the skin, from the back end to the neck. The head stays dry.',
    drawing: 'bath path',
  },
  wash: {
    words:
      'Bit by bit onto the coat. Work it in with your fingertips: back, belly, legs, between the toes, under the tail.',
    drawing: null,
  },
  wait: {
    words: 'Start the clock. It stays on for {minutes} minutes. Do not let your dog lick it.',
    drawing: 'contact',
  },
  rinse: { words: 'Rinse from the neck down, for longer than you washed, until the water runs clear.', drawing: null },
  'rinse test': {
    words:
      'The test: press the wet hair under the arms, at the groin and between the toes. Bubbles, or it feels slippery: rinse again.',
    drawing: 'rinse spots',
  },
  face: { words: 'The face: a damp cloth with plain water, then dry.', drawing: null },
  dry: {
    words:
      'Press with towels, do not rub. Then dry to the skin, with air that is no more than warm. Damp skin gets sore.',
    drawing: 'towel press',
  },
  'throw away': { words: 'Throw away what is left of the mix. Mixed shampoo spoils.', drawing: null },
} as const satisfies Readonly<Record<string, { readonly words: string; readonly drawing: Drawing | null }>>;
export type BathStep = keyof typeof BATH_STEPS;
export const ALL_BATH_STEPS = Object.keys(BATH_STEPS) as readonly BathStep[];
