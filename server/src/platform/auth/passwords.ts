import { dictionary } from '@zxcvbn-ts/language-common';

/** Length over rules (NIST SP 800-63B §3.1.1, from memory): no capital, digit or sign is asked for. */
export const PASSWORD_LENGTH = { least: 10, most: 200 } as const;

/** Near 50,000 passwords that are tried first by whoever breaks in, as the package of zxcvbn lists them. */
const COMMON: ReadonlySet<string> = new Set(dictionary['passwords-common']);

/** Words of the person and the house that are guessed next. Shorter ones stand in too many good passwords. */
const GUESSED_FROM = 4;

/**
 * Why this cannot be a password; null: it can. `about` is what anybody knows of the person: names, e-mail, the business.
 */
export function whyNoPassword(password: string, about: readonly string[]): string | null {
  if ([...password].length < PASSWORD_LENGTH.least)
    return `At least ${PASSWORD_LENGTH.least} characters. Three or four words that do not belong together are good.`;
  if (password.length > PASSWORD_LENGTH.most) return `At most ${PASSWORD_LENGTH.most} characters.`;
  const small = password.toLowerCase();
  if (new Set(small).size < 4 || COMMON.has(small) || COMMON.has(small.replace(/[\d\W_]+$/, '')))
    return 'This password is one of those that are tried first. Choose another.';
  const left = about
    .flatMap((text) => [text, ...text.split(/[^\p{L}\d]+/u)])
    .map((word) => word.toLowerCase())
    .filter((word) => word.length >= GUESSED_FROM)
    .toSorted((a, b) => b.length - a.length)
    .reduce((rest, word) => rest.replaceAll(word, ''), small);
  if (left.replace(/[\d\W_]/g, '').length < GUESSED_FROM && left.length < small.length)
    return 'Names of you or of the business are guessed soon. Choose another.';
  return null;
}
