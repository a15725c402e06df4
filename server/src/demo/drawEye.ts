import { cut, findWhite, measureColour, readingOf, type Circle, type ColourReading } from '@dewpond/core/colour';
import sharp from 'sharp';
import { drawAnew, PICTURE, type Drawn } from '../platform/images/drawAnew';

type Rgb = readonly [number, number, number];

const WIDTH = 960;
const HEIGHT = 720;
const COAT: Rgb = [214, 203, 186];
const STAIN: Rgb = [128, 78, 50];
const IRIS: Rgb = [58, 38, 28];
const PAD: Rgb = [226, 226, 224];
/** The eye, the corner that weeps, the stain below it, and the pad held beside them; points. */
const EYE = { x: 610, y: 290, radius: 92 };
const STREAK = { x: 505, y: 430, wide: 62, tall: 170 };
const LAID = { x: 190, y: 560, radius: 96 };

const SPOT: Circle = { x: STREAK.x / WIDTH, y: STREAK.y / HEIGHT, radius: 0.035 };

const mixed = (one: Rgb, other: Rgb, share: number): Rgb => {
  const at = (i: 0 | 1 | 2) => one[i] + (other[i] - one[i]) * share;
  return [at(0), at(1), at(2)];
};

/** A drawn point of the face, before any light: hair in waves, a lid, the eye with its glint, the pad. */
function colourAt(x: number, y: number, stain: number): Rgb {
  if (Math.hypot(x - LAID.x, y - LAID.y) < LAID.radius) return PAD;
  const fromEye = Math.hypot(x - EYE.x, (y - EYE.y) * 1.15);
  if (Math.hypot(x - EYE.x + 30, y - EYE.y + 28) < 13) return [245, 245, 245];
  if (fromEye < EYE.radius * 0.45) return [18, 14, 12];
  if (fromEye < EYE.radius) return IRIS;
  if (fromEye < EYE.radius * 1.18) return [74, 58, 50];
  const streak = Math.hypot((x - STREAK.x) / STREAK.wide, (y - STREAK.y) / STREAK.tall);
  const hair = 0.93 + 0.05 * Math.sin(0.16 * x + 0.05 * y + 4 * Math.sin(y / 70)) + 0.02 * Math.sin(0.9 * x - 0.3 * y);
  const [r, g, b] = mixed(COAT, STAIN, stain * Math.max(0, Math.min(1, 1.6 - 1.2 * streak)));
  return [r * hair, g * hair, b * hair];
}

export interface DrawnEye {
  /** 0: none, 1: as dark as it comes. */
  readonly stain: number;
  /** What the lamp does to red, green and blue; 1: nothing. */
  readonly light: Rgb;
}

/** A drawn picture of a left eye, as a tablet would send it, and its stain measured as a tablet would measure it. */
export async function drawEye(
  { stain, light }: DrawnEye,
  random: () => number,
): Promise<{ readonly drawn: Drawn; readonly colour: ColourReading | null }> {
  const points = Buffer.alloc(3 * WIDTH * HEIGHT);
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const colour = colourAt(x, y, stain);
      for (const i of [0, 1, 2] as const)
        points[3 * (y * WIDTH + x) + i] = Math.max(0, Math.min(255, colour[i] * light[i] + 8 * (random() - 0.5)));
    }
  const raw = { raw: { width: WIDTH, height: HEIGHT, channels: 3 as const } };
  const drawn = await drawAnew(await sharp(points, raw).jpeg({ quality: 90 }).toBuffer(), PICTURE);
  return { drawn, colour: await measured(drawn) };
}

async function measured({ bytes, width, height }: Drawn): Promise<ColourReading | null> {
  const { data } = await sharp(bytes).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  const picture = { width, height, rgba: new Uint8ClampedArray(data) };
  const white = findWhite(picture);
  if (!white) return null;
  const found = measureColour({ white: cut(picture, white), spot: cut(picture, SPOT) });
  return found.kind === 'measured' ? readingOf('stain', found) : null;
}
