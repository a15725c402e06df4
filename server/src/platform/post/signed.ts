import { createHmac, timingSafeEqual } from 'node:crypto';

/** What comes signed, as Standard Webhooks has it (standardwebhooks.com, version 1). */
export interface SignedWord {
  /** `whsec_` and base64, shared with who signs. */
  readonly secret: string;
  /** Headers `webhook-id`, `webhook-timestamp` (seconds) and `webhook-signature`. */
  readonly id: string;
  readonly timestamp: string;
  readonly signature: string;
  /** As it came, byte by byte. */
  readonly body: Buffer;
}

/** What is older, or from later than now, may have been caught and sent again. */
const MOST_OFF_MS = 5 * 60_000;

const PREFIX = 'whsec_';

/** Whether it was signed with our secret, just now: one of its signatures of version 1 is right. */
export function isSigned({ secret, id, timestamp, signature, body }: SignedWord, now: number): boolean {
  const seconds = /^\d{1,12}$/.test(timestamp) ? Number(timestamp) : NaN;
  if (id === '' || !(Math.abs(now - seconds * 1000) <= MOST_OFF_MS)) return false;
  const key = Buffer.from(secret.startsWith(PREFIX) ? secret.slice(PREFIX.length) : secret, 'base64');
  if (key.length === 0) return false;
  const right = createHmac('sha256', key).update(`${id}.${timestamp}.`).update(body).digest();
  return signature.split(' ').some((each) => {
    const [version, given = ''] = each.split(',');
    const its = Buffer.from(given, 'base64');
    return version === 'v1' && its.length === right.length && timingSafeEqual(its, right);
  });
}
