import type { ColourReading } from '../colour';
import type { CanalHair } from '../catalogue';
import type { Task } from '../tasks';
import type { EarHairWork, ShownToday } from '../dog';
import type { Finding, PadColour, Sign } from '../findings';
import type { Place, PlaceKey, Side } from '../places';
import type { Day } from '../units';
import type {
  Because,
  BroughtBottle,
  Happening,
  NailLength,
  PieceOutcome,
  PlugState,
  ToldWord,
  VisitEvent,
} from '../events';
import type { HandoverAnswers } from '../events';
import type { Incident } from '../events';

/** What became of a step, and the event that says so. */
export type StepMark =
  | { readonly kind: 'done'; readonly by: VisitEvent }
  | { readonly kind: 'skipped'; readonly because: Because; readonly by: VisitEvent };

/** What became of a piece of a step, where it is not what became of the step. */
export interface PieceMark {
  readonly how: Exclude<PieceOutcome, 'done'>;
  readonly because: Because | null;
}

export interface PadCount {
  /** How often the ear was cleaned at this visit. */
  readonly rounds: number;
  /** Dirty pads since it was filled last. */
  readonly inRound: number;
  readonly dirty: number;
  readonly worst: PadColour | null;
  /** A clean pad came: this ear is done. */
  readonly clean: boolean;
}

export interface TimerState {
  readonly timer: string;
  readonly step: string;
  /** Least and most time, s. */
  readonly seconds: number;
  readonly most: number | null;
  readonly started: VisitEvent;
  readonly stopped: VisitEvent | null;
}

export interface UsedProduct {
  readonly product: string;
  readonly name: string;
  readonly ml: number;
  readonly planned: number;
  readonly how: 'as planned' | 'a bit more' | 'double' | 'measured' | 'substituted';
  readonly insteadOf?: string;
  readonly tasks?: readonly Task[];
}

type FieldsOf<K extends Happening['type']> = Omit<Extract<Happening, { type: K }>, 'type'>;

/** A step somebody added, or moved before another. */
export type StepChange =
  | { readonly kind: 'added'; readonly step: string; readonly title: string; readonly before: string | null }
  | { readonly kind: 'moved'; readonly step: string; readonly before: string };

export interface Photo {
  readonly photo: string;
  readonly place: Place;
  readonly sign: Sign | null;
  readonly colour: ColourReading | null;
}

/** Something that was said or went wrong, with the event that tells when and by whom. */
export type Logged<T> = T & { readonly by: VisitEvent };

/** Two people marked the same thing apart from each other, and differently. Both marks are kept until it is settled. */
export interface Clash {
  /** "step nails", "place ear/left", "plug left": what was marked twice. */
  readonly about: string;
  readonly marks: readonly VisitEvent[];
}

/** An open mix that this dog had. */
export interface TakenMix {
  readonly mix: string;
  readonly product: string;
  readonly override: string | null;
}

/** The visit as all its events together tell it. */
export interface VisitState {
  readonly opened: boolean;
  readonly steps: Readonly<Record<string, StepMark>>;
  /** By step, then by piece. */
  readonly pieces: Readonly<Record<string, Readonly<Record<string, PieceMark>>>>;
  /** The nails of a paw by the paw, a dewclaw by itself. */
  readonly nails: Readonly<Partial<Record<PlaceKey, NailLength>>>;
  readonly lookedClear: readonly PlaceKey[];
  readonly findings: readonly Finding[];
  readonly plugs: Readonly<Record<Side, PlugState>>;
  readonly pads: Readonly<Record<Side, PadCount>>;
  /** Hair in the canals as seen today, and how taking it out went; null: not said. */
  readonly hairSeen: Readonly<Record<Side, CanalHair | null>>;
  readonly earHair: Readonly<Record<Side, EarHairWork | null>>;
  readonly timers: readonly TimerState[];
  readonly used: readonly UsedProduct[];
  readonly mixes: readonly TakenMix[];
  readonly answers: HandoverAnswers;
  readonly stepChanges: readonly StepChange[];
  /** Parts of a step that were checked, by step. */
  readonly checked: Readonly<Record<string, readonly string[]>>;
  readonly overridden: readonly Logged<FieldsOf<'caution overridden'>>[];
  readonly photos: readonly Photo[];
  readonly tools: Readonly<Record<string, string>>;
  readonly asked: readonly Logged<FieldsOf<'owner asked'>>[];
  readonly mats: readonly FieldsOf<'mat settled'>[];
  readonly incidents: readonly Logged<Incident>[];
  /** The dog is away, to be finished another day, or for good. */
  readonly away: { readonly because: Because; readonly back: Day | null } | null;
  readonly clashes: readonly Clash[];
  readonly notes: readonly string[];
  /** What the owner said at the door. */
  readonly ownerSaid: readonly string[];
  /** How the dog shows itself today, and what of it was kept as a mark. */
  readonly shown: readonly ShownToday[];
  readonly marksKept: readonly ShownToday[];
  /** Words told at this table, and the ids of those that were ended. */
  readonly told: readonly ToldWord[];
  readonly ended: readonly string[];
  readonly bottles: readonly BroughtBottle[];
  /** The disinfectant that was taken after this dog; null: not said. */
  readonly cleanedWith: FieldsOf<'cleaned with'> | null;
  /** What a newer Dewpond wrote and this one cannot read: somebody should look with that one. */
  readonly newer: readonly string[];
  readonly closed: 'finished' | 'ended early' | null;
  /** Work of a device that had not seen the close: taken in, and shown as such. */
  readonly cameInLater: readonly string[];
}

const NO_PADS: PadCount = { dirty: 0, worst: null, clean: false, rounds: 1, inRound: 0 };

export const EMPTY_VISIT: VisitState = {
  opened: false,
  steps: {},
  pieces: {},
  nails: {},
  lookedClear: [],
  findings: [],
  plugs: { left: 'none', right: 'none' },
  pads: { left: NO_PADS, right: NO_PADS },
  hairSeen: { left: null, right: null },
  earHair: { left: null, right: null },
  timers: [],
  used: [],
  mixes: [],
  answers: {},
  stepChanges: [],
  checked: {},
  overridden: [],
  photos: [],
  tools: {},
  asked: [],
  mats: [],
  incidents: [],
  away: null,
  clashes: [],
  notes: [],
  ownerSaid: [],
  shown: [],
  marksKept: [],
  told: [],
  ended: [],
  bottles: [],
  cleanedWith: null,
  newer: [],
  closed: null,
  cameInLater: [],
};
