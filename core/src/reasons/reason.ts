import type { Condition, Sign } from '../findings';
import type { Grade, Place } from '../places';
import type { Task } from '../tasks';
import type { Day } from '../units';
import type { BusinessDoes, HouseQuestion, ServiceKey } from '../ways';
import type { DogChoice } from './choices';
import type { EarHairReason } from './earHairReasons';

/** One sign as a reason names it. */
export interface SignSeen {
  readonly sign: Sign;
  readonly grade: Grade;
}

/**
 * Why something is barred, left out, said or asked. Data only: `say` makes words of it, for whoever reads them. No text
 * is ever read back.
 */
export type Reason =
  /** Signs seen at a place; with a day, at an earlier visit, and no vet has answered since. */
  | { readonly kind: 'signs'; readonly place: Place; readonly seen: readonly SignSeen[]; readonly since: Day | null }
  /** Known about an ear or an eye without any sign. */
  | { readonly kind: 'condition'; readonly place: Place; readonly condition: Condition }
  /** A rule of the trade, by its id. */
  | { readonly kind: 'rule'; readonly rule: string }
  /** The dated word of a vet or an owner. */
  | {
      readonly kind: 'instruction';
      readonly by: 'vet' | 'owner';
      readonly who: string;
      readonly until: Day | null;
      readonly says: InstructionSays;
    }
  /** What an owner agreed to, or did not. */
  | { readonly kind: 'consent'; readonly to: 'plucking' }
  /** What this business does at all, by place and law. */
  | { readonly kind: 'service'; readonly service: ServiceKey; readonly does: BusinessDoes }
  /** A choice of the business among schools: a habit, never told to an owner. */
  | { readonly kind: 'school'; readonly question: HouseQuestion; readonly school: string }
  /** A line of the decision about hair in an ear. */
  | { readonly kind: 'ear hair'; readonly line: EarHairReason; readonly days: number | null }
  /** Due oftener than full visits come, both in days. */
  | { readonly kind: 'between visits'; readonly everyDays: number; readonly visits: number }
  /** A reason that was tapped. */
  | { readonly kind: 'choice'; readonly choice: DogChoice }
  /** What somebody typed: shown as it is. */
  | { readonly kind: 'typed'; readonly words: string }
  /** Of a kind this version does not know: the words that were sent with it are shown. */
  | { readonly kind: 'newer'; readonly words: string };

/** What an instruction asks, as far as it is a reason. */
export type InstructionSays =
  | { readonly kind: 'not done'; readonly task: Task }
  | { readonly kind: 'nothing else on the skin' }
  | { readonly kind: 'avoid'; readonly what: string }
  | { readonly kind: 'ear hair'; readonly way: string }
  | { readonly kind: 'every'; readonly task: Task; readonly days: number }
  | { readonly kind: 'at home'; readonly task: Task; readonly timesADay: number };

/** A reason as it is sent or stored: with the words of whoever sent it, for a reader that does not know its kind. */
export interface SentReason {
  readonly kind: string;
  readonly words: string;
}

const KINDS: Readonly<Record<Reason['kind'], true>> = {
  signs: true,
  condition: true,
  rule: true,
  instruction: true,
  consent: true,
  service: true,
  school: true,
  'ear hair': true,
  'between visits': true,
  choice: true,
  typed: true,
  newer: true,
};

/** A sent reason as this version reads it: its own kinds as they are, newer ones by the words sent with them. */
export const readReason = (sent: (Reason & { readonly words?: string }) | SentReason): Reason =>
  Object.hasOwn(KINDS, sent.kind) ? (sent as Reason) : { kind: 'newer', words: sent.words ?? '' };

const KEYS = new WeakMap<Reason, string>();
/** A text that is the same for reasons that say the same; written once a reason, as it is asked for often. */
export function reasonKey(reason: Reason): string {
  const known = KEYS.get(reason);
  if (known !== undefined) return known;
  const key = JSON.stringify(reason);
  KEYS.set(reason, key);
  return key;
}

/** Two reasons that say the same. */
export const sameReason = (a: Reason, b: Reason): boolean => a === b || reasonKey(a) === reasonKey(b);
