import type { DogFacts, HairBorne } from '../dog';
import { isEarWax, isMat, type Finding, type Sign } from '../findings';
import { SIDES, namePlace, placesOf, samePlace, type FoldSite, type Place } from '../places';
import type { HouseQuestion } from '../ways';

/** What one visit came to, as far as a way hangs on it. */
export interface VisitOfRecord {
  readonly findings: readonly Finding[];
  readonly places: readonly {
    readonly place: Place;
    readonly cared: boolean;
    readonly looked: boolean;
    readonly dirtyPads: number | null;
    readonly hairBorne: HairBorne | null;
  }[];
}

/** Another school for this dog, and what its record says for it, within a sentence. */
export interface ProposedWay {
  readonly question: HouseQuestion;
  readonly school: string;
  readonly because: string;
}

/** So many visits in a row are a habit; twice is enough where it hurts or tightens [house values]. */
const EVERY = 3;
const TWICE = 2;
/** Dirty pads of one ear that bring up much [house value]. */
const MUCH = 4;

interface Told {
  readonly facts: DogFacts;
  /** Newest last. */
  readonly visits: readonly VisitOfRecord[];
}
/** A school that the record speaks for, from which ones, and why; null: it does not. */
interface Speaks {
  readonly question: HouseQuestion;
  readonly from: readonly string[];
  readonly speaks: (told: Told) => { readonly school: string; readonly because: string } | null;
}

/** The last visits at which a place was looked at. */
const lastAt = ({ visits }: Told, place: Place, count: number): readonly VisitOfRecord[] =>
  visits.filter(({ places }) => places.some((each) => each.looked && samePlace(each.place, place))).slice(-count);

/** Nothing but these was found there: what is red, sore or smells is no matter of ways. */
const nothingBut = (is: (sign: Sign) => boolean, place: Place, { findings }: VisitOfRecord): boolean =>
  findings.every((found) => !samePlace(found.place, place) || is(found.sign));

/**
 * Found there at each of the last visits, with nothing besides but what is named, although it was cared for at the ones
 * before the last.
 */
function everyTimeThoughCared(told: Told, place: Place, sign: Sign, besides: readonly Sign[] = []): boolean {
  const last = lastAt(told, place, EVERY);
  return (
    last.length === EVERY &&
    last.every(
      (visit) =>
        visit.findings.some((found) => samePlace(found.place, place) && found.sign === sign) &&
        nothingBut((each) => each === sign || besides.includes(each), place, visit),
    ) &&
    last.slice(0, -1).every(({ places }) => places.some((each) => each.cared && samePlace(each.place, place)))
  );
}

const isDirtOfTheEar = (sign: Sign): boolean => isEarWax(sign) || sign === 'ear damp';
const eyes = SIDES.map((side): Place => ({ site: 'eye', side }));
const ears = SIDES.map((side): Place => ({ site: 'ear', side }));
/** Folds beside eye and nostril: no powder comes near them, and a way is one for all folds of a dog. */
const BY_EYE_OR_NOSE: readonly FoldSite[] = ['nose', 'pocket', 'brow'];

/** The folds of this dog, with their sides. */
const foldsOf = ({ facts }: Told): Place[] =>
  placesOf(Object.keys(facts.traits.folds) as FoldSite[]).filter(({ site }) => site.startsWith('fold'));

const speaking = (place: Place | undefined, school: string, because: (name: string) => string) =>
  place ? { school, because: because(namePlace(place)) } : null;

/**
 * Where the reason of a school is about the dog, and what its record must say for it. Common practice, no source; the
 * counts are house values.
 */
const ROWS: readonly Speaks[] = [
  {
    question: 'eyeCorner',
    from: ['leave and clean'],
    speaks: (told) =>
      speaking(
        eyes.find((eye) => everyTimeThoughCared(told, eye, 'eye wet', ['eye crust', 'eye stain'])),
        'clip',
        (name) => `the corner of the ${name} is wet at every visit, though cleaned`,
      ),
  },
  {
    question: 'foldProtect',
    from: ['none'],
    speaks: (told) =>
      speaking(
        foldsOf(told).find((fold) => everyTimeThoughCared(told, fold, 'fold moisture')),
        BY_EYE_OR_NOSE.some((fold) => told.facts.traits.folds[fold]) ? 'balm' : 'powder',
        (name) => `the ${name} is damp at every visit, though dried`,
      ),
  },
  {
    question: 'earsWhen',
    from: ['before', 'after'],
    speaks: (told) =>
      speaking(
        ears.find((ear) => {
          const last = lastAt(told, ear, EVERY);
          const pads = (visit: VisitOfRecord) =>
            visit.places.find((each) => samePlace(each.place, ear))?.dirtyPads ?? 0;
          return (
            last.length === EVERY &&
            last.every((visit) => pads(visit) >= MUCH && nothingBut(isDirtOfTheEar, ear, visit))
          );
        }),
        'both',
        (name) => `the ${name} brings up ${MUCH} dirty pads or more at every visit`,
      ),
  },
  {
    question: 'earHair',
    from: ['routine', 'staged'],
    speaks: ({ visits }) => {
      const borne = (ear: Place) =>
        visits
          .flatMap(({ places }) => places.find((each) => samePlace(each.place, ear))?.hairBorne ?? [])
          .slice(-TWICE);
      return speaking(
        ears.find((ear) => borne(ear).length === TWICE && borne(ear).every((how) => how === 'broke off')),
        'trim',
        (name) => `it broke off at the ${name} the last two times`,
      );
    },
  },
  {
    question: 'nails',
    from: ['after the bath'],
    speaks: ({ facts }) =>
      facts.nailBled
        ? { school: 'before the bath', because: 'a nail of it bled: stopped, held and washed clean before' }
        : null,
  },
  {
    question: 'head',
    from: ['first', 'last'],
    speaks: ({ facts: { handling } }) =>
      handling.minds.includes('water on the head')
        ? { school: 'neck down only', because: 'it minds water on its head' }
        : null,
  },
  {
    question: 'brushOut',
    from: ['after the bath'],
    speaks: ({ visits }) => {
      const last = visits.slice(-TWICE);
      return last.length === TWICE && last.every(({ findings }) => findings.some(isMat))
        ? { school: 'before the bath', because: 'mats at its last two visits: water tightens them' }
        : null;
    },
  },
];

/** Schools that this dog's record speaks for and that it does not have: one tap makes them its own. Pure. */
export const waysFromRecord = (told: Told): ProposedWay[] =>
  ROWS.flatMap(({ question, from, speaks }) => {
    if (!from.includes(told.facts.ways[question])) return [];
    const said = speaks(told);
    return said ? [{ question, ...said }] : [];
  });
