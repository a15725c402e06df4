import {
  any,
  answered,
  both,
  count,
  dogIs,
  either,
  except,
  graded,
  notLower,
  only,
  row,
  todo,
  type TriageRow,
} from './circumstance';
import type { Procedure } from './procedures';
import type { Sign } from './signs';

const ear = row('ear');
const eye = row('eye');
const fold = row('fold');
const nose = row('nose');
const skin = row('skin', 'paw', 'rear');
const paw = row('paw');
const nail = row('nail', 'paw');
const mouth = row('mouth');
const rear = row('rear');
const body = row('body');

/** Signs of an ear that is not just dirty. */
export const A_SIGNS: readonly Sign[] = [
  'ear yellow wax',
  'ear whitish discharge',
  'ear red bumps',
  'ear redness',
  'ear musty smell',
  'ear scaly flap',
];
const FOLD_SIGNS: readonly Sign[] = ['fold redness', 'fold moisture', 'fold smell'];
const EYE_LID_SIGNS: readonly Sign[] = [
  'eye coloured discharge',
  'eye swollen lids',
  'eye lid rolled in',
  'eye lashes touching',
];

const pinkOnly = only('redness alone, pink', ({ sign, grade }) => sign === 'fold redness' && grade === 1);
const flatFace = dogIs('flat face or prominent eyes', (dog) => dog.flatFaceOrProminentEyes);
const twoOrMore = count('two or more', (different) => different >= 2);
const one = count('one', (different) => different === 1);
const KEEP_DRY_CLEAN = todo('Clean and dry only.', 'clean', 'towel');
const NOTHING_GREASY = 'Nothing greasy.';
const NOTHING_SCENTED = 'Nothing scented or greasy.';
const LAST_DOG = 'Last dog, gloves, own towels, clean-down.';
const AROUND_ONLY = todo('Around the eye only, with plain water.', 'towel');
const SHAVE =
  'Shave, with the owner’s word first and the skin beneath recorded. Never scissors under a mat, never water on it.';
const MAT = todo(SHAVE, 'clip');

/** Water tightens a mat. */
const DRY: readonly Procedure[] = ['wash', 'rinse'];

/** The tables of ears, eyes, folds and the rest of the dog. Source: common practice. */
export const TRIAGE_TABLE: readonly TriageRow[] = [
  ear('pale wax, slight', ['ear pale wax'], graded(1, 1), ['note', 'S0']),
  ear('pale wax', ['ear pale wax'], graded(2, 3), ['watch', 'S0']),
  ear('dark wax', ['ear dark wax'], any, ['watch', 'S0']),
  ear('damp', ['ear damp'], any, ['watch', 'S0'], todo('Dry it. No plucking while damp.', 'towel'), 'pluck', 'trim'),
  ear('greasy flap', ['ear greasy flap'], any, ['note', 'S0'], 'A pad of its own; the rest is washed off in the bath.'),
  ear('one A-sign, slight', A_SIGNS, both(one, graded(1, 1)), ['tell', 'S1']),
  ear('A-signs', A_SIGNS, either(twoOrMore, graded(2, 3), notLower), ['vet', 'S1']),
  ear('still brown', ['ear still brown'], any, ['tell', 'S1'], 'Leave it and tell: no third filling.'),
  ear('packed', ['ear packed'], any, ['vet', 'S1']),
  ear('not seen into', ['ear not seen into'], any, ['tell', 'S1'], 'It is not clear. Asked again next time.'),
  ear(
    'mat',
    ['ear mat'],
    any,
    ['tell', 'S0'],
    todo(`${SHAVE} Warn of swelling, look again after an hour.`, 'clip'),
    ...DRY,
    'comb',
  ),
  ear('dark crumbs', ['ear dark crumbs'], any, ['vet', 'S1']),
  ear('blood, pus, foul', ['ear blood', 'ear pus', 'ear foul smell'], any, ['vet soon', 'S1']),
  ear(
    'hot, swollen, sore, pain',
    ['ear hot', 'ear swollen', 'ear narrowed', 'ear sores', 'ear pain', 'ear drooping', 'ear puffed flap'],
    any,
    ['vet soon', 'S2'],
  ),
  ear('object', ['ear seed'], any, ['vet today', 'S2'], 'Do not reach in.'),
  ear('tilt', ['head tilt'], any, ['vet today', 'S3']),
  ear('shaking, known', ['ear shaking known'], any, ['note', 'S0']),
  ear(
    'shaking, sudden, grass seed',
    ['ear shaking sudden'],
    dogIs('in the grass-seed months', (dog) => dog.grassSeedMonth),
    ['vet today', 'S1'],
  ),
  ear('shaking, sudden', ['ear shaking sudden'], any, ['vet', 'S1']),
  ear(
    'after cleaning, whining',
    ['after cleaning, whining'],
    answered('within a day', false),
    ['tell', 'S1'],
    'Nothing more into this ear for the rest of the visit.',
  ),
  ear('after cleaning, whining on', ['after cleaning, whining'], answered('past a day', true), ['vet', 'S1']),
  ear('after cleaning, crying', ['after cleaning, crying'], any, ['vet today', 'S3']),

  eye('stain, seen by a vet', ['eye stain'], answered('a vet has seen the watering eye', true), ['note', 'S0']),
  eye('stain', ['eye stain'], answered('no vet yet', false), ['tell', 'S0'], 'Ask for one look by an eye vet.'),
  eye('wet', ['eye wet'], any, ['note', 'S0']),
  eye('newly wet on one side', ['eye wet'], answered('newly wet on one side', true), ['vet', 'S1'], AROUND_ONLY),
  eye('musty', ['eye musty smell'], any, ['tell', 'S0'], todo('Clean and dry; daily home care.', 'clean', 'towel')),
  eye('crust that lifts', ['eye crust'], answered('lifts when softened', true), ['note', 'S0']),
  eye(
    'crust that stays',
    ['eye crust'],
    answered('does not lift', false),
    ['tell', 'S0'],
    'Leave the crust.',
    'comb',
    'trim',
  ),
  eye('skin redness, slight', ['eye skin redness'], graded(1, 1), ['tell', 'S0'], NOTHING_SCENTED, 'protect'),
  eye('skin redness', ['eye skin redness'], either(graded(2, 3), notLower), ['vet', 'S0'], NOTHING_SCENTED, 'protect'),
  eye('raw corner', ['eye raw corner'], any, ['vet soon', 'S2']),
  eye(
    'lid stuck, opens',
    ['eye lid stuck'],
    answered('opens when softened, eye quiet', true),
    ['tell', 'S0'],
    todo('Soften with plain water, never pull. If it does not open, or the eye is not quiet, say so here.', 'towel'),
  ),
  eye('lid stuck, stays', ['eye lid stuck'], answered('does not open, or not quiet', false), ['vet today', 'S2']),
  eye('lid pain', ['eye lid pain'], any, ['vet soon', 'S2']),
  eye('lid pain, flat face', ['eye lid pain'], flatFace, ['vet today', 'S2']),
  eye('mat', ['eye mat'], any, ['tell', 'S0'], MAT, ...DRY, 'comb'),
  eye('discharge, lids, lashes', EYE_LID_SIGNS, any, ['vet', 'S1'], AROUND_ONLY),
  eye('discharge, lids, lashes, flat face', EYE_LID_SIGNS, flatFace, ['vet today', 'S1'], AROUND_ONLY),
  eye('known haze', ['eye known haze'], any, ['note', 'S0']),
  eye(
    'old haze',
    ['eye old haze'],
    any,
    ['vet', 'S1'],
    todo('Plain water around the eye. A stuck lid may be freed.', 'towel'),
  ),
  eye(
    'squint, paw, blood, cloud, red',
    ['eye squinting', 'eye pawing', 'eye blood', 'eye new cloudiness', 'eye red white'],
    any,
    ['vet today', 'S2'],
  ),
  eye('bulging', ['eye bulging'], any, ['emergency', 'S3'], 'Keep it moist with plain saline. No pressure, neck free.'),
  eye('blindness', ['eye sudden blindness'], any, ['emergency', 'S3'], 'No care. Go.'),

  fold('pink', FOLD_SIGNS, pinkOnly, ['watch', 'S0']),
  fold(
    'one at 1–2',
    FOLD_SIGNS,
    both(one, graded(1, 2), except('pink excepted', pinkOnly)),
    ['tell', 'S0'],
    NOTHING_GREASY,
    'protect',
  ),
  fold('two or more, all slight', FOLD_SIGNS, both(twoOrMore, graded(1, 1)), ['tell', 'S0'], NOTHING_GREASY, 'protect'),
  fold('two or more, one plain', FOLD_SIGNS, both(twoOrMore, graded(2, 2)), ['vet', 'S0'], KEEP_DRY_CLEAN, 'protect'),
  fold('any bad', FOLD_SIGNS, graded(3, 3), ['vet', 'S0'], KEEP_DRY_CLEAN, 'protect'),
  fold('not lower', FOLD_SIGNS, notLower, ['vet', 'S0'], KEEP_DRY_CLEAN, 'protect'),
  fold('flinching, swelling, discharge', ['fold flinching', 'fold swelling', 'fold discharge'], any, ['vet', 'S1']),
  fold('raw, bleeding, pain', ['fold raw', 'fold bleeding', 'fold pain'], any, ['vet soon', 'S2']),

  nose('dry', ['nose dry'], any, ['note', 'S0'], todo('Balm, warmed on the fingertip, thin.', 'protect')),
  nose('cracked', ['nose cracked'], any, ['tell', 'S0'], 'No balm in cracks.', 'protect'),
  nose('sore', ['nose sore'], any, ['vet', 'S2']),

  skin('small things', ['tangles', 'burrs', 'dandruff', 'greasy coat', 'licking stains'], any, ['note', 'S0']),
  skin(
    'mat, loose',
    ['mat'],
    answered('small, loose', false),
    ['note', 'S0'],
    todo('Brush out. Never water on it.', 'comb'),
    ...DRY,
  ),
  skin('mat to the skin', ['mat'], answered('to the skin', true), ['tell', 'S0'], MAT, ...DRY, 'comb'),
  skin('thin patch', ['thin patch'], any, ['tell', 'S0'], 'Say whether one side or both.'),
  skin('round or oozing', ['round patch', 'oozing skin'], any, ['vet', 'S2'], LAST_DOG),
  skin('fleas, lice', ['fleas', 'flea dirt', 'lice'], any, ['tell', 'S0'], 'Last dog, own towels, clean-down.'),
  skin('tick', ['tick'], any, ['tell', 'S0'], 'Take it out only if the business does.'),
  skin('bumps, scab, few', ['bumps', 'scab'], answered('few', false), ['tell', 'S0']),
  skin('bumps, scab, many or sore', ['bumps', 'scab'], answered('many or sore', true), ['vet', 'S0']),
  skin('wet sore', ['wet sore'], any, ['vet', 'S2']),
  skin('lump, known', ['lump known'], any, ['note', 'S0'], 'Place and size in mm.'),
  skin('lump, new', ['lump new'], any, ['vet', 'S0'], 'Place and size in mm.'),
  skin('lump, growing or bleeding', ['lump growing'], any, ['vet soon', 'S0'], 'Place and size in mm.'),
  skin('stitches', ['stitches left'], any, ['vet', 'S2']),

  paw('toe redness, slight', ['toe redness'], graded(1, 1), ['watch', 'S0']),
  paw('toe redness', ['toe redness'], graded(2, 3), ['tell', 'S0']),
  paw('toe, broken skin', ['toe broken skin'], any, ['vet', 'S0']),
  paw('cracked pad, dry', ['cracked pad'], answered('dry', false), ['tell', 'S0']),
  paw('cracked pad, bleeding', ['cracked pad'], answered('bleeding', true), ['vet', 'S0']),
  nail('broken, curled', ['nail broken', 'dewclaw curled'], any, ['tell', 'S0']),
  nail('quick, grown in', ['nail quick', 'dewclaw grown in'], any, ['vet', 'S0']),
  nail('bled', ['nail bled'], any, ['note', 'S0'], 'Let the clot hold before wetting.'),
  nail('bleeding on', ['nail bleeding on'], any, ['vet today', 'S0']),

  mouth('tartar', ['tartar'], any, ['note', 'S0']),
  mouth('bad breath', ['bad breath'], any, ['tell', 'S0']),
  mouth('tooth, sore mouth', ['broken tooth', 'sore mouth'], any, ['vet', 'S0']),

  rear('soiled', ['soiled rear'], any, ['note', 'S0']),
  rear('swelling, closed', ['anal swelling'], answered('closed', false), ['vet', 'S2']),
  rear('swelling, open or painful', ['anal swelling'], answered('open or painful', true), ['vet soon', 'S2']),
  rear('discharge from the vulva', ['vulva discharge'], any, ['vet today', 'S0']),

  body('stress', ['stress signs'], any, ['note', 'S0']),
  body('lame, uses the leg', ['lameness'], answered('uses the leg', true), ['tell', 'S0']),
  body('lame, does not', ['lameness'], answered('does not use the leg', false), ['vet today', 'S0']),
  body(
    'sore after a bath',
    ['sore after bath'],
    any,
    ['vet today', 'S0'],
    'Trace the mix: which dogs had that bottle?',
  ),
  body(
    'emergency',
    ['breathing hard', 'gum colour', 'collapse', 'fit', 'tight belly', 'bleeding on', 'fall hurt'],
    any,
    ['emergency', 'S3'],
  ),
  body(
    'overheating',
    ['overheating'],
    any,
    ['emergency', 'S3'],
    'Cool water and moving air at once, while ringing the vet.',
  ),
  body('panic, bite, fall', ['panic', 'bite broke skin', 'fall unhurt'], any, ['tell', 'S3']),
];
