import type { Procedure } from '../../findings';
import type { PlaceKey } from '../../places';

/**
 * The order of work once more, by hand and apart from the code: each piece of work as docs/trade.md names it,
 * and what it touches. Held against the code's pieces, so that forgetting a touch is red. A name that ends in a
 * place's kind is done at one place of that kind; its touches are written for "here".
 */
const EARS: PlaceKey[] = ['ear/left', 'ear/right'];
const EYES: PlaceKey[] = ['eye/left', 'eye/right'];
const PAWS: PlaceKey[] = ['paw front/left', 'paw front/right', 'paw hind/left', 'paw hind/right'];
/** Neck and back, sides, belly, legs, paws, under the tail. */
const BODY: PlaceKey[] = [
  'back/none',
  'side/left',
  'side/right',
  'belly/none',
  'leg front/left',
  'leg front/right',
  'leg hind/left',
  'leg hind/right',
  ...PAWS,
  'rear/none',
];
const FACE_FOLDS: PlaceKey[] = [
  'fold nose/none',
  'fold pocket/left',
  'fold pocket/right',
  'fold lip/left',
  'fold lip/right',
  'fold brow/left',
  'fold brow/right',
];
const BODY_FOLDS: PlaceKey[] = ['fold neck/none', 'fold tail/none', 'fold vulva/none'];
const nails = (foot: 'front' | 'hind', side: 'left' | 'right'): PlaceKey[] =>
  [1, 2, 3, 4, 5].map((toe) => `nail ${foot} ${toe}/${side}` as PlaceKey);

interface ByHand {
  /** Null: at the place its name ends with. */
  readonly places: readonly PlaceKey[] | null;
  readonly does: readonly Procedure[];
}
const at = (places: readonly PlaceKey[], ...does: Procedure[]): ByHand => ({ places, does });
const here = (...does: Procedure[]): ByHand => ({ places: null, does });

export const ORDER_OF_WORK: Readonly<Record<string, ByHand>> = {
  // 2. look-over: hands, eyes and nose over the whole dog.
  'look over': at(
    [...EARS, ...EYES, ...FACE_FOLDS, ...BODY_FOLDS, 'mouth/none', 'head/none', ...BODY, 'body/none'],
    'look',
  ),
  // 4. first clip: face, feet, rear, eye-corner hair, flaps clipped short to air.
  'face hair': at(['head/none'], 'clip', 'trim'),
  'eye corner': here('clip', 'trim'),
  'flap inside': here('clip'),
  feet: at(PAWS, 'clip', 'trim'),
  rear: at(['rear/none'], 'clip', 'trim'),
  // 5. ears, first pass: hair out, dry debris off, cleaner, massage, pads.
  'ear powder': here('fill'),
  'ear hair out': here('pluck'),
  'ear hair trim': here('trim'),
  'outer flap': here('towel'),
  'greasy flap': here('towel'),
  'dry debris': here('clean'),
  'ear cleaner': here('fill', 'massage'),
  'ear pads': here('clean'),
  // 6. eyes, on the table: softened with plain water and a cloth, combed away, wiped.
  'eye soften': here('towel'),
  'eye loose piece': here('trim'),
  'eye crust': here('comb'),
  'eye wipe': here('clean'),
  // 7. nails: clipped, edges filed, dewclaws never forgotten.
  'nails front left': at(nails('front', 'left'), 'clip', 'trim'),
  'nails front right': at(nails('front', 'right'), 'clip', 'trim'),
  'nails hind left': at(nails('hind', 'left'), 'clip', 'trim'),
  'nails hind right': at(nails('hind', 'right'), 'clip', 'trim'),
  // 8. brush-out: undercoat, tangles, mats.
  'mat open': here('comb'),
  'mat shave': here('clip'),
  brush: at(['head/none', ...EARS, ...BODY], 'comb'),
  // 9. wet: neck, back, hind leg, side, front leg.
  wet: at([...BODY, ...BODY_FOLDS], 'rinse'),
  // 10. plugs.
  'plug left': at(['ear/left'], 'plug'),
  'plug right': at(['ear/right'], 'plug'),
  // 11.–14. washes: armpits, belly, between toes, under the tail; head with behind the ears and lips; the face apart.
  'wash body 1': at([...BODY, ...BODY_FOLDS], 'wash'),
  'wash head 1': at(['head/none', ...EARS, 'mouth/none'], 'wash'),
  'flap washed': here('wash'),
  'wash body 2': at([...BODY, ...BODY_FOLDS], 'wash'),
  'wash head 2': at(['head/none', ...EARS, 'mouth/none'], 'wash'),
  'face wash': at([...EYES, ...FACE_FOLDS], 'wash'),
  'face water': at([...EYES, ...FACE_FOLDS], 'rinse'),
  'face pads': at([...EYES, ...FACE_FOLDS], 'towel'),
  // 15. rinse: top down.
  'rinse body': at([...BODY, ...BODY_FOLDS], 'rinse'),
  'rinse head': at(['head/none', ...EARS, 'mouth/none', ...EYES, ...FACE_FOLDS], 'rinse'),
  // 16. conditioner, rinsed.
  conditioner: at([...BODY, ...BODY_FOLDS], 'wash', 'rinse'),
  // 18. water off: pressed with towels; some comb damp.
  press: at(['head/none', ...EARS, ...BODY], 'towel'),
  'comb damp': at(['head/none', ...EARS, ...BODY], 'comb'),
  // 19. dry, place by place; no air at face or ears.
  face: at(['head/none', ...EYES, 'mouth/none'], 'towel'),
  ears: at(EARS, 'towel'),
  armpits: at(['leg front/left', 'leg front/right'], 'towel', 'blow'),
  belly: at(['belly/none'], 'towel', 'blow'),
  paws: at(PAWS, 'towel', 'blow'),
  'rear dried': at(['rear/none'], 'towel', 'blow'),
  'back and sides': at(['back/none', 'side/left', 'side/right', 'leg hind/left', 'leg hind/right'], 'towel', 'blow'),
  folds: at([...FACE_FOLDS, ...BODY_FOLDS], 'towel'),
  // 20. ears, second pass.
  'ear cleaner again': here('fill', 'massage'),
  'ear wipe': here('clean'),
  'ear dry': here('towel'),
  // 21. folds: clean, dry, protect.
  'fold clean': here('clean'),
  'fold dry': here('towel'),
  'fold protect': here('protect'),
  'nose balm': at(['nose pad/none'], 'protect'),
  // 22. comb and tidy: feet round, ear edges and tips, face checked again.
  comb: at(['head/none', ...EARS, ...BODY], 'comb'),
  'feet round': at(PAWS, 'trim'),
  'ear edges': at(EARS, 'clip'),
  'face again': at(['head/none', ...EYES], 'look'),
  // 23. teeth.
  teeth: at(['mouth/none'], 'clean'),
};

/** Words of a step that name a part of the dog, and where hands must then be. Written by hand; plain English. */
export const WORDS_FOR_PLACES: readonly (readonly [words: RegExp, sites: RegExp])[] = [
  [/\b(ears?|flaps?|canal)\b/i, /^ear$/],
  // A fold has the name “pocket between eye and nose”.
  [/\b(eyes?|lids?)\b(?! and nose)/i, /^eye$/],
  [/\b(face|cheek)\b/i, /^(head|eye|fold)/],
  [/\bhead\b/i, /^(head|eye)$/],
  [/\b(lips?|teeth|mouth(?! of the canal))\b/i, /^(mouth|fold lip)$/],
  [/\bfolds?\b/i, /^fold/],
  [/\bnose pad\b/i, /^nose pad$/],
  [/\b(toes?|feet|paws?)\b/i, /^(paw|nail)/],
  [/\b(nails?|dewclaws?)\b/i, /^nail/],
  [/\bbelly\b/i, /^belly$/],
  [/\barmpits?\b/i, /^leg front$/],
  [/\b(rear|under the tail)\b/i, /^rear$/],
  [/\blegs?\b/i, /^leg/],
  [/\bsides?\b(?! of)/i, /^side$/],
];
