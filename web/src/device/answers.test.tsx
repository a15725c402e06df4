import { afterEach, describe, expect, test, vi } from 'vitest';
import { Refused } from '../api/call';
import { answerCache } from './answers';
import { memoryStorage } from './memoryStorage';

const storage = memoryStorage();
const cache = answerCache({
  storage,
  now: () => Date.now(),
  isRefusal: (error) => error instanceof Refused && error.status < 500,
});

const away = () => Promise.reject(new Error('no network'));
const refused = (status: number) => () =>
  Promise.reject(new Refused(status, { kind: 'not signed in', message: 'Sign in first.' }));
/** The answer of an earlier page. */
const cachedAnswer = async (answer: unknown) => {
  await cache.forget();
  await cache.put('bottle', answer);
};

describe('an answer cached on the device', () => {
  afterEach(() => vi.useRealTimers());

  test('stands in while the server is away, fails or hangs, and is renewed when it answers', async () => {
    await cachedAnswer('oats');
    expect(await cache.orCached('bottle', away)).toBe('oats');
    expect(await cache.orCached('bottle', refused(500))).toBe('oats');
    expect(await cache.orCached('bottle', () => new Promise<string>(() => undefined))).toBe('oats');
    expect(await cache.orCached('bottle', () => Promise.resolve('chalk'))).toBe('chalk');
    await vi.waitFor(async () => expect((await storage.answers.get('bottle'))?.answer).toBe('chalk'));
  }, 12_000);

  test('is never shown over what the server has said on this page', async () => {
    await cachedAnswer('oats');
    await cache.orCached('bottle', () => Promise.resolve('chalk'));
    await expect(cache.orCached('bottle', away)).rejects.toThrow('no network');
  });

  test('never hides a refusal: whoever is signed out is not shown what was', async () => {
    await cachedAnswer('oats');
    await expect(cache.orCached('bottle', refused(401))).rejects.toBeInstanceOf(Refused);
  });

  test('is not shown after a day, nor by a version that means something else by it, nor after signing out', async () => {
    await cachedAnswer('oats');
    const row = await storage.answers.get('bottle');
    await storage.answers.put('bottle', { ...row!, at: Date.now() - 25 * 3_600_000 });
    await expect(cache.orCached('bottle', away)).rejects.toThrow('no network');
    await storage.answers.put('bottle', { ...row!, shape: -1 });
    await expect(cache.orCached('bottle', away)).rejects.toThrow('no network');
    await cachedAnswer('oats');
    await cache.forget();
    await expect(cache.orCached('bottle', away)).rejects.toThrow('no network');
  });

  test('a full disk caches nothing, and the answer is shown all the same', async () => {
    const full = vi.spyOn(storage.answers, 'put').mockRejectedValue(new DOMException('full', 'QuotaExceededError'));
    expect(await cache.orCached('bottle', () => Promise.resolve('oats'))).toBe('oats');
    full.mockRestore();
  });
});
