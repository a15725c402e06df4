/** Parts of a dog that are clipped or shaped apart, from the head back. */
export const CLIP_PARTS = [
  'head',
  'beard',
  'eye corners',
  'ears',
  'body',
  'legs',
  'feet',
  'pads',
  'tail',
  'rear',
] as const;
export type ClipPart = (typeof CLIP_PARTS)[number];

/** How the owner wishes it, part by part: a length, a comb, a shape, in words. */
export type StyleWish = Readonly<Partial<Record<ClipPart, string>>>;
