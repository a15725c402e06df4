import { type PlanLine } from '../careplan';
import { schoolWords } from '../ways';
import { namePlace, placeKey, type Place, type Side } from '../places';
import { COMMON_PRACTICE, HOUSE_VALUE } from '../provenance';
import { barredBy } from './bars';
import { noted, practice, says, step } from './makeStep';
import type { Step } from './steps';
import { lineAt, type VisitPlan } from './visitPlan';

/** How long crust softens under a damp cloth, in seconds [common practice]. */
const SOFTEN_SECONDS = 180;

const EAR_HAIR_TITLES = {
  whole: 'Take the hair out',
  staged: 'Take a few tufts out',
  trim: 'Trim what sticks out',
} as const;

/** Hair out of one ear, where the decision says so. */
export function earHairSteps(visit: VisitPlan, side: Side): Step[] {
  const place: Place = { site: 'ear', side };
  const decision = visit.plan.lines.find((line) => line.task === 'ear hair' && line.place?.side === side)?.earHair;
  if (!decision || decision.way === 'leave' || decision.way === 'vet') return [];
  const isDamp = visit.judged[placeKey(place)]?.rows.some((row) => row.id === 'ear: damp') ?? false;
  const damp: Step['barred'] = isDamp
    ? { stop: 'S1', because: 'damp', source: COMMON_PRACTICE, instead: 'Dry it; no plucking while damp.', tell: null }
    : null;
  return [
    step('ears, first pass', {
      id: `ear hair ${side}`,
      title: `${EAR_HAIR_TITLES[decision.way]}, ${namePlace(place)}`,
      how: [
        ...practice('Small tufts, skin held still. Enough is when air and cleaner get in.'),
        ...noted(lineAt(visit, place, 'ear hair')),
        { words: `Why: ${decision.because}.`, source: decision.source },
      ],
      place,
      after: ['look-over'],
      barred: barredBy(visit, place, 'pluck', 'S1') ?? damp,
    }),
  ];
}

/** First pass of one ear: cleaner by the house's school, massage, pads counted. */
export function earCleaning(visit: VisitPlan, side: Side): Step {
  const place: Place = { site: 'ear', side };
  const { ways } = visit.facts;
  return step('ears, first pass', {
    id: `ears, first pass ${side}`,
    title: `Clean the ${namePlace(place)}`,
    how: [
      { words: schoolWords(ways, 'earCleaning'), source: HOUSE_VALUE },
      { words: schoolWords(ways, 'afterMassage'), source: HOUSE_VALUE },
      ...practice('Fresh cotton each time until one comes out clean. Count the dirty ones.'),
      ...noted(lineAt(visit, place)),
    ],
    place,
    counts: 'pads',
    sides: [side],
    dwell: {
      timer: `massage ${side}`,
      name: `Massage, ${namePlace(place)}`,
      seconds: ways.massage === '60 s' ? 60 : 30,
      source: HOUSE_VALUE,
    },
    after: ['look-over', `ear hair ${side}`],
    barred: barredBy(visit, place, 'clean', 'S1'),
  });
}

/** One eye, on the table, before any soap. */
export const eyeStep = (visit: VisitPlan, side: Side): Step => {
  const place: Place = { site: 'eye', side };
  return step('eyes, on the table', {
    id: `eyes, on the table ${side}`,
    title: `Soften and clean, ${namePlace(place)}`,
    how: [
      ...practice('Plain cool water and a soft damp cloth. Comb away when soft, never pick it dry.'),
      ...says(lineAt(visit, place)),
    ],
    place,
    dwell: {
      timer: `crust ${side}`,
      name: `Crust softening, ${namePlace(place)}`,
      seconds: SOFTEN_SECONDS,
      source: COMMON_PRACTICE,
    },
    after: ['look-over'],
    barred: barredBy(visit, place, 'clean', 'S2'),
  });
};

/** What shaking brought up, once the dog is dry. */
export const secondPass = (visit: VisitPlan, side: Side): Step =>
  step('ears, second pass', {
    id: `ears, second pass ${side}`,
    title: `Wipe and dry the ${side} ear`,
    how: practice('Wipe what shaking brought up. Dry.'),
    place: { site: 'ear', side },
    after: ['plugs out', `ears, first pass ${side}`],
    barred: barredBy(visit, { site: 'ear', side }, 'clean', 'S1'),
  });

/** Every fold of the plan. */
export const foldSteps = (visit: VisitPlan): Step[] =>
  visit.plan.lines.flatMap((line) =>
    line.task === 'fold care' && line.place ? [foldStep(visit, line, line.place)] : [],
  );

const foldStep = (visit: VisitPlan, line: PlanLine, place: Place): Step =>
  step('folds', {
    id: `folds ${placeKey(place)}`,
    title: `Clean, dry, protect: ${namePlace(place)}`,
    how: says(line),
    place,
    after: ['look-over', 'last rinse'],
    barred: barredBy(visit, place, 'clean', 'S1'),
  });
