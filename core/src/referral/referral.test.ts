import { describe, expect, test } from 'vitest';
import { finding, mirrorFinding } from '../findings';
import { NEVER_SAY } from '../sheet';
import { day } from '../units';
import { anyFinding } from '../visit/tests/randomVisits';
import fc from 'fast-check';
import { mirror, placeKey } from '../places';
import { clearSince, dueOn, letterFor, nextStep, overdueDays, stillWatched, vetBy, type Referral } from '.';

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

  // Handbook §1a: within 7 days, 24–48 hours, today, now.
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

describe('the letter', () => {
  const place = { site: 'ear', side: 'left' } as const;
  test('tells newest first, four earlier looks at most, details and nothing of other places', () => {
    const look = (on: string, ...findings: ReturnType<typeof finding>[]) => ({ day: day(on), findings });
    const now = {
      ...finding(place, 'ear yellow wax', 2),
      more: { colour: 'yellow', smell: 'sour', painful: true, words: 'since the beach' },
    } as const;
    const letter = letterFor({
      dog: 'Teasel',
      place,
      looks: [
        ...['2026-05-01', '2026-06-01', '2026-07-01', '2026-08-01', '2026-09-01'].map((on) =>
          look(on, finding(place, 'ear pale wax', 1)),
        ),
        look('2026-10-01', finding({ site: 'ear', side: 'right' }, 'ear blood', 1)),
        look('2026-11-25', now),
      ],
      done: ['Left the left ear alone: yellow, thick wax.'],
    });
    expect(letter.seen).toEqual([
      'On Wed 25 Nov, left ear: yellow or thick wax (plain), yellow, smell: sour, painful to touch, “since the beach”.',
    ]);
    expect(letter.before).toHaveLength(4);
    expect(letter.before[0]).toBe('Thu 1 Oct: clear.');
  });

  test('names no illness and no dose, and of the mirrored finding is the mirrored letter', () => {
    fc.assert(
      fc.property(anyFinding, (found) => {
        const write = (one: typeof found, at: typeof found.place) =>
          letterFor({ dog: 'Teasel', place: at, looks: [{ day: opened, findings: [one] }], done: [] });
        const letter = write(found, found.place);
        const words = [letter.subject, ...letter.seen, letter.asks].join('\n');
        expect(words).not.toMatch(NEVER_SAY);
        const other = write(mirrorFinding(found), mirror(found.place));
        const flip = (text: string) =>
          text.replaceAll(/\b(left|right)\b/g, (side) => (side === 'left' ? 'right' : 'left'));
        const swapped = placeKey(found.place).endsWith('none') ? letter.seen : letter.seen.map(flip);
        expect(other.seen).toEqual(swapped);
      }),
    );
  });
});
