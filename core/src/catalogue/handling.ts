/** Matters of handling that most dogs of a breed bring along, and what a groomer does about them. Common practice, no source. */
export const HANDLING = {
  'tight breathing': 'Breathing is tight: harness, cool air, no closed muzzle, breaks.',
  'tender neck': 'Harness, never a loop on the neck.',
  chills: 'Chills easily: warm room, dried at once.',
  overheats: 'Overheats: cool air while drying, watched.',
  'fine bones': 'Fine bones: lifted with both arms, never left to jump.',
  'thin skin': 'Thin skin: low heat, no pulling, blades checked for heat.',
  'long back': 'Long back: lifted level, the rear held.',
  strong: 'Strong: a helper near, non-slip under all four feet.',
  wary: 'Wary of strangers: voice and time first.',
  'heavy ears': 'Heavy flaps: their tips and inner hair get wet in the bowl; looked at, dried.',
  'never clipped short': 'Undercoat carries the coat: brushed out, not clipped short.',
  'hand stripped': 'Wire coat softens when clipped: ask whether it is hand stripped.',
} as const;
export type Handling = keyof typeof HANDLING;
