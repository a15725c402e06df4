import { describe, expect, test } from 'vitest';
import { day } from '../units';
import { clearSince, dueOn, nextStep, overdueDays, stillWatched, vetBy, type Referral } from '.';

const opened = day('2026-11-25');
const told = { how: 'at the door', on: opened, by: 'Ines' } as const;
const goes = { answer: 'will go', words: '', on: opened } as const;
const vet = { who: 'Dr Oyelaran', words: 'Leave it for a week.', on: day('2026-11-27'), instructionId: null };
const referral = (more: Partial<Referral> = {}): Referral => ({
  level: 'vet',
  openedOn: opened,
  told: null,
  answer: null,
  vet: null,
  end: null,
  ...more,
});

describe('the next step and its day', () => {
  test.each([
    ['nobody was told', {}, 'tell the owner', '2026-11-25'],
    ['told, a week to go', { told }, 'hear the owner', '2026-11-28'],
    ['told, a vet should look today', { told, level: 'vet today' }, 'hear the owner', '2026-11-25'],
    ['the owner goes', { told, answer: goes }, 'hear the vet', '2026-12-02'],
    ['the owner goes at once', { told, answer: goes, level: 'vet soon' }, 'hear the vet', '2026-11-28'],
    ['the owner will not', { told, answer: { ...goes, answer: 'will not go' } }, 'close', '2026-11-25'],
    ['the vet has spoken', { told, answer: goes, vet }, 'close', '2026-11-27'],
    ['closed', { told, end: { outcome: 'seen clear here', on: opened, by: 'x' } }, null, null],
  ] as const)('%s', (_, more, step, on) => {
    const its = referral(more);
    expect([nextStep(its), dueOn(its)]).toEqual([step, on]);
  });

  // docs/trade.md: within 7 days, 24–48 hours, today, now.
  test.each([
    ['vet', '2026-12-02'],
    ['vet soon', '2026-11-27'],
    ['vet today', '2026-11-25'],
    ['emergency', '2026-11-25'],
  ] as const)('%s: by %s', (level, by) => {
    expect(vetBy({ level, openedOn: opened })).toBe(by);
  });

  test('what is late says by how many days; what is closed presses nobody', () => {
    expect(overdueDays(referral(), day('2026-11-28'))).toBe(3);
    expect(overdueDays(referral({ end: { outcome: 'seen clear here', on: opened, by: 'x' } }), day('2026-12-28'))).toBe(
      Number.NEGATIVE_INFINITY,
    );
  });
});

describe('a watched place', () => {
  const ear = 'ear/left';
  const found = { looked: [ear], found: [ear] } as const;
  const clear = { looked: [ear], found: [] } as const;
  const elsewhere = { looked: ['eye/left'], found: [] } as const;
  test.each([
    ['not looked at since', [found, elsewhere], 0, true],
    ['seen clear once', [found, clear], 1, true],
    ['seen clear twice', [found, clear, elsewhere, clear], 2, false],
    ['found again: the newer finding is watched', [found, clear, found], null, false],
  ] as const)('%s', (_, looks, count, watched) => {
    expect(clearSince(looks, 0, ear)).toBe(count);
    expect(stillWatched(clearSince(looks, 0, ear))).toBe(watched);
  });
});
