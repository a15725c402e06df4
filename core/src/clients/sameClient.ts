import type { ClientCard } from './card';

/**
 * Without accents, in small letters: "Adéyemí" is found by "adeyemi".
 * @example
 * plainWords('Adéyemí') // 'adeyemi'
 */
export const plainWords = (text: string): string =>
  text
    .normalize('NFD')
    .replaceAll(/\p{M}/gu, '')
    .replaceAll(/[łŁ]/g, 'l')
    .replaceAll(/[øØ]/g, 'o')
    .replaceAll('ß', 'ss')
    .toLowerCase()
    .trim();

/**
 * Digits of a telephone number, the country code of a leading + or 00 left on.
 * @example
 * phoneDigits('+44 (0)1632 960114') // '4401632960114'
 */
export const phoneDigits = (number: string): string => number.replaceAll(/\D/g, '').replace(/^00/, '');

/** Numbers are the same when their last nine digits are: "+44 1632 960114" is "01632 960114". */
const TELLING_DIGITS = 9;

/** What tells one client from another: equal keys mean most likely one person. */
export function clientKeys(name: string, { phones, emails }: Pick<ClientCard, 'phones' | 'emails'>): string[] {
  const called = plainWords(name).replaceAll(/\s+/g, ' ');
  const numbers = phones
    .map((phone) => phoneDigits(phone.number))
    .filter((digits) => digits.length >= 6)
    .map((digits) => `phone ${digits.slice(-TELLING_DIGITS)}`);
  const mails = emails.map((email) => `mail ${email.trim().toLowerCase()}`);
  return numbers.length + mails.length > 0 ? [...numbers, ...mails] : [`name ${called}`];
}

interface KnownClient {
  readonly id: string;
  readonly name: string;
  readonly card: Pick<ClientCard, 'phones' | 'emails'>;
}

/** Finds clients already known, by phone or e-mail, or by the bare name where neither is given. */
export function knownClients(
  book: readonly KnownClient[],
): (name: string, card: KnownClient['card']) => KnownClient | null {
  const byKey = new Map<string, KnownClient>();
  for (const each of book) {
    for (const key of [...clientKeys(each.name, each.card), `name ${plainWords(each.name)}`])
      if (!byKey.has(key)) byKey.set(key, each);
  }
  return (name, card) => {
    const found = clientKeys(name, card).flatMap((key) => byKey.get(key) ?? []);
    return found[0] ?? null;
  };
}

/** Groups of two or more that look like one person: the same phone or e-mail. */
export function likelySame<T extends KnownClient>(book: readonly T[]): T[][] {
  const byKey = new Map<string, T[]>();
  for (const each of book) {
    for (const key of clientKeys(each.name, each.card)) byKey.set(key, [...(byKey.get(key) ?? []), each]);
  }
  const groups = [...byKey.values()].filter((group) => group.length > 1);
  const seen = new Set<string>();
  return groups.filter((group) => {
    const key = group
      .map((each) => each.id)
      .toSorted()
      .join();
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}
