import { by, houseLine, methodCard, wherePoured, type MethodSource } from './card';

/** Looking, and what is done before the bath. docs/trade.md: order of work, ears, eyes, nails, coat. */
export const ON_THE_TABLE: readonly MethodSource[] = [
  methodCard('look-into-ears', 'Look into the ears', {
    tasks: ['ear inspection'],
    drawings: ['ear look'],
    needs: ['a good light', 'your nose'],
    steps: [
      'Before anything wet. Lift the flap up and away from the head: that straightens the first bend.',
      'Look first, then smell. Clear is dry, pale pink and smooth, without smell. A little light-brown wax is usual.',
      'Dark stripes in the skin are its colour, not dirt. Judge left and right apart.',
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
      ({ earCleaning }) => (earCleaning === 'wipe' ? null : 'cleaner made for dogs, warmed in the hand'),
      'fresh cotton or gauze for each ear',
      'gloves',
      wherePoured(() => 'a place where a shaken-out ear may spatter'),
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
        wipe: 'Nothing is poured: a dry pad over the finger.',
      }),
      wherePoured(
        ({ massage }) =>
          `Massage the base of the ear in upward circles, below the level of the eye, for ${massage === '60 s' ? 'a minute' : '20–30 seconds'}. You may hear the liquid move.`,
      ),
      wherePoured(
        by('afterMassage', {
          'shake then wipe': 'Let it shake, then wipe.',
          'wipe then shake': 'Wipe, then let it shake.',
        }),
      ),
      'A greasy flap: a pad of its own, nothing of it inwards; what that leaves is washed off in the bath.',
      'Wipe outside inwards, light pressure, only as deep as the eye sees. A fresh pad each time until one comes out clean: count the dirty ones.',
      houseLine(
        wherePoured(
          () => 'Wipe the nozzle with disinfectant between ears, between dogs, and whenever it touched skin.',
        ),
      ),
    ],
    never: [
      houseLine(
        'No cotton bud beyond the outer flap that can be seen: a dog jerks, the drum tears, wax is pushed deeper.',
      ),
      houseLine(
        by('alcohol', {
          avoided: 'No alcohol: it stings.',
          used: 'Alcohol never dripping, never on red or broken skin: it stings.',
        }),
      ),
      wherePoured(
        by('nozzle', {
          'never touching': 'The nozzle never touches the ear.',
          'just inside': 'The nozzle at or just inside the opening, never deep.',
        }),
      ),
    ],
    stops: [
      'Yellow, white or green, black or blood on a pad: no more liquid, no second pass.',
      'If it whines or scratches at that ear, stop there and tell the owner. If it cries, tilts its head or loses its balance: a vet today.',
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
    tasks: ['eyes and face', 'eye corners', 'tear stains', 'eye check', 'heart check', 'lump check'],
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
      'No soap, alcohol or caustic stain remover near an eye.',
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
      'Dewclaws never wear down and can curl into the flesh: do not forget them.',
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
];
