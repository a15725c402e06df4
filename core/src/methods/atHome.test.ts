import { expect, test } from 'vitest';
import { ALL_HOME_HOWS, HOME_HOWS } from '../rules';
import { ENGLISH, homeTaskTold, wordingIn } from '../wording';
import { ALL_AT_HOME_LINES, AT_HOME_LINES, BATH_STEPS, HOME_CARDS, METHOD_CARDS } from '.';

/** Drawings that show nothing an owner must not do, looked at one by one: no blade, no cut, nothing poured in. */
const LOOKED_AT = [
  'ear look',
  'eye corner',
  'fold section',
  'mat',
  'teeth',
  'bath path',
  'rinse spots',
  'contact',
  'towel press',
];

/** What only hands that have learned it may do. */
const NOT_AT_HOME =
  /\b(blade|clipper|clip|tweezers?|forceps|pluck|fill|pour|drops?|cut|shave|scissors|spirit|alcohol|stain remover|zinc)\b/i;

test('every piece of home care has a card of its own, with what never and when to stop', () => {
  expect(Object.keys(HOME_CARDS).toSorted()).toEqual([...ALL_HOME_HOWS].toSorted());
  for (const how of ALL_HOME_HOWS) {
    const { never, stops } = HOME_CARDS[how];
    expect([how, never.length + stops.length > 0, stops.length > 0]).toEqual([how, true, true]);
  }
});

test('nothing asks an owner for what owners must not do: such words stand only where they are forbidden', () => {
  for (const how of ALL_HOME_HOWS) expect([how, HOME_HOWS[how]]).toEqual([how, expect.not.stringMatching(NOT_AT_HOME)]);
  for (const { words } of Object.values(BATH_STEPS)) expect(words).not.toMatch(NOT_AT_HOME);
  for (const line of ALL_AT_HOME_LINES)
    if (NOT_AT_HOME.test(AT_HOME_LINES[line]))
      expect([line, AT_HOME_LINES[line]]).toEqual([line, expect.stringMatching(/^(Never|No|Only)\b/)]);
});

test('no drawing shows an owner a blade at an eye, liquid in an ear or a nail that is cut', () => {
  for (const how of ALL_HOME_HOWS) {
    const { drawing } = HOME_CARDS[how];
    if (drawing !== null) expect(LOOKED_AT).toContain(drawing);
  }
  for (const { drawing } of Object.values(BATH_STEPS)) if (drawing !== null) expect(LOOKED_AT).toContain(drawing);
});

test('it is not the groomer’s card, in any language', () => {
  const groomers = new Set(
    METHOD_CARDS.flatMap(({ steps }) => steps).flatMap((line) => (typeof line === 'string' ? [line] : [])),
  );
  for (const wording of [ENGLISH, wordingIn('es')])
    for (const how of ALL_HOME_HOWS) {
      const { card, words } = homeTaskTold(wording, {
        key: 'k',
        task: 'teeth',
        places: [],
        everyDays: 1,
        minutes: 1,
        stepped: null,
        clearSince: null,
        byVet: false,
        ticked: null,
        better: null,
        how,
      });
      for (const line of [words, ...card.never, ...card.stops]) expect(groomers.has(line)).toBe(false);
    }
});
