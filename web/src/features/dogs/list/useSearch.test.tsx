import { act, renderHook, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import type { SearchAsked, SearchFound } from './searchWorker';
import { findDogs, indexDogs, type DogIndex, type Findable } from './findDogs';
import { useSearch } from './useSearch';

const dog = (i: number): Findable => ({
  id: `id ${i}`,
  name: i % 2 ? 'Teasel' : 'Umber',
  owner: `Owner ${i}`,
  breed: 'Pug',
  phone: `01632 ${960000 + i}`,
  street: '3 Slip Row',
});
const book = (count: number) => Array.from({ length: count }, (_, i) => dog(i));

/** A worker whose answers wait until they are let go, in whatever order. */
class SlowWorker {
  static held: { answer: SearchFound; to: SlowWorker }[] = [];
  static started = 0;
  onmessage: ((event: { data: SearchFound }) => void) | null = null;
  index: DogIndex = indexDogs([]);
  constructor() {
    SlowWorker.started += 1;
  }
  postMessage(asked: SearchAsked) {
    if (asked.kind === 'index') {
      this.index = indexDogs(asked.items);
      return;
    }
    const found = findDogs(this.index, asked.words);
    SlowWorker.held.push({ answer: { n: asked.n, places: found && Uint32Array.from(found) }, to: this });
  }
  terminate() {
    this.onmessage = null;
  }
  static let(at: number) {
    const [held] = SlowWorker.held.splice(at, 1);
    act(() => held?.to.onmessage?.({ data: held.answer }));
  }
}

beforeEach(() => {
  SlowWorker.held = [];
  SlowWorker.started = 0;
  vi.stubGlobal('Worker', SlowWorker);
});
afterEach(() => {
  vi.unstubAllGlobals();
});

describe('searching', () => {
  test('a small book is searched at once, without a worker', () => {
    const items = book(10);
    const { result, rerender } = renderHook(({ words }) => useSearch(items, words), { initialProps: { words: '' } });
    expect(result.current).toBeNull();
    rerender({ words: 'teasel' });
    expect(result.current?.every(({ name }) => name === 'Teasel')).toBe(true);
    expect(result.current).toHaveLength(5);
    expect(SlowWorker.started).toBe(0);
  });

  test('a large one is searched in a worker, which is started once', () => {
    const items = book(600);
    const { result, rerender } = renderHook(({ words }) => useSearch(items, words), { initialProps: { words: '' } });
    SlowWorker.let(0);
    rerender({ words: 'owner 599' });
    SlowWorker.let(0);
    expect(result.current?.[0]?.id).toBe('id 599');
    expect(SlowWorker.started).toBe(1);
  });

  test('an answer that comes late is not shown over a newer one', () => {
    const items = book(600);
    const { result, rerender } = renderHook(({ words }) => useSearch(items, words), { initialProps: { words: '' } });
    SlowWorker.let(0);
    rerender({ words: 'teasel' });
    rerender({ words: 'umber' });
    SlowWorker.let(1);
    expect(result.current?.[0]?.name).toBe('Umber');
    SlowWorker.let(0);
    expect(result.current?.[0]?.name).toBe('Umber');
  });

  test('places of the book before it changed say nothing of the new one', async () => {
    const { result, rerender } = renderHook(({ items }) => useSearch(items, 'teasel'), {
      initialProps: { items: book(600) },
    });
    SlowWorker.let(0);
    await waitFor(() => expect(result.current).toHaveLength(300));
    rerender({ items: book(601).slice(1) });
    expect(result.current).toBeNull();
  });
});
