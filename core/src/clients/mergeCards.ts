import { ALL_CONSENTS, type Address, type ClientCard, type Consent, type Word } from './card';
import { phoneDigits } from './sameClient';

/**
 * One card of two. Nothing is lost: phones, e-mails and notes add up, the kept card's first; the newer word counts for
 * each consent, and of two words of one day the no.
 */
export function mergeCards(survivor: ClientCard, gone: ClientCard): ClientCard {
  return {
    phones: unlike([...survivor.phones, ...gone.phones], ({ number }) => phoneDigits(number)),
    emails: unlike([...survivor.emails, ...gone.emails], (email) => email.toLowerCase()),
    prefers: survivor.prefers === 'no matter' ? gone.prefers : survivor.prefers,
    language: survivor.language ?? gone.language,
    address: mergeAddress(survivor.address, gone.address),
    consents: mergeConsents(survivor.consents, gone.consents),
    note: unlike([survivor.note, gone.note].filter(Boolean), (note) => note).join('\n'),
  };
}

/** The first of each kind. */
function unlike<T>(items: readonly T[], key: (item: T) => string): T[] {
  const seen = new Set<string>();
  return items.filter((item) => !seen.has(key(item)) && seen.add(key(item)));
}

/** An address is one thing: half of one and half of another is nowhere. */
const mergeAddress = (survivor: Address, gone: Address): Address =>
  survivor.street === '' && survivor.town === '' && survivor.coordinates === null ? gone : survivor;

function mergeConsents(survivor: ClientCard['consents'], gone: ClientCard['consents']): ClientCard['consents'] {
  const words = ALL_CONSENTS.flatMap((consent): [Consent, Word][] => {
    const [a, b] = [survivor[consent], gone[consent]];
    const word = a && b ? newer(a, b) : (a ?? b);
    return word ? [[consent, word]] : [];
  });
  return Object.fromEntries(words);
}

function newer(a: Word, b: Word): Word {
  if (a.on !== b.on) return a.on > b.on ? a : b;
  return a.yes ? b : a;
}
