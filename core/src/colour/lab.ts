import {
  differenceCiede2000,
  modeLab65,
  modeLrgb,
  modeRgb,
  modeXyz65,
  useMode as convertTo,
  type Lab65,
} from 'culori/fn';

/** A colour in CIELAB (CIE 15, white D65): `l` 0 black to 100 white, `a` green to red, `b` blue to yellow. */
export interface Lab {
  readonly l: number;
  readonly a: number;
  readonly b: number;
}

/** Linear light of a screen's red, green and blue (IEC 61966-2-1), or CIE XYZ: three numbers, white about 1. */
export type Triple = readonly [number, number, number];

convertTo(modeRgb);
const toLight = convertTo(modeLrgb);
const toXyz = convertTo(modeXyz65);
const toLab = convertTo(modeLab65);
const difference = differenceCiede2000();

/** Each of the 256 values of a pixel as linear light: a million pixels are looked up, not reckoned. */
export const LIGHT: readonly number[] = Array.from({ length: 256 }, (_, value) => {
  const { r } = toLight({ mode: 'rgb', r: value / 255, g: 0, b: 0 });
  return r;
});

/** CIE XYZ, white D65, of linear light. */
export function xyzOf([r, g, b]: Triple): Triple {
  const { x, y, z } = toXyz({ mode: 'lrgb', r, g, b });
  return [x, y, z];
}

/** CIELAB of CIE XYZ, white D65. */
export function labOf([x, y, z]: Triple): Lab {
  const { l, a, b } = toLab({ mode: 'xyz65', x, y, z });
  return { l, a, b };
}

const asLab65 = ({ l, a, b }: Lab): Lab65 => ({ mode: 'lab65', l, a, b });

/**
 * How different two colours look, CIEDE2000 (CIE 142, parameters 1): under 1 hardly anybody sees it, over 5 everybody.
 * @example
 * differenceOf({ l: 50, a: 2.5, b: 0 }, { l: 50, a: 3.2972, b: 0 }).toFixed(4) // '1.0000'
 */
export const differenceOf = (one: Lab, other: Lab): number => difference(asLab65(one), asLab65(other));
