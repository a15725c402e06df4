import { lightBy, type Spot } from './measure';

/** A round spot of a picture: its middle as shares of width and height, its radius as a share of the shorter side. */
export interface Circle {
  readonly x: number;
  readonly y: number;
  readonly radius: number;
}

/** Squares along the shorter side of a picture that are looked at. */
const ALONG = 14;
/** White gives back most: what is darker than this share of the brightest is not taken for it. */
const AS_BRIGHT = 0.75;
/** A camera makes white bright by itself: what is darker than this (Y, 0 to 1) is not proposed [house value]. */
const WHITE_FROM = 0.3;

/** The square of a picture around a circle, in points, cut at its edges. */
export function squareOf({ x, y, radius }: Circle, width: number, height: number) {
  const half = radius * Math.min(width, height);
  const left = Math.max(0, Math.round(x * width - half));
  const top = Math.max(0, Math.round(y * height - half));
  return {
    left,
    top,
    width: Math.max(0, Math.min(width, Math.round(x * width + half)) - left),
    height: Math.max(0, Math.min(height, Math.round(y * height + half)) - top),
  };
}

/** The points of a picture inside that square. */
export function cut(picture: Spot, circle: Circle): Spot {
  const { left, top, width, height } = squareOf(circle, picture.width, picture.height);
  const rgba = new Uint8ClampedArray(4 * width * height);
  for (let row = 0; row < height; row++) {
    const from = 4 * ((top + row) * picture.width + left);
    rgba.set(picture.rgba.subarray(from, from + 4 * width), 4 * row * width);
  }
  return { width, height, rgba };
}

/**
 * Where a picture is likely to show a white pad or card: the brightest even square that some lamp could light so. Null:
 * nowhere. A proposal, to be looked at: a cream coat may be as bright.
 * @param picture a small one does: about 200 points along its shorter side.
 */
export function findWhite(picture: Spot): Circle | null {
  const short = Math.min(picture.width, picture.height);
  const radius = 1 / (2 * ALONG);
  const step = short / ALONG / 1.5;
  const candidates: { readonly circle: Circle; readonly light: number }[] = [];
  for (let y = step; y <= picture.height - step; y += step)
    for (let x = step; x <= picture.width - step; x += step) {
      const circle = { x: x / picture.width, y: y / picture.height, radius };
      const light = lightBy(cut(picture, circle));
      if (light.kind === 'light' && light.white[1] >= WHITE_FROM)
        candidates.push({ circle, light: light.white[1] * (1 - light.uneven) });
    }
  const best = candidates.reduce((most, each) => (each.light > most ? each.light : most), 0);
  const white = candidates.filter(({ light }) => light >= AS_BRIGHT * best);
  // In the middle of what is white, not at its edge: with the most white about it.
  const near = (one: Circle, other: Circle) =>
    Math.hypot((one.x - other.x) * picture.width, (one.y - other.y) * picture.height) < short / ALONG;
  const crowd = white.map((each) => ({ ...each, about: white.filter((o) => near(each.circle, o.circle)).length }));
  return crowd.toSorted((a, b) => b.about - a.about || b.light - a.light)[0]?.circle ?? null;
}
