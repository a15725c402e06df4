import type { Highs } from 'highs';
import { DAY_COSTS, PLACES, STEP, type WorkDay } from '../day';

/** Groups as one list: the two solvers here share these numbers, and nothing with the search. */
export interface Job {
  readonly dog: number;
  readonly person: number;
  readonly steps: number;
  readonly rest: number;
  readonly at: readonly string[];
  readonly isFirst: boolean;
  readonly isLast: boolean;
}

export const jobsOf = (day: WorkDay): Job[] =>
  day.dogs.flatMap((dog, d) =>
    dog.groups.map((group, i): Job => ({
      dog: d,
      person: day.people.findIndex(({ id }) => id === dog.person),
      steps: Math.ceil(group.minutes / STEP),
      rest: Math.ceil(group.rest / STEP),
      at: group.at,
      isFirst: i === 0,
      isLast: i === dog.groups.length - 1,
    })),
  );

/** Steps in which a person may work: within hours, and past the last of them. */
export function openSteps(day: WorkDay, person: number, until: number): boolean[] {
  const hours = day.people[person]!.hours;
  const last = hours.at(-1)!.to;
  return Array.from({ length: until }, (_, t) => {
    const minute = t * STEP;
    return minute >= last || hours.some(({ from, to }) => minute >= from && minute + STEP <= to);
  });
}

/**
 * What the best line-up of a small plain day costs, people as booked, as a mixed-integer program for HiGHS: a binary for
 * each group and step at which it may begin.
 */
export function exactDayCost(solver: Highs, day: WorkDay, until: number): number {
  const jobs = jobsOf(day);
  const costs = DAY_COSTS;
  const goal: string[] = [`${costs.end} E`];
  const rules: string[] = [];
  const binaries: string[] = [];
  let constant = 0;
  const rule = (terms: readonly string[], relation: string) => {
    if (terms.length > 0) rules.push(`r${rules.length}: ${terms.join(' ')} ${relation}`);
  };
  const startsOf = jobs.map((job, j) => {
    const open = openSteps(day, job.person, until);
    const earliest = Math.ceil(day.dogs[job.dog]!.arrives / STEP);
    const starts = [...open.keys()].filter(
      (t) => t >= earliest && t + job.steps <= until && open.slice(t, t + job.steps).every(Boolean),
    );
    binaries.push(...starts.map((t) => `x_${j}_${t}`));
    rule(
      starts.map((t) => `+ x_${j}_${t}`),
      '= 1',
    );
    return starts;
  });
  const startTerms = (j: number, sign: '+' | '-') => startsOf[j]!.map((t) => `${sign} ${t} x_${j}_${t}`);
  const running = (j: number, t: number) =>
    startsOf[j]!.filter((s) => s <= t && t < s + jobs[j]!.steps).map((s) => `+ x_${j}_${s}`);
  for (let t = 0; t < until; t++) {
    for (const p of day.people.keys())
      rule(
        jobs.flatMap((job, j) => (job.person === p ? running(j, t) : [])),
        '<= 1',
      );
    for (const place of PLACES)
      rule(
        jobs.flatMap((job, j) => (job.at.includes(place) ? running(j, t) : [])),
        `<= ${day.places[place]}`,
      );
  }
  for (const [j, job] of jobs.entries()) {
    if (!job.isFirst) rule([...startTerms(j, '+'), ...startTerms(j - 1, '-')], `>= ${jobs[j - 1]!.steps + job.rest}`);
    if (!job.isLast) continue;
    const dog = day.dogs[job.dog]!;
    const wait = dog.shortStay ? costs.weakWaiting : costs.waiting;
    const end = (relation: string, by: number) => rule([`+ ${relation}`, ...startTerms(j, '-')], `>= ${by}`);
    end('E', job.steps);
    end(`P_${job.person}`, job.steps);
    goal.push(...startsOf[j]!.map((t) => `+ ${wait * t} x_${j}_${t}`));
    const its = jobs.filter((each) => each.dog === job.dog);
    const worked = its.reduce((sum, { steps, rest }) => sum + steps + rest, 0);
    constant += wait * (job.steps - Math.ceil(dog.arrives / STEP) - worked);
    if (dog.promised !== null) {
      goal.push(`+ ${costs.late} L_${job.dog}`);
      end(`L_${job.dog}`, job.steps - Math.ceil(dog.promised / STEP));
    }
  }
  for (const [p, { hours }] of day.people.entries()) {
    if (!jobs.some(({ person }) => person === p)) continue;
    goal.push(`+ ${costs.personEnd} P_${p}`, `+ ${costs.afterHours} O_${p}`);
    constant -= costs.personEnd * Math.ceil(hours[0]!.from / STEP);
    rule([`+ O_${p}`, `- P_${p}`], `>= ${-Math.floor(hours.at(-1)!.to / STEP)}`);
  }
  const text = ['Minimize', `goal: ${goal.join(' ')}`, 'Subject To', ...rules, 'Binary', ...binaries, 'End'].join('\n');
  const { Status, ObjectiveValue } = solver.solve(text, { mip_rel_gap: 0, mip_abs_gap: 1e-6, time_limit: 60 });
  if (Status !== 'Optimal') throw new Error(`HiGHS says ${Status}.`);
  return ObjectiveValue + constant;
}
