import { foldVisit } from '@dewpond/core/visit';
import { mergeEvents } from '@dewpond/core/events';
import { beforeEach, expect, test, vi } from 'vitest';

beforeEach(() => vi.resetModules());

/** The log as a page of its own loads it. */
async function page() {
  vi.resetModules();
  const { allEvents, record, useVisitLog } = await import('./visitLog');
  useVisitLog.setState({ visitId: 'v', person: 'p', known: [], own: [], refused: [] });
  return { record, events: () => allEvents(useVisitLog.getState()) };
}

test('two tabs of one browser sign for themselves: "clear" in one leaves what the other has just found', async () => {
  const place = { site: 'ear', side: 'left' } as const;
  const one = await page();
  one.record({ type: 'found', finding: { place, sign: 'ear yellow wax', grade: 2, answer: null } });
  const other = await page();
  other.record({ type: 'looked clear', place });
  const [found, clear] = [one.events()[0], other.events()[0]];
  expect(found?.device).not.toBe(clear?.device);
  expect(found?.device.split('#')[0]).toBe(clear?.device.split('#')[0]);
  expect((found?.device ?? '').length).toBeLessThanOrEqual(64);
  expect(foldVisit(mergeEvents(one.events(), other.events())).findings).toHaveLength(1);
});

test('somebody else comes while the log is still opening: what is tapped bears the name of who came last', async () => {
  vi.resetModules();
  const { openLog, record, allEvents, useVisitLog } = await import('./visitLog');
  const opened = await Promise.all([openLog('v', 'tomasz', []), openLog('v', 'bilal', [])]);
  expect(opened).toEqual([false, true]);
  expect(useVisitLog.getState().person).toBe('bilal');
  record({ type: 'opened' });
  expect(allEvents(useVisitLog.getState()).map(({ person }) => person)).toEqual(['bilal']);
});
