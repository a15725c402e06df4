import type { Minded } from '../handling';
import { COMMON_PRACTICE, DOGS_RECORD, HOUSE_VALUE } from '../provenance';
import { monthOf } from '../units';
import { all, fact, not, trait } from './conditions';
import type { RuleCondition, Rule } from './rule';
import type { Task } from '../tasks';
import { beforeWater, caution, days, home, method, rowsOf } from './row';

const mindsIt = (what: Minded): RuleCondition => fact(`minds ${what}`, ({ handling }) => handling.minds.includes(what));

/** What a groomer does where a dog minds it, at the work it concerns. Common practice, no source. */
const MINDED: readonly (readonly [what: Minded, tasks: readonly Task[], does: string])[] = [
  [
    'ears',
    ['ear cleaning', 'ear hair', 'ear flaps'],
    'Minds its ears: warm the bottle, few words, a lickable treat; stop before it has had enough.',
  ],
  [
    'eyes and face',
    ['eyes and face', 'eye corners', 'face wash', 'fold care'],
    'Minds its face: fingers last, from behind, short.',
  ],
  ['mouth', ['teeth'], 'Minds its mouth: lip lifted, front teeth only, seconds at first.'],
  ['front feet', ['nails', 'pads'], 'Minds its front feet: hind feet first, paw held low and close to the body.'],
  ['hind feet', ['nails', 'pads'], 'Minds its hind feet: front feet first, leg bent back, never pulled out.'],
  ['nail clippers', ['nails'], 'Minds the clippers: a file, one nail and a treat, or every other nail today.'],
  ['belly', ['bath'], 'Minds its belly: hand flat first, low pressure, last.'],
  ['rear and tail', ['rear'], 'Minds its rear: a helper at the head, short.'],
  ['being brushed', ['brush-out', 'mats'], 'Minds the brush: small parts, skin held, breaks.'],
  ['water on the head', ['bath', 'face wash'], 'Minds water on its head: neck down, head by damp cloth.'],
  ['the dryer', ['drying'], 'Minds the dryer: towels longer, low and from behind, ears covered.'],
  ['standing still', ['brush-out', 'drying'], 'Minds standing: breaks, or lying down.'],
];

const note = (task: Task) => rowsOf(task, 'default', DOGS_RECORD);
const dryer = rowsOf('drying', 'default', DOGS_RECORD);

/** How this dog lives, and what its body bears. */
const LIFE: readonly Rule[] = [
  rowsOf('eyes and face', 'default', COMMON_PRACTICE)(
    'hay-fever weeks',
    fact('its hay-fever months', ({ today, hayFeverMonths }) => hayFeverMonths.includes(monthOf(today))),
    'pollen sticks to face and paws',
    caution('Hay-fever weeks: face and paws wiped with plain water, dried.'),
    home(1, 5, 'wipe after walks'),
  ),
  rowsOf('bath', 'circumstance', HOUSE_VALUE)(
    'dirty work',
    all(
      fact('dirty work', ({ dirtyWork }) => dirtyWork),
      // Bare skin is bathed oftener than that in any case.
      not(trait('coat', 'hairless')),
    ),
    'dirty work',
    days(28, 14, 42),
  ),
  ...(['bath', 'nails', 'drying'] as const).map((task) =>
    note(task)(
      'stiff joints',
      fact('stiff joints', ({ stiffJoints }) => stiffJoints),
      'it hurts to be bent or to stand long',
      (task === 'bath' ? beforeWater : caution)(
        'Stiff joints: lifted in and out, a mat under it, legs bent little and never sideways, short stands.',
      ),
    ),
  ),
  ...(['bath', 'drying'] as const).map((task) =>
    note(task)(
      'tight breathing',
      fact('tight breathing', ({ tightBreathing }) => tightBreathing),
      'it needs all its breath',
      (task === 'bath' ? beforeWater : caution)('Breathes tightly: not warm, breaks; stop when it does not settle.'),
    ),
  ),
];

/** What happened to this dog before. */
const HISTORY: readonly Rule[] = [
  note('nails')(
    'bled before',
    fact('a nail bled before', ({ nailBled }) => nailBled),
    'it happened to this dog',
    caution('A nail bled before: tips only, styptic open, let a clot hold.'),
  ),
  note('eyes and face')(
    'known haze',
    fact('a haze a vet knows', ({ hazeKnown }) => hazeKnown),
    'a vet has seen it',
    caution('Its haze is known to a vet: a new one, or a change, is not.'),
  ),
  {
    id: 'bath: reacted before',
    task: 'bath',
    rank: 'default',
    when: fact('reacted to a product', ({ reactions }) => reactions !== ''),
    then: ({ reactions }) => [beforeWater(`Reacted before: ${reactions}. Read the label against it.`)],
    because: 'it happened to this dog',
    source: DOGS_RECORD,
  },
];

/** What is noted of this dog, its handling and its history, at the work it concerns. */
export const HANDLING_RULES: readonly Rule[] = [
  ...LIFE,
  ...HISTORY,
  ...MINDED.flatMap(([what, tasks, does]) =>
    tasks.map((task) => note(task)(`minds ${what}`, mindsIt(what), 'noted for this dog', caution(does))),
  ),
  dryer(
    'low and far',
    fact('dryer low and from afar', ({ handling }) => handling.dryer === 'low and from afar'),
    'noted for this dog',
    method('Dryer low and from afar, never at the head.'),
  ),
  dryer(
    'towels only',
    fact('towels only', ({ handling }) => handling.dryer === 'towels only'),
    'noted for this dog',
    method('Towels and still, warm air only: no dryer.'),
  ),
  rowsOf('drying', 'safety', COMMON_PRACTICE)(
    'no muzzle under a dryer',
    fact('wears a muzzle', ({ handling }) => handling.muzzle !== 'no muzzle'),
    'a muzzled dog cannot pant',
    caution('Muzzle off before the dryer.'),
  ),
];
