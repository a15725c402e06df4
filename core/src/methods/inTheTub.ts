import { by, cited, houseLine, methodCard, type MethodSource } from './card';

/** Washing and drying. docs/trade.md: bath. */
export const IN_THE_TUB: readonly MethodSource[] = [
  methodCard('wet-and-wash', 'Wet, wash, rinse', {
    tasks: ['bath', 'second wash', 'conditioner'],
    drawings: ['wetting path', 'contact'],
    needs: ['product measured, warm water late', 'water tried on one’s own wrist', 'a non-slip floor in the tub'],
    steps: [
      houseLine('Lukewarm, 35–38 °C, running, never a standing tub; cooler for a flat face.'),
      'One fixed circuit each time, so that no place is forgotten: neck, back, hind leg, side, front leg, turn.',
      'Armpits, belly, between toes, behind ears, lips, under the tail. Fingertips, not nails; feel for lumps and scabs.',
      by('washes', {
        two: 'The second wash takes about half the product.',
        one: 'One wash: the rinse must be perfect.',
      }),
      by('head', {
        last: 'The head last.',
        first: 'The head first: it soaks while the body is washed, and is rinsed first.',
        'neck down only': 'From the neck down; no water on the head.',
      }),
      'Rinse top down until hair squeaks and nothing bubbles.',
    ],
    never: [
      by('faceProduct', {
        'tear-free': 'Body shampoo stays off the face.',
        'plain water': 'Shampoo stays off the face.',
        'pads only': 'Shampoo stays off the face.',
      }),
      'Never left alone in the tub.',
      'Concentrate never neat.',
    ],
    stops: [
      cited(
        'Medicated: sore places first, at least five minutes, antiseptic washes commonly ten; label or vet first.',
        'Mueller et al. 2012, Veterinary Dermatology 23:330; Hillier et al. 2014, ibid. 25:163',
      ),
      'Panting that does not settle, trembling, collapse: water off, the visit ends.',
    ],
    enough: 'The water runs clear and the hair squeaks.',
  }),
  methodCard('face-wash', 'Wash the face', {
    tasks: ['face wash'],
    drawings: ['face wash'],
    needs: [
      by('faceProduct', {
        'tear-free': 'a mild tear-free product',
        'mild wash for all': 'the mild wash of the body, thinned',
        'plain water': 'plain water',
        'pads only': 'damp pads, one an eye',
      }),
      ({ faceProduct }) => (faceProduct === 'pads only' ? 'a dry cloth' : 'a bottle with a fine spout, or a sponge'),
    ],
    steps: [
      ({ faceProduct }) =>
        faceProduct === 'pads only'
          ? 'A fresh damp pad for each eye, from the eye towards the cheek.'
          : 'From behind, head tipped down, one to three fingers over the eye.',
      ({ faceProduct }) =>
        faceProduct === 'pads only'
          ? 'Another for chin, lips and the folds of the lips.'
          : 'Water from below the eye, running to the cheek.',
      ({ faceProduct }) =>
        faceProduct === 'pads only'
          ? 'Dried with a soft cloth.'
          : 'Chin, lips and folds of the lips last; rinse until nothing bubbles.',
    ],
    never: [
      'No spray at a flat nose.',
      'No water up the nostrils.',
      by('faceProduct', { 'tear-free': 'No body shampoo: it is licked up, it burns.' }),
    ],
    stops: ['Coughs, sneezes or rubs an eye: rinse with plain water, stop there.'],
    enough: 'No product left in the corners of the mouth and the folds.',
  }),
  methodCard('drying', 'Water off, and dry', {
    tasks: ['drying'],
    drawings: ['towel press'],
    needs: ['dry towels', 'a snood for the ears', 'a quiet dryer'],
    steps: [
      'Squeeze legs, tail and belly; press with towels.',
      by('earPlugs', {
        'before the head': 'Plugs out, counted, damp or dry noted. Let it shake.',
        'before all water': 'Plugs out, counted, damp or dry noted. Let it shake.',
        'hand shield': 'Let it shake.',
      }),
      by('comb', { 'also damp': 'Combed damp, so that knots show before they dry in.' }),
      'Low heat, ears covered; checked place by place: face, ears, armpits, belly, paws, rear, folds.',
    ],
    never: [
      'Never rub: rubbing makes mats.',
      'No high-velocity air at face or ears.',
      'Never heated air on a caged dog, never a muzzle under a dryer.',
    ],
    stops: [
      'Flat-faced and thick-coated dogs: cool air, watched. Overheating: cool water and moving air at once, ring the vet.',
    ],
    enough: 'Dry to the skin in all seven places.',
  }),
];
