import type { Handling, Traits } from '../catalogue';
import { COMMON_PRACTICE, DOGS_RECORD, HOUSE_VALUE, type Sourced } from '../provenance';
import type { HandlingNotes } from './notes';

/** What the restraint of one dog depends on. */
export interface Restrained {
  readonly notes: HandlingNotes;
  readonly traits: Pick<Traits, 'muzzle' | 'eyeSet'>;
  readonly breedHandling: readonly Handling[];
  /** Kilograms. */
  readonly weight: number;
  /** Above it two people lift, kg [house value]. */
  readonly liftAloneKg: number;
  readonly standsThroughBath: boolean;
  /** The owner's word on a muzzle; null = never asked. */
  readonly muzzleAgreed: boolean | null;
}

/** One line of the plan; a caution is what goes against a note or must not be done. */
export interface RestraintLine extends Sourced {
  readonly about: 'tether' | 'muzzle' | 'lift' | 'approach' | 'helper' | 'stand';
  readonly because: string;
  readonly caution: boolean;
}

/**
 * How a dog is held, lifted and approached. Safety of build comes before the note: a flat-faced dog wears no closed
 * muzzle and no loop, whatever was noted. docs/trade.md: order of work.
 */
export function restraintPlan(dog: Restrained): RestraintLine[] {
  return [tether(dog), ...muzzle(dog), lift(dog), ...approach(dog), ...helper(dog), ...stand(dog)];
}

const line = (
  about: RestraintLine['about'],
  words: string,
  because: string,
  source = COMMON_PRACTICE,
  caution = false,
): RestraintLine => ({ about, words, because, source, caution });

const flat = ({ traits }: Restrained) => traits.muzzle === 'flat';
/** A dog that needs all its breath: flat-faced, or tight of breath itself. */
const tight = (dog: Restrained) => flat(dog) || dog.breedHandling.includes('tight breathing');
const breath = (dog: Restrained) => (flat(dog) ? 'a flat face breathes tightly' : 'it breathes tightly');

function tether(dog: Restrained): RestraintLine {
  const builds = [
    ...(flat(dog) ? ['flat-faced'] : tight(dog) ? ['tight breathing'] : []),
    ...(dog.traits.eyeSet === 'prominent' ? ['prominent eyes'] : []),
    ...(dog.breedHandling.includes('tender neck') ? ['a tender neck'] : []),
  ];
  if (builds.length > 0) return line('tether', 'Harness, never by the neck.', builds.join(', '), COMMON_PRACTICE, true);
  if (dog.notes.tether === 'harness')
    return line('tether', 'Harness, never by the neck.', 'noted for this dog', DOGS_RECORD);
  return line('tether', 'A loop that cannot tighten, or a harness.', 'every dog is tethered, none by a tight loop');
}

function muzzle(dog: Restrained): RestraintLine[] {
  const { muzzle: worn } = dog.notes;
  if (worn === 'no muzzle')
    return tight(dog) ? [line('muzzle', 'No closed muzzle.', breath(dog), COMMON_PRACTICE, true)] : [];
  if (tight(dog))
    return [
      line(
        'muzzle',
        `No closed muzzle, though "${worn}" is noted: a helper, breaks, or stop.`,
        breath(dog),
        COMMON_PRACTICE,
        true,
      ),
    ];
  const word =
    dog.muzzleAgreed === null
      ? ' The owner has not been asked yet.'
      : dog.muzzleAgreed
        ? ''
        : ' The owner does not agree: ask, or leave that part alone.';
  return [
    line(
      'muzzle',
      `${worn === 'basket muzzle' ? 'Basket muzzle' : 'Soft muzzle for minutes at most'}, never under a dryer or in heat.${word}`,
      'noted for this dog',
      DOGS_RECORD,
      dog.muzzleAgreed !== true,
    ),
  ];
}

function lift({ weight, liftAloneKg, breedHandling }: Restrained): RestraintLine {
  const care = breedHandling.includes('long back')
    ? ' Level, the rear held.'
    : breedHandling.includes('fine bones')
      ? ' With both arms.'
      : '';
  return weight > liftAloneKg
    ? line('lift', `Two lift it, in and out.${care}`, `heavier than ${liftAloneKg} kg`, HOUSE_VALUE, true)
    : line('lift', `One lifts it.${care}`, `${liftAloneKg} kg or less`, HOUSE_VALUE);
}

function approach({ notes }: Restrained): RestraintLine[] {
  const blind = notes.sight !== 'sees';
  const deaf = notes.hearing !== 'hears';
  if (blind && deaf)
    return [
      line(
        'approach',
        'A hand held where it can smell it, then a touch at the shoulder, before any tool.',
        `${notes.sight}, ${notes.hearing}`,
        COMMON_PRACTICE,
        true,
      ),
    ];
  if (blind)
    return [line('approach', 'Voice before a touch, a touch before a tool.', notes.sight, COMMON_PRACTICE, true)];
  if (deaf)
    return [line('approach', 'Come from the front, touch before a tool.', notes.hearing, COMMON_PRACTICE, true)];
  return notes.minds.includes('strangers')
    ? [line('approach', 'Let it come and smell first; treats; no leaning over it.', 'minds strangers', DOGS_RECORD)]
    : [];
}

function helper({ notes }: Restrained): RestraintLine[] {
  if (notes.helper === 'no helper') return [];
  return [
    line(
      'helper',
      notes.helper === 'helper throughout'
        ? 'A second pair of hands throughout.'
        : `A second pair of hands for ${notes.minds.length > 0 ? notes.minds.join(', ') : 'what it minds'}.`,
      'noted for this dog',
      DOGS_RECORD,
    ),
  ];
}

const stand = ({ standsThroughBath, notes }: Restrained): RestraintLine[] =>
  standsThroughBath
    ? notes.minds.includes('standing still')
      ? [line('stand', 'Breaks: a few minutes of standing, then let it sit.', 'minds standing still', DOGS_RECORD)]
      : []
    : [
        line(
          'stand',
          'Washed lying on a mat or in a sling. No hand goes under the belly or between the hind legs.',
          'cannot stand through a bath',
          COMMON_PRACTICE,
          true,
        ),
      ];
