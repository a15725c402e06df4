/**
 * Why one piece of work must come before another: what goes wrong if it does not. A habit of the business is no reason:
 * what is safe in another order may be done in another order. Common practice, no source.
 */
export const HAZARDS = {
  'seen first': 'What is found halfway is found too late: look the dog over first.',
  'hair before liquid': 'A wet ear is not plucked.',
  'nothing over a plug': 'An ear with a plug in it cannot be cleaned.',
  'mat before water': 'Water tightens a mat.',
  'lid before soap': 'Soap and a water jet hurt a sore lid: soften it first.',
  'plug before the head': 'Water runs into the ear.',
  'water first': 'Product on a dry coat cannot be spread or rinsed.',
  'product off': 'Product that stays on burns and itches.',
  'contact before rinse': 'The contact time is not over.',
  'water off first': 'The dog would get wet again.',
  'plug out first': 'The plug is still in.',
  'first pass first': 'What comes up is wiped after the first pass.',
} as const;
export type Hazard = keyof typeof HAZARDS;

/** A step that must be done or settled first, and what goes wrong otherwise. */
export interface Before {
  readonly step: string;
  readonly hazard: Hazard;
}

export const first = (hazard: Hazard, ...steps: readonly string[]): Before[] => steps.map((step) => ({ step, hazard }));
