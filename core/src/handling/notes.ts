/** Places and doings a dog may mind at the table. */
export const MINDS = [
  'ears',
  'eyes and face',
  'mouth',
  'front feet',
  'hind feet',
  'nail clippers',
  'belly',
  'rear and tail',
  'being lifted',
  'being brushed',
  'water on the head',
  'the dryer',
  'standing still',
  'other dogs',
  'strangers',
  'being left',
] as const;
export type Minded = (typeof MINDS)[number];

/** What it likes, to begin with and to end with. Common practice, no source. */
export const LIKES = [
  'treats',
  'a quiet voice',
  'scratched at the chest',
  'scratched behind the ears',
  'scratched at the rump',
  'a towel under its feet',
  'a break on the floor',
  'another dog beside it',
] as const;
export type Liked = (typeof LIKES)[number];

export const HELPERS = ['no helper', 'helper for what it minds', 'helper throughout'] as const;
export const MUZZLES_WORN = ['no muzzle', 'basket muzzle', 'soft muzzle, minutes only'] as const;
export const DRYERS = ['any dryer', 'low and from afar', 'towels only'] as const;
export const TETHERS = ['loop', 'harness'] as const;
export const SIGHT = ['sees', 'sees poorly', 'blind'] as const;
export const HEARING = ['hears', 'hears poorly', 'deaf'] as const;
export const BEST_TIMES = ['any time', 'first of the day', 'morning', 'afternoon', 'quiet hours'] as const;

/** How a dog is handled, as marks one can act on; `marks` holds what fits none of them, in the groomer's words. */
export interface HandlingNotes {
  readonly minds: readonly Minded[];
  readonly likes: readonly Liked[];
  readonly helper: (typeof HELPERS)[number];
  readonly muzzle: (typeof MUZZLES_WORN)[number];
  readonly dryer: (typeof DRYERS)[number];
  readonly tether: (typeof TETHERS)[number];
  readonly sight: (typeof SIGHT)[number];
  readonly hearing: (typeof HEARING)[number];
  readonly bestTime: (typeof BEST_TIMES)[number];
  readonly marks: readonly string[];
}

/** A dog that minds nothing. */
export const EASY: HandlingNotes = {
  minds: [],
  likes: [],
  helper: 'no helper',
  muzzle: 'no muzzle',
  dryer: 'any dryer',
  tether: 'loop',
  sight: 'sees',
  hearing: 'hears',
  bestTime: 'any time',
  marks: [],
};

/** What must be in sight without being looked for, gravest first; the ordinary is not said. */
export function handlingMarks(notes: HandlingNotes, standsThroughBath = true): string[] {
  const unusual = (value: string, usual: string) => (value === usual ? [] : [capital(value)]);
  return [
    ...unusual(notes.muzzle, EASY.muzzle),
    ...unusual(notes.sight, EASY.sight),
    ...unusual(notes.hearing, EASY.hearing),
    ...(standsThroughBath ? [] : ['Cannot stand through a bath']),
    ...unusual(notes.helper, EASY.helper),
    ...(notes.tether === 'harness' ? ['Harness only'] : []),
    ...(notes.minds.length > 0 ? [`Minds ${notes.minds.join(', ')}`] : []),
    ...(notes.likes.length > 0 ? [`${LIKING}${notes.likes.join(', ')}`] : []),
    ...(notes.dryer === EASY.dryer ? [] : [`Dryer: ${notes.dryer}`]),
    ...unusual(notes.bestTime, EASY.bestTime),
    ...notes.marks,
  ];
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

const LIKING = 'Likes ';
/** Whether a mark tells what the dog likes: nothing to mind. */
export const isLiking = (mark: string): boolean => mark.startsWith(LIKING);
