import { NO_WORD } from '../dog';
import { NAIL_LENGTHS, type Because, type NailLength } from '../events';
import { SIDES, placeKey, placeOf, samePlace, type Place } from '../places';
import type { Step } from '../steps';
import { TASKS } from '../tasks';
import { doneOf, earHairOf, sparedOf } from '../visit';
import { listed, placeWords, say, sentence, type Wording } from '../wording';
import type { Piece } from '../work';
import type { SheetInput, SheetLine } from './sheet';
import type { PlacedLine } from './together';

/** What a visit came to, and in whose words it is told. */
export type Worked = Pick<SheetInput, 'state' | 'steps' | 'wording'>;

export const small = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

/** Why, in the owner's words: what was tapped, or what somebody typed. */
export const because = (wording: Wording, why: Because): string => say(why, wording, 'owner') ?? '';

export const isFirstPlace = (place: Place, i: number, all: readonly Place[]): boolean =>
  all.findIndex((other) => samePlace(other, place)) === i;

/** Face, feet and rear piece by piece: what was left is not told as done. */
export function clippedLine({ wording }: Worked, done: readonly Step[]): SheetLine[] {
  const pieces = done.filter(({ stage }) => stage === 'first clip').flatMap((step) => step.pieces);
  return pieces.length === 0
    ? []
    : [{ key: 'first clip', words: sentence(wording, 'clipped', { what: namePieces(wording, pieces) }) }];
}

const LONGEST_FIRST = (Object.keys(NAIL_LENGTHS) as NailLength[]).toReversed();

/** Nails as they were found, by length: the owner hears what a clicking nail is. */
export function nailsLine({ state, wording }: Worked): SheetLine[] {
  const judged = Object.entries(state.nails);
  if (judged.length === 0) return [];
  const seen = LONGEST_FIRST.flatMap((length) => {
    const places = judged.filter(([, each]) => each === length).map(([key]) => placeOf(key));
    if (places.length === 0) return [];
    const what = wording.nailLengths[length];
    return [sentence(wording, 'taskAt', { what, places: listed(wording, places) })];
  });
  return [{ key: 'nails seen', words: sentence(wording, 'nailsSeen', { seen: seen.join('; ') }) }];
}

/** Looked at by hands that would have done it: told, for it is what the owner pays a look for. */
export function neededNothingLine({ steps, state, wording }: Worked): SheetLine[] {
  const spared = steps.flatMap((step) => sparedOf(state, step) ?? []);
  const cared = new Set(steps.flatMap((step) => doneOf(state, step)?.pieces.map(pieceAbout) ?? []));
  const pieces = spared.flatMap((step) => step.pieces).filter((piece) => !cared.has(pieceAbout(piece)));
  return pieces.length === 0
    ? []
    : [
        {
          key: 'nothing needed',
          words: sentence(wording, 'nothingNeeded', { what: small(namePieces(wording, pieces)) }),
        },
      ];
}

/** Pieces that a groomer left of a step that was done, each with why. */
export function leftPieces({ state, wording }: Worked, step: Step): SheetLine[] {
  const marks = state.pieces[step.id] ?? {};
  if (state.steps[step.id]?.kind !== 'done') return [];
  return step.pieces.flatMap((piece) => {
    const mark = marks[piece.id];
    if (mark?.how !== 'left') return [];
    const name = small(namePieces(wording, [piece]));
    const words = mark.because
      ? sentence(wording, 'skipped', { step: name, because: because(wording, mark.because) })
      : sentence(wording, 'pieceLeft', { what: name });
    return [{ key: `left ${step.id} ${piece.id}`, words }];
  });
}

const pieceAbout = ({ task, touches }: Piece): string =>
  `${task} ${touches.map(({ place }) => placeKey(place)).join()}`;

/** Pieces by what they are for: each task once, with its places where it has sides. */
function namePieces(wording: Wording, pieces: readonly Piece[]): string {
  const tasks = [...new Set(pieces.map(({ task }) => task))];
  const names = tasks.map((task) => {
    if (task === null) return wording.sentences.face;
    const what = small(wording.tasks[task]);
    const places = pieces
      .filter((piece) => piece.task === task)
      .flatMap(({ touches }) => touches.map(({ place }) => place))
      .filter(isFirstPlace);
    return TASKS[task].sites === 'none' ? what : sentence(wording, 'taskAt', { what, places: listed(wording, places) });
  });
  return [...new Set(names)].join('; ');
}

/** Hair of each ear: how much came out, how it was borne, what is left; each told as far as it was said. */
export const earHairLines = (worked: Worked): PlacedLine[] =>
  SIDES.flatMap((side): PlacedLine[] => {
    const { did, went } = earHairOf(worked, side);
    const { came, borne, left } = went ?? NO_WORD;
    if (did === null && came === null) return [];
    const { wording } = worked;
    const at = { site: 'ear', side } as const;
    const say = (place: string) =>
      [
        did === 'trimmed'
          ? sentence(wording, 'earHairTrimmed', { place })
          : came === null
            ? sentence(wording, 'earHairOut', { place })
            : sentence(wording, 'earHairWent', { place, came: wording.hairCame[came] }),
        ...(borne === null ? [] : [sentence(wording, 'earHairBorne', { borne: wording.hairBorne[borne] })]),
        ...(did === null || left === null || left === 'none' ? [] : [wording.sentences.earHairLeft]),
      ].join(' ');
    const words = say(placeWords(wording, at));
    return [{ key: `ear hair ${side}`, words, at: { place: at, joins: 'its other side', say } }];
  });
