import { expect, test } from 'vitest';
import { randomFrom } from '../seeds';
import { metered, pixelOf, spotOf, type Reflects } from '../tests/generatedPicture';
import {
  compareColours,
  cut,
  findWhite,
  labOf,
  looksLikeAnother,
  measureColour,
  type Lab,
  type MeasuredColour,
  type Measurement,
  type Spot,
} from '.';
import { LIGHT } from './lab';

const rises = (from: number, to: number, at: number, width: number): Reflects => {
  return (nm) => from + (to - from) / (1 + Math.exp((at - nm) / width));
};
const PAD: Reflects = () => 0.86;
const THINGS: Readonly<Record<string, Reflects>> = {
  'fresh tear stain': rises(0.08, 0.42, 590, 40),
  'old, dark stain': rises(0.04, 0.2, 610, 45),
  'pale skin': rises(0.42, 0.62, 590, 25),
  'red skin': rises(0.2, 0.55, 600, 12),
  'dark wax': rises(0.03, 0.12, 600, 50),
  'pale wax': rises(0.18, 0.55, 540, 50),
  'white hair': rises(0.6, 0.75, 480, 60),
  // Not among what the uncertainty was fitted to.
  'dark skin': rises(0.06, 0.16, 640, 30),
  'golden wax': rises(0.05, 0.6, 560, 30),
  'a raw spot': rises(0.12, 0.4, 605, 9),
};
/** Lamps of a salon, a van and a window: an old bulb to blue sky. */
const LAMPS = { 'a warm bulb': 2856, 'a warm tube': 3500, 'a cool tube': 4800, 'blue sky': 9000 };

const measured = (found: Measurement): MeasuredColour => {
  if (found.kind !== 'measured') throw new Error(found.because);
  return found;
};
/** How long a camera exposes so that the pad comes out as bright as `level`, 1 being as bright as a picture can show. */
const exposureFor = (pad: Reflects, kelvin: number, level: number): number =>
  level / Math.max(...pixelOf(pad, kelvin, 0.3).map((value) => (LIGHT[value] ?? 0) / 0.3));
const inPicture = (thing: Reflects, kelvin: number, { pad = PAD, level = 0.7 } = {}) => {
  const random = randomFrom(1);
  const exposure = exposureFor(pad, kelvin, level);
  return measureColour({
    white: spotOf(pixelOf(pad, kelvin, exposure), random),
    spot: spotOf(pixelOf(thing, kelvin, exposure), random),
  });
};
const FIGURES: readonly (keyof Lab)[] = ['l', 'a', 'b'];

test('under warm and cold light, bright and dim, a colour is what a colour meter shows, within what it says it may be off', () => {
  const refused = new Set<string>();
  for (const [name, thing] of Object.entries(THINGS))
    for (const [lamp, kelvin] of Object.entries(LAMPS))
      for (const level of [0.4, 0.6, 0.85])
        for (const pad of [PAD, () => 0.83, () => 0.89]) {
          const found = inPicture(thing, kelvin, { pad, level });
          if (found.kind === 'not measured') {
            refused.add(`${name} under ${lamp}: ${found.because}`);
            continue;
          }
          const { lab, plusMinus } = found;
          const meter = metered(thing);
          for (const figure of FIGURES)
            expect(
              Math.abs(lab[figure] - meter[figure]),
              `${name} under ${lamp}: ${figure} ${lab[figure]} ± ${plusMinus[figure]}, meter ${meter[figure]}`,
            ).toBeLessThan(plusMinus[figure]);
          expect(plusMinus.l).toBeLessThan(6);
          expect(plusMinus.a).toBeLessThan(kelvin > 4000 ? 4 : 8);
        }
  // Dark or strong yellow-brown has no blue left under a bulb, if the camera leaves the bulb's colour in: it is not guessed.
  expect([...refused].toSorted()).toEqual([
    'dark wax under a warm bulb: coloured light',
    'golden wax under a warm bulb: coloured light',
    'golden wax under a warm tube: coloured light',
    'old, dark stain under a warm bulb: coloured light',
  ]);
});

test('without the white the same stain under a bulb and under the sky would look like two; with it, like one', () => {
  const stain = THINGS['fresh tear stain'] ?? PAD;
  const [bulb, sky] = [measured(inPicture(stain, 2856)), measured(inPicture(stain, 9000))];
  expect(compareColours('stain', bulb, sky).says).toEqual([]);
  const raw = (kelvin: number) => labOf(pixelOf(stain, kelvin, 0.5).map((each) => each / 255) as never);
  expect(Math.abs(raw(2856).b - raw(9000).b)).toBeGreaterThan(20);
});

test('what has changed is said where it counts, and nothing that the pictures cannot tell', () => {
  const at = (l: number, a: number, b: number, off = 3): MeasuredColour => ({
    lab: { l, a, b },
    plusMinus: { l: off, a: off, b: off },
  });
  const table: readonly (readonly [Parameters<typeof compareColours>, readonly string[]])[] = [
    [['stain', at(40, 15, 25), at(52, 15, 25)], ['lighter']],
    [
      ['stain', at(40, 15, 25), at(52, 15, 10)],
      ['lighter', 'less yellow-brown'],
    ],
    [['stain', at(40, 15, 25), at(40, 30, 25)], []],
    [['stain', at(40, 15, 25), at(44, 15, 25)], []],
    [['stain', at(40, 15, 25, 1), at(44, 15, 25, 1)], ['lighter']],
    [['skin', at(60, 22, 15), at(60, 12, 15)], ['less red']],
    [['skin', at(60, 12, 15), at(40, 22, 15)], ['redder']],
    [['wax', at(50, 12, 30), at(30, 12, 30)], ['darker']],
  ];
  for (const [asked, says] of table) expect(compareColours(...asked).says).toEqual(says);
  expect(looksLikeAnother(compareColours('stain', at(80, 2, 8), at(20, 4, 6)))).toBe(true);
  expect(looksLikeAnother(compareColours('stain', at(60, 2, 8), at(45, 14, 20)))).toBe(false);
});

test('what is no white to go by is refused, each for its own reason', () => {
  const random = randomFrom(2);
  const stain = spotOf([120, 80, 50], random);
  const halfInShadow = (): Spot => {
    const spot = spotOf([220, 220, 220], random);
    for (let point = 0; point < spot.width * spot.height; point++)
      if (point % spot.width < spot.width / 2) spot.rgba.set([120, 120, 120], 4 * point);
    return spot;
  };
  const table: readonly (readonly [Spot, Spot, string])[] = [
    [spotOf([255, 255, 254], random), stain, 'too bright'],
    [spotOf([40, 40, 40], random), stain, 'too dark'],
    [halfInShadow(), stain, 'uneven'],
    [spotOf([60, 190, 70], random), stain, 'not white'],
    [spotOf([210, 60, 160], random), stain, 'not white'],
    [spotOf([220, 220, 220], random, { side: 5 }), stain, 'too small'],
    [spotOf([220, 220, 220], random, { side: 0 }), stain, 'too small'],
    [spotOf([220, 220, 220], random), spotOf([120, 80, 50], random, { side: 4 }), 'too small'],
    [spotOf([220, 220, 220], random), spotOf([255, 255, 255], random), 'glare'],
  ];
  for (const [white, spot, because] of table)
    expect(measureColour({ white, spot })).toEqual({ kind: 'not measured', because });
});

/** A picture of a stained face with a pad at `pad`, as shares, or none. */
function picture(pad: { readonly x: number; readonly y: number } | null, seed = 3): Spot {
  const random = randomFrom(seed);
  const [width, height] = [280, 210];
  const rgba = new Uint8ClampedArray(4 * width * height);
  const colours = {
    coat: pixelOf(THINGS['pale skin'] ?? PAD, 3500, 0.55),
    stain: pixelOf(THINGS['old, dark stain'] ?? PAD, 3500, 0.55),
    pad: pixelOf(PAD, 3500, 0.55),
  };
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const inPad = pad !== null && Math.hypot(x - pad.x * width, y - pad.y * height) < 34;
      const inStain = Math.hypot(x - 140, y - 110) < 40;
      const colour = inPad ? colours.pad : inStain ? colours.stain : colours.coat;
      const shade = inPad ? 0 : 40 * random();
      rgba.set([...colour.map((each) => each - shade + 6 * (random() - 0.5)), 255], 4 * (y * width + x));
    }
  return { width, height, rgba };
}

test('the white pad is found wherever it lies, and nothing is found in the dark', () => {
  for (const pad of [
    { x: 0.2, y: 0.25 },
    { x: 0.8, y: 0.7 },
    { x: 0.15, y: 0.8 },
  ]) {
    const found = findWhite(picture(pad));
    expect(found).not.toBeNull();
    expect(Math.hypot((found?.x ?? 9) - pad.x, (found?.y ?? 9) - pad.y)).toBeLessThan(0.08);
  }
  // A dim brown picture has nothing white in it, only something that is its brightest.
  const { width, height } = picture(null);
  const brown = new Uint8ClampedArray(4 * width * height).map((_, i) => [140, 90, 70, 255][i % 4] ?? 0);
  expect(findWhite({ width, height, rgba: brown })).toBeNull();
  expect(findWhite({ width, height, rgba: new Uint8ClampedArray(4 * width * height).fill(20) })).toBeNull();
});

test('a circle at the edge of a picture is cut there', () => {
  const whole = picture(null);
  expect(cut(whole, { x: 0, y: 0, radius: 0.1 })).toMatchObject({ width: 21, height: 21 });
  expect(cut(whole, { x: 1, y: 1, radius: 0.1 })).toMatchObject({ width: 21, height: 21 });
  expect(cut(whole, { x: 0.5, y: 0.5, radius: 0.1 })).toMatchObject({ width: 42, height: 42 });
  expect([...cut(whole, { x: 0.5, y: 0.5, radius: 0.01 }).rgba.slice(0, 4)]).toEqual([
    ...whole.rgba.slice(4 * (103 * 280 + 138), 4 * (103 * 280 + 138) + 4),
  ]);
});
