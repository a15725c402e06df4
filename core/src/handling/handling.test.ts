import { describe, expect, test } from 'vitest';
import { BREEDS } from '../catalogue';
import { EASY, HEARING, MUZZLES_WORN, SIGHT, TETHERS, handlingMarks, restraintPlan, type Restrained } from '.';

const dog = (more: Partial<Restrained> = {}): Restrained => ({
  notes: EASY,
  traits: { muzzle: 'long', eyeSet: 'ordinary' },
  breedHandling: [],
  weight: 12,
  liftAloneKg: 20,
  standsThroughBath: true,
  muzzleAgreed: null,
  ...more,
});
const said = (more: Partial<Restrained>, about: string) =>
  restraintPlan(dog(more))
    .filter((each) => each.about === about)
    .map((each) => each.words)
    .join(' ');
const pug = { muzzle: 'flat', eyeSet: 'prominent' } as const;

describe('marks in sight', () => {
  test('an easy dog has none; the ordinary is not said', () => {
    expect(handlingMarks(EASY)).toEqual([]);
  });

  test('the gravest come first, each short enough to be read at a glance', () => {
    const marks = handlingMarks(
      {
        ...EASY,
        muzzle: 'basket muzzle',
        hearing: 'deaf',
        minds: ['front feet', 'the dryer'],
        dryer: 'towels only',
        bestTime: 'first of the day',
        marks: ['Own towel'],
      },
      false,
    );
    expect(marks).toEqual([
      'Basket muzzle',
      'Deaf',
      'Cannot stand through a bath',
      'Minds front feet, the dryer',
      'Dryer: towels only',
      'First of the day',
      'Own towel',
    ]);
  });
});

describe('how a dog is held. Common practice, no source; weights house values', () => {
  test.each<[string, Partial<Restrained>, string, RegExp]>([
    ['an ordinary dog has a loop that cannot tighten', {}, 'tether', /loop that cannot tighten/],
    ['a flat face is never held by the neck', { traits: pug }, 'tether', /never by the neck/],
    ['nor are bulging eyes', { traits: { muzzle: 'short', eyeSet: 'prominent' } }, 'tether', /never by the neck/],
    ['nor a sore neck', { breedHandling: ['tender neck'] }, 'tether', /never by the neck/],
    ['a noted harness is a harness', { notes: { ...EASY, tether: 'harness' } }, 'tether', /Harness/],
    ['a flat face has no closed muzzle', { traits: pug }, 'muzzle', /No closed muzzle/],
    [
      'not even a noted one',
      { traits: pug, notes: { ...EASY, muzzle: 'basket muzzle' } },
      'muzzle',
      /No closed muzzle, though/,
    ],
    [
      'nor has a dog that breathes tightly',
      { breedHandling: ['tight breathing'], notes: { ...EASY, muzzle: 'basket muzzle' } },
      'muzzle',
      /No closed muzzle, though/,
    ],
    ['and it is never held by the neck', { breedHandling: ['tight breathing'] }, 'tether', /never by the neck/],
    [
      'a soft muzzle is for minutes',
      { notes: { ...EASY, muzzle: 'soft muzzle, minutes only' } },
      'muzzle',
      /minutes at most/,
    ],
    ['who was not asked is asked', { notes: { ...EASY, muzzle: 'basket muzzle' } }, 'muzzle', /not been asked/],
    ['a no is a no', { notes: { ...EASY, muzzle: 'basket muzzle' }, muzzleAgreed: false }, 'muzzle', /does not agree/],
    ['at the business’s weight one lifts', { weight: 20 }, 'lift', /One lifts/],
    ['above it two', { weight: 20.1 }, 'lift', /Two lift/],
    ['a long back is kept level', { breedHandling: ['long back'] }, 'lift', /Level, the rear held/],
    ['a blind dog hears first', { notes: { ...EASY, sight: 'blind' } }, 'approach', /Voice before/],
    ['a deaf one sees first', { notes: { ...EASY, hearing: 'deaf' } }, 'approach', /from the front/],
    [
      'one that does neither smells first',
      { notes: { ...EASY, sight: 'blind', hearing: 'deaf' } },
      'approach',
      /smell/,
    ],
    ['who cannot stand is washed lying', { standsThroughBath: false }, 'stand', /lying on a mat/],
    [
      'a helper is named with what for',
      { notes: { ...EASY, helper: 'helper for what it minds', minds: ['ears'] } },
      'helper',
      /for ears/,
    ],
  ])('%s', (_, more, about, words) => {
    expect(said(more, about)).toMatch(words);
  });

  test('for every breed of the catalogue and every note: no flat face in a muzzle, none by the neck, one way of lifting', () => {
    for (const { traits, handling, weightKg } of BREEDS)
      for (const worn of MUZZLES_WORN)
        for (const tether of TETHERS)
          for (const sight of SIGHT)
            for (const hearing of HEARING) {
              const notes = { ...EASY, muzzle: worn, tether, sight, hearing };
              const plan = restraintPlan(dog({ notes, traits, breedHandling: handling, weight: weightKg[1] }));
              const words = plan.map((each) => each.words).join(' ');
              if (traits.muzzle === 'flat') expect(words).toMatch(/No closed muzzle.*|never by the neck/);
              if (traits.muzzle === 'flat') expect(words).not.toMatch(/Basket muzzle,|Soft muzzle for/);
              if (traits.eyeSet === 'prominent') expect(words).toContain('never by the neck');
              expect(plan.filter(({ about }) => about === 'lift')).toHaveLength(1);
              expect(plan.some(({ about }) => about === 'approach')).toBe(sight !== 'sees' || hearing !== 'hears');
            }
  });
});
