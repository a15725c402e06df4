import { COMMON_PRACTICE, HOUSE_VALUE, type Sourced } from '../provenance';
import type { Place } from '../places';

/** What can go wrong, and what comes first. Common practice, no source, where nothing else is said. */
export const INCIDENTS = {
  nick: {
    name: 'Nick',
    owner: 'a small cut',
    first: ['Stop. Press with clean gauze until it stops.', 'Deep, gaping or on an ear edge: ring the vet.'],
    /** Days until the owner is asked how it is [house value]. */
    followUpDays: 2,
  },
  'clipper burn': {
    name: 'Clipper burn',
    owner: 'skin irritated by the clipper',
    first: [
      'Blade off the skin, change it. Cool damp cloth.',
      'Nothing scented or greasy on it. Blisters: ring the vet.',
    ],
    followUpDays: 2,
  },
  quick: {
    name: 'Nail into the quick',
    owner: 'a nail cut too short, which bled',
    first: ['Styptic powder, press, let the clot hold before wetting.', 'Still bleeding after 15 minutes: vet today.'],
    followUpDays: 1,
  },
  bite: {
    name: 'Bite',
    owner: 'a bite',
    first: [
      'Stop the visit. Dog safe and alone, tethered where it cannot fall.',
      'Wash the wound under running water; a person sees a doctor the same day.',
    ],
    followUpDays: 1,
  },
  fall: {
    name: 'Fall',
    owner: 'a fall',
    first: [
      'Stop. Look at gait, gums and breathing before anything else.',
      'Lame, dull or hurt: it leaves for the vet now.',
    ],
    followUpDays: 1,
  },
  escape: {
    name: 'Escape',
    owner: 'an escape',
    first: [
      'Shut every door, one person follows, no chase. Ring the owner at once.',
      'Found again: look the whole dog over.',
    ],
    followUpDays: 1,
  },
  'product in the eye': {
    name: 'Product in the eye',
    owner: 'some product in an eye, which was rinsed out',
    first: [
      'Rinse at once with plain lukewarm water or saline, for several minutes. Nothing else.',
      'Still squinting after it, or it was an antiseptic: vet today.',
    ],
    followUpDays: 1,
  },
  'skin reacts': {
    name: 'The skin reacts',
    owner: 'skin that reacted to a product',
    first: [
      'Product off with much water. No second product.',
      'Redness that stays: vet. Swollen face, hives all over or hard breathing: emergency, leave now.',
    ],
    followUpDays: 1,
  },
  'wrong product': {
    name: 'A product it should not have had',
    owner: 'a product that was not meant for it',
    first: [
      'Off with much water, if it is still on. Look at the skin now, and again when it is dry.',
      'Whoever said that it must not have it is told today.',
    ],
    followUpDays: 1,
  },
} as const satisfies Record<
  string,
  { readonly name: string; readonly owner: string; readonly first: readonly string[]; readonly followUpDays: number }
>;
export type IncidentKind = keyof typeof INCIDENTS;
export const INCIDENT_KINDS = Object.keys(INCIDENTS) as readonly IncidentKind[];

/** Something went wrong: recorded with place, what was done, who was told. */
export interface Incident {
  readonly kind: IncidentKind;
  readonly place: Place | null;
  readonly done: string;
  /** Who was told, by name; empty while nobody was. */
  readonly told: string;
  readonly words: string;
  /** The product it happened with, where there was one. */
  readonly product?: { readonly id: string; readonly name: string };
}

/** First steps of an incident, each with where it comes from. */
export const firstSteps = (kind: IncidentKind): Sourced[] => [
  ...INCIDENTS[kind].first.map((words) => ({ words, source: COMMON_PRACTICE })),
  {
    words: `The owner is asked how it is after ${INCIDENTS[kind].followUpDays === 1 ? 'a day' : `${INCIDENTS[kind].followUpDays} days`}.`,
    source: HOUSE_VALUE,
  },
];
