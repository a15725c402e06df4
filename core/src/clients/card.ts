import type { Day } from '../units';
import type { Language } from './languages';

/** What a client is asked once, and may change. Named as the card on the counter says it. */
export const CONSENTS = {
  plucking: 'Hair plucked from the ears',
  muzzle: 'A muzzle, if there is no other way',
  photos: 'Photos kept and shown on the sheet',
  'vet contact': 'We may talk to the vet',
  'e-mail': 'E-mails from us',
  'text message': 'Text messages from us',
} as const;
export type Consent = keyof typeof CONSENTS;
export const ALL_CONSENTS = Object.keys(CONSENTS) as readonly Consent[];

/** A word given on a day. No word at all is no consent. */
export interface Word {
  readonly yes: boolean;
  readonly on: Day;
}

export const CHANNELS = ['no matter', 'call', 'text message', 'e-mail'] as const;
/** How the client likes to be reached. */
export type Channel = (typeof CHANNELS)[number];

/** Degrees, WGS 84. */
export interface Coordinates {
  readonly latitude: number;
  readonly longitude: number;
}

export interface Address {
  readonly street: string;
  readonly town: string;
  readonly postcode: string;
  /** Where the van stops. */
  readonly coordinates: Coordinates | null;
}
export const NO_ADDRESS: Address = { street: '', town: '', postcode: '', coordinates: null };

export interface Phone {
  readonly number: string;
  /** "home", "daughter Ama"; may be empty. */
  readonly whose: string;
}

/** How to reach a client, and what they agreed to. The first phone and the first e-mail are tried first. */
export interface ClientCard {
  readonly phones: readonly Phone[];
  readonly emails: readonly string[];
  readonly prefers: Channel;
  /** What the client reads in; null: as the business writes. */
  readonly language: Language | null;
  readonly address: Address;
  readonly consents: Readonly<Partial<Record<Consent, Word>>>;
  readonly note: string;
}

export const EMPTY_CARD: ClientCard = {
  phones: [],
  emails: [],
  prefers: 'no matter',
  language: null,
  address: NO_ADDRESS,
  consents: {},
  note: '',
};

/** "12 Quay Lane, Thornmere TM1 4AB", or empty. */
export const addressLine = ({ street, town, postcode }: Address): string =>
  [street, [town, postcode].filter(Boolean).join(' ')].filter(Boolean).join(', ');
