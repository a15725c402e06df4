import type { IncidentKind } from '../events';
import { SIDES, type Place } from '../places';
import { caresFor } from '../steps';
import { doneOf, earHairOf } from '../visit';
import { sentence, type SentenceKey } from '../wording';
import type { SheetInput, SheetLine } from './sheet';

/** What was done, and on whom, as far as it decides what is normal afterwards. */
export type AfterVisit = Pick<SheetInput, 'state' | 'steps' | 'wording' | 'isPuppyNew' | 'asked'>;

type AfterKey = Extract<SentenceKey, `after${string}` | 'earHairAfter'>;
interface AfterRow {
  /** Part of the key of the line: edits hang on it. */
  readonly id: string;
  readonly says: AfterKey;
  readonly when: (visit: AfterVisit) => boolean;
}

/**
 * What is normal after what was done, until when, and after how long to ring; what presses most stands first. Ears: handbook of
 * the trade, schools of cleaning. Bleeding nail, eye, skin, ear freed of a mat: the triage table. The rest: common practice, no
 * source.
 */
export const AFTERCARE: readonly AfterRow[] = [
  { id: 'fall', says: 'afterFall', when: (visit) => happened(visit, 'fall') },
  { id: 'reaction', says: 'afterReaction', when: (visit) => happened(visit, 'skin reacts', 'wrong product') },
  { id: 'eye', says: 'afterProductInEye', when: (visit) => happened(visit, 'product in the eye') },
  { id: 'quick', says: 'afterQuick', when: (visit) => happened(visit, 'quick') },
  { id: 'nick', says: 'afterNick', when: (visit) => happened(visit, 'nick', 'clipper burn') },
  { id: 'ear mat', says: 'afterEarMat', when: (visit) => shavedAt(visit, ({ site }) => site === 'ear') },
  { id: 'mat', says: 'afterMat', when: (visit) => shavedAt(visit, ({ site }) => site !== 'ear') },
  { id: 'vet’s bath', says: 'afterVetsBath', when: bathedAsVetAsked },
  { id: 'ear hair', says: 'earHairAfter', when: pluckedEars },
  // Where hair came out that is said of the ear already.
  { id: 'ears', says: 'afterEars', when: (visit) => cleanedEars(visit) && !pluckedEars(visit) },
  { id: 'first visit', says: 'afterFirstVisit', when: ({ isPuppyNew }) => isPuppyNew },
];

/** What an owner is told of the hours after a visit, each once. */
export const aftercareLines = (visit: AfterVisit): SheetLine[] =>
  AFTERCARE.filter(({ when }) => when(visit)).map(({ id, says }) => ({
    key: `after ${id}`,
    words: sentence(visit.wording, says, { who: visit.asked?.who ?? '' }),
  }));

const happened = ({ state }: AfterVisit, ...kinds: readonly IncidentKind[]): boolean =>
  state.incidents.some(({ kind }) => kinds.includes(kind));

const shavedAt = ({ state }: AfterVisit, where: (place: Place) => boolean): boolean =>
  state.mats.some(({ way, place }) => way === 'shaved' && where(place));

function bathedAsVetAsked({ state, asked }: AfterVisit): boolean {
  return (
    asked?.source.kind === 'vet instruction' &&
    state.used.some(({ product, ml }) => product === asked.productId && ml > 0)
  );
}

function pluckedEars(visit: AfterVisit): boolean {
  return SIDES.some((side) => earHairOf(visit, side).did === 'plucked');
}

/** With more than a look: pads were counted. */
const cleanedEars = ({ steps, state }: AfterVisit): boolean =>
  steps.some((step) => {
    const { stage, counts, place } = doneOf(state, step) ?? {};
    return stage === 'ears, first pass' && counts !== null && place?.site === 'ear' && caresFor(step, place);
  });
