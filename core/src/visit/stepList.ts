import { SIDES, namePlace, placeKey } from '../places';
import { COMMON_PRACTICE, HOUSE_VALUE } from '../provenance';
import { restraintOf } from '../careplan';
import { MAY_SPREAD } from '../findings';
import { leaveOut, placesWith, taskBar } from './bars';
import * as bath from './bathSteps';
import { bySize } from './bySize';
import { inHouseOrder } from './houseOrder';
import { endsVisit } from './lookOver';
import { practice, says, step } from './makeStep';
import { earCleaning, earHairSteps, eyeStep, foldSteps, secondPass } from './placeSteps';
import { LEFT_OUT, STAGE_MINUTES, type Stage, type Step } from './steps';
import { lineAt, lineOf, type VisitPlan } from './visitPlan';

/** After suspected contagion [house value]. */
const LONG_CLEAN_DOWN_MINUTES = 15;

/**
 * The steps of a visit in working order, for this house, dog and look-over. Barred steps stay in the list, barred,
 * with the reason and what to do instead; plugs out, rinse and dry are never taken away.
 */
export function stepList(visit: VisitPlan): Step[] {
  const leftOut = LEFT_OUT[visit.kind];
  const stages = inHouseOrder(visit.facts.ways).filter((stage) => !leftOut.includes(stage));
  const steps = stages.flatMap((stage) => STEPS_OF[stage](visit));
  const ids = new Set(steps.map((each) => each.id));
  const linked = steps.map((each) => ({
    ...each,
    after: each.after.filter((id) => ids.has(id)),
    during: each.during.filter((id) => ids.has(id)),
    minutes: each.minutes * bySize(each.stage, visit.facts.weight) * (visit.minutesFactor?.[each.stage] ?? 1),
  }));
  const ending = endsVisit(visit.judged);
  return ending === null ? linked : linked.map((each) => endEarly(each, ending));
}

const STEPS_OF: Readonly<Record<Stage, (visit: VisitPlan) => readonly Step[]>> = {
  prepare: ({ facts }) => [
    step('prepare', {
      title: 'Make ready',
      how: [
        ...restraintOf(facts).filter(({ caution, source }) => caution || source.kind === "this dog's record"),
        ...practice(
          'Room warm, surface non-slip, towels within reach.',
          'Product measured, warm water late. Treats out.',
        ),
      ],
    }),
  ],
  handover: () => [
    step('handover', {
      title: 'Ask the owner',
      how: practice('Scratching, head shaking, smell, eye discharge, lameness? New medicine? Last meal?'),
      after: ['prepare'],
    }),
  ],
  'look-over': () => [
    step('look-over', {
      title: 'Look and smell before anything wet',
      how: practice(
        'Lift both flaps. Touch each place as clear or tap what you see.',
        'Nothing counts as clear by silence.',
      ),
    }),
  ],
  decide: () => [
    step('decide', {
      title: 'Decide',
      how: practice('Go on, change the plan, leave a part alone, ring the owner, or stop and send to a vet.'),
      after: ['look-over'],
    }),
  ],
  'first clip': (visit) => [
    step('first clip', {
      title: 'Face, feet and rear',
      how: [
        ...practice('Feet round, hair level with the pads, rear kept clear. Leave alone what a stop names.'),
        ...says(lineOf(visit, 'pads')),
        ...says(lineOf(visit, 'rear')),
        ...says(lineAt(visit, { site: 'ear', side: 'left' }, 'ear flaps')),
        ...says(lineAt(visit, { site: 'eye', side: 'left' }, 'eye corners')),
        ...leaveOut(visit),
      ],
      after: ['look-over'],
    }),
  ],
  'ears, first pass': (visit) => SIDES.flatMap((side) => [...earHairSteps(visit, side), earCleaning(visit, side)]),
  'eyes, on the table': (visit) => SIDES.map((side) => eyeStep(visit, side)),
  nails: (visit) => [
    step('nails', {
      title: 'Nails and dewclaws',
      how: [...practice('Dewclaws too; file the edges. On dark nails tips only.'), ...says(lineOf(visit, 'nails'))],
      barred: taskBar(visit, 'nails'),
    }),
  ],
  'brush-out': (visit) => [
    ...placesWith(visit, ['mat']).map((place) =>
      step('brush-out', {
        id: `mat ${placeKey(place)}`,
        title: `Mat, ${namePlace(place)}: brush out or shave`,
        how: practice(
          'The owner’s word first. Never scissors under a mat, never water on it.',
          'Look at the skin beneath and write down what is there.',
        ),
        place,
        minutes: 5,
        after: ['look-over'],
      }),
    ),
    step('brush-out', {
      title: 'Brush out',
      how: [
        ...practice('Undercoat out, tangles opened. No water on mats.'),
        ...says(lineOf(visit, 'brush-out')),
        ...leaveOut(visit),
      ],
      barred: taskBar(visit, 'brush-out'),
    }),
  ],
  wet: (visit) => [bath.wet(visit)],
  plugs: bath.plugsIn,
  'wash 1': (visit) => [bath.wash1(visit)],
  contact: bath.contact1,
  face: bath.face,
  'rinse 1': bath.rinse1,
  'wash 2': bath.wash2,
  'contact 2': bath.contact2,
  'last rinse': (visit) => [bath.lastRinse(visit)],
  conditioner: bath.conditionerSteps,
  'plugs out': bath.plugsOut,
  'water off': (visit) => [bath.waterOff(visit)],
  dry: (visit) => [bath.dry(visit)],
  'ears, second pass': (visit) => SIDES.map((side) => secondPass(visit, side)),
  folds: foldSteps,
  'comb and tidy': (visit) => [
    step('comb and tidy', {
      title: 'Comb and tidy',
      how: [...practice('Looser comb against the hair, finer one to finish. Face checked again.'), ...leaveOut(visit)],
      after: ['dry'],
    }),
  ],
  teeth: (visit) =>
    visit.facts.ways.teeth === 'at home only'
      ? []
      : [
          step('teeth', {
            title: 'Teeth, if agreed',
            how: [...practice('A paste made to be swallowed, front teeth first.'), ...says(lineOf(visit, 'teeth'))],
            barred: taskBar(visit, 'teeth'),
          }),
        ],
  record: () => [
    step('record', {
      title: 'Record and hand over',
      how: practice('What was used, what was found, treat for the dog.'),
    }),
  ],
  'clean-down': (visit) => {
    const spreads = placesWith(visit, MAY_SPREAD).length > 0;
    return [
      step('clean-down', {
        title: spreads ? 'Clean down, the long way' : 'Clean down',
        how: spreads
          ? practice(
              'Table, tub, dryer, tools and floor: hair off first, then disinfectant for its full time.',
              'This dog’s towels and your apron straight to the hot wash. Gloves off last.',
            )
          : practice('Hair off table, tub and tools, then wiped down. Nozzles wiped.'),
        minutes: spreads ? LONG_CLEAN_DOWN_MINUTES : STAGE_MINUTES['clean-down'],
      }),
    ];
  },
};

/** S3 ends the visit: only what must not be forgotten stays. */
function endEarly(each: Step, because: string): Step {
  if (each.stage === 'record' || each.stage === 'clean-down') return each;
  if (each.kept) {
    const first = { words: 'Before handing over, or tell the vet.', source: HOUSE_VALUE };
    return { ...each, how: [first, ...each.how], barred: null };
  }
  return {
    ...each,
    barred: { stop: 'S3', because, source: COMMON_PRACTICE, instead: 'The visit ends here.', tell: null },
  };
}
