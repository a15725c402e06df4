import type { Drawing } from '@dewpond/core/methods';
import type { ReactNode } from 'react';
import { BathPath, Contact, Rear, RinseSpots, TowelPress, WettingPath } from './Body';
import { Mat, Teeth } from './Coat';
import { EarSection } from './EarSection';
import { EyeCorner, FaceWash } from './Face';
import { Dewclaw, NailAndQuick, Pads } from './Feet';
import { FoldSection } from './Folds';

const DRAWN: Readonly<Record<Drawing, () => ReactNode>> = {
  'ear look': () => <EarSection show="look" />,
  'ear section': () => <EarSection show="clean" />,
  'ear swab': () => <EarSection show="swab" />,
  'ear hair': () => <EarSection show="hair" />,
  'eye corner': EyeCorner,
  'face wash': FaceWash,
  'fold section': FoldSection,
  'nail and quick': NailAndQuick,
  dewclaw: Dewclaw,
  'wetting path': WettingPath,
  'bath path': BathPath,
  'rinse spots': RinseSpots,
  contact: Contact,
  'towel press': TowelPress,
  mat: Mat,
  pads: Pads,
  rear: Rear,
  teeth: Teeth,
};

/** The drawing of a method card. */
export const MethodDrawing = ({ drawing }: { readonly drawing: Drawing }) => DRAWN[drawing]();
