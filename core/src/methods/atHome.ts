import type { HomeHow } from '../rules';
import type { Drawing } from './card';

/**
 * What an owner is told beside a piece of home care: never, and when to stop. By id; owners read it in their language.
 * Nothing here asks for a blade, a clipper or a tweezer, and nothing goes into an ear or near an eye but a damp pad.
 * Common practice, no source.
 */
export const AT_HOME_LINES = {
  'nothing goes in': 'Nothing goes into the ear: no bud, no liquid, no finger deeper than you can see.',
  'never reach in': 'Never reach in after something that is stuck: ring a vet.',
  'no water on mats': 'No water on a mat: it tightens.',
  'no scissors at mats': 'Never scissors under a mat: the skin is drawn up into it.',
  'never pick dry': 'Never pick dry crust: soften it with plain water first.',
  'no soap at the eye': 'No soap, shampoo or stain remover near an eye.',
  'nothing greasy on red': 'Nothing greasy on red skin.',
  'balm or nothing': 'Only what may be licked off: no zinc, tea tree or xylitol.',
  'no stain remover': 'No stain remover in a fold.',
  'no human paste': 'Never toothpaste for people.',
  'never pull': 'Never pull at dry dirt: soften it with warm water.',
  'no bath on sore skin': 'No bath on sore, wet or broken skin, over stitches, or when your dog is ill.',
  'no bath near spot-on': 'No bath in the two days before or after flea drops on the neck: they wash off.',
  'no people shampoo': 'No shampoo for people, and no stronger mix than this.',
  'no water in ears': 'No water into the ears, no shampoo near the eyes.',
  'never keep a mix': 'Never keep a mix for the next time: it spoils.',
  'stop: bath': 'Red skin, bumps or itching: rinse at once and ring us.',
  'stop: cold or faint': 'Shaking with cold, weak, or breathing hard: stop, rinse, dry, and ring a vet.',
  'leave the nails': 'Leave the nails as they are: we do them.',
  'stop: ear': 'A smell, redness, a coloured discharge, heat or pain: leave that ear alone and ring us.',
  'stop: head tilt': 'A tilted head or lost balance: a vet today.',
  'stop: eye': 'Squinting, pawing at the eye, blood or a new haze: do nothing there, a vet today.',
  'stop: fold': 'It flinches, the skin is raw or it bleeds: leave that fold alone and ring us.',
  'stop: skin': 'Sore, wet or broken skin: stop and ring us.',
  'stop: mouth': 'A broken tooth or a sore mouth: stop, and let a vet look.',
  'stop: nail': 'A nail that bleeds on, or has grown into the skin: a vet.',
} as const;
export type AtHomeLine = keyof typeof AT_HOME_LINES;
export const ALL_AT_HOME_LINES = Object.keys(AT_HOME_LINES) as readonly AtHomeLine[];

/** How a piece of home care is shown to an owner. */
export interface HomeCard {
  /** Shown without its words, which are a groomer's. Null: no picture that an owner should see. */
  readonly drawing: Drawing | null;
  readonly never: readonly AtHomeLine[];
  readonly stops: readonly AtHomeLine[];
}

const EAR: HomeCard = {
  drawing: 'ear look',
  never: ['nothing goes in'],
  stops: ['stop: ear', 'stop: head tilt'],
};
const EYE: HomeCard = {
  drawing: 'eye corner',
  never: ['never pick dry', 'no soap at the eye'],
  stops: ['stop: eye'],
};
const FOLD: HomeCard = {
  drawing: 'fold section',
  never: ['nothing greasy on red', 'no stain remover', 'balm or nothing'],
  stops: ['stop: fold'],
};
const COAT: HomeCard = {
  drawing: 'mat',
  never: ['no water on mats', 'no scissors at mats'],
  stops: ['stop: skin'],
};

export const HOME_CARDS: Readonly<Record<HomeHow, HomeCard>> = {
  'brush to the skin': COAT,
  'undercoat in the moult': { ...COAT, drawing: null },
  'comb what is matted': COAT,
  'brush the teeth': { drawing: 'teeth', never: ['no human paste'], stops: ['stop: mouth'] },
  'look into the ears': EAR,
  'look for seeds': { ...EAR, never: ['never reach in'] },
  'dry after a swim': EAR,
  'wipe below the eye': EYE,
  'clean a wet face': EYE,
  'wipe after walks': EYE,
  'comb the eye corner': EYE,
  'wipe a light fold': FOLD,
  'wipe a deep fold': FOLD,
  'balm on the nose': { drawing: null, never: ['nothing greasy on red', 'balm or nothing'], stops: ['stop: skin'] },
  'wipe the outer ear': EAR,
  'listen for nails': { drawing: null, never: ['leave the nails'], stops: ['stop: nail'] },
  'look under the tail': { drawing: null, never: ['never pull'], stops: ['stop: skin'] },
  'bath at home': {
    drawing: 'bath path',
    never: [
      'no bath on sore skin',
      'no bath near spot-on',
      'no water on mats',
      'no water in ears',
      'no people shampoo',
      'never keep a mix',
    ],
    stops: ['stop: bath', 'stop: cold or faint'],
  },
};
