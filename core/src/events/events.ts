import type { ColourReading } from '../colour';
import type { CanalHair } from '../catalogue';
import type { ProductKind } from '../dilution';
import type { EarHairWork, Instruction, Saying, ShownToday } from '../dog';
import type { Finding, PadColour, Sign } from '../findings';
import type { Place, Side } from '../places';
import { CHOICES, type DogChoice } from '../reasons';
import type { Task } from '../tasks';
import type { Day } from '../units';
import type { HandoverQuestion } from './handover';
import type { Incident } from './incidents';

/** A plug of one ear. "not found" is an outcome: vet today, and the visit may close. */
export type PlugState = 'none' | 'in' | 'out, dry' | 'out, damp' | 'not found';

/**
 * Why, as it was tapped or typed. What a newer version sends comes with its words: they are shown, and never read for
 * what they mean.
 */
export type Because =
  | { readonly kind: 'choice'; readonly choice: DogChoice; readonly words: string }
  | { readonly kind: 'typed'; readonly words: string }
  | { readonly kind: 'newer'; readonly words: string };

/**
 * What became of one piece of a step that was done: as the rest of it, looked at and in need of nothing, left, or handed
 * on to a later step: the rest of a crust to the tub.
 */
export const PIECE_OUTCOMES = ['done', 'not needed', 'left', 'handed on'] as const;
export type PieceOutcome = (typeof PIECE_OUTCOMES)[number];

/** How long nails are, by what they do on a hard floor, and the grade of it [house values]. A dewclaw never meets the floor. */
export const NAIL_LENGTHS = { short: 0, 'at the floor': 1, clicks: 2, long: 2, curled: 3 } as const;
export type NailLength = keyof typeof NAIL_LENGTHS;
/** What one says of toes, and of dewclaws. */
export const TOE_LENGTHS = ['short', 'at the floor', 'clicks', 'curled'] as const satisfies readonly NailLength[];
export const DEWCLAW_LENGTHS = ['short', 'long', 'curled'] as const satisfies readonly NailLength[];

export const tapped = (choice: DogChoice): Because => ({ kind: 'choice', choice, words: CHOICES[choice] });
export const typed = (words: string): Because => ({ kind: 'typed', words });

/** What can be told at the table: what is used at home, and products to use or to keep off. */
export type ToldWord = Omit<Instruction, 'from' | 'says'> & {
  readonly says: Extract<Saying, { kind: 'uses' | 'product' | 'bath product' | 'avoid' | 'vet saw' }>;
};

/** A product of a vet or an owner that stands on no shelf yet. */
export interface BroughtBottle {
  readonly id: string;
  readonly name: string;
  readonly kind: ProductKind;
  /** Exactly as printed. */
  readonly label: string;
  /** Parts of water to one of product, an exact fraction as text; null: ready to use. */
  readonly waterParts: string | null;
  /** As its label lists them. */
  readonly ingredients: readonly string[];
  readonly suppliedBy: 'vet' | 'owner';
}

/** What can happen at the table, one payload a kind. */
export type Happening =
  /** The visit begins, with what the plan asked for. */
  | { readonly type: 'opened' }
  | { readonly type: 'step done'; readonly step: string }
  | { readonly type: 'step skipped'; readonly step: string; readonly because: Because }
  | { readonly type: 'step undone'; readonly step: string }
  /** One piece of a step that went another way than the step: a corner that needed nothing, a flap that was left. */
  | {
      readonly type: 'piece settled';
      readonly step: string;
      readonly piece: string;
      readonly how: PieceOutcome;
      /** Why it was left; null: not said. */
      readonly because: Because | null;
    }
  /** Before they are clipped: the toes of a paw, or a dewclaw. */
  | { readonly type: 'nails judged'; readonly place: Place; readonly length: NailLength }
  /** Whether hair grows in this canal, as it was seen: it corrects what the breed lets one expect. */
  | { readonly type: 'ear hair seen'; readonly side: Side; readonly hair: CanalHair }
  /** How taking it out went, as far as it was said. */
  | ({ readonly type: 'ear hair went'; readonly side: Side } & EarHairWork)
  /** A step that the plan did not ask for, before another or at the end. */
  | { readonly type: 'step added'; readonly step: string; readonly title: string; readonly before: string | null }
  | { readonly type: 'step moved'; readonly step: string; readonly before: string }
  /** One part of a step that is checked part by part: "dry: armpits". */
  | { readonly type: 'checked'; readonly step: string; readonly part: string }
  /** A caution was read and not followed; a safety stop has no such event. */
  | {
      readonly type: 'caution overridden';
      readonly caution: string;
      readonly step: string;
      readonly because: Because;
      readonly who: string;
    }
  | {
      readonly type: 'timer started';
      readonly timer: string;
      readonly step: string;
      /** Least time. */
      readonly seconds: number;
      /** Most time, where there is one. */
      readonly most?: number;
    }
  | { readonly type: 'timer stopped'; readonly timer: string }
  | { readonly type: 'looked clear'; readonly place: Place }
  | { readonly type: 'found'; readonly finding: Finding }
  | { readonly type: 'taken back'; readonly place: Place; readonly sign: Sign }
  /** A picture of a place, and of a finding there where it shows one. */
  | { readonly type: 'photo taken'; readonly photo: string; readonly place: Place; readonly sign: Sign | null }
  | { readonly type: 'photo removed'; readonly photo: string }
  /** By a white thing in the picture, beside the grade of whoever looked. Null: taken back. */
  | { readonly type: 'colour measured'; readonly photo: string; readonly colour: ColourReading | null }
  | { readonly type: 'plug in'; readonly side: Side }
  | { readonly type: 'plug out'; readonly side: Side; readonly came: 'dry' | 'damp' }
  | { readonly type: 'plug not found'; readonly side: Side }
  | { readonly type: 'pad dirty'; readonly side: Side; readonly colour: PadColour }
  | { readonly type: 'pad clean'; readonly side: Side }
  /** Pads stayed brown and no sign was seen: the same ear is filled and massaged once more. */
  | { readonly type: 'ear filled again'; readonly side: Side }
  | {
      readonly type: 'used';
      readonly product: string;
      readonly name: string;
      readonly ml: number;
      readonly planned: number;
      readonly how: 'as planned' | 'a bit more' | 'double' | 'measured' | 'substituted';
      /** The product that ran out, where this one stood in for it. */
      readonly insteadOf?: string;
      /** Parts of the bath it was for; left out up to version 4. */
      readonly tasks?: readonly Task[];
    }
  /** Blade, comb or scissors by part of the body, so that next time matches. */
  | { readonly type: 'tool used'; readonly part: string; readonly tool: string }
  /** A question put to the owner in the middle of the visit, and the answer. */
  | {
      readonly type: 'owner asked';
      /** The proposal it is about, by its id; null: the groomer's own question. */
      readonly about: string | null;
      readonly question: string;
      readonly answer: OwnerAnswer;
      readonly words: string;
      /** Who gave the answer. */
      readonly who: string;
    }
  /** Brushed or shaved, on whose word, what lay beneath, at what cost of time. */
  | {
      readonly type: 'mat settled';
      readonly place: Place;
      readonly way: 'brushed out' | 'shaved' | 'left';
      readonly word: string;
      /** Null: not said. */
      readonly beneath: Because | null;
      readonly minutes: number;
    }
  | { readonly type: 'incident'; readonly incident: Incident }
  /** Sent home before the end; with a day, it comes back to be finished. */
  | { readonly type: 'went home'; readonly because: Because; readonly back: Day | null }
  | { readonly type: 'came back' }
  /** An open mix is poured over this dog; past its discard time only for a reason. */
  | {
      readonly type: 'mix taken';
      readonly mix: string;
      readonly product: string;
      readonly override: string | null;
    }
  | { readonly type: 'mix put back'; readonly mix: string }
  /** What the owner said at handover. */
  | { readonly type: 'answered'; readonly question: HandoverQuestion; readonly answer: boolean }
  | { readonly type: 'noted'; readonly text: string }
  /** What the owner said at the door besides. */
  | { readonly type: 'owner said'; readonly text: string }
  /** How the dog shows itself today; `yes` false takes it back. */
  | { readonly type: 'shows today'; readonly what: ShownToday; readonly yes: boolean }
  /** It showed more than once: from now on it stands on the dog. */
  | { readonly type: 'mark kept'; readonly what: ShownToday }
  /** A word of a vet or owner that was told at the table, from today on. */
  | { readonly type: 'word told'; readonly word: ToldWord }
  /** An earlier one that holds no longer. */
  | { readonly type: 'word ended'; readonly word: string }
  /** What table, tub and tools were disinfected with after this dog. */
  | { readonly type: 'cleaned with'; readonly product: string; readonly name: string }
  /** A product that was brought along, as read off its label. */
  | { readonly type: 'bottle brought'; readonly bottle: BroughtBottle }
  | { readonly type: 'closed'; readonly how: 'finished' | 'ended early' };

export type HappeningType = Happening['type'];

export const OWNER_ANSWERS = ['yes', 'no', 'not reached'] as const;
export type OwnerAnswer = (typeof OWNER_ANSWERS)[number];

/**
 * Version of the event format. An event of version 1 does not say what its device had seen; up to version 2 reasons
 * were sentences; pieces and nails are told from version 4 on, what a product was for from version 5; a tear stain has a grade
 * from version 6 on, before that it was there or not and reads as slight. `upToDate` reads the older ones.
 */
export const EVENT_VERSION = 6;

/**
 * One thing that happened, as its device recorded it. Never changed, never removed.
 * Order is by (counter, device, id), never by clock: clocks of tablets are wrong.
 */
export interface VisitEvent {
  /** UUID v7, made on the device. */
  readonly id: string;
  readonly v: number;
  /** Lamport counter: one more than the highest the device had seen. */
  readonly counter: number;
  readonly device: string;
  readonly person: string;
  /** Device clock, ms since 1970. */
  readonly at: number;
  /** Server clock less device clock, ms, as last measured; null while never measured. */
  readonly offset: number | null;
  /** Highest counter seen of every other device when it was made; null in events of version 1. */
  readonly seen: Readonly<Record<string, number>> | null;
  readonly what: Happening;
}

export const inOrder = (a: VisitEvent, b: VisitEvent): number =>
  a.counter - b.counter || compare(a.device, b.device) || compare(a.id, b.id);

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** Union of what devices know: every id once, in order. Same id twice is one event. */
export function mergeEvents(...logs: readonly (readonly VisitEvent[])[]): VisitEvent[] {
  const known = logs.length === 1 ? (logs[0] ?? []) : logs.flat();
  // A log that was merged before comes in order: then nothing is in it twice either.
  if (known.every((event, i) => i === 0 || inOrder(known[i - 1] as VisitEvent, event) < 0)) return [...known];
  const byId = new Map(known.map((event) => [event.id, event]));
  return [...byId.values()].toSorted(inOrder);
}

/** Between a device and the page of it that wrote: two pages of one browser do not see each other's work at once. */
const PAGE_OF = '#';

/** What a page signs its events with: the device, and the page. */
export const pageOfDevice = (device: string, page: string): string => `${device}${PAGE_OF}${page}`;

/** Whether two events were told by one clock: pages of one device share it. */
export const sameClock = (a: string, b: string): boolean => a.split(PAGE_OF)[0] === b.split(PAGE_OF)[0];

/** The counter for a device's next event. */
export const nextCounter = (known: readonly VisitEvent[]): number =>
  known.reduce((top, event) => Math.max(top, event.counter), 0) + 1;

/** What a device has seen of the others: their highest counters. It receives each device's events in their order. */
export function seenBy(device: string, known: readonly VisitEvent[]): Record<string, number> {
  const seen: Record<string, number> = {};
  for (const event of known)
    if (event.device !== device) seen[event.device] = Math.max(seen[event.device] ?? 0, event.counter);
  return seen;
}

/**
 * Whether `later` was made by someone who had `earlier` before them. An event of version 1 did not write down what it
 * had seen; it counts as having seen everything that comes before it in order.
 */
export function saw(later: VisitEvent, earlier: VisitEvent): boolean {
  if (later.device === earlier.device || later.seen === null) return inOrder(earlier, later) < 0;
  return (later.seen[earlier.device] ?? 0) >= earlier.counter;
}

/** Made apart: neither device knew of the other's. */
export const madeApart = (a: VisitEvent, b: VisitEvent): boolean => !saw(a, b) && !saw(b, a);

/** When it happened by the server's clock, ms, or null where the device's offset was never measured. */
export const correctedTime = (event: VisitEvent): number | null =>
  event.offset === null ? null : event.at + event.offset;
