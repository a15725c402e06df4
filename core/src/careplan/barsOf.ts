import {
  isMat,
  isToTheSkin,
  triage,
  type Circumstances,
  type Finding,
  type PlaceCondition,
  type Triage,
} from '../findings';
import { SIDES, placeKey, placeOf, samePlace, type PlaceKey } from '../places';
import { COMMON_PRACTICE, HOUSE_VALUE } from '../provenance';
import type { Reason } from '../reasons';
import { NO_SOURCES, barsFrom, type Bar, type BarSources, type JudgedPlace, type TaskBar } from '../stops';
import { monthOf } from '../units';
import type { DogFacts } from '../dog';
import { holdsOn, sourceOf, type Instruction } from '../dog';
import { FORBIDDING } from '../rules';

/** Today's look-over, as far as it has come. */
export interface TodaysLook {
  readonly judged: readonly Triage[];
  /** A place seen clear ends the stop of an earlier visit. */
  readonly lookedClear: readonly PlaceKey[];
  /** Places whose mat was brushed or shaved out: water is no matter there any more. */
  readonly matsGone: readonly PlaceKey[];
  /** It would not have its ear hair taken out today. */
  readonly brokeOffPlucking: boolean;
}
const NOT_LOOKED: TodaysLook = { judged: [], lookedClear: [], matsGone: [], brokeOffPlucking: false };

/** The dog's part in reading the tables of signs. */
export const circumstancesOf = ({ traits, grassSeedMonths, today }: DogFacts): Circumstances => ({
  flatFaceOrProminentEyes: traits.muzzle === 'flat' || traits.eyeSet === 'prominent',
  grassSeedMonth: grassSeedMonths.includes(monthOf(today)),
});

/** Everything that forbids work on this dog today: law, stops, vets, owner, rules. What today's look brought comes first. */
export const barsOf = (facts: DogFacts, look: TodaysLook = NOT_LOOKED): readonly Bar[] => [
  ...barsFrom({
    ...NO_SOURCES,
    judged: [...look.judged.map((seen) => ({ triage: withoutGone(seen, look), since: null })), ...earlier(facts, look)],
    told: told(facts, look),
    tasks: [...byFindings(facts, look), ...(look.brokeOffPlucking ? [NOT_AGAIN] : [])],
    lifts: facts.lifts,
    today: facts.today,
  }),
  ...barsOfMorning(facts),
];

/** What is known before the dog is looked at. It stays through a visit, and is asked for at every finding. */
function barsOfMorning(facts: DogFacts): readonly Bar[] {
  let bars = MORNING.get(facts);
  if (bars === undefined) {
    bars = barsFrom({
      ...NO_SOURCES,
      conditions: conditionsOf(facts),
      tasks: [...byRules(facts), ...byInstructions(facts), ...byConsent(facts), ...byServices(facts)],
      procedures: outsideOnly(facts),
      nothingElse: nothingElse(facts),
      lifts: facts.lifts,
      today: facts.today,
    });
    MORNING.set(facts, bars);
  }
  return bars;
}
const MORNING = new WeakMap<DogFacts, readonly Bar[]>();

/** A mat that is gone bars nothing any more. */
function withoutGone(seen: Triage, { matsGone }: TodaysLook): Triage {
  if (!matsGone.includes(placeKey(seen.place))) return seen;
  return { ...seen, matched: seen.matched.filter(({ findings }) => !findings.every(isMat)) };
}

/** Stops of earlier visits that stand; what was found there again today is judged by today's look. */
function earlier(facts: DogFacts, look: TodaysLook): JudgedPlace[] {
  return Object.entries(facts.suspended).flatMap(([key, suspended]) => {
    if (look.lookedClear.includes(key as PlaceKey) || 'words' in suspended) return [];
    const place = placeOf(key);
    const again = new Set(
      look.judged
        .filter((seen) => samePlace(seen.place, place))
        .flatMap(({ matched }) => matched.flatMap(({ findings }) => findings.map(({ sign }) => sign))),
    );
    const findings = suspended.findings.filter(({ sign }) => !again.has(sign));
    if (findings.length === 0) return [];
    const { today, known } = facts;
    const dog = circumstancesOf(facts);
    return [{ triage: triage({ place, findings, lastTime: [], known, dog, today }), since: suspended.on }];
  });
}

/** Places of which only the words of another version are known. */
const told = (facts: DogFacts, { lookedClear }: TodaysLook): BarSources['told'] =>
  Object.entries(facts.suspended).flatMap(([key, suspended]) =>
    'words' in suspended && !lookedClear.includes(key as PlaceKey)
      ? [{ place: placeOf(key), reason: { kind: 'newer', words: suspended.words } as const }]
      : [],
  );

const conditionsOf = ({ ears, eyes }: DogFacts): PlaceCondition[] =>
  SIDES.flatMap((side) => [
    ...ears[side].conditions.map((condition) => ({ place: { site: 'ear', side } as const, condition })),
    ...eyes[side].map((condition) => ({ place: { site: 'eye', side } as const, condition })),
  ]);

const byRules = (facts: DogFacts): TaskBar[] =>
  FORBIDDING.filter(({ when }) => when.holds(facts, null)).map(({ id, task, rank, source }) => ({
    task,
    place: null,
    rank,
    source,
    reason: { kind: 'rule', rule: id },
  }));

const saidBy = ({ by, who, until }: Instruction) => ({ kind: 'instruction', by, who, until }) as const;

const byInstructions = ({ instructions, today }: DogFacts): TaskBar[] =>
  instructions.flatMap((given) => {
    if (given.says.kind !== 'bar' || !holdsOn(given, today)) return [];
    const { task } = given.says;
    const reason: Reason = { ...saidBy(given), says: { kind: 'not done', task } };
    return [{ task, place: given.place, rank: given.by, source: sourceOf(given), reason }];
  });

/** Nobody plucks an ear without the owner's word, and a no stands until the owner says otherwise. */
const byConsent = ({ pluckingConsent, ears }: DogFacts): TaskBar[] =>
  SIDES.filter((side) => !pluckingConsent || ears[side].ownerForbidsPlucking).map((side) => ({
    task: 'ear hair',
    place: { site: 'ear', side },
    rank: 'owner',
    source: COMMON_PRACTICE,
    reason: { kind: 'consent', to: 'plucking' },
  }));

/** Not offered twice in one visit. */
const NOT_AGAIN: TaskBar = {
  task: 'ear hair',
  place: null,
  rank: 'safety',
  source: COMMON_PRACTICE,
  reason: { kind: 'ear hair', line: 'broke off today', days: null },
};

/** What the business leaves to vets, where it was found. */
function byFindings({ services }: DogFacts, { judged }: TodaysLook): TaskBar[] {
  const leaves = (
    service: 'grown-in dewclaw' | 'shave-down',
    isIt: (found: Finding) => boolean,
    task: TaskBar['task'],
  ) =>
    services[service] !== 'vet'
      ? []
      : judged
          .filter(({ matched }) => matched.some(({ findings }) => findings.some(isIt)))
          .map(({ place }): TaskBar => ({
            task,
            place,
            rank: 'law',
            source: HOUSE_VALUE,
            reason: { kind: 'service', service, does: 'vet' },
          }));
  return [
    ...leaves('grown-in dewclaw', ({ sign }) => sign === 'dewclaw curled', 'nails'),
    ...leaves('shave-down', isToTheSkin, 'mats'),
  ];
}

/** What it leaves to them whatever is found. */
const byServices = ({ services }: DogFacts): TaskBar[] =>
  services['ear hair'] === 'vet'
    ? [
        {
          task: 'ear hair',
          place: null,
          rank: 'law',
          source: HOUSE_VALUE,
          reason: { kind: 'service', service: 'ear hair', does: 'vet' },
        },
      ]
    : [];

/** An ear that is worked on from outside only, as the business has chosen or the law asks. */
const outsideOnly = ({ services }: DogFacts): BarSources['procedures'] =>
  SIDES.flatMap((side) =>
    (
      [
        ['ear cleaning', ['clean', 'fill', 'massage']],
        ['ear hair', ['pluck']],
      ] as const
    ).flatMap(([service, procedures]) =>
      services[service] === 'outside only'
        ? [
            {
              place: { site: 'ear', side } as const,
              procedures,
              rank: 'law' as const,
              source: HOUSE_VALUE,
              reason: { kind: 'service', service, does: 'outside only' } as const,
            },
          ]
        : [],
    ),
  );

const nothingElse = ({ instructions, today }: DogFacts): BarSources['nothingElse'] =>
  instructions.flatMap((given) =>
    given.says.kind === 'bath product' && given.says.nothingElse && holdsOn(given, today)
      ? [
          {
            rank: given.by,
            source: sourceOf(given),
            reason: { ...saidBy(given), says: { kind: 'nothing else on the skin' } } as const,
          },
        ]
      : [],
  );
