import type { EarCarriage, Muzzle, Traits } from '../catalogue';
import type { Site } from '../places';
import type { Point } from './headShape';

/** The four ways a body is looked at. From above and below the head points so that the dog's left is on the reader's right. */
export const BODY_VIEWS = ['right side', 'left side', 'above', 'below'] as const;
export type BodyView = (typeof BODY_VIEWS)[number];

/** How far the muzzle stands out in profile. */
const MUZZLE: Readonly<Record<Muzzle, number>> = { long: 44, middle: 34, short: 22, flat: 9 };

/** Ears in profile, the dog facing right. */
const EAR: Readonly<Record<EarCarriage, string>> = {
  upright: 'M222,40 C222,22 228,6 238,-2 C246,8 250,22 246,38 Z',
  tipped: 'M222,40 C222,22 228,8 240,6 C250,8 256,18 256,26 C250,22 246,26 246,38 Z',
  folded: 'M220,38 C226,26 244,24 254,34 C256,46 252,58 244,66 C236,60 226,50 220,38 Z',
  hanging: 'M222,38 C236,30 250,36 252,54 C253,70 248,86 238,90 C228,86 222,62 222,38 Z',
  'long hanging': 'M222,38 C238,30 252,38 254,60 C256,84 250,108 238,112 C227,106 221,66 222,38 Z',
};

export interface Profile {
  readonly outline: string;
  readonly ear: string;
  readonly farLegs: string;
  readonly eye: Point;
  readonly nose: Point;
  readonly tail: string;
  /** Strokes that say what coat it is: a skirt of long hair, tufts of a curly one; none where it is smooth. */
  readonly coat: string;
  readonly spots: Readonly<Partial<Record<Site, Point>>>;
}

/** A dog from its right side, facing right, in a frame of 320 by 220; the left side is its mirror image. */
export function profile(traits: Traits): Profile {
  const m = MUZZLE[traits.muzzle];
  const tip = 254 + m;
  return {
    outline: [
      'M52,84 C84,72 132,82 176,78 C196,76 206,64 212,50 C216,36 230,26 246,30',
      `C254,32 256,40 258,46 C${258 + m * 0.5},48 ${tip},50 ${tip + 2},56 C${tip + 2},66 ${tip - 8},70 ${tip - 14},71`,
      'C250,74 242,80 240,88 C236,104 230,116 222,126 C218,132 216,140 215,150 L214,184 C220,190 224,194 222,198',
      'L196,198 C194,176 194,156 190,142 C166,150 132,148 104,136 C100,144 104,152 98,160 C92,168 88,176 88,184',
      'C94,190 98,194 96,198 L70,198 C68,182 72,170 66,158 C52,146 42,120 44,100 C45,92 48,87 52,84 Z',
    ].join(' '),
    ear: EAR[traits.ears],
    farLegs: 'M186,146 C180,160 178,176 178,192 L196,192 M98,160 C108,166 110,176 108,192 L122,192',
    eye: { x: 247, y: 45 },
    nose: { x: tip - 1, y: 56 },
    tail: 'M50,86 C34,78 22,62 24,44 C25,36 32,36 34,44 C38,60 46,70 58,80',
    coat: coatStrokes(traits),
    spots: {
      head: { x: 240, y: 60 },
      side: { x: 140, y: 112 },
      'leg front': { x: 206, y: 166 },
      'leg hind': { x: 76, y: 150 },
    },
  };
}

/** Under the belly and behind the legs of a long coat; short arcs over the back of a curly one. */
function coatStrokes({ coat, coatLength }: Traits): string {
  if (coat === 'smooth' || coat === 'hairless' || coatLength === 'shaved' || coatLength === 'short') return '';
  if (coat === 'curly' || coat === 'wire')
    return [70, 96, 122, 148, 174, 200].map((x, i) => `M${x},${100 + (i % 2) * 22} q7,-9 14,0 t14,0`).join(' ');
  const belly = [108, 122, 136, 150, 164, 178].map((x) => `M${x},142 q-2,12 -7,20`);
  const rump = [88, 100, 112].map((y) => `M46,${y} q-8,6 -10,16`);
  return [...belly, ...rump].join(' ');
}

/** From above, head towards the reader; from below, the dog on its back. Both mirrored about x = 0. */
export const PLAN_HALF = {
  body: 'M0,-96 C22,-96 44,-78 46,-44 C48,-12 40,10 44,34 C46,52 34,62 22,66',
  head: 'M22,66 C30,74 34,90 28,104 C22,118 12,128 0,128',
  ear: 'M28,78 C44,74 54,88 50,104 C42,104 32,96 29,90 Z',
  legs: ['M40,-66 C56,-76 66,-74 70,-62 C72,-52 62,-46 46,-48', 'M44,22 C60,16 72,20 74,32 C74,42 62,46 46,42'],
} as const;

export const ABOVE_SPOTS: Readonly<Partial<Record<Site, Point>>> = { back: { x: 0, y: -14 } };
export const BELOW_SPOTS: Readonly<Partial<Record<Site, Point>>> = { belly: { x: 0, y: -6 }, rear: { x: 0, y: -84 } };

/** One paw from the front, in a frame of 200 by 150: nails from the inside out; the inside is at the left. */
export const PAW = {
  outline:
    'M40,136 C22,120 20,86 34,66 C36,44 58,40 66,54 C72,32 98,32 104,52 C112,34 138,36 140,58 C154,50 172,60 168,80 C180,104 172,128 156,138 C120,148 72,148 40,136 Z',
  toes: ['M66,54 C62,72 64,84 70,94', 'M104,52 C102,70 102,82 104,94', 'M140,58 C142,74 140,86 136,96'],
  nails: [
    { x: 20, y: 104, turn: -40 },
    { x: 49, y: 44, turn: -14 },
    { x: 85, y: 32, turn: -4 },
    { x: 122, y: 34, turn: 6 },
    { x: 158, y: 54, turn: 18 },
  ],
  middle: { x: 100, y: 108 },
} as const;
