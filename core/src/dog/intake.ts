import type { Breed, Traits } from '../catalogue';

/** Questions of a first visit that only some dogs raise. */
export type IntakeQuestion =
  | 'pluckingConsent'
  | 'everPlucked'
  | 'tearingSeenByVet'
  | 'earTrouble'
  | 'coatLength'
  | 'cannotStand'
  | 'swims'
  | 'nailsOvergrown';

interface Raised {
  readonly question: IntakeQuestion;
  readonly asks: string;
  /** Why this dog raises it, or null when it does not. */
  readonly because: (dog: IntakeDog) => string | null;
}

export interface IntakeDog {
  readonly traits: Traits;
  readonly breeds: readonly Breed[];
  /** Kilograms; null until typed. */
  readonly weight: number | null;
  /** Whole years; null when nobody knows. */
  readonly years: number | null;
}

const GROWING = ['curly', 'long', 'silky drop', 'wire', 'corded'];
/** From these odds on an ear history is asked for, and these weights and years on standing [house values]. */
const TELLING_ODDS = 2;
const HEAVY_KG = 30;
const OLD_YEARS = 9;

/** In the order a groomer asks. Common practice, no source. */
const QUESTIONS: readonly Raised[] = [
  {
    question: 'coatLength',
    asks: 'Length now',
    because: ({ traits }) => (GROWING.includes(traits.coat) ? `a ${traits.coat} coat is kept at many lengths` : null),
  },
  {
    question: 'pluckingConsent',
    asks: 'Owner agrees to plucking ears',
    because: ({ traits }) => (traits.canalHair === 'none' ? null : `${traits.canalHair} hair in the canal`),
  },
  {
    question: 'everPlucked',
    asks: 'Ears ever plucked?',
    because: ({ traits }) =>
      traits.canalHair === 'none' ? null : 'an old dog of which nobody knows is not plucked for the first time',
  },
  {
    question: 'earTrouble',
    asks: 'Ear trouble before?',
    because: ({ traits, breeds }) => {
      if (breeds.some(({ earOdds }) => (earOdds ?? 0) >= TELLING_ODDS)) return 'a breed with ear trouble more often';
      return traits.ears === 'hanging' || traits.ears === 'long hanging' ? `${traits.ears} ears` : null;
    },
  },
  {
    question: 'tearingSeenByVet',
    asks: 'A vet has seen why the eyes water',
    because: ({ traits }) => (traits.tearing === 'none' ? null : `${traits.tearing} tearing`),
  },
  {
    question: 'cannotStand',
    asks: 'Cannot stand through a bath',
    because: ({ weight, years }) => {
      if (years !== null && years >= OLD_YEARS) return 'an old dog';
      return weight !== null && weight >= HEAVY_KG ? 'a heavy dog' : null;
    },
  },
  {
    question: 'swims',
    asks: 'Swims',
    because: ({ traits }) =>
      traits.ears === 'upright' || traits.ears === 'tipped' ? null : 'water stays in folded ears',
  },
  { question: 'nailsOvergrown', asks: 'Nails overgrown', because: () => 'asked of every dog' },
];

/** Only the questions this dog raises, each with why. */
export const intakeQuestions = (dog: IntakeDog): { question: IntakeQuestion; asks: string; because: string }[] =>
  QUESTIONS.flatMap(({ question, asks, because }) => {
    const why = because(dog);
    return why === null ? [] : [{ question, asks, because: why }];
  });

/** All of them, for the page where everything can be changed. */
export const ALL_INTAKE_QUESTIONS = QUESTIONS.map(({ question, asks }) => ({ question, asks }));
