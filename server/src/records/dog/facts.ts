import {
  describeDog,
  factsAsSeen,
  knownSigns,
  liftsOf,
  type DogFacts,
  type EarHistory,
  type Suspended,
} from '@dewpond/core/dog';
import type { CarePlan } from '@dewpond/core/careplan';
import { withHomeBath } from '@dewpond/core/homebath';
import { asNoticed, planDue, type DueLine } from '@dewpond/core/due';
import {
  asTicked,
  comeSooner,
  fitHome,
  habitsAt,
  homeTasks,
  isSeldom,
  stepHome,
  type Habit,
  type HomeFit,
  type HomeLook,
  type Looks,
} from '@dewpond/core/homecare';
import type { Task } from '@dewpond/core/tasks';
import { countsAt, stillKnown, type Finding, type KnownSign, type Level } from '@dewpond/core/findings';
import { lookedAtWith, placeKey, placeOf, samePlace, type PlaceKey, type Side } from '@dewpond/core/places';
import type { SignSeen } from '@dewpond/core/reasons';
import { daysBetween, type Day } from '@dewpond/core/units';
import { applyAnswers, lastingAnswers, type HandoverAnswers } from '@dewpond/core/events';
import type { DogProfile } from '@dewpond/contract';
import type { Business } from '../business/business';
import type { DogRecord, StoredFinding } from './dogRecord';
import { planOf } from './plans';
import { dayIn } from '../../platform/time/zone';

/** The core's view of a dog on a day. */
export function factsOf(
  { dog, client, instructions, findings, places, visits, answers, earHair, reactedTo }: DogRecord,
  business: Business,
  today: Day,
): DogFacts {
  const { profile } = dog;
  const { consents } = client.card;
  const last = visits.at(-1)?.id;
  const lastFindings = findings.filter((found) => found.visitId === last);
  const facts: DogFacts = {
    ...factsAsSeen(profile, business, today, business.catalogue),
    ears: {
      left: earHistory(profile, earHair.left, 'left', today),
      right: earHistory(profile, earHair.right, 'right', today),
    },
    // The owner's dated word counts for all their dogs; before there is one, what was noted of this dog.
    pluckingConsent: consents.plucking?.yes ?? profile.pluckingConsent,
    reactedTo,
    muzzleAgreed: consents.muzzle?.yes ?? null,
    instructions: instructions.map(({ version: _, ...its }) => its),
    lifts: liftsOf(instructions),
    known: knownOf(instructions, findings, today),
    suspended: suspendedPlaces(places, findings),
    earUnsettled: { left: unsettled(lastFindings, 'left'), right: unsettled(lastFindings, 'right') },
  };
  const said: HandoverAnswers = Object.fromEntries(
    Object.entries(answers).map(([question, { answer }]): [string, boolean] => [question, answer]),
  );
  return applyAnswers(facts, lastingAnswers(said));
}

/** What its card says of an ear, and what the hands found since: the newer word holds. */
function earHistory(profile: DogProfile, kept: DogRecord['earHair'][Side], side: Side, today: Day): EarHistory {
  const { plucked: told, ...ear } = profile.ears[side];
  const days = [
    ...(told === 'never' || told === 'not known' ? [] : [told]),
    ...(kept.pluckedOn ? [kept.pluckedOn] : []),
  ];
  const last = days.toSorted().at(-1);
  return {
    ...ear,
    plucked:
      last === undefined && told === 'never'
        ? 'never'
        : { daysAgo: last === undefined ? null : daysBetween(last, today) },
    hair: kept.hair,
    lastHair: kept.last && { ...kept.last.went, daysAgo: daysBetween(kept.last.day, today) },
  };
}

/** What vets have judged: by a dated word of theirs, or as the owner said it at the table. */
function knownOf(instructions: DogRecord['instructions'], findings: readonly StoredFinding[], today: Day): KnownSign[] {
  const atTheTable = findings.flatMap(({ place, sign, more }): KnownSign[] =>
    more?.vetKnew === undefined ? [] : [{ place, sign, on: more.vetKnew }],
  );
  const past = findings.map((found) => ({ ...found, level: found.level as Level }));
  return stillKnown([...knownSigns(instructions, today), ...atTheTable], past);
}

/** Places under a stop, with what was found there last. */
function suspendedPlaces(places: DogRecord['places'], findings: readonly StoredFinding[]): DogFacts['suspended'] {
  const suspended = Object.entries(places).filter(([, record]) => record.suspended);
  return Object.fromEntries(
    suspended.map(([key]): [string, Suspended] => {
      const here = findings.filter((found) => countsAt(found.place, placeOf(key)));
      const on = here.at(-1)?.day;
      if (on === undefined) return [key, { words: 'a stop of an earlier visit' }];
      return [key, { findings: here.filter(({ day }) => day === on).map(asFinding), on }];
    }),
  );
}

/** What was found, without the visit it was found at. */
const asFinding = ({ visitId: _, day: __, level: ___, ...found }: StoredFinding): Finding => found;

const UNSETTLED = ['ear redness', 'ear damp', 'ear musty smell', 'ear foul smell'] as const;

const unsettled = (findings: readonly Finding[], side: Side): SignSeen[] =>
  findings
    .filter(({ place, sign }) => countsAt(place, { site: 'ear', side }) && UNSETTLED.some((each) => each === sign))
    .map(({ sign, grade }) => ({ sign, grade }));

export interface Planned {
  readonly facts: DogFacts;
  readonly plan: CarePlan;
  /** Its home care is what is asked of the owner. */
  readonly due: readonly DueLine[];
  /** The same by task, with what does not fit into the owner's minutes. */
  readonly home: HomeFit;
}

/** The care plan alone, where nobody asks when anything is due. */
export function carePlanFor(record: DogRecord, business: Business, today: Day): Pick<Planned, 'facts' | 'plan'> {
  const facts = factsOf(record, business, today);
  return { facts, plan: planOf(facts) };
}

/**
 * Facts, plan and due windows of a dog on a day. What is asked of the owner is worked out first: what the last look found, what
 * ticks say, what fits into the minutes that were agreed. Where that leaves something undone, the salon's own care comes sooner.
 */
export function planFor(record: DogRecord, business: Business, today: Day): Planned {
  const { facts, plan } = carePlanFor(record, business, today);
  const lines = withHomeBath(plan.lines, record.dog.homeBath, facts);
  const habits = habitsOf(record, lines);
  const stepped = stepHome(
    asTicked(lines, habits).map((line) => ({ line })),
    looksOf(record, facts),
  );
  const fit = fitHome(homeTasks(stepped), record.dog.homeMinutes);
  const asked = record.dog.homeMinutes === null ? stepped : stepped.map((each) => asAsked(each, fit));
  // Sides that are done alike now are one task again, on the sheet as on the owner's page.
  const home = record.dog.homeMinutes === null ? fit : { ...fit, kept: homeTasks(asked) };
  const planned = planDue(
    {
      ...plan,
      lines: comeSooner(
        asked.map(({ line }) => line),
        notDone(habits, fit),
      ),
    },
    {
      places: record.places,
      tasks: record.taskRecords,
      homeCareChangedOn: record.dog.homeCareChangedOn as Day | null,
      schoolChangedOn: business.schoolChangedOn,
    },
    today,
  );
  const told = record.noticed.map(({ noticed, toldAt }) => ({ noticed, day: dayIn(business.zone, toldAt) }));
  return { facts, plan, home, due: asNoticed(planned, told, today) };
}

/** How home care went before the last visit, by what the owner ticked. */
function habitsOf({ visits, ticks }: DogRecord, lines: CarePlan['lines']): readonly Habit[] {
  const closed = visits.filter((visit) => visit.closed !== null).map(({ day }) => day);
  const last = closed.at(-1);
  return last === undefined ? [] : habitsAt(last, closed.findLast((day) => day < last) ?? null, lines, ticks);
}

/** What does not happen at home: seldom ticked, or left out of what was agreed everywhere. */
function notDone(habits: readonly Habit[], { kept, left }: HomeFit): ReadonlySet<Task> {
  const seldom = habits.filter(isSeldom).map(({ task }) => task);
  const leftOut = left.map(({ task }) => task.task).filter((task) => !kept.some((each) => each.task === task));
  return new Set([...seldom, ...leftOut]);
}

/** A line with its home care as it is asked of the owner; without, where it is not. */
function asAsked<T extends Pick<DueLine, 'line'>>(each: T, { kept }: HomeFit): T {
  const { task, place, home } = each.line;
  if (!home) return each;
  const asked = kept.find(
    (other) => other.task === task && (place === null || other.places.some((at) => samePlace(at, place))),
  );
  const { stepped: _, ...plain } = home;
  const fitting = asked && {
    ...(asked.stepped ? home : plain),
    everyDays: asked.everyDays,
  };
  return { ...each, line: { ...each.line, home: fitting ?? null } };
}

/** How the salon found each place, the newest look first: what home care is stepped by. */
function looksOf({ visits, findings }: DogRecord, { known }: DogFacts): Looks {
  const newestFirst = visits.toReversed();
  const look = ({ id, day }: DogRecord['visits'][number]): HomeLook => ({
    day,
    findings: findings.flatMap((found) =>
      found.visitId === id ? [{ ...asFinding(found), level: found.level as Level }] : [],
    ),
  });
  return {
    known,
    at: (place) =>
      newestFirst
        .filter(({ looked }) => looked.includes(placeKey(lookedAtWith(place))))
        .slice(0, 2)
        .map(look),
    ofBody: newestFirst
      .filter(({ looked }) => looked.length > 0)
      .slice(0, 2)
      .map(look),
  };
}

/** The dog in one line: "Lagotto Romagnolo × Miniature Poodle, 14.2 kg, half-length curly, 6 years". */
export const describe = ({ dog: { profile } }: DogRecord, facts: DogFacts, { units, catalogue }: Business): string =>
  describeDog(facts, profile, units, catalogue);

/** The newest inspection of each place, and everything found there then: "last time". */
export function lastInspection({
  findings,
  visits,
}: DogRecord): { day: Day; findings: Finding[]; looked: PlaceKey[] } | null {
  const newest = new Map(visits.flatMap(({ id, looked }) => looked.map((key) => [key, id] as const)));
  const last = visits.at(-1);
  if (!last || newest.size === 0) return null;
  return {
    day: last.day,
    looked: [...newest.keys()],
    findings: findings
      .filter(
        ({ place, visitId }) =>
          newest.get(placeKey(lookedAtWith(place))) === visitId || (place.side === 'none' && visitId === last.id),
      )
      .map(asFinding),
  };
}
