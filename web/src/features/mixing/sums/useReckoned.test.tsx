import { reckon, type MixQuestion } from '@dewpond/core/mixing';
import { passed, toPass } from '@dewpond/core/threads';
import { act, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { MixAnswered, MixAsked } from './mixingWorker';
import { business } from '../../../tests/demoDog';
import { freeBottles } from '../../../parts/mixing/bottles';
import { useReckoned } from './useReckoned';

/** A worker that answers when it is let, with copies as the browser makes them. */
class SlowMixWorker {
  static held: (() => void)[] = [];
  onmessage: ((event: { data: MixAnswered }) => void) | null = null;
  postMessage(asked: MixAsked) {
    const { n, question } = structuredClone(asked);
    const answer = structuredClone(toPass(reckon(passed(question) as MixQuestion)));
    SlowMixWorker.held.push(() => act(() => this.onmessage?.({ data: { n, answer } })));
  }
  terminate() {
    this.onmessage = null;
  }
}
beforeEach(() => {
  SlowMixWorker.held = [];
  vi.stubGlobal('Worker', SlowMixWorker);
});
afterEach(() => vi.unstubAllGlobals());

const bottles = freeBottles(business().bottles);
const asks = (ml: number): MixQuestion => ({
  label: '24:1',
  medicated: false,
  oneToN: 'N parts water',
  said: null,
  lead: { by: 'total', ml },
  stroke: 0,
  bottle: bottles[0]?.bottle ?? (undefined as never),
  bottles,
  units: 'metric',
  mostWaste: 0.2,
});

test('the first answer is there at once; a later one comes from the worker, exact, and never over a newer', () => {
  const { result, rerender } = renderHook(({ question }) => useReckoned(question), {
    initialProps: { question: asks(400) },
  });
  expect(result.current).toEqual({ answer: reckon(asks(400)), isNow: true });
  expect(SlowMixWorker.held).toHaveLength(0);
  rerender({ question: asks(900) });
  rerender({ question: asks(1200) });
  // Until then it is told as of before: nothing is mixed by it.
  expect(result.current).toEqual({ answer: reckon(asks(400)), isNow: false });
  const [older, newer] = SlowMixWorker.held;
  newer?.();
  expect(result.current).toEqual({ answer: reckon(asks(1200)), isNow: true });
  expect(result.current.answer?.strength?.water.toFraction()).toBe('24');
  older?.();
  expect(result.current).toEqual({ answer: reckon(asks(1200)), isNow: true });
});
