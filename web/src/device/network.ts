import type { OlderEvent } from '@dewpond/core/events';
import type { WaitingPhoto, WaitingVisit } from './storage';

/** What the server said to a piece of the device's own work. Anything else is thrown, and tried again. */
export type Sent<Taken> =
  | { readonly kind: 'taken'; readonly answer: Taken }
  /** For good: asking again changes nothing. */
  | { readonly kind: 'refused'; readonly words: string };

export type VisitSent =
  | Sent<null>
  /** Another device had begun the same booking: its visit is the one. */
  | { readonly kind: 'begun before'; readonly id: string };

export interface EventsTaken {
  /** Ids that the server has now, or had already. */
  readonly settled: readonly string[];
  readonly refused: readonly { readonly id: string; readonly words: string }[];
  readonly serverNow: number;
}

/** Events as the server takes them: without who made them, which it knows from the session. */
export type EventToSend = Omit<OlderEvent, 'person'>;

/** How the device's own work reaches the server. Throws {@link SignedOut}, or whatever came in between. */
export interface Network {
  beginVisit(visit: WaitingVisit): Promise<VisitSent>;
  sendEvents(visitId: string, events: readonly EventToSend[]): Promise<Sent<EventsTaken>>;
  sendPhoto(photo: WaitingPhoto): Promise<Sent<null>>;
}

/** The session has ended: nothing is sent until somebody signs in. */
export class SignedOut extends Error {}
