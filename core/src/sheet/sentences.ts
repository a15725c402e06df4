/**
 * Every sentence an owner can read, in one place to proof-read. `{}` slots are filled in order.
 * Never a disease name, never a dose.
 */
export const SENTENCES = {
  allClear: 'Everything we looked at was clear.',
  placeClear: '{}: clear.',
  place: '{}: {}.',
  placeCompared: '{}: {}, {}.',
  more: 'more than last time',
  less: 'less than last time',
  same: 'about the same as last time',
  new: 'new since last time',
  notLookedAt: 'Not looked at this time: {}.',
  bathed: 'Bathed with {}.',
  bathedPlain: 'Bathed and dried.',
  cleaned: 'Cleaned the {}.',
  cleanedPads: 'Cleaned the {}: {} before a pad came out clean.',
  done: '{}.',
  leftAlone: 'Left the {} alone: {}.',
  skipped: 'Not done this time: {} ({}).',
  matShaved: 'Shaved out a mat at the {}, with your word.',
  matBrushed: 'Brushed out a mat at the {}.',
  matLeft: 'Left a mat at the {} for another day.',
  beneath: 'Beneath it: {}.',
  incident: 'There was {}{}. {}',
  contactShort: 'The wash stood for {} of {} minutes.',
  wentHome: 'Went home before the end: {}.',
  restClear: 'the rest of the body',
  endedEarly: 'We ended the visit early.',
  homeCare: '{}: {} About {} a time.',
  nextVisit: 'We suggest the next visit around {}.',
  booked: 'Your next visit is booked for {}.',
  plugNotFound: 'We could not find the cotton that was in the {} ear. Please have a vet look today.',
} as const;
export type SentenceKey = keyof typeof SENTENCES;

/** Fills the slots of a sentence, left to right. Throws `RangeError` when the count does not fit. */
export function fill(sentence: string, ...words: readonly string[]): string {
  const parts = sentence.split('{}');
  if (parts.length !== words.length + 1)
    throw new RangeError(`"${sentence}" takes ${parts.length - 1} words, not ${words.length}.`);
  return parts.map((part, i) => part + (words[i] ?? '')).join('');
}

/** Words that name a disease or a dose; no sentence of the app may hold one. */
export const NEVER_SAY =
  /\b(infect\w*|otitis|dermatitis|pyoderma|mange|mites?|ringworm|fung\w*|yeast infection|conjunctivitis|glaucoma|cataract|entropion|ulcers?|abscess|tumou?rs?|cancer|haematoma|allerg\w*|disease|diagnos\w*|parasit\w*|bacteri\w*|mg|dose|dosage|tablets?|antibiotic\w*|steroid\w*)\b/i;
