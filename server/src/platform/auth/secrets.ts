import { createHash, createHmac, randomBytes, timingSafeEqual } from 'node:crypto';

/** 256 bits that nobody guesses. */
export const newSecret = (): string => randomBytes(32).toString('base64url');
/** What is kept of one. */
export const hashOfSecret = (secret: string): string => createHash('sha256').update(secret).digest('hex');

/** A session's token as its cookie bears it, in the form of the sign-in library: token, dot, HMAC by the installation's key. */
export const signedToken = (token: string, key: string): string =>
  `${token}.${signatureOf(token, key).toString('base64')}`;

/** The token of such a cookie; null where the signature is not ours. */
export function tokenSignedBy(key: string, signed: string | undefined): string | null {
  const at = signed?.lastIndexOf('.') ?? -1;
  if (signed === undefined || at < 1) return null;
  const token = signed.slice(0, at);
  const wanted = signatureOf(token, key);
  const given = Buffer.from(signed.slice(at + 1), 'base64');
  return given.length === wanted.length && timingSafeEqual(given, wanted) ? token : null;
}

const signatureOf = (token: string, key: string): Buffer => createHmac('sha256', key).update(token).digest();
