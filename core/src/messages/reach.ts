import type { ClientCard } from '../clients';

export const MESSAGE_CHANNELS = ['e-mail', 'text message'] as const;
export type MessageChannel = (typeof MESSAGE_CHANNELS)[number];

/** Where a client can be written to, or why not. */
export interface Reach {
  readonly channel: MessageChannel;
  readonly to: string;
  /** Null: may be written to. */
  readonly whyNot: string | null;
}

const addressOf = (card: ClientCard, channel: MessageChannel): string =>
  (channel === 'e-mail' ? card.emails[0] : card.phones[0]?.number) ?? '';

/** Nothing is sent by a channel that was not agreed to: no word is no consent. */
function whyNot(card: ClientCard, channel: MessageChannel): string | null {
  if (addressOf(card, channel) === '') return channel === 'e-mail' ? 'No e-mail address.' : 'No number.';
  const word = card.consents[channel];
  if (word === undefined) return `Nobody has asked yet whether ${channel}s are welcome.`;
  return word.yes ? null : `The owner wants no ${channel}s.`;
}

/** Both channels; the one the client likes first. */
export function reachOf(card: ClientCard): Reach[] {
  const both = MESSAGE_CHANNELS.map((channel) => ({
    channel,
    to: addressOf(card, channel),
    whyNot: whyNot(card, channel),
  }));
  return both.toSorted((a, b) => Number(b.channel === card.prefers) - Number(a.channel === card.prefers));
}

/** The channel to write by: the first that may be used; null when none may. */
export const channelFor = (card: ClientCard): Reach | null =>
  reachOf(card).find((each) => each.whyNot === null) ?? null;
