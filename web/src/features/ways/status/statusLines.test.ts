import type { StatusView } from '@dewpond/contract';
import { describe, expect, test } from 'vitest';
import { linesOf } from './statusLines';

const NOW = '2026-11-25T09:00:00.000Z';
const WELL: StatusView = {
  ...{
    version: '0.1.0',
    changes: 57,
    since: '2026-11-20T06:00:00.000Z',
    databaseBytes: 48_000_000,
    proxy: null,
    now: NOW,
  },
  backup: {
    told: true,
    good: { at: '2026-11-25T02:00:00.000Z', bytes: 12_000_000, seconds: 8 },
    last: { at: '2026-11-25T02:00:00.000Z', isOk: true, words: '' },
  },
  queues: [{ queue: 'sheet-pdf', waiting: 1, failed: 0, oldest: '2026-11-25T08:59:00.000Z' }],
  messages: { waiting: 2, failed: 0, unsure: 0 },
};
const wrong = (change: Partial<StatusView>, here = Date.parse(NOW)) =>
  linesOf({ ...WELL, ...change }, here, (instant) => instant.slice(0, 10))
    .filter(({ isWell }) => !isWell)
    .map(({ about, says }) => `${about}: ${says}`);

describe('the status', () => {
  test('says of what is well that it is', () => {
    expect(wrong({})).toEqual([]);
  });

  test.each([
    ['no backup yet', { backup: { told: true, good: null, last: null } }, /none yet/],
    [
      'an old one',
      { backup: { ...WELL.backup, good: { at: '2026-11-20T02:00:00.000Z', bytes: 5, seconds: 1 } } },
      /5 days old/,
    ],
    [
      'one that failed',
      { backup: { ...WELL.backup, last: { at: NOW, isOk: false, words: 'No space left' } } },
      /failed, 2026-11-25: No space left/,
    ],
    ['a proxy that is not set up', { proxy: 'Set TRUST_PROXY=1.' }, /TRUST_PROXY/],
    ['messages that did not go', { messages: { waiting: 0, failed: 2, unsure: 1 } }, /2 not sent, 1 unsure/],
    [
      'work that nobody does',
      { queues: [{ queue: 'sheet-pdf', waiting: 9, failed: 0, oldest: '2026-11-25T08:00:00.000Z' }] },
      /Nobody works off: sheet-pdf/,
    ],
  ])('tells of %s', (_, change, words) => {
    const said = wrong(change);
    expect(said).toHaveLength(1);
    expect(said[0]).toMatch(words);
  });

  test('tells of a clock that is wrong by a day, and which way', () => {
    expect(wrong({}, Date.parse(NOW) + 86_400_000)).toEqual(['Clocks: This device is 24 hours ahead of the server.']);
    expect(wrong({}, Date.parse(NOW) - 600_000)).toEqual(['Clocks: This device is 10 minutes behind the server.']);
  });

  test('nobody is told of backups that are made elsewhere', () => {
    expect(wrong({ backup: { told: false, good: null, last: null } })).toEqual([]);
  });
});
