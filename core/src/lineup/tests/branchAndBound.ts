import { DAY_COSTS, STEP, type PlaceOfWork, type WorkDay } from '../day';
import { jobsOf, openSteps, type Job } from './exactDay';

export interface Proof {
  /** Cheapest found below what was given; null where there is none. */
  readonly cost: number | null;
  /** All orders were looked at; false where the limit ended it. */
  readonly isProved: boolean;
}

/**
 * Looks for a line-up of a plain day that is cheaper than `known`, people as booked, among all in which groups begin in the
 * order of their list as early as they fit (these hold a best one, as no cost falls with time).
 */
export function cheaperDay(day: WorkDay, known: number, mostNodes: number): Proof {
  const jobs = jobsOf(day);
  const until = 400;
  const free = day.people.map((_, p) => openSteps(day, p, until));
  const room = Object.fromEntries(
    Object.entries(day.places).map(([place, count]) => [place, new Array<number>(until).fill(count)]),
  ) as Record<PlaceOfWork, number[]>;
  const firstOf = day.dogs.map((_, d) => jobs.findIndex(({ dog }) => dog === d));
  const next = day.dogs.map(() => 0);
  const readyAt = day.dogs.map(({ arrives }) => Math.ceil(arrives / STEP));
  let best = known - 1e-6;
  let found: number | null = null;
  let nodes = 0;

  const jobAt = (d: number): Job | null =>
    next[d]! < day.dogs[d]!.groups.length ? jobs[firstOf[d]! + next[d]!]! : null;
  const fits = (job: Job, from: number) => {
    for (let t = from; t < from + job.steps; t++)
      if (!free[job.person]![t] || job.at.some((place) => room[place as PlaceOfWork][t]! < 1)) return false;
    return true;
  };
  const mark = (job: Job, from: number, sign: 1 | -1) => {
    for (let t = from; t < from + job.steps; t++) {
      free[job.person]![t] = sign < 0;
      for (const place of job.at) room[place as PlaceOfWork][t]! -= sign;
    }
  };

  /** No completion of what is placed so far costs less: chains without rivals, and each person's work in a row. */
  const bound = (since: number): number => {
    const dogEnds = day.dogs.map((dog, d) => {
      let at = readyAt[d]!;
      for (let i = next[d]!; i < dog.groups.length; i++) {
        const { steps, rest } = jobs[firstOf[d]! + i]!;
        at = Math.max(at + rest, since) + steps;
      }
      return at;
    });
    const personEnds = day.people.map((_, p) => {
      let end = 0;
      let left = 0;
      let start = Infinity;
      for (const [d, dog] of day.dogs.entries()) {
        if (jobs[firstOf[d]!]!.person !== p) continue;
        end = Math.max(end, dogEnds[d]!);
        for (let i = next[d]!; i < dog.groups.length; i++) left += jobs[firstOf[d]! + i]!.steps;
        if (next[d]! < dog.groups.length) start = Math.min(start, readyAt[d]!);
      }
      if (left === 0) return end;
      let t = Math.max(start, since);
      for (let todo = left; todo > 0; t++) if (free[p]![t]) todo--;
      return Math.max(end, t);
    });
    return total(dogEnds, personEnds);
  };

  const total = (dogEnds: readonly number[], personEnds: readonly number[]): number => {
    let cost = DAY_COSTS.end * Math.max(...dogEnds, ...personEnds);
    for (const [d, dog] of day.dogs.entries()) {
      const its = jobs.filter((each) => each.dog === d);
      const worked = its.reduce((sum, { steps, rest }) => sum + steps + rest, 0);
      const waits = dogEnds[d]! - Math.ceil(dog.arrives / STEP) - worked;
      cost += waits * (dog.shortStay ? DAY_COSTS.weakWaiting : DAY_COSTS.waiting);
      if (dog.promised !== null) cost += DAY_COSTS.late * Math.max(0, dogEnds[d]! - Math.ceil(dog.promised / STEP));
    }
    for (const [p, { hours }] of day.people.entries()) {
      const over = personEnds[p]! - Math.floor(hours.at(-1)!.to / STEP);
      const worked = personEnds[p]! - Math.ceil(hours[0]!.from / STEP);
      if (personEnds[p]! > 0) cost += DAY_COSTS.personEnd * worked + DAY_COSTS.afterHours * Math.max(0, over);
    }
    return cost;
  };

  const search = (since: number): void => {
    if (++nodes > mostNodes) return;
    if (bound(since) >= best) return;
    let isDone = true;
    const options: { readonly d: number; readonly job: Job; readonly from: number }[] = [];
    for (const d of day.dogs.keys()) {
      const job = jobAt(d);
      if (!job) continue;
      isDone = false;
      let from = readyAt[d]! + job.rest;
      while (!fits(job, from)) from++;
      if (from >= since) options.push({ d, job, from });
    }
    if (isDone) {
      best = bound(since);
      found = best;
      return;
    }
    for (const { d, job, from } of options.toSorted((a, b) => a.from - b.from)) {
      const before = readyAt[d]!;
      mark(job, from, 1);
      next[d]!++;
      readyAt[d] = from + job.steps;
      search(from);
      readyAt[d] = before;
      next[d]!--;
      mark(job, from, -1);
    }
  };
  search(0);
  return { cost: found, isProved: nodes <= mostNodes };
}
