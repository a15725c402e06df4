import { ALL_CONSENTS, type Address, type ClientCard, type Consent, type Word } from './card';
import { phoneDigits } from './sameClient';

/**
 * One card of two. Nothing is lost: phones, e-mails and notes add up, the kept card's first; the newer word counts for
 * each consent, and of two words of one day the no.
 */
export function mergeCards(kept: ClientCard, gone: ClientCard): ClientCard {
  return {
    phones: unlike([...kept.phones, ...gone.phones], ({ number }) => phoneDigits(number)),
    emails: unlike([...kept.emails, ...gone.emails], (email) => email.toLowerCase()),
    prefers: kept.prefers === 'no matter' ? gone.prefers : kept.prefers,
    language: kept.language ?? gone.language,
    address: mergeAddress(kept.address, gone.address),
    consents: mergeConsents(kept.consents, gone.consents),
    note: unlike([kept.note, gone.note].filter(Boolean), (note) => note).join('\n'),
  };
}

/** The first of each kind. */
function unlike<T>(items: readonly T[], key: (item: T) => string): T[] {
  const seen = new Set<string>();
  return items.filter((item) => !seen.has(key(item)) && seen.add(key(item)));
}

/** An address is one thing: half of one and half of another is nowhere. */
const mergeAddress = (kept: Address, gone: Address): Address =>
  kept.street === '' && kept.town === '' && kept.coordinates === null ? gone : kept;

function mergeConsents(kept: ClientCard['consents'], gone: ClientCard['consents']): ClientCard['consents'] {
  const words = ALL_CONSENTS.flatMap((consent): [Consent, Word][] => {
    const [a, b] = [kept[consent], gone[consent]];
    const word = a && b ? newer(a, b) : (a ?? b);
    return word ? [[consent, word]] : [];
  });
  return Object.fromEntries(words);
}

function newer(a: Word, b: Word): Word {
  if (a.on !== b.on) return a.on > b.on ? a : b;
  return a.yes ? b : a;
}
