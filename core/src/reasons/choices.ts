/**
 * Reasons and answers that are tapped, not typed, by id; the words are a groomer's. Owners read those of their language
 * (wording). A typo is mended here and orphans nothing: the id is what is kept.
 */
export const CHOICES = {
  'would not have it': 'Dog would not have it',
  'owner does not want it': 'Owner does not want it',
  'not needed': 'Not needed today',
  'no time': 'No time left',
  'another day': 'Another day',
  'has had enough': 'The dog has had enough',
  'owner fetches it': 'The owner fetches it',
  'no time today': 'No time left today',
  'vet’s word': 'On a vet’s word',
  'did not lift': 'It did not lift when softened',
  'would not bear it': 'Dog would not bear it',
  'in distress': 'Dog in distress',
  'vet said so': 'The vet said so',
  'skin reacts': 'The skin reacts',
  'judged otherwise': 'Seen and judged differently',
  'healthy skin': 'healthy skin',
  'red skin': 'redness',
  'damp skin': 'damp skin',
  'a sore': 'a sore',
  'flea dirt': 'flea dirt',
} as const;
export type DogChoice = keyof typeof CHOICES;
export const ALL_CHOICES = Object.keys(CHOICES) as readonly DogChoice[];

/** Why a step is skipped, in the order of the buttons. */
export const SKIP_CHOICES = [
  'would not have it',
  'owner does not want it',
  'not needed',
  'no time',
  'another day',
] as const satisfies readonly DogChoice[];
/** Why a dog goes home before the end. */
export const HOME_CHOICES = [
  'has had enough',
  'owner fetches it',
  'no time today',
  'vet’s word',
] as const satisfies readonly DogChoice[];
/** Why one goes on in spite of a caution. */
export const OVERRIDE_CHOICES = [
  'would not bear it',
  'in distress',
  'vet said so',
  'skin reacts',
  'judged otherwise',
] as const satisfies readonly DogChoice[];
/** What lay beneath a mat. */
export const BENEATH_CHOICES = [
  'healthy skin',
  'red skin',
  'damp skin',
  'a sore',
  'flea dirt',
] as const satisfies readonly DogChoice[];
