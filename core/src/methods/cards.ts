import type { Task } from '../tasks';
import { by, cited, house, methodCard, type MethodSource } from './card';

/** One card for each piece of work, in the order of a visit. Handbook: order of work, ears, nails, bath, eyes, folds, coat. */
export const METHOD_CARDS: readonly MethodSource[] = [
  methodCard('look-into-ears', 'Look into the ears', {
    tasks: ['ear inspection'],
    drawings: ['ear look'],
    needs: ['a good light', 'your nose'],
    steps: [
      'Before anything wet. Lift the flap up and away from the head: that straightens the first bend.',
      'Look, then smell. Dry, pale pink, smooth, no smell is clear; a little pale-brown wax is ordinary.',
      'Pigment stripes are not dirt. Left and right are judged apart.',
    ],
    never: ['Nothing goes in to see better.'],
    stops: [
      'Smell, redness, coloured discharge, pain, heat or swelling: nothing goes into that ear.',
      'Head tilt or lost balance: the visit ends, a vet today.',
    ],
    enough: 'Both ears were seen and smelled.',
  }),
  methodCard('clean-ears', 'Clean an ear', {
    tasks: ['ear cleaning'],
    drawings: ['ear section', 'ear swab'],
    needs: [
      'cleaner made for dogs, warmed in the hand',
      'fresh cotton or gauze for each ear',
      'gloves',
      'a place where a shaken-out ear may spatter',
    ],
    steps: [
      by('earOrder', {
        'dry first': 'Flap up. Loose dry debris off first.',
        'liquid first': 'Flap up. Nothing dry is rubbed: cleaner comes first.',
      }),
      by('earCleaning', {
        fill: 'Fill until it just begins to spill.',
        'few drops': 'A few drops down the flap, then the flap closed.',
        'soaked cotton': 'A well-soaked piece of cotton at the opening, flap down, pressed and moved, taken out.',
        'damp pad only': 'Nothing is poured: a damp pad over the finger.',
      }),
      ({ earCleaning, massage }) =>
        earCleaning === 'damp pad only'
          ? null
          : `Massage the base, just below eye level, in circles working upwards, for ${massage === '60 s' ? 'a minute' : '20–30 seconds'}. A squelch is normal.`,
      by('afterMassage', {
        'shake then wipe': 'Let it shake, then wipe.',
        'wipe then shake': 'Wipe, then let it shake.',
      }),
      'Wipe outside inwards, light pressure, only as deep as the eye sees. A fresh pad each time until one comes out clean: count the dirty ones.',
      house('Wipe the nozzle with disinfectant between ears, between dogs, and whenever it touched skin.'),
    ],
    never: [
      house('No cotton bud beyond the outer flap that can be seen: a dog jerks, the drum tears, wax is pushed deeper.'),
      house(
        by('alcohol', {
          avoided: 'No spirit: it stings.',
          used: 'Spirit never dripping, never on red or broken skin: it stings.',
        }),
      ),
      by('nozzle', {
        'never touching': 'The nozzle never touches the ear.',
        'just inside': 'The nozzle at or just inside the opening, never deep.',
      }),
    ],
    stops: [
      'Yellow, white or green, black or blood on a pad: no more liquid, no second pass.',
      'It whines or scratches at that ear: stop there, tell the owner. It cries, tilts or sways: a vet today.',
    ],
    enough: 'The last pad came out clean. Over-cleaning dries the skin.',
  }),
  methodCard('ear-hair', 'Hair in the ear', {
    tasks: ['ear hair', 'ear flaps'],
    drawings: ['ear hair'],
    needs: [
      ({ pluckWith }) => (pluckWith.startsWith('forceps') ? 'blunt forceps' : 'dry fingers'),
      ({ pluckWith }) => (pluckWith.endsWith('powder') ? 'ear powder for grip, sparingly' : null),
      'a lickable treat',
    ],
    steps: [
      'Part the hair and see the opening: many dogs have no hair inside and must not be plucked.',
      'Small tufts, the skin held still. In stages where it is new or long ago.',
      ({ pluckWith }) => (pluckWith.endsWith('powder') ? 'Powder is wiped out afterwards.' : null),
      'On the flap: heavy hair clipped short lets air in.',
    ],
    never: [
      'Never a red, sore, wet or smelly ear.',
      'Never where hair grows only on the flap.',
      'Never without the owner’s word.',
    ],
    stops: ['Redness that stays past two hours, or it bears it badly: stop, trim what sticks out, note it.'],
    enough: 'Air and cleaner get in.',
  }),
  methodCard('eyes', 'Eyes and face', {
    tasks: ['eyes and face', 'eye corners', 'tear stains', 'eye check'],
    drawings: ['eye corner'],
    needs: ['plain cool water', 'soft damp cloths, one an eye', 'a fine comb'],
    steps: [
      by('eyeCrust', {
        'on the table': 'On the table, before any soap: hold a damp cloth on the crust and let it soften.',
        'in the tub':
          'In the tub, with plain water: let the crust soften. What is fixed to the lid, on the table before any soap.',
        'clip the loose piece':
          'On the table, before any soap: hold a damp cloth on the crust. A loose piece is clipped off, scissors pointing away.',
      }),
      'Comb it away from the eye when soft. Fingers last.',
      'Dry the hair: wet hair stains, and what stays wet begins to smell.',
      by('eyeCorner', {
        'leave and clean': 'Hair in the corner is left, and kept clean.',
        clip: 'Below the inner corner hair is clipped, lightly, with a fine blade held off the skin, then scissors pointing away.',
      }),
    ],
    never: [
      'Never pick crust dry.',
      'No clipper at the lid margin.',
      'No soap, spirit or caustic stain remover near an eye.',
    ],
    stops: [
      'Squinting, pawing, a new haze, blood or new redness of the white: nothing there, a vet today.',
      'An eye that bulges out: keep it moist with plain saline, no pressure, neck free, leave now.',
    ],
    enough: 'The hair is clean, combed away and dry.',
  }),
  methodCard('nails', 'Nails and dewclaws', {
    tasks: ['nails'],
    drawings: ['nail and quick', 'dewclaw'],
    needs: ['sharp clippers', 'a file', 'styptic powder, open'],
    steps: [
      'Pale nails show the quick: cut below it. Dark nails: tips only, until a dark spot shows in the cut.',
      'Dewclaws wear never and curl into the flesh: never forgotten.',
      'File the edges, so that nobody is scratched.',
      by('nails', {
        'before the bath': 'Before the bath, so that a nick can be stopped, hold, and be washed clean.',
        'after the bath': 'After the bath: soaked nails cut softer.',
      }),
    ],
    never: ['Never water on a fresh clot.', 'Never a paw pulled out sideways.'],
    stops: [
      'Bleeding that goes on past fifteen minutes: a vet today.',
      'A dewclaw grown into the flesh, a nail broken into the quick: a vet.',
    ],
    enough: 'No click on a hard floor, and all of them were done, dewclaws too.',
  }),
  methodCard('brush-out', 'Brush out, and mats', {
    tasks: ['brush-out', 'mats'],
    drawings: ['mat'],
    needs: ['a rubber tool for undercoat', 'a comb', 'a splitter', 'the owner’s word, before anything is shaved'],
    steps: [
      'Undercoat out along the lie of the hair.',
      'Small loose mats: hold the hair at the skin, open from the tip inwards.',
      'Matted to the skin: shaved, after the owner said so; the skin beneath is recorded.',
      'Long-matted ears can swell with blood when freed: say so before, look again after an hour.',
    ],
    never: ['No water on a mat: it tightens.', 'Never scissors under a mat.'],
    stops: ['Sore, wet or broken skin beneath: nothing there, a vet.'],
    enough: 'A comb goes through to the skin.',
  }),
  methodCard('pads-and-feet', 'Feet and pads', {
    tasks: ['pads'],
    drawings: ['pads'],
    needs: ['a small blade', 'blunt scissors'],
    steps: [
      'Hair level with the pads.',
      'Look between every toe: redness, seeds, small stones.',
      'Feet round, no hair pulled.',
    ],
    never: ['No blade between sore toes.'],
    stops: ['Broken skin between toes, a bleeding pad: a vet.'],
    enough: 'Pads touch the ground, hair does not.',
  }),
  methodCard('rear', 'The rear kept clear', {
    tasks: ['rear'],
    drawings: ['rear'],
    needs: ['a blunt blade', 'a comb', 'warm water for what is stuck'],
    steps: [
      'Tail lifted, looked at first.',
      'Hair short around, soiling combed out once wet.',
      'Strong, close rinse under the tail.',
    ],
    never: ['No pulling at dry soiling.', 'Glands are not pressed.'],
    stops: ['A swelling beside the anus: nothing there, a vet. Open or painful: within a day or two.'],
    enough: 'Clear, dry, and nothing sticks out.',
  }),
  methodCard('wet-and-wash', 'Wet, wash, rinse', {
    tasks: ['bath', 'second wash', 'conditioner'],
    drawings: ['wetting path', 'contact'],
    needs: ['product measured, warm water late', 'water tried on one’s own wrist', 'a non-slip floor in the tub'],
    steps: [
      house('Lukewarm, 35–38 °C, running, never a standing tub; cooler for a flat face.'),
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
      ({ faceProduct }) => (faceProduct === 'pads only' ? 'a dry cloth' : 'a narrow-spout bottle or a sponge'),
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
  methodCard('folds', 'Folds and nose', {
    tasks: ['fold care', 'nose balm'],
    drawings: ['fold section'],
    needs: [
      by('foldWipe', {
        cloth: 'a soft cloth in warm water',
        'pet wipe': 'dog wipes',
        'plain wipe': 'plain unscented wipes',
      }),
      'a soft dry cloth',
      by('foldProtect', { balm: 'a lick-safe barrier balm', powder: 'powder' }),
    ],
    steps: [
      'Lift the fold; wipe against the lie of the hair, again until it comes out clean.',
      'Product wiped off after. Dry with a soft cloth, gently.',
      by('foldProtect', {
        balm: 'A thin barrier balm, on dry skin that is not red.',
        powder: 'Powder, sparingly, away from eye and nostril.',
      }),
      'The nose pad: balm if dry and scaly, warmed on the fingertip.',
      'Sides apart: one is often the worse.',
    ],
    never: [
      'Nothing greasy on red skin.',
      'Lick-safe only: no zinc, tea-tree, xylitol.',
      'No stain remover in a fold without a vet.',
    ],
    stops: [
      'Flinching, swelling or coloured discharge: nothing in, a vet.',
      'Raw, bleeding or painful: nothing there, a vet within a day or two.',
    ],
    enough: 'Clean, and dry to the floor of the fold.',
  }),
  methodCard('teeth', 'Teeth', {
    tasks: ['teeth'],
    drawings: ['teeth'],
    needs: [
      by('teeth', {
        gel: 'a gel made to be swallowed',
        brush: 'a paste made to be swallowed',
        'at home only': 'a paste made to be swallowed',
      }),
      by('teeth', { brush: 'a soft brush or a finger brush', 'at home only': 'a soft brush or a finger brush' }),
    ],
    steps: [
      by('teeth', {
        brush: 'If agreed. A taste first.',
        gel: 'If agreed. A taste first.',
        'at home only': 'At home only: shown to the owner. A taste first.',
      }),
      by('teeth', {
        brush: 'Lip lifted, front teeth first, outer sides, small circles.',
        'at home only': 'Lip lifted, front teeth first, outer sides, small circles.',
        gel: 'Lip lifted, a little along the gum, front teeth first.',
      }),
      'Seconds at first, more another day.',
    ],
    never: ['Never human paste.', house('No chewing on big raw bones: broken teeth, germs.')],
    stops: ['A broken tooth, a sore mouth: nothing there, a vet.'],
    enough: 'It ends while the dog still likes the paste.',
  }),
];

const BY_ID = new Map(METHOD_CARDS.map((card) => [card.id, card]));
const BY_TASK = new Map(METHOD_CARDS.flatMap((card) => card.tasks.map((task): [Task, MethodSource] => [task, card])));

export const findMethod = (id: string): MethodSource | undefined => BY_ID.get(id);

/** The card of a task. Throws `RangeError` for a task without one: a test keeps every task covered. */
export function methodOf(task: Task): MethodSource {
  const card = BY_TASK.get(task);
  if (!card) throw new RangeError(`No method card for "${task}".`);
  return card;
}
