import type { CarePlan, HouseWays, PlanLine } from '../careplan';
import { schoolWords } from '../careplan';
import type { Traits } from '../catalogue';
import { keepsWaterBelowNeck, stopFor, stopsAtLeast, type Procedure, type Stop, type Triage } from '../findings';
import { SIDES, namePlace, placeKey, type Place, type PlaceKey, type Side } from '../places';
import { LEFT_OUT, STAGE_MINUTES, STAGES, type Dwell, type Stage, type Step, type VisitKind } from './steps';

/** Everything the steps of one visit depend on. */
export interface VisitPlan {
  readonly kind: VisitKind;
  readonly plan: CarePlan;
  readonly ways: HouseWays;
  readonly traits: Traits;
  readonly underTreatment: boolean;
  /** Contact minutes of the wash that is timed, 0 when none is. */
  readonly contactMinutes: number;
  /** The look-over so far, by place; a place not judged yet bars nothing. */
  readonly triage: Readonly<Partial<Record<PlaceKey, Triage>>>;
  /** Findings of the whole body that end the visit. */
  readonly endVisit: string | null;
}

/** How long crust softens under a damp cloth, and cleaner soaks, in seconds [common practice]. */
const SOFTEN_SECONDS = 180;
const CONDITIONER_SECONDS = 300;
/** A dog rests in its towel before the dryer; another dog can use the hands [house value]. */
const TOWEL_REST_SECONDS = 600;

/** Coats that need conditioner for combing. */
const LONG_OR_DRY: readonly Traits['coat'][] = ['long double', 'silky drop', 'curly', 'long'];

/**
 * The steps of a visit in working order, for this house, dog and look-over. Barred steps stay in the list, barred,
 * with the reason and what to do instead; plugs out, rinse and dry are never taken away.
 */
export function stepList(visit: VisitPlan): Step[] {
  const leftOut = LEFT_OUT[visit.kind];
  const stages = inHouseOrder(visit).filter((stage) => !leftOut.includes(stage));
  const steps = stages.flatMap((stage) => STEPS_OF[stage](visit));
  const ids = new Set(steps.map((each) => each.id));
  const linked = steps.map((each) => ({ ...each, after: each.after.filter((id) => ids.has(id)) }));
  return visit.endVisit === null ? linked : linked.map((each) => endEarly(each, visit.endVisit ?? ''));
}

/** The trade's order, with the house's alternatives. */
export function inHouseOrder({ ways }: Pick<VisitPlan, 'ways'>): Stage[] {
  const order = (Object.keys(STAGES) as Stage[]).filter((stage) => {
    if (stage === 'plugs') return ways.earPlugs === 'before the head';
    if (stage === 'first clip') return ways.firstClip === 'before the bath';
    return stage !== 'nails' || ways.nails === 'before the bath';
  });
  if (ways.earPlugs !== 'before the head') order.splice(order.indexOf('wet'), 0, 'plugs');
  if (ways.nails === 'after the bath') order.splice(order.indexOf('comb and tidy'), 0, 'nails');
  if (ways.firstClip === 'after drying') order.splice(order.indexOf('comb and tidy'), 0, 'first clip');
  return order;
}

interface StepParts extends Partial<Omit<Step, 'stage'>> {
  readonly title: string;
}

const step = (stage: Stage, parts: StepParts): Step => ({
  id: stage,
  stage,
  how: [],
  place: null,
  counts: null,
  sides: [],
  dwell: null,
  minutes: STAGE_MINUTES[stage],
  barred: null,
  after: [],
  kept: false,
  ...parts,
});

/** What stands in for care that a stop takes away. */
const INSTEAD: Readonly<Record<'ear' | 'eye' | 'fold', string>> = {
  ear: 'Outer flap by damp pad only; no water above the neck on this side.',
  eye: 'Clean around it only, nothing on the eye.',
  fold: 'Leave the fold dry.',
};

function barredBy(visit: VisitPlan, place: Place, procedure: Procedure, floor: Stop): Step['barred'] {
  const area = place.site === 'ear' ? 'ear' : place.site === 'eye' ? 'eye' : 'fold';
  const instead = INSTEAD[area];
  const seen = visit.triage[placeKey(place)];
  const stop = seen ? stopFor(seen, procedure) : 'S0';
  if (seen && stopsAtLeast(stop, floor)) {
    const bar = seen.bars.find((each) => each.stop === stop);
    return { stop, because: bar?.because ?? 'a stop', instead };
  }
  const plan = lineAt(visit, place)?.bars[0];
  return plan ? { stop: 'S1', because: plan.words, instead } : null;
}

const lineAt = ({ plan }: VisitPlan, place: Place): PlanLine | undefined =>
  plan.lines.find(
    (line) =>
      line.place !== null &&
      placeKey(line.place) === placeKey(place) &&
      line.task !== 'ear hair' &&
      line.task !== 'ear inspection',
  );
const lineOf = ({ plan }: VisitPlan, task: PlanLine['task']): PlanLine | undefined =>
  plan.lines.find((line) => line.task === task);
const says = (line: PlanLine | undefined): string[] =>
  [...(line?.methods ?? []), ...(line?.cautions ?? [])].map(({ words }) => words);

/** Ears that take a plug: not under a stop, and the house plugs at all. */
export function pluggedSides(visit: VisitPlan): Side[] {
  if (visit.ways.earPlugs === 'hand shield') return [];
  return SIDES.filter((side) => !keepsDry(visit, side));
}

/** An ear under a stop keeps all water below the neck on its side. */
function keepsDry(visit: VisitPlan, side: Side): boolean {
  const seen = visit.triage[`ear/${side}`];
  return (
    (seen !== undefined && keepsWaterBelowNeck(seen)) || (lineAt(visit, { site: 'ear', side })?.bars.length ?? 0) > 0
  );
}

const washesBoth = ({ ways }: VisitPlan): boolean => ways.washes === 'two';
const timesFirst = (visit: VisitPlan): boolean =>
  visit.contactMinutes > 0 && (!washesBoth(visit) || visit.ways.medicated === 'both washes timed');
const contact = (visit: VisitPlan, wash: 1 | 2): Dwell => ({
  timer: `contact ${wash}`,
  name: `Contact, wash ${wash}`,
  seconds: visit.contactMinutes * 60,
});
const bathBar = (visit: VisitPlan): Step['barred'] => {
  const bar = lineOf(visit, 'bath')?.bars[0];
  return bar ? { stop: 'S0', because: bar.words, instead: 'Towels and brush only.' } : null;
};
const headWords = (visit: VisitPlan): string => {
  const dry = SIDES.filter((side) => keepsDry(visit, side));
  if (dry.length > 0) return `No water above the neck on the ${dry.join(' and ')} side: head by damp cloth.`;
  return `Head: ${schoolWords(visit.ways, 'head').toLowerCase()}.`;
};

const STEPS_OF: Readonly<Record<Stage, (visit: VisitPlan) => Step[]>> = {
  prepare: () => [
    step('prepare', {
      title: 'Make ready',
      how: ['Room warm, surface non-slip, towels within reach.', 'Product measured, warm water late. Treats out.'],
    }),
  ],
  handover: () => [
    step('handover', {
      title: 'Ask the owner',
      how: [
        'Scratching, head shaking, smell, eye discharge, lameness?',
        'New medicine, ear drops today, spot-on lately, stitches, fits, in season?',
      ],
      after: ['prepare'],
    }),
  ],
  'look-over': () => [
    step('look-over', {
      title: 'Look and smell before anything wet',
      how: ['Lift both flaps. Touch each place as clear or tap what you see.', 'Nothing counts as clear by silence.'],
    }),
  ],
  decide: () => [
    step('decide', {
      title: 'Decide',
      how: ['Go on, change the plan, leave a part alone, ring the owner, or stop and send to a vet.'],
      after: ['look-over'],
    }),
  ],
  'first clip': () => [
    step('first clip', { title: 'Face, feet and rear', how: ['Leave alone what a stop names.'], after: ['look-over'] }),
  ],
  'ears, first pass': (visit) => SIDES.flatMap((side) => [...earHairSteps(visit, side), earCleaning(visit, side)]),
  'eyes, on the table': (visit) => SIDES.map((side) => eyeStep(visit, { site: 'eye', side })),
  nails: (visit) => [
    step('nails', { title: 'Nails and dewclaws', how: says(lineOf(visit, 'nails')), barred: taskBar(visit, 'nails') }),
  ],
  'brush-out': (visit) => [
    step('brush-out', {
      title: 'Brush out',
      how: ['Undercoat out, tangles opened. No water on mats.', ...says(lineOf(visit, 'brush-out'))],
      barred: taskBar(visit, 'brush-out'),
    }),
  ],
  wet: (visit) => [
    step('wet', {
      title: 'Wet the coat',
      how: ['Lukewarm, tried on your own wrist, running water.', 'Neck, back, hind leg, side, front leg, turn.'],
      after: ['look-over', 'brush-out', ...SIDES.map((side) => `eyes, on the table ${side}`)],
      barred: bathBar(visit),
    }),
  ],
  plugs: (visit) => {
    const sides = pluggedSides(visit);
    return sides.length === 0 || bathBar(visit)
      ? []
      : [
          step('plugs', {
            title: 'Plugs in, counted',
            how: ['Half a cotton ball each, deep enough to survive a shake.'],
            counts: 'plugs in',
            sides,
            after: ['look-over'],
          }),
        ];
  },
  'wash 1': (visit) => [
    step('wash 1', {
      title: washesBoth(visit) ? 'First wash' : 'Wash',
      how: [
        ...says(lineOf(visit, 'bath')),
        headWords(visit),
        'Armpits, belly, between toes, behind ears, lips, under the tail.',
      ],
      after: ['wet', 'plugs'],
      barred: bathBar(visit),
    }),
  ],
  contact: (visit) =>
    timesFirst(visit) && !bathBar(visit)
      ? [
          step('contact', {
            title: `Leave it on, ${visit.contactMinutes} min`,
            how: ['Sore places first, toes too. Use the time for the face.'],
            dwell: contact(visit, 1),
            after: ['wash 1'],
          }),
        ]
      : [],
  'rinse 1': (visit) =>
    washesBoth(visit)
      ? [
          step('rinse 1', {
            title: 'Rinse',
            how: ['May be rough: a second wash follows.'],
            after: ['wash 1', 'contact'],
            kept: true,
            barred: bathBar(visit),
          }),
        ]
      : [],
  'wash 2': (visit) =>
    washesBoth(visit)
      ? [
          step('wash 2', {
            title: 'Second wash, half the mix',
            how: ['For coat and skin.', headWords(visit)],
            after: ['rinse 1'],
            barred: bathBar(visit),
          }),
        ]
      : [],
  'contact 2': (visit) =>
    washesBoth(visit) && visit.contactMinutes > 0 && !bathBar(visit)
      ? [
          step('contact 2', {
            title: `Leave it on, ${visit.contactMinutes} min`,
            how: ['Time it again.'],
            dwell: contact(visit, 2),
            after: ['wash 2'],
          }),
        ]
      : [],
  'last rinse': (visit) => [
    step('last rinse', {
      title: 'Rinse until it squeaks',
      how: ['Top down, until nothing bubbles. Belly, armpits, under the tail.'],
      after: ['wash 1', 'contact', 'wash 2', 'contact 2'],
      kept: true,
      barred: bathBar(visit),
    }),
  ],
  conditioner: (visit) => conditionerSteps(visit),
  'plugs out': (visit) => {
    const sides = pluggedSides(visit);
    return sides.length === 0 || bathBar(visit)
      ? []
      : [
          step('plugs out', {
            title: 'Plugs out, counted',
            how: ['Note damp or dry, left and right.'],
            counts: 'plugs out',
            sides,
            after: ['plugs', 'last rinse'],
            kept: true,
          }),
        ];
  },
  'water off': (visit) => [
    step('water off', {
      title: 'Press the water off',
      how: ['Squeeze, press with towels, never rub. Let the dog shake.'],
      after: ['last rinse'],
      kept: true,
      barred: bathBar(visit),
    }),
  ],
  dry: (visit) => [
    step('dry', {
      dwell: { timer: 'towel rest', name: 'Towel rest', seconds: TOWEL_REST_SECONDS },
      title: 'Dry, place by place',
      how: ['Face, ears, armpits, belly, paws, rear, folds.', 'Ears covered from noise and air, low heat.'],
      after: ['water off'],
      kept: true,
      barred: bathBar(visit),
    }),
  ],
  'ears, second pass': (visit) => SIDES.map((side) => secondPass(visit, side)),
  folds: (visit) =>
    visit.plan.lines
      .filter((line) => line.task === 'fold care')
      .flatMap((line) => (line.place ? [foldStep(visit, line, line.place)] : [])),
  'comb and tidy': () => [
    step('comb and tidy', {
      title: 'Comb and tidy',
      how: ['Looser comb against the hair, finer one to finish. Face checked again.'],
      after: ['dry'],
    }),
  ],
  record: () => [
    step('record', { title: 'Record and hand over', how: ['What was used, what was found, treat for the dog.'] }),
  ],
};

function taskBar(visit: VisitPlan, task: PlanLine['task']): Step['barred'] {
  const bar = lineOf(visit, task)?.bars[0];
  return bar ? { stop: 'S0', because: bar.words, instead: 'Leave it.' } : null;
}

const EAR_HAIR_TITLES = {
  whole: 'Take the hair out',
  staged: 'Take a few tufts out',
  trim: 'Trim what sticks out',
} as const;

function earHairSteps(visit: VisitPlan, side: Side): Step[] {
  const place: Place = { site: 'ear', side };
  const decision = visit.plan.lines.find((line) => line.task === 'ear hair' && line.place?.side === side)?.earHair;
  if (!decision || decision.way === 'leave' || decision.way === 'vet') return [];
  const seen = visit.triage[placeKey(place)];
  const unsettled = seen?.rows.find((row) => row.id === 'ear: damp')?.signs[0];
  const barred = barredBy(visit, place, 'pluck', 'S1');
  return [
    step('ears, first pass', {
      id: `ear hair ${side}`,
      title: `${EAR_HAIR_TITLES[decision.way]}, ${namePlace(place)}`,
      how: ['Small tufts, skin held still. Enough is when air and cleaner get in.', `Why: ${decision.because}.`],
      place,
      after: ['look-over'],
      barred:
        barred ?? (unsettled ? { stop: 'S1', because: 'damp', instead: 'Dry it; no plucking while damp.' } : null),
    }),
  ];
}

function earCleaning(visit: VisitPlan, side: Side): Step {
  const place: Place = { site: 'ear', side };
  const seconds = visit.ways.massage === '60 s' ? 60 : 30;
  return step('ears, first pass', {
    id: `ears, first pass ${side}`,
    title: `Clean the ${namePlace(place)}`,
    how: [
      schoolWords(visit.ways, 'earCleaning'),
      schoolWords(visit.ways, 'afterMassage'),
      'Fresh cotton each time until one comes out clean. Count the dirty ones.',
    ],
    place,
    counts: 'pads',
    sides: [side],
    dwell: { timer: `massage ${side}`, name: `Massage, ${namePlace(place)}`, seconds },
    after: ['look-over', `ear hair ${side}`],
    barred: barredBy(visit, place, 'clean', 'S1'),
  });
}

const eyeStep = (visit: VisitPlan, place: Place): Step =>
  step('eyes, on the table', {
    id: `eyes, on the table ${place.side}`,
    title: `Soften and clean, ${namePlace(place)}`,
    how: [
      'Plain cool water and a soft damp cloth. Comb away when soft, never pick it dry.',
      ...says(lineAt(visit, place)),
    ],
    place,
    dwell: { timer: `crust ${place.side}`, name: `Crust softening, ${namePlace(place)}`, seconds: SOFTEN_SECONDS },
    after: ['look-over'],
    barred: barredBy(visit, place, 'clean', 'S2'),
  });

const secondPass = (visit: VisitPlan, side: Side): Step =>
  step('ears, second pass', {
    id: `ears, second pass ${side}`,
    title: `Wipe and dry the ${side} ear`,
    how: ['Wipe what shaking brought up. Dry.'],
    place: { site: 'ear', side },
    after: ['plugs out', `ears, first pass ${side}`],
    barred: barredBy(visit, { site: 'ear', side }, 'clean', 'S1'),
  });

const foldStep = (visit: VisitPlan, line: PlanLine, place: Place): Step =>
  step('folds', {
    id: `folds ${placeKey(place)}`,
    title: `Clean, dry, protect: ${namePlace(place)}`,
    how: says(line),
    place,
    after: ['look-over', 'last rinse'],
    barred: barredBy(visit, place, 'clean', 'S1'),
  });

function conditionerSteps(visit: VisitPlan): Step[] {
  const { conditioner } = visit.ways;
  const wanted =
    conditioner === 'always' || (conditioner === 'long or dry coats' && LONG_OR_DRY.includes(visit.traits.coat));
  const allowed = !visit.underTreatment && !(visit.plan.bathProduct?.nothingElse ?? false);
  if (!wanted || !allowed || bathBar(visit)) return [];
  return [
    step('conditioner', {
      title: 'Conditioner, then rinse',
      how: ['Spread on the hands first; a towel over the dog; rinsed.'],
      dwell: { timer: 'conditioner', name: 'Conditioner', seconds: CONDITIONER_SECONDS },
      after: ['last rinse'],
    }),
  ];
}

/** S3 ends the visit: only what must not be forgotten stays. */
function endEarly(each: Step, because: string): Step {
  if (each.stage === 'look-over' || each.stage === 'record') return each;
  if (each.kept) return { ...each, how: ['Before handing over, or tell the vet.', ...each.how], barred: null };
  return { ...each, barred: { stop: 'S3', because, instead: 'The visit ends here.' } };
}
