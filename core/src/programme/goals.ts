/** Who a programme is for. */
export const PROGRAMMES = {
  young: 'Young dog',
  nervous: 'Nervous dog',
} as const;
export type ProgrammeKind = keyof typeof PROGRAMMES;

/** One lesson's single goal; minutes at the salon. */
export interface Goal {
  readonly id: string;
  readonly goal: string;
  readonly how: string;
  readonly minutes: number;
}

const goal = (id: string, words: string, minutes: number, how: string): Goal => ({ id, goal: words, how, minutes });

const ROOM = goal('room', 'Comes in, eats, goes home', 10, 'Treats on the floor, noises far off. Nothing is done.');
const TABLE = goal(
  'table',
  'Stands on the table',
  10,
  'Low table, hand under the chest, a lickable treat. Off before it asks.',
);
const TOUCH = goal(
  'touch',
  'Is touched all over',
  15,
  'Paws, ears, lips, under the tail: a touch, a treat. Stop while it is still easy.',
);
const BRUSH = goal('brush', 'Is brushed and combed', 15, 'Soft brush first, then the comb through legs and chest.');
const PAWS = goal('paws', 'Gives each paw, one nail each', 15, 'Clipper shown, heard, then one tip a paw.');
const EARS = goal(
  'ears',
  'Lets the ears be lifted and wiped',
  10,
  'Flap up, look, a damp pad outside. In dogs that grow ear hair: one small tuft.',
);
const WATER = goal(
  'water',
  'Stands in the tub, legs wet',
  15,
  'Lukewarm, low, running before it steps in. No water on the head.',
);
const DRYER = goal(
  'dryer',
  'Hears the dryer, is dried low and far',
  15,
  'From across the room first, closer only while it eats.',
);
const FACE = goal('face', 'Face wiped, eyes combed', 10, 'Chin in the hand, damp pad, comb away from the eye.');
const BATH = goal('bath', 'A whole short bath', 30, 'All the steps it knows, in order, without haste.');

/** Goals in the order they are learned. Common practice, no source; minutes are house values. */
export const GOALS: Readonly<Record<ProgrammeKind, readonly Goal[]>> = {
  young: [TABLE, TOUCH, BRUSH, PAWS, EARS, FACE, WATER, DRYER, BATH],
  nervous: [ROOM, TABLE, TOUCH, BRUSH, EARS, PAWS, FACE, WATER, DRYER, BATH],
};
