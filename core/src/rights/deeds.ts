import type { Role } from './roles';

/** What may be allowed to some and not to others: a row of the table of who may what. */
export interface DeedRow {
  readonly area: 'clients' | 'dogs' | 'table' | 'owners' | 'weeks' | 'shelf' | 'business';
  /** Completes "A bather does not …". */
  readonly does: string;
  /** Who may, where the house says nothing else. The owner-manager may all of it. */
  readonly who: readonly Exclude<Role, 'manager'>[];
  /** The house cannot give it to anybody else. */
  readonly fixed?: true;
  /** Not on a shared tablet by a PIN: whoever saw one typed would have the whole book, or the business. */
  readonly ownDevice?: true;
}

/**
 * Who may what, to be proof-read by somebody who runs a salon [house values, common practice, no source]. What is not here,
 * everybody may: to look at dogs, plans, bookings, the shelf.
 */
export const DEEDS = {
  'see addresses': { area: 'clients', does: 'see clients’ addresses', who: ['groomer', 'desk'] },
  'change clients': { area: 'clients', does: 'add and change clients', who: ['groomer', 'desk'] },
  merge: { area: 'clients', does: 'join two clients or two dogs into one', who: ['groomer', 'desk'] },
  export: { area: 'clients', does: 'take the book out', who: ['groomer'], ownDevice: true },
  import: { area: 'clients', does: 'bring a book in', who: [], ownDevice: true },
  erase: { area: 'clients', does: 'erase a client', who: [], ownDevice: true },

  'change dogs': { area: 'dogs', does: 'change a dog’s card', who: ['groomer', 'bather', 'desk'] },
  'weigh and teach': {
    area: 'dogs',
    does: 'weigh dogs and write down lessons',
    who: ['groomer', 'bather', 'trainee', 'desk'],
  },
  'owner words': { area: 'dogs', does: 'write down an owner’s word', who: ['groomer', 'bather', 'desk'] },
  'vet words': { area: 'dogs', does: 'write down a vet’s word', who: ['groomer'] },
  'list vets': { area: 'dogs', does: 'change the list of vets', who: ['groomer', 'desk'] },

  work: { area: 'table', does: 'work at the table', who: ['groomer', 'bather', 'trainee'] },
  'change sheets': { area: 'table', does: 'change what the sheet of their own visit says', who: ['groomer', 'bather'] },
  'change others’ sheets': { area: 'table', does: 'change the sheet of another’s visit', who: ['groomer'] },

  'write to owners': { area: 'owners', does: 'write to owners and give out their pages', who: ['groomer', 'desk'] },
  'follow referrals': {
    area: 'owners',
    does: 'write down what an owner said about the vet',
    who: ['groomer', 'bather', 'desk'],
  },
  'close referrals': { area: 'owners', does: 'close a referral', who: ['groomer'] },

  book: { area: 'weeks', does: 'book, move and cancel visits', who: ['groomer', 'bather', 'desk'] },
  'say hours': { area: 'weeks', does: 'say who works when and how weeks are planned', who: [] },
  'all bookings': { area: 'weeks', does: 'open the calendar of all bookings', who: ['desk'], ownDevice: true },

  mix: { area: 'shelf', does: 'mix', who: ['groomer', 'bather', 'trainee'] },
  'keep the shelf': {
    area: 'shelf',
    does: 'look after products, pumps and bottles',
    who: ['groomer', 'bather', 'desk'],
  },
  'say dilutions': { area: 'shelf', does: 'say how a product is diluted', who: ['groomer'] },
  'set prices': { area: 'shelf', does: 'set what a product costs', who: ['groomer', 'desk'] },
  'correct stock': { area: 'shelf', does: 'correct the stock', who: ['groomer'] },
  'see costs': { area: 'shelf', does: 'see what visits cost', who: ['groomer'] },

  'keep people': {
    area: 'business',
    does: 'invite people, change their roles and let them go',
    who: [],
    ownDevice: true,
  },
  'keep tablets': { area: 'business', does: 'make a device a shared tablet', who: [], ownDevice: true },
  'report tablets': {
    area: 'business',
    does: 'report a shared tablet lost',
    who: ['groomer', 'bather', 'trainee', 'desk'],
  },
  'say what is kept': { area: 'business', does: 'say for how long what is kept', who: [], ownDevice: true },
  'keep branches': { area: 'business', does: 'open and close salons and vans', who: [], ownDevice: true },
  'move house': { area: 'business', does: 'take the whole business out', who: [], ownDevice: true },
  'house ways': { area: 'business', does: 'change the house ways', who: [], ownDevice: true },
  'see the status': { area: 'business', does: 'see how the installation is: backups, queues', who: [] },
  'read the log': { area: 'business', does: 'read who did what', who: [], ownDevice: true },
  'say rights': { area: 'business', does: 'say who may what', who: [], fixed: true, ownDevice: true },
} as const satisfies Readonly<Record<string, DeedRow>>;

export type Deed = keyof typeof DEEDS;
export const DEED_IDS = Object.keys(DEEDS) as [Deed, ...Deed[]];
export const isDeed = (word: string): word is Deed => Object.hasOwn(DEEDS, word);
