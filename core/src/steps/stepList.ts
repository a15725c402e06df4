import { SIDES, placeKey } from '../places';
import { HOUSE_VALUE } from '../provenance';
import { dogAtWork, restraintOf, type PlanLine } from '../careplan';
import { endings, type BarAt } from '../stops';
import { brushOut, combAndTidy, firstClip, lookOver, mat, nails, teeth, type Piece } from '../work';
import * as bath from './bathSteps';
import * as drying from './dryingSteps';
import { byBody } from './byBody';
import { cleanDownStep } from './cleanDownStep';
import { first } from './hazards';
import { inHouseOrder } from './houseOrder';
import { left, practice, says, step } from './makeStep';
import { earCleaning, earHairSteps, eyeSteps, foldSteps, secondPass } from './placeSteps';
import { title } from './stepTitles';
import { leftOut, partsOf } from './contents';
import type { Stage, Step } from './steps';
import { lineAt, lineOf, type VisitPlan } from './visitPlan';

/**
 * The steps of a visit in working order, for this business, dog and look-over. Barred steps stay in the list, barred,
 * with the reason and what to do instead; a step of which something is left stays open and says what it leaves out.
 * Plugs out, rinse and dry are never taken away.
 */
export function stepList(visit: VisitPlan): Step[] {
  const gone = leftOut(visit);
  const { added = [] } = visit;
  // Water tightens a mat: it is settled before a bath, whether or not a brush-out was booked.
  const isBathed = partsOf(visit).includes('bath');
  const steps = inHouseOrder(visit.facts.ways, visit.found.mats.length > 0).flatMap((stage) => {
    if (!gone.has(stage)) return STEPS_OF[stage](visit);
    const mats = stage === 'brush-out' && isBathed && visit.found.mats.length > 0;
    if (added.length === 0 && !mats) return [];
    return STEPS_OF[stage](visit).filter(({ id }) => added.includes(id) || (mats && id.startsWith('mat ')));
  });
  const ids = new Set(steps.map((each) => each.id));
  const linked = steps.map((each) => ({
    ...each,
    after: each.after.filter(({ step: id }) => ids.has(id)),
    during: each.during.filter((id) => ids.has(id)),
    minutes: each.minutes * byBody(each.stage, visit.facts) * (visit.minutesFactor?.[each.stage] ?? 1),
  }));
  const ending = endings(visit.bars);
  return ending.length === 0 ? linked : linked.map((each) => endEarly(each, ending));
}

/** Pieces of the first clip that this dog's plan asks for; the face with them, where hair grows on it. */
function clipped(visit: VisitPlan): Piece[] {
  const asks = (task: PlanLine['task']) =>
    visit.plan.lines.some((line) => line.task === task && (line.interval !== null || line.bars.length > 0));
  const pieces = firstClip().filter(({ task }) => task !== null && asks(task));
  return asks('pads') ? [...firstClip().filter(({ task }) => task === null), ...pieces] : pieces;
}

const STEPS_OF: Readonly<Record<Stage, (visit: VisitPlan) => readonly Step[]>> = {
  prepare: ({ facts }) => [
    step('prepare', {
      title: title('prepare'),
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
      title: title('handover'),
      how: practice('Scratching, head shaking, smell, eye discharge, lameness? New medicine? Last meal?'),
    }),
  ],
  'look-over': (visit) => [
    step('look-over', {
      title: title('look-over'),
      how: practice(
        'Lift both flaps. Touch each place as clear or tap what you see.',
        'A place that nobody touched does not count as clear.',
      ),
      ...left(visit, lookOver(dogAtWork(visit.facts))),
    }),
  ],
  decide: () => [
    step('decide', {
      title: title('decide'),
      how: practice('Go on, change the plan, leave a part alone, ring the owner, or stop and send to a vet.'),
      after: first('seen first', 'look-over'),
    }),
  ],
  'first clip': (visit) => {
    const pieces = clipped(visit);
    if (pieces.length === 0) return [];
    const told = new Set(pieces.map(({ task }) => task));
    const of = (line: PlanLine | undefined) => (line && told.has(line.task) ? says(line) : []);
    return [
      step('first clip', {
        title: title('first clip'),
        how: [
          ...practice('Feet round, hair level with the pads, rear kept clear.'),
          ...of(lineOf(visit, 'pads')),
          ...of(lineOf(visit, 'rear')),
          ...of(lineAt(visit, { site: 'ear', side: 'left' }, 'ear flaps')),
          ...of(lineAt(visit, { site: 'eye', side: 'left' }, 'eye corners')),
        ],
        after: first('seen first', 'look-over'),
        ...left(visit, pieces),
      }),
    ];
  },
  'ears, first pass': (visit) => SIDES.flatMap((side) => [...earHairSteps(visit, side), earCleaning(visit, side)]),
  'eyes, on the table': (visit) => SIDES.flatMap((side) => eyeSteps(visit, side)),
  nails: (visit) => [
    step('nails', {
      title: title('nails'),
      how: [...practice('Dewclaws too; file the edges. On dark nails tips only.'), ...says(lineOf(visit, 'nails'))],
      after: first('seen first', 'look-over'),
      ...left(visit, nails()),
    }),
  ],
  'brush-out': (visit) => [
    ...visit.found.mats.map(({ place, toTheSkin }) =>
      step('brush-out', {
        id: `mat ${placeKey(place)}`,
        title: title(toTheSkin ? 'mat shave' : 'mat', place),
        how: practice(
          'The owner’s word first. Never scissors under a mat, never water on it.',
          'Look at the skin beneath and write down what is there.',
        ),
        place,
        minutes: 5,
        after: first('seen first', 'look-over'),
        ...left(visit, mat(place, toTheSkin)),
      }),
    ),
    step('brush-out', {
      title: title('brush-out'),
      how: [...practice('Undercoat out, tangles opened. No water on mats.'), ...says(lineOf(visit, 'brush-out'))],
      after: first('seen first', 'look-over'),
      ...left(visit, brushOut()),
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
  'water off': (visit) => [drying.waterOff(visit)],
  dry: (visit) => [drying.dry(visit)],
  'ears, second pass': (visit) => SIDES.map((side) => secondPass(visit, side)),
  folds: foldSteps,
  'comb and tidy': (visit) => [
    step('comb and tidy', {
      title: title('comb and tidy'),
      how: practice('Looser comb against the hair, finer one to finish. Feet round, ear edges. Face checked again.'),
      after: first('seen first', 'look-over'),
      ...left(visit, combAndTidy()),
    }),
  ],
  teeth: (visit) =>
    visit.facts.ways.teeth === 'at home only'
      ? []
      : [
          step('teeth', {
            title: title('teeth'),
            how: [...practice('A paste made to be swallowed, front teeth first.'), ...says(lineOf(visit, 'teeth'))],
            after: first('seen first', 'look-over'),
            ...left(visit, teeth(dogAtWork(visit.facts))),
          }),
        ],
  record: () => [
    step('record', {
      title: title('record'),
      how: practice('What was used, what was found, treat for the dog.'),
    }),
  ],
  'clean-down': (visit) => [cleanDownStep(visit)],
};

/** S3 ends the visit: only what must not be forgotten stays. */
function endEarly(each: Step, ending: readonly BarAt[]): Step {
  if (each.stage === 'record' || each.stage === 'clean-down') return each;
  if (each.neverBarred) {
    const before = { words: 'Before handing over, or tell the vet.', source: HOUSE_VALUE };
    return { ...each, how: [before, ...each.how], barred: null };
  }
  return {
    ...each,
    pieces: [],
    leavesOut: [],
    barred: { bars: ending, instead: { words: 'The visit ends here.', does: [] } },
  };
}
