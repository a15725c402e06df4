/**
 * waiting: to be sent, or to be tried again. sending: handed over, no answer yet. unsure: handed over and never heard
 * of again; it may have arrived, so only a person sends it once more.
 */
export const MESSAGE_STATES = ['waiting', 'sending', 'sent', 'failed', 'bounced', 'withdrawn', 'unsure'] as const;
export type MessageState = (typeof MESSAGE_STATES)[number];

/** Minutes until the next try, by how many there were [house values]; then it has failed. */
const BACK_OFF_MINUTES = [1, 5, 15, 60, 240] as const;

/** Without an answer for longer than this nobody knows whether it arrived. */
export const UNSURE_AFTER_MS = 10 * 60_000;

/** What handing over came to. `refused`: asking again changes nothing. `unsure`: all of it was handed over, no answer came. */
export type Outcome =
  | { readonly kind: 'sent'; readonly word: string }
  | { readonly kind: 'refused'; readonly word: string }
  | { readonly kind: 'trouble'; readonly word: string }
  | { readonly kind: 'unsure'; readonly word: string };

export interface After {
  readonly state: MessageState;
  /** Minutes until it is tried again; null: not by itself. */
  readonly againIn: number | null;
  readonly lastWord: string;
}

/** What becomes of a message after its `tries`-th try. */
export function afterTry(outcome: Outcome, tries: number): After {
  if (outcome.kind === 'sent') return { state: 'sent', againIn: null, lastWord: outcome.word };
  if (outcome.kind === 'unsure') return { state: 'unsure', againIn: null, lastWord: outcome.word };
  const againIn = outcome.kind === 'trouble' ? BACK_OFF_MINUTES[tries - 1] : undefined;
  return againIn === undefined
    ? { state: 'failed', againIn: null, lastWord: outcome.word }
    : { state: 'waiting', againIn, lastWord: outcome.word };
}

/** What a carrier says later of a message that it took. */
export const CARRIER_WORDS = ['delivered', 'not delivered'] as const;
export type CarrierWord = (typeof CARRIER_WORDS)[number];

/**
 * What becomes of a message by a carrier's later word; null: nothing. What has arrived stays so, and what came back stays so:
 * a word that comes twice, or after a newer one, changes nothing.
 */
export function afterCarrier(
  { state, arrived }: { readonly state: MessageState; readonly arrived: boolean },
  said: CarrierWord,
): { readonly state: MessageState; readonly arrived: boolean } | null {
  if (arrived || (state !== 'sent' && state !== 'unsure')) return null;
  return said === 'delivered' ? { state: 'sent', arrived: true } : { state: 'bounced', arrived: false };
}

/** What a person may do with a message that stands like this. */
export const mayTryAgain = (state: MessageState): boolean => ['failed', 'bounced', 'unsure'].includes(state);
export const mayWithdraw = (state: MessageState): boolean => state === 'waiting';
