import { namePlace, type Place } from '../places';

/** Titles a step can have, by id, as one groomer says them to another; a place and a number are slots. */
export const STEP_TITLES = {
  prepare: 'Make ready',
  handover: 'Ask the owner',
  'look-over': 'Look and smell before anything wet',
  decide: 'Decide',
  'first clip': 'Face, feet and rear',
  'ear hair whole': 'Take the hair out, {place}',
  'ear hair staged': 'Take a few tufts out, {place}',
  'ear hair trim': 'Trim what sticks out, {place}',
  'ear clean': 'Clean the {place}',
  'ear dry wipe': 'Wipe the {place}, nothing poured',
  'ear flap': 'Wipe the outside of the {place}',
  'eye clean': 'Soften and clean, {place}',
  'eye around': 'Around the {place}, plain water only',
  nails: 'Nails and dewclaws',
  mat: 'Mat, {place}: brush out or shave',
  'mat shave': 'Mat, {place}: shave it',
  'brush-out': 'Brush out',
  wet: 'Wet the coat',
  plugs: 'Plugs in, counted',
  'first wash': 'First wash',
  'only wash': 'Wash',
  contact: 'Leave it on, {count} min',
  face: 'Wash the face',
  'face water': 'Wash the face with plain water',
  'face pads': 'Face by damp pads',
  rinse: 'Rinse',
  'second wash': 'Second wash, half the mix',
  'last rinse': 'Rinse until it squeaks',
  conditioner: 'Conditioner, then rinse',
  'plugs out': 'Plugs out, counted',
  'water off': 'Press the water off',
  dry: 'Dry, place by place',
  'ear again': 'Second filling, {place}',
  'ear wipe': 'Wipe and dry the {place}',
  'ear dry': 'Dry the {place} from outside',
  fold: 'Clean, dry, protect: {place}',
  'fold clean': 'Clean and dry: {place}',
  'fold dry': 'Pat dry from outside: {place}',
  nose: 'Balm on the nose pad',
  'comb and tidy': 'Comb and tidy',
  teeth: 'Teeth, if agreed',
  record: 'Record and hand over',
  'clean-down': 'Clean down',
  'long clean-down': 'Clean down, the long way',
} as const;
export type TitleId = keyof typeof STEP_TITLES;
export const ALL_TITLES = Object.keys(STEP_TITLES) as readonly TitleId[];

/** What a step is called: a title of the table, or what somebody typed who added it. */
export type StepTitle =
  | { readonly id: TitleId; readonly place: Place | null; readonly count: number | null }
  | { readonly id: 'typed'; readonly words: string };

export const title = (id: TitleId, place: Place | null = null, count: number | null = null): StepTitle => ({
  id,
  place,
  count,
});

/** A title as a groomer reads it. */
export const titleWords = (given: StepTitle): string =>
  given.id === 'typed'
    ? given.words
    : STEP_TITLES[given.id]
        .replace('{place}', given.place ? namePlace(given.place) : '')
        .replace('{count}', String(given.count ?? ''));
