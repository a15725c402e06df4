import type { Finding, PadColour, Sign } from '../findings';
import type { Place, Side } from '../places';
import type { HandoverQuestion } from './handover';

/** What can happen at the table, one payload a kind. */
export type Happening =
  /** The visit begins, with what the plan asked for. */
  | { readonly type: 'opened' }
  | { readonly type: 'step done'; readonly step: string }
  | { readonly type: 'step skipped'; readonly step: string; readonly because: string }
  | { readonly type: 'step undone'; readonly step: string }
  | { readonly type: 'timer started'; readonly timer: string; readonly step: string; readonly seconds: number }
  | { readonly type: 'timer stopped'; readonly timer: string }
  | { readonly type: 'looked clear'; readonly place: Place }
  | { readonly type: 'found'; readonly finding: Finding }
  | { readonly type: 'taken back'; readonly place: Place; readonly sign: Sign }
  | { readonly type: 'plug in'; readonly side: Side }
  | { readonly type: 'plug out'; readonly side: Side; readonly came: 'dry' | 'damp' }
  | { readonly type: 'plug not found'; readonly side: Side }
  | { readonly type: 'pad dirty'; readonly side: Side; readonly colour: PadColour }
  | { readonly type: 'pad clean'; readonly side: Side }
  | {
      readonly type: 'used';
      readonly product: string;
      readonly name: string;
      readonly ml: number;
      readonly planned: number;
      readonly how: 'as planned' | 'a bit more' | 'double' | 'measured' | 'substituted';
    }
  /** A mix from the bench is poured over this dog; past its discard time only for a reason. */
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
  | { readonly type: 'closed'; readonly how: 'finished' | 'ended early' };

export type HappeningType = Happening['type'];

/** Version of the event format; older ones are brought up to date on read. */
export const EVENT_VERSION = 1;

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
  readonly what: Happening;
}

export const inOrder = (a: VisitEvent, b: VisitEvent): number =>
  a.counter - b.counter || compare(a.device, b.device) || compare(a.id, b.id);

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** Union of what devices know: every id once, in order. Same id twice is one event. */
export function mergeEvents(...logs: readonly (readonly VisitEvent[])[]): VisitEvent[] {
  const byId = new Map(logs.flat().map((event) => [event.id, event]));
  return [...byId.values()].toSorted(inOrder);
}

/** The counter for a device's next event. */
export const nextCounter = (known: readonly VisitEvent[]): number =>
  known.reduce((top, event) => Math.max(top, event.counter), 0) + 1;

/** When it happened by the server's clock, ms, or null where the device's offset was never measured. */
export const correctedTime = (event: VisitEvent): number | null =>
  event.offset === null ? null : event.at + event.offset;
