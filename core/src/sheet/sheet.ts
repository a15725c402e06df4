import type { CarePlan } from '../careplan';
import type { DueLine } from '../due';
import type { Task } from '../tasks';
import type { Finding, Level, Triage } from '../findings';
import type { Grade, Place, PlaceKey, Side } from '../places';
import type { Day } from '../units';
import type { Step } from '../steps';
import type { VisitState } from '../visit';
import type { Wording } from '../wording';

/** The parts of an owner's page, in order: what an owner must know first, then what to do, then what was done. */
export const ALL_SECTIONS = ['saw', 'suggest', 'care', 'did', 'home'] as const;
export type Section = (typeof ALL_SECTIONS)[number];

/** One sentence of the sheet. The key says what it speaks of, and stays when the words change: edits hang on it. */
export interface SheetLine {
  readonly key: string;
  readonly words: string;
}

/** The same said of several places, in one sentence. It stands for all of them, unless a hand is on one. */
export interface TogetherLine extends SheetLine {
  /** Keys of the lines it stands for, in order. */
  readonly of: readonly string[];
}

/** What was seen at one place, for the drawing and the words. */
export interface Saw extends SheetLine {
  readonly place: Place;
  /** Rings of the drawing. */
  readonly grade: Grade;
  readonly level: Level;
}

/** One piece of home care, and the task it belongs to. */
export interface HomeCareLine extends SheetLine {
  readonly task: Task;
}

/** What stands around the sentences of a sheet, in its language. */
export interface SheetFrame {
  /** "Teasel, Wed 25 Nov" */
  readonly title: string;
  /** A slot for the name. */
  readonly forOwner: string;
  readonly headings: Readonly<Record<Section, string>>;
  /** What presses, said above everything else; null: nothing. */
  readonly presses: string | null;
  readonly foot: string;
  /** What a drawing says of its sides. */
  readonly sides: Readonly<Record<Side, string>>;
}

/** The owner's page as made from the visit, its parts kept apart: what we saw, what we did, what we suggest. */
export interface OwnerSheet {
  readonly dog: string;
  readonly day: Day;
  readonly language: string;
  readonly frame: SheetFrame;
  readonly saw: readonly Saw[];
  /** All clear places in one sentence; null when none is. */
  readonly clear: SheetLine | null;
  /** Whom to ask or what we look at again, most urgent first, and the next visit. */
  readonly suggest: readonly SheetLine[];
  /** What the owner does until it is clear, and what is normal after today. */
  readonly care: readonly SheetLine[];
  readonly did: readonly SheetLine[];
  readonly homeCare: readonly HomeCareLine[];
  readonly together: readonly TogetherLine[];
  /** The highest level of the visit. */
  readonly level: Level;
  /** Work came in after the close: look again. */
  readonly lookAgain: boolean;
}

export interface SheetInput {
  readonly dog: string;
  readonly day: Day;
  readonly state: VisitState;
  readonly steps: readonly Step[];
  readonly places: readonly Place[];
  readonly judged: Readonly<Partial<Record<PlaceKey, Triage>>>;
  /** Findings of the last salon inspection, the places looked at then, and when; null on a first visit. */
  readonly lastTime: {
    readonly findings: readonly Finding[];
    readonly looked: readonly PlaceKey[];
    readonly day: Day;
  } | null;
  /** Ears, eyes and folds that came to a vet or a stop often of late, and how many times. */
  readonly often: readonly { readonly place: Place; readonly times: number }[];
  readonly due: readonly DueLine[];
  /** When the dog comes next; what is suggested beside a booking is sooner than it. */
  readonly next: { readonly booked: Day | null; readonly suggested: Day | null };
  /** A dog under a year, on its first visit here. */
  readonly isPuppyNew: boolean;
  /** The wash that a vet or an owner asked for; null: none. */
  readonly asked: Pick<NonNullable<CarePlan['bathProduct']>, 'productId' | 'who' | 'source'> | null;
  readonly wording: Wording;
}
