import { RHYTHM, learnRhythm, simulateVisits, type RhythmConstants } from '@dewpond/core/rhythm';
import { day } from '@dewpond/core/units';
import { quantile, report, round, seeded } from './report';

/** What speaks for the rhythm's constants: hidden τ found again, and how often a visit finds more than slight dirt. */
const DOGS = 150;
const VISITS = 12;
const plan = { least: 5, usual: 35, most: 120 };
const start = day('2026-01-05');

function row(name: string, constants: RhythmConstants, tau: number) {
  const random = seeded(tau * 31);
  const dogs = Array.from({ length: DOGS }, () =>
    simulateVisits({ tau: () => tau, plan, visits: VISITS, start, random }, constants),
  );
  const answers = dogs.map((observations) =>
    learnRhythm(
      { observations, plan, today: observations.at(-1)?.day ?? start, homeCareChangedOn: null, schoolChangedOn: null },
      constants,
    ),
  );
  const late = dogs.flatMap((observations) => observations.slice(VISITS / 2));
  return {
    constants: name,
    'hidden τ': tau,
    'median of posterior medians': round(
      quantile(
        answers.map((each) => each.posterior.median),
        0.5,
      ),
      1,
    ),
    'interval, median': quantile(
      answers.map((each) => each.interval),
      0.5,
    ),
    'interval, 10–90 %': `${quantile(
      answers.map((each) => each.interval),
      0.1,
    )}–${quantile(
      answers.map((each) => each.interval),
      0.9,
    )}`,
    'later visits above slight, %': round((100 * late.filter((each) => each.lookGrade > 1).length) / late.length, 1),
  };
}

const VARIANTS: readonly (readonly [string, RhythmConstants])[] = [
  ['house values', RHYTHM],
  ['prior spread 0.3', { ...RHYTHM, priorSpread: 0.3 }],
  ['prior spread 0.8', { ...RHYTHM, priorSpread: 0.8 }],
  ['without lapses', { ...RHYTHM, lapse: 0 }],
  ['half-life 90 d', { ...RHYTHM, halfLifeDays: 90 }],
];
report(
  'recovery',
  VARIANTS.flatMap(([name, constants]) => [15, 25, 40, 60, 90].map((tau) => row(name, constants, tau))),
);
