import { addDays, type Day } from '../units';
import type { Task } from '../tasks';
import { dueState } from './dueWindow';
import type { DueLine } from './planDue';

interface NoticedRow {
  /** As a groomer reads it. */
  readonly words: string;
  /** The care that is due from the day it was told; null: a person of the salon is asked, and no day moves. */
  readonly dueNow: Task | null;
}

/**
 * What an owner can notice at home, and what it moves: a click of nails and a mat are for the salon's hands, so the care is due
 * from that day on; a smell, a wet eye and sore skin are not to be judged from afar, so somebody rings. Common practice, no source.
 */
export const NOTICED = {
  'nails click': { words: 'the nails click on a hard floor', dueNow: 'nails' },
  'a mat': { words: 'a mat that does not come out', dueNow: 'brush-out' },
  'an ear smells': { words: 'an ear smells', dueNow: null },
  'an eye is wet': { words: 'an eye is wetter than usual', dueNow: null },
  'the skin is sore': { words: 'sore or wet skin', dueNow: null },
  'a picture': { words: 'sent a picture', dueNow: null },
} as const satisfies Readonly<Record<string, NoticedRow>>;
export type Noticed = keyof typeof NOTICED;
export const ALL_NOTICED = Object.keys(NOTICED) as readonly Noticed[];
/** What an owner tells by a tap; a picture tells itself. */
export const TOLD_BY_TAP = ALL_NOTICED.filter((each): each is Exclude<Noticed, 'a picture'> => each !== 'a picture');

/** What was noticed of a dog, and when it was told. */
export interface NoticedOn {
  readonly noticed: Noticed;
  readonly day: Day;
}

/**
 * The lines with what was noticed since their last care: due from the day it was told, though no sooner than the plan allows after
 * that care. Nothing is counted as done, what a vet has set stays, and nothing comes later by it.
 */
export const asNoticed = (due: readonly DueLine[], told: readonly NoticedOn[], today: Day): readonly DueLine[] =>
  told.length === 0
    ? due
    : due.map((each) => {
        const { line, lastCare, window } = each;
        const days = told
          .filter(({ noticed, day }) => NOTICED[noticed].dueNow === line.task && (lastCare === null || day > lastCare))
          .map(({ day }) => day)
          .toSorted();
        const [first] = days;
        if (first === undefined || window === null || line.interval === null || line.fixedByVet) return each;
        const soonest = lastCare === null ? first : addDays(lastCare, line.interval.least);
        const ideal = first > soonest ? first : soonest;
        if (ideal >= window.ideal) return each;
        const earliest = ideal < window.earliest ? ideal : window.earliest;
        const moved = { earliest, ideal, latest: window.latest };
        return { ...each, window: moved, state: dueState(moved, today), noticedOn: first };
      });
