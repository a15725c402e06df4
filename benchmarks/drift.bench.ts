import { gettingWorse, oneSided, simulateVisits, type Observation } from '@dewpond/core/rhythm';
import { day } from '@dewpond/core/units';
import { report, round, seeded } from './report';

const DOGS = 300;
const VISITS = 12;
const CHANGE_AT = 6;
const plan = { least: 7, usual: 28, most: 56 };
const start = day('2026-01-05');
const TAUS = [20, 30, 45];

const ask = (observations: readonly Observation[]) => ({
  observations,
  plan,
  today: observations.at(-1)?.day ?? start,
  homeCareChangedOn: null,
  schoolChangedOn: null,
});
const visits = (tau: (visit: number) => number, random: () => number) =>
  simulateVisits({ tau, plan, visits: VISITS, start, random });

/** Visit at which the certainty is first passed, from the change on; null when never. */
function firstAlarm(observations: readonly Observation[], from: number, certainty: number): number | null {
  for (let n = from; n <= observations.length; n++) {
    const p = gettingWorse(ask(observations.slice(0, n)));
    if (p !== null && p >= certainty) return n;
  }
  return null;
}

const certainties = [0.6, 0.7, 0.8, 0.85, 0.9, 0.95];
const random = seeded(11);
const steady = TAUS.flatMap((tau) => Array.from({ length: DOGS }, () => visits(() => tau, random)));
const halved = TAUS.flatMap((tau) =>
  Array.from({ length: DOGS }, () => visits((visit) => (visit < CHANGE_AT ? tau : tau / 2), random)),
);

report(
  'drift',
  certainties.map((certainty) => {
    const falseAlarms = steady.filter((dog) => firstAlarm(dog, 6, certainty) !== null).length;
    const alarms = halved.map((dog) => firstAlarm(dog, CHANGE_AT + 1, certainty));
    const seen = alarms.filter((n): n is number => n !== null);
    const delay = seen.reduce((sum, n) => sum + (n - CHANGE_AT), 0) / seen.length;
    return {
      certainty,
      'false alarms in 7 visits, %': round((100 * falseAlarms) / steady.length, 1),
      'missed halvings, %': round((100 * (alarms.length - seen.length)) / alarms.length, 1),
      'visits until told': round(delay, 1),
    };
  }),
);

const pair = (ratio: number) =>
  TAUS.flatMap((tau) =>
    Array.from({ length: DOGS }, () => [visits(() => tau * ratio, random), visits(() => tau, random)] as const),
  );
const equal = pair(1);
const uneven = pair(0.45);
const share = (pairs: typeof equal, certainty: number) =>
  pairs.filter(([one, other]) => (oneSided(ask(one), ask(other)) ?? 0) >= certainty).length / pairs.length;
report(
  'one-sided',
  certainties.map((certainty) => ({
    certainty,
    'false alarms, equal sides, %': round(100 * share(equal, certainty), 1),
    'missed, one side at 0.45, %': round(100 * (1 - share(uneven, certainty)), 1),
  })),
);
