import { LIKES, type Liked } from '../handling';
import type { DogFacts } from './facts';

interface ShowsUp {
  /** As one groomer says it to another. */
  readonly name: string;
  /** What is done about it from now on. */
  readonly does: string;
  /** As it stands on the dog once it is kept. */
  readonly mark: string;
  /** The dog as it shows itself; what changes nothing of the work is a mark only. */
  readonly changes: (dog: DogFacts) => Partial<Pick<DogFacts, 'canStandThroughBath' | 'handling'>>;
}

/** It steadies there: done before and after what it minds. */
const likes = (what: Liked): ShowsUp => ({
  name: `It likes to be ${what}`,
  does: 'There before and after what it minds.',
  mark: `Likes to be ${what}`,
  changes: ({ handling }) => ({
    handling: { ...handling, likes: LIKES.filter((each) => each === what || handling.likes.includes(each)) },
  }),
});

/** What can show at the table and changes this visit at once. Common practice, no source. */
export const SHOWN = {
  'cannot stand': {
    name: 'It cannot stand',
    does: 'Washed lying on a mat, in parts, by two people; towel-dry, with breaks. Never made to stand by hands.',
    mark: 'Cannot stand through a bath',
    changes: () => ({ canStandThroughBath: false }),
  },
  'no blower': {
    name: 'It cannot bear the blower',
    does: 'Towels and still, warm air; no dryer. It takes longer.',
    mark: 'Dryer: towels only',
    changes: ({ handling }) => ({ handling: { ...handling, dryer: 'towels only' } }),
  },
  'two people': {
    name: 'One more person is needed',
    does: 'A helper at the head, throughout.',
    mark: 'Helper throughout',
    changes: ({ handling }) => ({ handling: { ...handling, helper: 'helper throughout' } }),
  },
  muzzle: {
    name: 'It needs a muzzle',
    does: 'A basket muzzle for what it minds, never under a dryer or in heat, never for long. The owner is told.',
    mark: 'Basket muzzle',
    changes: ({ handling }) => ({ handling: { ...handling, muzzle: 'basket muzzle' } }),
  },
  'calm with treats': {
    name: 'Calm with treats',
    does: 'Treats within reach at what it minds.',
    mark: 'Calm with treats',
    changes: ({ handling }) => ({
      handling: { ...handling, marks: [...new Set([...handling.marks, 'calm with treats'])] },
    }),
  },
  'long at the nails': {
    name: 'It takes long at the nails',
    does: 'One paw at a time, a break between two. Its own minutes are booked.',
    mark: 'Long at the nails',
    changes: ({ handling }) => ({
      handling: { ...handling, marks: [...new Set([...handling.marks, 'long at the nails'])] },
    }),
  },
  'likes its chest scratched': likes('scratched at the chest'),
  'likes its ears scratched': likes('scratched behind the ears'),
  'likes its rump scratched': likes('scratched at the rump'),
} as const satisfies Record<string, ShowsUp>;
export type ShownToday = keyof typeof SHOWN;
export const ALL_SHOWN = Object.keys(SHOWN) as [ShownToday, ...ShownToday[]];
/** Told by clocks alone, of visit after visit: nobody has to say it. */
export const BY_CLOCKS: readonly ShownToday[] = ['long at the nails'];

/** Why something may not be chosen for this dog; null: it may. A closed muzzle is never put on a flat face. */
export function shownRefused(
  dog: Pick<DogFacts, 'traits' | 'breedHandling' | 'tightBreathing'>,
  what: ShownToday,
): string | null {
  if (what !== 'muzzle') return null;
  if (dog.traits.muzzle === 'flat') return 'Never on a flat face: a helper, breaks, or stop.';
  return dog.tightBreathing || dog.breedHandling.includes('tight breathing')
    ? 'Never on a dog that breathes tightly: a helper, breaks, or stop.'
    : null;
}

/** The dog as it shows itself today. */
export const asShown = (facts: DogFacts, shown: readonly ShownToday[]): DogFacts =>
  shown.reduce(
    (dog, what) => (shownRefused(dog, what) === null ? { ...dog, ...SHOWN[what].changes(dog) } : dog),
    facts,
  );

/** Whether the dog's card says so already. */
export const isKnown = (facts: DogFacts, what: ShownToday): boolean => {
  const changed = asShown(facts, [what]);
  return (
    changed.canStandThroughBath === facts.canStandThroughBath &&
    JSON.stringify(changed.handling) === JSON.stringify(facts.handling)
  );
};
