import type { EarCarriage, Muzzle, Traits } from '../catalogue';
import { foldSites } from '../catalogue';
import { placeKey, placesOf, NOSE_PAD, type Place, type PlaceKey } from '../places';

/** Points are in a frame of some 300 by 320 around the bridge of the nose; x to the reader's right is the dog's left. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A muzzle seen from the front: how far the chin hangs, how wide it is, where the nose sits. */
const MUZZLE: Readonly<
  Record<Muzzle, { readonly chin: number; readonly width: number; readonly cheek: number; readonly nose: number }>
> = {
  long: { chin: 122, width: 46, cheek: 52, nose: 56 },
  middle: { chin: 106, width: 52, cheek: 56, nose: 40 },
  short: { chin: 92, width: 58, cheek: 62, nose: 26 },
  flat: { chin: 84, width: 70, cheek: 72, nose: 4 },
};

/** Ears of the dog's left, drawn on the reader's right; the other is the mirror image. `front` ears lie over the skull. */
const EAR: Readonly<
  Record<
    EarCarriage,
    { readonly path: string; readonly crease?: string; readonly spot: Point; readonly front: boolean }
  >
> = {
  upright: {
    path: 'M24,-96 C30,-132 48,-164 72,-178 C90,-150 96,-104 74,-56 Z',
    crease: 'M44,-104 C48,-130 58,-148 70,-158 C78,-136 80,-108 68,-82',
    spot: { x: 62, y: -112 },
    front: false,
  },
  tipped: {
    path: 'M24,-96 C32,-126 46,-144 66,-150 C88,-154 104,-138 110,-116 C98,-122 92,-112 86,-92 L72,-56 Z',
    crease: 'M66,-150 C66,-132 74,-118 86,-110 C96,-106 104,-108 110,-116',
    spot: { x: 60, y: -100 },
    front: false,
  },
  folded: {
    path: 'M30,-100 C54,-122 92,-120 112,-98 C118,-76 110,-48 96,-28 C80,-36 60,-56 46,-82 Z',
    crease: 'M36,-96 C58,-106 86,-106 110,-96',
    spot: { x: 88, y: -70 },
    front: true,
  },
  hanging: {
    path: 'M34,-92 C70,-112 112,-96 124,-58 C134,-22 132,34 112,66 C102,82 82,80 76,60 C70,36 72,-6 56,-40 Z',
    spot: { x: 104, y: 0 },
    front: false,
  },
  'long hanging': {
    path: 'M36,-88 C74,-108 114,-90 128,-46 C140,4 144,76 126,116 C114,138 90,134 82,106 C72,70 76,4 58,-40 Z',
    spot: { x: 110, y: 34 },
    front: false,
  },
};

/** A flap that hangs, lifted up and away: its inside, and the way into the ear. */
const LIFTED: (typeof EAR)[EarCarriage] = {
  path: 'M30,-98 C44,-132 84,-168 122,-164 C142,-138 130,-84 74,-48 Z',
  crease:
    'M52,-92 C70,-122 96,-142 116,-144 C122,-122 108,-88 72,-66 M58,-84 C64,-92 76,-92 80,-82 C80,-72 66,-66 60,-72 C56,-76 56,-80 58,-84',
  spot: { x: 96, y: -112 },
  front: false,
};
const HANGS: readonly EarCarriage[] = ['folded', 'hanging', 'long hanging'];

/** Whether there is a flap to lift at all. */
export const canLift = ({ ears }: Traits): boolean => HANGS.includes(ears);

export interface HeadShape {
  readonly skull: string;
  readonly ear: (typeof EAR)[EarCarriage];
  readonly eye: Point & { readonly rx: number; readonly ry: number };
  readonly nose: Point;
  /** Top of the drawing: upright ears need room. */
  readonly top: number;
  readonly mouth: string;
  /** Curves of folds on the dog's left half; unpaired ones cross the middle. */
  readonly folds: readonly { readonly d: string; readonly mirrored: boolean }[];
  /** Where each place is marked. Places not on the head (neck, tail, vulva) are absent. */
  readonly spots: Readonly<Partial<Record<PlaceKey, Point>>>;
}

/** The head of a dog from the front, from its traits. Mirrored about x = 0 by construction. */
export function headShape(traits: Traits, lifted = false): HeadShape {
  const ear = lifted && canLift(traits) ? LIFTED : EAR[traits.ears];
  const { chin, width, cheek, nose } = MUZZLE[traits.muzzle];
  const half = (s: 1 | -1) =>
    s === 1
      ? `C44,-104 72,-78 76,-40 C78,-10 ${cheek + 10},12 ${cheek},30 C${width},${chin * 0.68} ${width * 0.56},${chin - 2} 0,${chin}`
      : `C${-width * 0.56},${chin - 2} ${-width},${chin * 0.68} ${-cheek},30 C${-cheek - 10},12 -78,-10 -76,-40 C-72,-78 -44,-104 0,-104`;
  const prominent = traits.eyeSet === 'prominent';
  const eye = {
    x: prominent ? 38 : 32,
    y: traits.muzzle === 'flat' ? -20 : -24,
    rx: prominent ? 14 : 11,
    ry: prominent ? 13 : 9,
  };
  const flap = Math.min(chin - 30, nose + 28);
  return {
    skull: `M0,-104 ${half(1)} ${half(-1)} Z`,
    ear,
    eye,
    nose: { x: 0, y: nose },
    top: ear === LIFTED ? -174 : traits.ears === 'upright' ? -186 : traits.ears === 'tipped' ? -160 : -126,
    mouth: `M0,${nose + 20} V${flap} C10,${flap + 14} ${width * 0.5},${flap + 14} ${width * 0.68},${flap - 2}`,
    folds: foldCurves(traits, nose, eye, width, flap),
    spots: spotsOf(traits, { nose, eye, width, flap, ear: ear.spot }),
  };
}

interface Marks {
  readonly nose: number;
  readonly eye: Point;
  readonly width: number;
  readonly flap: number;
  readonly ear: Point;
}

function foldCurves(traits: Traits, nose: number, eye: Point, width: number, flap: number): HeadShape['folds'] {
  const curves: Partial<Record<string, { d: string; mirrored: boolean }[]>> = {
    nose: [{ d: `M-34,${nose - 8} C-22,${nose - 26} 22,${nose - 26} 34,${nose - 8}`, mirrored: false }],
    pocket: [
      {
        d: `M${eye.x - 8},${eye.y + 16} C${eye.x - 18},${eye.y + 22} ${eye.x - 14},${eye.y + 34} ${eye.x + 2},${eye.y + 42}`,
        mirrored: true,
      },
    ],
    lip: [
      {
        d: `M${width * 0.66},${flap - 4} C${width * 0.95},${flap - 10} ${width * 0.9},${flap + 10} ${width * 0.7},${flap + 16}`,
        mirrored: true,
      },
    ],
    brow: [
      { d: 'M12,-56 C22,-66 40,-66 52,-54', mirrored: true },
      { d: 'M14,-70 C24,-80 38,-80 48,-72', mirrored: true },
    ],
  };
  return foldSites(traits).flatMap((site) => curves[site] ?? []);
}

function spotsOf(traits: Traits, { nose, eye, width, flap, ear }: Marks): HeadShape['spots'] {
  const onLeft: Partial<Record<Place['site'], Point>> = {
    ear,
    eye: { x: eye.x + 20, y: eye.y + 8 },
    'fold nose': { x: 0, y: nose - 22 },
    'fold pocket': { x: eye.x - 14, y: eye.y + 30 },
    'fold lip': { x: width * 0.78, y: flap + 4 },
    'fold brow': { x: 32, y: -62 },
  };
  const marked = placesOf(foldSites(traits)).flatMap((place): [PlaceKey, Point][] => {
    const point = onLeft[place.site];
    if (!point) return [];
    return [[placeKey(place), place.side === 'right' ? { x: -point.x, y: point.y } : point]];
  });
  return {
    ...Object.fromEntries(marked),
    'mouth/none': { x: 0, y: flap + 8 },
    ...(traits.muzzle === 'flat' ? { [placeKey(NOSE_PAD)]: { x: 0, y: nose + 4 } } : {}),
    'head/none': { x: 0, y: -84 },
  };
}
