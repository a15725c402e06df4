import type { Side } from '../places';
import type { Task, TaskAt } from '../tasks';
import {
  brushOut,
  conditioner,
  crustInTheTub,
  dry,
  earCleaning,
  earHair,
  eyeOnTheTable,
  firstClip,
  fold,
  nails,
  teeth,
  wash,
  washFace,
  washesHead,
  type DogAtWork,
  type Piece,
} from '../work';
import { namedProduct, type DogFacts } from '../dog';
import { prescribedOn, washesPlainFirst } from './prescribed';

/** The dog as its work sees it. */
export function dogAtWork(facts: DogFacts): DogAtWork {
  const known = AT_WORK.get(facts);
  if (known) return known;
  const given = prescribedOn(facts);
  const dog: DogAtWork = {
    traits: facts.traits,
    lifeStage: facts.lifeStage,
    coatCondition: facts.coatCondition,
    ways: facts.ways,
    handling: facts.handling,
    outerEarOnly: facts.services['ear cleaning'] === 'outside only',
    isPrescribed: given !== null,
    plainFirst: given !== null && washesPlainFirst(facts, given),
    foldProduct: facts.ways.foldWipe === 'pet wipe' || namedProduct(facts, 'fold care', null) !== null,
  };
  AT_WORK.set(facts, dog);
  return dog;
}
/** Asked for every line of a plan and every step of a visit. */
const AT_WORK = new WeakMap<DogFacts, DogAtWork>();

type WorkAt = (dog: DogAtWork, place: TaskAt['place']) => readonly Piece[];
const NOTHING: WorkAt = () => [];
const side = (place: TaskAt['place']): Side => (place?.side === 'right' ? 'right' : 'left');
const clipped =
  (task: Task): WorkAt =>
  (_, place) =>
    firstClip().filter(
      (piece) => piece.task === task && (place === null || piece.touches[0]?.place.side === place.side),
    );

/** The pieces of work that a line of the plan stands for at the table; home and vet have none. */
const WORK: Readonly<Record<Task, WorkAt>> = {
  bath: (dog) => wash(dog, 1),
  'second wash': (dog) => wash(dog, 2),
  conditioner: (dog) => conditioner(dog),
  'face wash': (dog) => washFace(dog),
  drying: (dog) => dry(dog),
  'ear cleaning': (dog, place) => earCleaning(dog, side(place)),
  'ear hair': (dog, place) => earHair(dog, side(place), 'whole'),
  'ear flaps': clipped('ear flaps'),
  'ear inspection': NOTHING,
  'eyes and face': (dog, place) =>
    dog.ways.eyeCrust === 'in the tub' && washesHead(dog)
      ? crustInTheTub([side(place)])
      : eyeOnTheTable(dog, side(place)),
  'eye corners': clipped('eye corners'),
  'tear stains': NOTHING,
  'eye check': NOTHING,
  'heart check': NOTHING,
  'lump check': NOTHING,
  'fold care': (dog, place) => (place ? fold(dog, place) : []),
  'nose balm': NOTHING,
  nails: () => nails(),
  'brush-out': () => brushOut(),
  mats: NOTHING,
  pads: clipped('pads'),
  rear: clipped('rear'),
  teeth: (dog) => teeth(dog),
};

/** The pieces without which the work is not what the line asks for, by the start of their ids; else all of them. */
const MAIN: Readonly<Partial<Record<Task, string>>> = {
  'ear cleaning': 'ear pads',
  'ear hair': 'ear hair out',
  'eyes and face': 'eye wipe',
  'fold care': 'fold clean',
};

/** Whether the work of a line brings a product along at all. */
export const takesProduct = (facts: DogFacts, at: TaskAt): boolean =>
  workOf(facts, at).some(({ touches }) => touches.some(({ product }) => product !== null));

/** The pieces of a line for this dog. */
export const workOf = (facts: DogFacts, { task, place }: TaskAt): readonly Piece[] =>
  WORK[task](dogAtWork(facts), place);

export function mainPieces(task: Task, pieces: readonly Piece[]): readonly Piece[] {
  const start = MAIN[task];
  const main = start === undefined ? pieces : pieces.filter(({ id }) => id.startsWith(start));
  return main.length > 0 ? main : pieces;
}
