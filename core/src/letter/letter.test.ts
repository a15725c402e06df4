import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { barsOf } from '../careplan';
import { aDog } from '../careplan/tests/randomDogs';
import { finding, mirrorFinding, type Finding } from '../findings';
import { mirror, placeKey } from '../places';
import { day, kilograms } from '../units';
import { judgeLookOver } from '../visit';
import { anyFinding } from '../visit/tests/randomVisits';
import { ENGLISH, notOurs, wordingIn } from '../wording';
import { letterFor } from '.';

const opened = day('2026-11-25');
const TEASEL = { name: 'Teasel', breeds: 'Lagotto Romagnolo', weight: kilograms(14.2), years: 6 };
/** What forbids work on a beagle with these findings, and the words of the letter. */
const asked = (...findings: Finding[]) => {
  const judged = Object.values(judgeLookOver(aDog(), findings, []));
  const bars = barsOf(aDog(), { judged, lookedClear: [], matsGone: [], brokeOffPlucking: false });
  return { bars, wording: ENGLISH };
};

describe('the letter', () => {
  const place = { site: 'ear', side: 'left' } as const;
  test('tells newest first, four earlier looks at most, details and nothing of other places', () => {
    const look = (on: string, ...findings: ReturnType<typeof finding>[]) => ({ day: day(on), findings });
    const now = {
      ...finding(place, 'ear yellow wax', 2),
      more: { colour: 'yellow', smell: 'sour', painful: true, words: 'since the beach' },
    } as const;
    const letter = letterFor({
      dog: TEASEL,
      place,
      looks: [
        ...['2026-05-01', '2026-06-01', '2026-07-01', '2026-08-01', '2026-09-01'].map((on) =>
          look(on, finding(place, 'ear pale wax', 1)),
        ),
        look('2026-10-01', finding({ site: 'ear', side: 'right' }, 'ear blood', 1)),
        look('2026-11-25', now),
      ],
      often: null,
      done: ['Left the left ear alone: yellow, thick wax.'],
      ...asked(now),
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
          letterFor({
            dog: TEASEL,
            place: at,
            looks: [{ day: opened, findings: [one] }],
            often: null,
            done: [],
            ...asked(one),
          });
        const letter = write(found, found.place);
        const words = [letter.subject, ...letter.seen, ...letter.asks].join('\n');
        expect(notOurs(words)).toBeNull();
        const other = write(mirrorFinding(found), mirror(found.place));
        const flip = (text: string) =>
          text.replaceAll(/\b(left|right)\b/g, (side) => (side === 'left' ? 'right' : 'left'));
        const swapped = placeKey(found.place).endsWith('none') ? letter.seen : letter.seen.map(flip);
        expect(other.seen).toEqual(swapped);
      }),
    );
  });

  test('says who the dog is, as the language writes it, and how old as far as anybody knows', () => {
    const line = (years: number | null, language: 'en-GB' | 'es' = 'en-GB') =>
      letterFor({
        dog: { ...TEASEL, years },
        place,
        looks: [],
        often: null,
        done: [],
        ...asked(),
        wording: wordingIn(language),
      }).dog;
    expect([line(6), line(1), line(0), line(null)]).toEqual([
      'Teasel: Lagotto Romagnolo, 14.2 kg, 6 years old',
      'Teasel: Lagotto Romagnolo, 14.2 kg, 1 year old',
      'Teasel: Lagotto Romagnolo, 14.2 kg, under a year old',
      'Teasel: Lagotto Romagnolo, 14.2 kg, age not known',
    ]);
    expect(line(6, 'es')).toBe('Teasel: Lagotto Romagnolo, 14,2 kg, 6 años');
  });

  test('a finding at an ear of no known side is told in the letter for either ear', () => {
    const found = finding({ site: 'ear', side: 'none' }, 'head tilt', 1);
    const letter = letterFor({
      dog: TEASEL,
      place,
      looks: [{ day: opened, findings: [found] }],
      often: [day('2026-07-01'), day('2026-09-01'), opened],
      done: [],
      ...asked(found),
    });
    expect(letter.seen[0]).toContain('tilt');
    expect(letter.before).toEqual([
      'In six months it came to this, or to a stop, at 3 visits: Wed 1 Jul, Tue 1 Sept, Wed 25 Nov.',
    ]);
  });

  test('says what is not done there until the vet has answered, by the stop, and nothing of it where there is none', () => {
    const asks = (found: Finding) =>
      letterFor({ dog: TEASEL, place: found.place, looks: [], often: null, done: [], ...asked(found) }).asks[1];
    expect(asks(finding(place, 'ear pus', 1))).toBe(
      'Until then we do not do this there: clean, fill with cleaner, massage, pluck, plug, wash, rinse, protect, trim.',
    );
    expect(asks(finding({ site: 'side', side: 'left' }, 'lump new', 1))).toBe('Until then we care for it as before.');
  });
});
