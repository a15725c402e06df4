import { MAY_SPREAD, areaOf, atLeast, isToTheSkin, signWords, type Sign, type Triage } from '../findings';
import type { BusinessServices } from '../ways';
import { namePlace, placeKey, type Place, type PlaceKey } from '../places';
import { COMMON_PRACTICE, HOUSE_VALUE, type Source } from '../provenance';
import type { VisitState } from './state';

/** A change of plan that a finding asks for, and what to ask the owner on the telephone. */
export interface Proposal {
  readonly id: string;
  readonly place: Place | null;
  /** What we propose. */
  readonly words: string;
  /** The question, as it can be read out; null where nobody needs to be asked. */
  readonly ask: string | null;
  readonly source: Source;
}

const answered = (state: VisitState, id: string): boolean =>
  state.asked.some((each) => each.about === id && each.answer !== 'not reached');

/**
 * What the findings so far propose, most urgent first. A question the owner has answered is not put again; the answer
 * stands in the visit.
 */
export function proposals(
  state: VisitState,
  judged: Readonly<Partial<Record<PlaceKey, Triage>>>,
  services: BusinessServices,
): Proposal[] {
  const urgent = Object.values(judged).filter((each) => atLeast(each.level, 'vet soon'));
  const all = [...urgent.map(toVet), ...mats(state), ...spreading(state), ...ticks(state, services), ...lumps(state)];
  return all.filter(({ id, ask }) => ask === null || !answered(state, id));
}

function toVet(seen: Triage): Proposal {
  const name = namePlace(seen.place);
  const today = atLeast(seen.level, 'vet today');
  return {
    id: `vet ${placeKey(seen.place)}`,
    place: seen.place,
    words: `Ring the owner: a vet should look at the ${name} ${today ? 'today' : 'within a day or two'}.`,
    ask: `We found something at the ${name} that a vet should see ${today ? 'today' : 'within a day or two'}. Shall we go on with the rest, or will you fetch your dog?`,
    source: COMMON_PRACTICE,
  };
}

/** A mat to the skin is shaved only on the owner's word. */
const mats = (state: VisitState): Proposal[] =>
  state.findings
    .filter(isToTheSkin)
    .filter(({ place }) => !state.mats.some((each) => placeKey(each.place) === placeKey(place)))
    .map(({ place }) => ({
      id: `mat ${placeKey(place)}`,
      place,
      words: `A mat to the skin, ${namePlace(place)}: shave it, if the owner agrees.`,
      ask: `There is a mat down to the skin (${namePlace(place)}). Brushing it out would hurt. May we shave it there? It will look short for a while, and the skin beneath may be sore.`,
      source: COMMON_PRACTICE,
    }));

const isOneOf = (signs: readonly Sign[], sign: Sign): boolean => signs.includes(sign);

function spreading(state: VisitState): Proposal[] {
  const seen = [...new Set(state.findings.filter(({ sign }) => isOneOf(MAY_SPREAD, sign)).map(({ sign }) => sign))];
  if (seen.length === 0) return [];
  const names = seen.map((sign) => signWords(sign).name).join(', ');
  return [
    {
      id: 'spreading',
      place: null,
      words: `${names}: make this dog the last of the day, gloves, own towels. Clean-down takes longer.`,
      ask: null,
      source: HOUSE_VALUE,
    },
  ];
}

/** What this business does about a tick, where one was found. */
const ticks = (state: VisitState, services: BusinessServices): Proposal[] =>
  state.findings
    .filter(({ sign }) => sign === 'tick')
    .map(({ place }) => ({
      id: `tick ${placeKey(place)}`,
      place,
      words:
        services.ticks === 'done'
          ? `A tick, ${namePlace(place)}: taken off with a hook, close to the skin, whole; the owner told.`
          : `A tick, ${namePlace(place)}: shown to the owner, left on; not pulled here.`,
      ask: null,
      source: HOUSE_VALUE,
    }));

const lumps = (state: VisitState): Proposal[] =>
  state.findings
    .filter(
      ({ sign, place, more }) => sign.startsWith('lump') && areaOf(place.site) !== 'body' && more?.mm === undefined,
    )
    .map(({ place }) => ({
      id: `measure ${placeKey(place)}`,
      place,
      words: `Measure the lump, ${namePlace(place)}, in mm, and take a picture: next time shows whether it grew.`,
      ask: null,
      source: COMMON_PRACTICE,
    }));
