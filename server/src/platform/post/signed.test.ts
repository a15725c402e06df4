import { describe, expect, test } from 'vitest';
import { isSigned, type SignedWord } from './signed';

/** The worked example of the Standard Webhooks libraries, from memory. */
const EXAMPLE: SignedWord = {
  secret: 'whsec_MfKQ9r8GKYqrTwjUPD8ILPZIo2LaLaSw',
  id: 'msg_p5jXN8AQM9LWM0D4loKWxJek',
  timestamp: '1614265330',
  signature: 'v1,g0hM9SsE+OTPJTGt/tmIKtSyZlE3uFJELVlNIOLJ1OE=',
  body: Buffer.from('{"test": 2432232314}'),
};
const THEN = 1_614_265_330_000;
const MINUTE = 60_000;

describe('what comes signed', () => {
  test('is known by the published example, and by one of several signatures', () => {
    expect(isSigned(EXAMPLE, THEN)).toBe(true);
    const several = `v1,AAAA v2,${EXAMPLE.signature.slice(3)} ${EXAMPLE.signature}`;
    expect(isSigned({ ...EXAMPLE, signature: several }, THEN)).toBe(true);
  });

  test.each([
    ['another body', { body: Buffer.from('{"test": 2432232315}') }, THEN],
    ['another id', { id: 'msg_other' }, THEN],
    ['another time, by a minute', { timestamp: '1614265390' }, THEN],
    ['another secret', { secret: 'whsec_AAKQ9r8GKYqrTwjUPD8ILPZIo2LaLaSw' }, THEN],
    ['no secret', { secret: '' }, THEN],
    ['a secret of nothing', { secret: 'whsec_' }, THEN],
    ['no signature', { signature: '' }, THEN],
    ['another version', { signature: EXAMPLE.signature.replace('v1', 'v1a') }, THEN],
    ['half a signature', { signature: EXAMPLE.signature.slice(0, 20) }, THEN],
    ['no time', { timestamp: '' }, THEN],
    ['a time that is none', { timestamp: '1e9' }, THEN],
    ['ten minutes later: caught and sent again', {}, THEN + 10 * MINUTE],
    ['from ten minutes ahead', {}, THEN - 10 * MINUTE],
  ])('%s: no', (_, other, now) => {
    expect(isSigned({ ...EXAMPLE, ...other }, now)).toBe(false);
  });
});
