import { describe, expect, test } from 'vitest';
import { ALL_CHOICES, BENEATH_CHOICES, HOME_CHOICES, OVERRIDE_CHOICES, SKIP_CHOICES } from '../reasons';
import { foldVisit } from '../visit';
import { tapped, typed, upToDate, type Happening, type OlderEvent } from '.';

const old = (what: object, v = 2): OlderEvent => ({
  id: 'e',
  v,
  counter: 1,
  device: 'tablet',
  person: 'p',
  at: 1,
  offset: 0,
  what,
});
const read = (what: object, v = 2): Happening => upToDate(old(what, v)).what;

/** As version 2 wrote what was tapped, copied by hand from that version's buttons, in small letters. */
const TAPPED_THEN = {
  skip: ['dog would not have it', 'owner does not want it', 'not needed today', 'no time left', 'another day'],
  home: ['the dog has had enough', 'the owner fetches it', 'no time left today', 'on a vet’s word'],
  override: [
    'dog would not bear it',
    'dog in distress',
    'the vet said so',
    'the skin reacts',
    'seen and judged otherwise',
  ],
  beneath: ['healthy skin', 'redness', 'damp skin', 'a sore', 'flea dirt'],
} as const;

describe('an event of version 2', () => {
  test('every button of then is a choice of now, in the order of its buttons', () => {
    expect(TAPPED_THEN.skip.map((because) => read({ type: 'step skipped', step: 'nails', because }))).toEqual(
      SKIP_CHOICES.map((choice) => ({ type: 'step skipped', step: 'nails', because: tapped(choice) })),
    );
    expect(TAPPED_THEN.home.map((because) => read({ type: 'went home', because, back: null }))).toEqual(
      HOME_CHOICES.map((choice) => ({ type: 'went home', because: tapped(choice), back: null })),
    );
    const overridden = { type: 'caution overridden', caution: 'c', step: 'dry', who: 'Noor' };
    expect(TAPPED_THEN.override.map((because) => read({ ...overridden, because }))).toEqual(
      OVERRIDE_CHOICES.map((choice) => ({ ...overridden, because: tapped(choice) })),
    );
    const mat = { type: 'mat settled', place: { site: 'side', side: 'left' }, way: 'shaved', word: 'Wen', minutes: 5 };
    expect(TAPPED_THEN.beneath.map((beneath) => read({ ...mat, beneath }))).toEqual(
      BENEATH_CHOICES.map((choice) => ({ ...mat, beneath: tapped(choice) })),
    );
    expect(read({ ...mat, beneath: '' })).toEqual({ ...mat, beneath: null });
  });

  test('what was typed stays, word for word; words that only look like a lookup are typed', () => {
    for (const because of ['Wen asked us to', 'Redness', 'constructor', '__proto__'])
      expect(read({ type: 'step skipped', step: 'nails', because })).toMatchObject({ because: typed(because) });
  });

  test('an owner who was asked answered about nothing that is known; version 1 had seen nothing', () => {
    const asked = { type: 'owner asked', question: 'May we?', answer: 'yes', words: '', who: 'Wen' };
    expect(read(asked)).toEqual({ ...asked, about: null });
    expect(upToDate(old({ type: 'opened' }, 1)).seen).toBeNull();
  });
});

describe('an event of now, or of a newer device', () => {
  test('is as it was sent', () => {
    for (const choice of ALL_CHOICES) {
      const what = { type: 'step skipped', step: 'nails', because: tapped(choice) };
      expect(read(what, 3)).toEqual(what);
    }
  });
  test.each([
    ['a choice that is not known', { kind: 'choice', choice: 'moon phase', words: 'The moon was full' }],
    ['a kind that is not known', { kind: 'horoscope', words: 'The moon was full' }],
    ['a choice named like a method', { kind: 'choice', choice: 'toString', words: 'The moon was full' }],
  ])('%s keeps the words sent with it', (_, because) => {
    expect(read({ type: 'step skipped', step: 'nails', because }, 3)).toMatchObject({
      because: { kind: 'newer', words: 'The moon was full' },
    });
  });
  test('a happening of an unknown kind is read over, and nothing is lost around it', () => {
    const events = [{ type: 'opened' }, { type: 'levitated', height: 3 }, { type: 'step done', step: 'prepare' }].map(
      (what, i) => upToDate({ ...old(what, 3), id: `e${i}`, counter: i + 1 }),
    );
    expect(foldVisit(events)).toMatchObject({ opened: true, steps: { prepare: { kind: 'done' } } });
  });
});
