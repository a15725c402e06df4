import { afterEach, describe, expect, test, vi } from 'vitest';
import { Refused } from '../api/call';
import { forgetAnswers, keepAnswer, orKept } from './answers';
import { device } from './database';

const away = () => Promise.reject(new Error('no network'));
const refused = (status: number) => () =>
  Promise.reject(new Refused(status, { kind: 'not signed in', message: 'Sign in first.' }));
/** The answer of an earlier page. */
const keptAnswer = async (answer: unknown) => {
  await forgetAnswers();
  await keepAnswer('house', answer);
};

describe('an answer kept on the device', () => {
  afterEach(() => vi.useRealTimers());

  test('stands in while the office is away, fails or hangs, and is renewed when it answers', async () => {
    await keptAnswer('oats');
    expect(await orKept('house', away)).toBe('oats');
    expect(await orKept('house', refused(500))).toBe('oats');
    expect(await orKept('house', () => new Promise<string>(() => undefined))).toBe('oats');
    expect(await orKept('house', () => Promise.resolve('chalk'))).toBe('chalk');
    await vi.waitFor(async () => expect((await device.answers.get('house'))?.answer).toBe('chalk'));
  }, 12_000);

  test('is never shown over what the office has said on this page', async () => {
    await keptAnswer('oats');
    await orKept('house', () => Promise.resolve('chalk'));
    await expect(orKept('house', away)).rejects.toThrow('no network');
  });

  test('never hides a refusal: whoever is signed out is not shown what was', async () => {
    await keptAnswer('oats');
    await expect(orKept('house', refused(401))).rejects.toBeInstanceOf(Refused);
  });

  test('is not shown after a day, nor by a version that means something else by it, nor after signing out', async () => {
    await keptAnswer('oats');
    const row = await device.answers.get('house');
    await device.answers.put({ ...row!, at: Date.now() - 25 * 3_600_000 }, 'house');
    await expect(orKept('house', away)).rejects.toThrow('no network');
    await device.answers.put({ ...row!, shape: -1 }, 'house');
    await expect(orKept('house', away)).rejects.toThrow('no network');
    await keptAnswer('oats');
    await forgetAnswers();
    await expect(orKept('house', away)).rejects.toThrow('no network');
  });

  test('a full disk keeps nothing, and the answer is shown all the same', async () => {
    const full = vi.spyOn(device.answers, 'put').mockRejectedValue(new DOMException('full', 'QuotaExceededError'));
    expect(await orKept('house', () => Promise.resolve('oats'))).toBe('oats');
    full.mockRestore();
  });
});
