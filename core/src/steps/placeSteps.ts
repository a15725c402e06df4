import { dogAtWork, type PlanLine, type SaidLine } from '../careplan';
import type { HouseQuestion, HouseWays } from '../ways';
import { NOSE_PAD, namePlace, placeKey, type Place, type Side } from '../places';
import { COMMON_PRACTICE, HOUSE_VALUE, type Sourced } from '../provenance';
import {
  earCleaning as earWork,
  earHair as earHairWork,
  earsAfter,
  eyeOnTheTable,
  fold,
  greasyFlap,
  noseBalm,
  depthWords,
  isPoured,
  type EarDepth,
  overridesFor,
  washesHead,
  waysFor,
} from '../work';
import { partsOf } from './contents';
import { depthToday } from './earDepthToday';
import { first } from './hazards';
import { hasPiece, left, practice, says, step } from './makeStep';
import { title } from './stepTitles';
import { STAGE_MINUTES, type Step } from './steps';
import { lineAt, lineOf, type VisitPlan } from './visitPlan';

/** How long crust softens under a damp cloth, in seconds [common practice]. */
const SOFTEN_SECONDS = 180;
/** Hands-on minutes of a second filling, on top of wiping [house value]. */
const SECOND_FILLING_MINUTES = 3;

/** Hair out of one ear, where the decision says so. */
export function earHairSteps(visit: VisitPlan, side: Side): Step[] {
  const place: Place = { site: 'ear', side };
  const decision = visit.plan.lines.find((line) => line.task === 'ear hair' && line.place?.side === side)?.earHair;
  if (!decision || decision.way === 'leave' || decision.way === 'vet') return [];
  const { way, source, reason } = decision;
  return [
    step('ears, first pass', {
      id: `ear hair ${side}`,
      title: title(`ear hair ${way}`, place),
      how: [
        ...practice(
          way === 'trim'
            ? 'Blunt-nosed scissors, only what sticks out; nothing goes in.'
            : 'Small tufts, skin held still. Enough is when air and cleaner get in.',
        ),
        ...(way === 'trim' ? [] : says(lineAt(visit, place, 'ear hair'))),
      ],
      why: { reason, source },
      place,
      after: first('seen first', 'look-over'),
      ...left(visit, earHairWork(dogAtWork(visit.facts), side, way)),
    }),
  ];
}

/** What the business chose for an ear, and what gives way for this dog. */
const schoolLines = ({ facts }: VisitPlan): Sourced[] =>
  overridesFor(facts)
    .filter(({ question }) => question === 'earCleaning')
    .map(({ because }) => ({ words: because, source: COMMON_PRACTICE }));

/** Schools that speak of liquid in an ear. */
const OF_LIQUID: readonly HouseQuestion[] = ['earCleaning', 'earOrder', 'nozzle', 'massage', 'afterMassage'];

/** Whether a line of the plan holds for an ear that is cleaned so deep: nobody is told to shake out what was not poured. */
function speaksOfDepth({ reason }: SaidLine, depth: EarDepth, most: HouseWays['earCleaning']): boolean {
  const rule = reason.kind === 'rule' ? reason.rule : '';
  const isOf = (question: HouseQuestion) => rule.includes(`: ${question}, `);
  if (isOf('earCleaning')) return depth === most;
  return isPoured(depth) || !OF_LIQUID.some(isOf);
}

/** First pass of one ear: as deep as the look asks for, pads counted. */
export function earCleaning(visit: VisitPlan, side: Side): Step {
  const place: Place = { site: 'ear', side };
  const { ways } = visit.facts;
  const { depth, seen } = depthToday(visit, side);
  const isGreasy = visit.found.greasyFlaps.includes(side);
  const work = left(visit, [...earWork(dogAtWork(visit.facts), side, depth), ...(isGreasy ? [greasyFlap(side)] : [])]);
  const outside = hasPiece(work, 'outer flap');
  const inside = work.pieces.length === 0 || hasPiece(work, 'ear pads');
  return step('ears, first pass', {
    id: `ears, first pass ${side}`,
    title: title(outside ? 'ear flap' : depth === 'wipe' && work.barred === null ? 'ear dry wipe' : 'ear clean', place),
    how: [
      ...(seen === null || outside || !inside ? [] : practice(depthWords(waysFor(visit.facts).earCleaning, seen))),
      ...(isGreasy ? practice('A greasy flap gets a pad of its own: nothing of it is rubbed inwards.') : []),
      ...(outside ? [] : practice('Fresh cotton each time until one comes out clean. Count the dirty ones.')),
      ...schoolLines(visit),
      ...says(lineAt(visit, place)).filter((said) => speaksOfDepth(said, depth, waysFor(visit.facts).earCleaning)),
    ],
    place,
    counts: inside && !outside ? 'pads' : null,
    sides: [side],
    dwell: hasPiece(work, 'ear cleaner')
      ? {
          timer: `massage ${side}`,
          name: `Massage, ${namePlace(place)}`,
          seconds: ways.massage === '60 s' ? 60 : 30,
          source: HOUSE_VALUE,
        }
      : null,
    after: [
      ...first('seen first', 'look-over'),
      ...first('hair before liquid', `ear hair ${side}`),
      ...(ways.earsWhen === 'after' ? first('plug out first', 'plugs out') : []),
    ],
    ...work,
  });
}

/** Whether crust at an eye waits for the tub. */
export const crustWaits = (visit: VisitPlan, side: Side): boolean =>
  visit.facts.ways.eyeCrust === 'in the tub' &&
  washesHead(visit.facts) &&
  partsOf(visit).includes('bath') &&
  (!visit.found.fixedCrust.includes(side) || (visit.crustHandedOn ?? []).includes(side));

/** One eye, on the table, before any soap. */
export function eyeSteps(visit: VisitPlan, side: Side): Step[] {
  if (crustWaits(visit, side)) return [];
  const place: Place = { site: 'eye', side };
  const work = left(visit, eyeOnTheTable(dogAtWork(visit.facts), side));
  const cleans = work.barred !== null || hasPiece(work, 'eye wipe');
  return [
    step('eyes, on the table', {
      id: `eyes, on the table ${side}`,
      title: title(cleans ? 'eye clean' : 'eye around', place),
      how: cleans
        ? [
            ...practice('Plain cool water and a soft damp cloth. Comb away when soft, never pick it dry.'),
            ...(hasPiece(work, 'eye loose piece') ? practice('Scissors point away from the eye.') : []),
            ...says(lineAt(visit, place)),
          ]
        : practice('Around the eye only, with plain water on a soft cloth. No product, no comb, no blade.'),
      place,
      dwell: hasPiece(work, 'eye soften')
        ? {
            timer: `crust ${side}`,
            name: `Crust softening, ${namePlace(place)}`,
            seconds: SOFTEN_SECONDS,
            source: COMMON_PRACTICE,
          }
        : null,
      after: first('seen first', 'look-over'),
      ...work,
    }),
  ];
}

/** What shaking brought up, once the dog is dry; a second filling before it where the business cleans twice. */
export function secondPass(visit: VisitPlan, side: Side): Step {
  const place: Place = { site: 'ear', side };
  const { depth } = depthToday(visit, side);
  const isDone = visit.found.cleanPad.includes(side);
  const work = left(visit, earsAfter(dogAtWork(visit.facts), side, { depth, isDone }));
  const again = hasPiece(work, 'ear cleaner again');
  const wipes = work.barred !== null || hasPiece(work, 'ear wipe');
  return step('ears, second pass', {
    id: `ears, second pass ${side}`,
    title: title(again ? 'ear again' : wipes ? 'ear wipe' : 'ear dry', place),
    how: [
      ...(again
        ? practice(
            'Fill and massage once more: the first round showed no sign. Still brown after it: leave it and tell.',
          )
        : []),
      ...practice(wipes ? 'Wipe what shaking brought up. Dry.' : 'Pat the flap dry from outside. Nothing goes in.'),
    ],
    place,
    minutes: STAGE_MINUTES['ears, second pass'] + (again ? SECOND_FILLING_MINUTES : 0),
    dwell: again
      ? {
          timer: `massage again ${side}`,
          name: `Massage, ${namePlace(place)}`,
          seconds: visit.facts.ways.massage === '60 s' ? 60 : 30,
          source: HOUSE_VALUE,
        }
      : null,
    after: [...first('plug out first', 'plugs out'), ...first('first pass first', `ears, first pass ${side}`)],
    ...work,
  });
}

/** Every fold of the plan, and the nose pad where it was found dry. */
export const foldSteps = (visit: VisitPlan): Step[] => [
  ...visit.plan.lines.flatMap((line) =>
    line.task === 'fold care' && line.place ? [foldStep(visit, line, line.place)] : [],
  ),
  ...(visit.found.dryNose ? [noseStep(visit)] : []),
];

const NOSE_MINUTES = 1;

const noseStep = (visit: VisitPlan): Step =>
  step('folds', {
    id: 'nose balm',
    title: title('nose'),
    how: [...practice('Lick-safe, warmed on the fingertip, thin.'), ...says(lineOf(visit, 'nose balm'))],
    place: NOSE_PAD,
    minutes: NOSE_MINUTES,
    after: [...first('seen first', 'look-over'), ...first('product off', 'last rinse')],
    ...left(visit, noseBalm()),
  });

function foldStep(visit: VisitPlan, line: PlanLine, place: Place): Step {
  const work = left(visit, fold(dogAtWork(visit.facts), place));
  const cleans = work.barred !== null || hasPiece(work, 'fold clean');
  const protects = hasPiece(work, 'fold protect');
  return step('folds', {
    id: `folds ${placeKey(place)}`,
    title: title(cleans ? (protects ? 'fold' : 'fold clean') : 'fold dry', place),
    how: cleans ? says(line) : practice('Pat it dry from outside with a soft cloth. Nothing goes in.'),
    place,
    after: [...first('seen first', 'look-over'), ...first('product off', 'last rinse')],
    ...work,
  });
}
