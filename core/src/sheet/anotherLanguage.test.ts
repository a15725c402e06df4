import fc from 'fast-check';
import { expect, test } from 'vitest';
import { anyDog } from '../careplan/tests/randomDogs';
import { INCIDENT_KINDS, type Happening } from '../visit';
import { anyFinding } from '../visit/tests/randomVisits';
import { ENGLISH, NO_EDITS, readSheet, type Wording } from '.';
import { sheetOf } from './tests/sheetOf';

/** A language nobody speaks: each Latin letter a Greek one, slots and numbers as they are. */
const strange = (english: string): string =>
  english.replaceAll(/\{\w+\}|[A-Za-z]/g, (part) =>
    part.length > 1 ? part : String.fromCodePoint(0x3b1 + ((part.codePointAt(0) ?? 0) % 17)),
  );

/** The whole of a wording, word for word. */
const strangely = <T>(words: T): T =>
  (typeof words === 'string'
    ? strange(words)
    : Array.isArray(words)
      ? words.map(strangely)
      : words !== null && typeof words === 'object'
        ? Object.fromEntries(Object.entries(words).map(([key, value]) => [key, strangely(value as unknown)]))
        : words) as T;
const STRANGE: Wording = { ...strangely(ENGLISH), language: 'el' };

test('another language is one file: with every word of the wording strange, nothing English is left on a sheet', () => {
  const findings = fc.array(anyFinding, { maxLength: 5 });
  fc.assert(
    fc.property(
      anyDog,
      findings,
      findings,
      fc.boolean(),
      fc.constantFrom(...INCIDENT_KINDS),
      (dog, now, before, skips, kind) => {
        const sheet = sheetOf(
          now.map((finding): Happening => ({ type: 'found', finding })),
          before,
          {
            dog,
            wording: STRANGE,
            contactMinutes: 10,
            then: (steps) => [
              ...steps.map(({ id }): Happening =>
                skips ? { type: 'step skipped', step: id, because: '—' } : { type: 'step done', step: id },
              ),
              {
                type: 'incident',
                incident: { kind, place: { site: 'ear', side: 'left' }, done: '', told: '', words: '' },
              },
              { type: 'closed', how: 'ended early' },
            ],
          },
        );
        const { parts, frame } = readSheet(sheet, NO_EDITS);
        const words = [
          ...parts.flatMap(({ lines }) => lines.map((line) => line.words)),
          frame.title.replace('Dumpling', ''),
          frame.forOwner.replace('{owner}', ''),
          ...Object.values(frame.headings),
          ...Object.values(frame.sides),
          frame.presses ?? '',
          frame.foot,
        ];
        // The vet's name was typed by somebody.
        for (const line of words) expect(line.replaceAll('Dr Oyelaran', '')).not.toMatch(/[A-Za-z]/);
      },
    ),
    { numRuns: process.env['DEWPOND_DEEP'] ? 2000 : 200 },
  );
});
