import fc from 'fast-check';
import { barsOf, makePlan } from '../../careplan';
import { CANAL_HAIR } from '../../catalogue';
import { ALL_SHOWN, HAIR_BORNE, HAIR_CAME, HAIR_LEFT, type DogFacts } from '../../dog';
import {
  ALL_SIGNS,
  PAD_COLOURS,
  TRIAGE_TABLE,
  finding,
  mirrorFinding,
  signWords,
  type Finding,
  type Sign,
  type SignArea,
} from '../../findings';
import { SIDES, mirror, otherSide, type PlaceKey, type Side, type Site } from '../../places';
import {
  HANDOVER_QUESTIONS,
  PIECE_OUTCOMES,
  TOE_LENGTHS,
  mergeEvents,
  nextCounter,
  seenBy,
  tapped,
  type HandoverQuestion,
  type Happening,
  type VisitEvent,
} from '../../events';
import { EMPTY_VISIT, judgeLookOver } from '..';
import { foundForSteps, stepList, type BathShown, type Step, type VisitKind } from '../../steps';

interface Looked {
  readonly findings?: readonly Finding[];
  readonly lastTime?: readonly Finding[];
  readonly contactMinutes?: number;
  readonly kind?: VisitKind;
  readonly bath?: BathShown;
  readonly lookedClear?: readonly PlaceKey[];
  readonly flapHandedOn?: readonly Side[];
}

/** Steps of a dog whose look-over came out like this. */
export function stepsFor(facts: DogFacts, looked: Looked = {}): Step[] {
  const {
    findings = [],
    lastTime = [],
    contactMinutes = 0,
    kind = 'full visit',
    bath,
    lookedClear = [],
    flapHandedOn = [],
  } = looked;
  const judged = judgeLookOver(facts, findings, lastTime);
  const look = { judged: Object.values(judged), lookedClear: [], matsGone: [], brokeOffPlucking: false };
  return stepList({
    kind,
    facts,
    plan: makePlan(facts),
    contactMinutes,
    bars: barsOf(facts, look),
    found: foundForSteps(findings, { ...EMPTY_VISIT, lookedClear }),
    plugs: { left: 'none', right: 'none' },
    flapHandedOn,
    ...(bath ? { bath } : {}),
  });
}

let serial = 0;
/** Events of one device in a row, one counter each. */
export const logged = (happenings: readonly Happening[], device = 'tablet', from = 1): VisitEvent[] =>
  happenings.map((what, i) => ({
    id: `${device}-${from + i}-${String((serial += 1)).padStart(6, '0')}`,
    v: 1,
    counter: from + i,
    device,
    person: 'p',
    at: 1_000_000 + (from + i) * 1000,
    offset: 0,
    seen: null,
    what,
  }));

const signsEnding: ReadonlySet<Sign> = new Set(
  TRIAGE_TABLE.filter((row) => row.stop === 'S3' && row.areas.includes('body')).flatMap((row) => row.signs),
);
const side = fc.constantFrom(...SIDES);
const grade = fc.constantFrom<1 | 2 | 3>(1, 2, 3);

/** A place of each list of signs; sides where it has two. */
const PLACES_OF: Readonly<Record<SignArea, readonly Site[]>> = {
  ear: ['ear'],
  eye: ['eye'],
  fold: ['fold nose', 'fold lip', 'fold pocket'],
  nose: ['nose pad'],
  skin: ['head', 'back', 'side', 'belly', 'leg hind'],
  paw: ['paw front'],
  nail: ['nail front 1', 'nail hind 3'],
  mouth: ['mouth'],
  rear: ['rear'],
  body: ['body'],
};
const UNPAIRED: ReadonlySet<Site> = new Set<Site>([
  'fold nose',
  'nose pad',
  'head',
  'back',
  'belly',
  'mouth',
  'rear',
  'body',
]);

/** A random finding anywhere, but for the signs that end a visit. */
export const anyFinding: fc.Arbitrary<Finding> = fc
  .constantFrom(...ALL_SIGNS.filter((sign) => signsEnding.has(sign) === false))
  .chain((sign) =>
    fc.record({
      sign: fc.constant(sign),
      site: fc.constantFrom(...signWords(sign).areas.flatMap((area) => PLACES_OF[area])),
      grade,
      answer: fc.constantFrom(null, true, false),
      side,
    }),
  )
  .map(({ sign, site, grade: g, answer, side: s }) =>
    finding({ site, side: UNPAIRED.has(site) ? 'none' : s }, sign, g, answer),
  );

/** Any single happening. */
export const anyHappening: fc.Arbitrary<Happening> = fc.oneof(
  fc.constantFrom('wet', 'wash 1', 'dry', 'nails').map((step): Happening => ({ type: 'step done', step })),
  fc.constantFrom('wet', 'nails').map((step): Happening => ({ type: 'step undone', step })),
  fc
    .constantFrom('nails', 'brush-out')
    .map((step): Happening => ({ type: 'step skipped', step, because: tapped('no time') })),
  anyFinding.map((found): Happening => ({ type: 'found', finding: found })),
  anyFinding.map((found): Happening => ({ type: 'taken back', place: found.place, sign: found.sign })),
  anyFinding.map((found): Happening => ({ type: 'looked clear', place: found.place })),
  fc
    .tuple(fc.constantFrom(...ALL_SHOWN), fc.boolean())
    .map(([what, yes]): Happening => ({ type: 'shows today', what, yes })),
  fc.constantFrom('d1', 'd2').map((product): Happening => ({ type: 'cleaned with', product, name: product })),
  side.map((s): Happening => ({ type: 'plug in', side: s })),
  fc
    .tuple(side, fc.constantFrom('paw front', 'nail hind 1'), fc.constantFrom(...TOE_LENGTHS))
    .map(([s, site, length]): Happening => ({ type: 'nails judged', place: { site: site, side: s }, length })),
  fc.tuple(side, fc.constantFrom(...PIECE_OUTCOMES)).map(([s, how]): Happening => ({
    type: 'piece settled',
    step: 'first clip',
    piece: `flap inside ear/${s}`,
    how,
    because: null,
  })),
  fc
    .tuple(side, fc.constantFrom(...CANAL_HAIR))
    .map(([s, hair]): Happening => ({ type: 'ear hair seen', side: s, hair })),
  fc
    .tuple(
      side,
      fc.constantFrom(...HAIR_CAME),
      fc.constantFrom(null, ...HAIR_BORNE),
      fc.constantFrom(null, ...HAIR_LEFT),
    )
    .map(([s, came, borne, left]): Happening => ({ type: 'ear hair went', side: s, came, borne, left })),
  fc
    .tuple(side, fc.constantFrom('dry', 'damp'))
    .map(([s, came]): Happening => ({ type: 'plug out', side: s, came: came as 'dry' })),
  fc
    .tuple(side, fc.constantFrom(...PAD_COLOURS))
    .map(([s, colour]): Happening => ({ type: 'pad dirty', side: s, colour })),
  side.map((s): Happening => ({ type: 'pad clean', side: s })),
  side.map((s): Happening => ({ type: 'ear filled again', side: s })),
  side.map((s): Happening => ({
    type: 'timer started',
    timer: `massage ${s}`,
    step: `ears, first pass ${s}`,
    seconds: 30,
  })),
  side.map((s): Happening => ({ type: 'timer stopped', timer: `massage ${s}` })),
  fc
    .tuple(fc.constantFrom(...HANDOVER_QUESTIONS), fc.boolean())
    .map(([question, answer]): Happening => ({ type: 'answered', question, answer })),
  fc.constantFrom('finished', 'ended early').map((how): Happening => ({ type: 'closed', how: how as 'finished' })),
);

/** Logs of up to three devices with clashing counters. */
export const anyLog: fc.Arbitrary<VisitEvent[]> = fc
  .array(fc.tuple(fc.constantFrom('tablet', 'phone', 'desk'), fc.integer({ min: 1, max: 12 }), anyHappening), {
    maxLength: 25,
  })
  .map((list) =>
    list.map(([device, counter, what], i) => ({
      id: `e${String(i).padStart(3, '0')}`,
      v: 1,
      counter,
      device,
      person: 'p',
      at: i,
      offset: 0,
      seen: null,
      what,
    })),
  );

/**
 * A crew at one dog: each device writes what it does, with what it had seen of the others, and now and then they hear
 * from each other. What every device knows at the end, and all that was ever written.
 */
export const anyCrew: fc.Arbitrary<{ readonly known: readonly VisitEvent[][]; readonly all: VisitEvent[] }> = fc
  .array(fc.oneof(fc.tuple(fc.nat(2), anyHappening), fc.tuple(fc.nat(2), fc.constant('hears' as const))), {
    maxLength: 40,
  })
  .map((turns) => {
    const known: VisitEvent[][] = [[], [], []];
    let all: VisitEvent[] = [];
    turns.forEach(([who, turn], i) => {
      const mine = known[who] ?? [];
      if (turn === 'hears') {
        known[who] = mergeEvents(mine, all);
        return;
      }
      const device = ['tablet', 'phone', 'desk'][who] ?? 'desk';
      const event: VisitEvent = {
        id: `e${String(i).padStart(3, '0')}`,
        v: 2,
        counter: nextCounter(mine),
        device,
        person: 'p',
        at: i,
        offset: 0,
        seen: seenBy(device, mine),
        what: turn,
      };
      known[who] = [...mine, event];
      all = [...all, event];
    });
    return { known, all };
  });

/** The same happening on the other half of the dog. */
export function mirrorHappening(what: Happening): Happening {
  const swapName = (name: string) => name.replace(/left|right/, (each) => otherSide(each as 'left'));
  switch (what.type) {
    case 'found':
      return { ...what, finding: mirrorFinding(what.finding) };
    case 'looked clear':
    case 'taken back':
    case 'nails judged':
      return { ...what, place: mirror(what.place) };
    case 'plug in':
    case 'plug out':
    case 'plug not found':
    case 'pad dirty':
    case 'pad clean':
    case 'ear filled again':
    case 'ear hair seen':
    case 'ear hair went':
      return { ...what, side: otherSide(what.side) };
    case 'piece settled':
      return { ...what, step: swapName(what.step), piece: swapName(what.piece) };
    case 'timer started':
      return { ...what, timer: swapName(what.timer), step: swapName(what.step) };
    case 'timer stopped':
      return { ...what, timer: swapName(what.timer) };
    case 'answered':
      return { ...what, question: swapName(what.question) as HandoverQuestion };
    case 'step done':
    case 'step skipped':
    case 'step undone':
      return { ...what, step: swapName(what.step) };
    default:
      return what;
  }
}
