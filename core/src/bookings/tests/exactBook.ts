import type { Highs } from 'highs';
import { admits, isOfPart, type Book, type DogToBook } from '../book';
import { careCost, endCost, owedCost, type PlanCosts } from '../costs';

/**
 * What the best plan of a small book costs, as a mixed-integer program for HiGHS: a path over days for each care, whose
 * arcs cost what the gap costs; the last visit for what is owed; a trip wherever one of a household comes. It shares the
 * cost of one gap with the planner, and nothing else.
 */
export function exactCost(solver: Highs, book: Book, costs: PlanCosts): number {
  const program = programOf(book, costs);
  const { Status, ObjectiveValue } = solver.solve(program.text, { mip_rel_gap: 0, mip_abs_gap: 1e-7 });
  if (Status !== 'Optimal') throw new Error(`HiGHS says ${Status}.`);
  return ObjectiveValue + program.constant;
}

type Terms = Map<string, number>;

function programOf(book: Book, costs: PlanCosts): { readonly text: string; readonly constant: number } {
  const { days, blocks } = book;
  const goal: Terms = new Map();
  const rules: string[] = [];
  const binaries: string[] = [];
  const minutesIn = blocks.map((): Terms => new Map());
  const slotsIn = blocks.map((): Terms => new Map());
  const sharedOn = book.shared.map(() => Array.from({ length: days }, (): Terms => new Map()));
  const trips = new Map<string, Terms[]>();
  let constant = 0;
  const pay = (variable: string, cost: number) => goal.set(variable, (goal.get(variable) ?? 0) + cost);
  const rule = (terms: Terms, relation: string) => {
    if (terms.size > 0) rules.push(`r${rules.length}: ${sum(terms)} ${relation}`);
  };

  for (const [d, dog] of book.dogs.entries()) {
    const movable = dog.standing.filter(({ isFixed }) => !isFixed);
    constant += costs.moved * movable.length;
    // By day and kind: the variables whose sum says whether the dog comes.
    const comes = Array.from({ length: days }, () => ({ full: [] as string[], short: [] as string[] }));
    for (const kind of ['full', 'short'] as const) {
      const choice = dog[kind];
      if (!choice) continue;
      for (const [b, block] of blocks.entries()) {
        const person = book.people.find(({ id }) => id === block.person);
        const isFixedDay = dog.standing.some(({ isFixed, day }) => isFixed && day === block.day);
        if (!person || isFixedDay || !admits(block, person, dog.needs) || block.to - block.from < choice.minutes)
          continue;
        const x = `x_${d}_${kind}_${b}`;
        binaries.push(x);
        comes[block.day]![kind].push(x);
        minutesIn[b]!.set(x, choice.minutes);
        if (dog.needs.slot) slotsIn[b]!.set(x, 1);
        for (const [r, { name }] of book.shared.entries())
          if (choice.uses[name]) sharedOn[r]![block.day]!.set(x, choice.uses[name]);
        const kept = movable
          .filter(({ day }) => day === block.day)
          .reduce((total, each) => total + costs.moved - (each.person === block.person ? 0 : costs.otherPerson), 0);
        pay(x, costs.wish * missed(dog, block) - kept);
      }
    }
    for (const { day, choice } of dog.standing.filter(({ isFixed }) => isFixed)) {
      const x = `f_${d}_${day}`;
      binaries.push(x);
      rule(new Map([[x, 1]]), '= 1');
      comes[day]![dog.short ? choice : 'full'].push(x);
    }
    const together = book.dogs.filter(({ household }) => household === dog.household).length;
    const shortest = Math.min(...dog.care.map(({ ideal }) => ideal));
    const owes: Terms = new Map([[`o_${d}_never`, 1]]);
    pay(`o_${d}_never`, owedCost(dog.lastVisit, shortest, days, together, costs.trip));
    for (const [t, { full, short }] of comes.entries()) {
      const all = [...full, ...short];
      rule(new Map(all.map((x) => [x, 1])), '<= 1');
      if (all.length === 0) continue;
      owes.set(`o_${d}_${t}`, 1);
      pay(`o_${d}_${t}`, owedCost(t, shortest, days, together, costs.trip));
      rule(new Map([[`o_${d}_${t}`, 1], ...all.map((x): [string, number] => [x, -1])]), '<= 0');
      const ofHousehold = trips.get(dog.household) ?? Array.from({ length: days }, (): Terms => new Map());
      trips.set(dog.household, ofHousehold);
      const z = `z_${dog.household.replaceAll(/\W/g, '')}_${t}`;
      rule(new Map([[z, 1], ...all.map((x): [string, number] => [x, -1])]), '>= 0');
      if (!goal.has(z)) pay(z, costs.trip + costs.drive * (book.drive[dog.household] ?? 0));
    }
    rule(owes, '= 1');
    for (const [c, care] of dog.care.entries()) {
      const at = comes.map(({ full, short }) => [...full, ...(dog.short?.covers.includes(care.key) ? short : [])]);
      const open = [...at.keys()].filter((t) => at[t]!.length > 0);
      const arc = (from: number | 'S', to: number | 'E') => `a_${d}_${c}_${from}_${to}`;
      pay(arc('S', 'E'), endCost(care, care.last, days, costs));
      rule(new Map([[arc('S', 'E'), 1], ...open.map((t): [string, number] => [arc('S', t), 1])]), '= 1');
      for (const t of open) {
        pay(arc('S', t), careCost(care, t - care.last, costs));
        pay(arc(t, 'E'), endCost(care, t, days, costs));
        const before = open.filter((s) => s < t);
        const after = open.filter((s) => s > t);
        for (const s of before) pay(arc(s, t), careCost(care, t - s, costs));
        const here = at[t]!.map((x): [string, number] => [x, -1]);
        rule(new Map([[arc('S', t), 1], ...before.map((s): [string, number] => [arc(s, t), 1]), ...here]), '= 0');
        rule(new Map([[arc(t, 'E'), 1], ...after.map((s): [string, number] => [arc(t, s), 1]), ...here]), '= 0');
      }
    }
  }
  for (const [b, { from, to }] of blocks.entries()) {
    rule(minutesIn[b]!, `<= ${to - from}`);
    rule(slotsIn[b]!, '<= 1');
  }
  for (const [r, { minutes }] of book.shared.entries())
    for (const [t, most] of minutes.entries()) rule(sharedOn[r]![t]!, `<= ${most}`);
  const text = ['Minimize', `goal: ${sum(goal)}`, 'Subject To', ...rules, 'Binary', ...binaries, 'End'].join('\n');
  return { text, constant };
}

const sum = (terms: Terms): string =>
  [...terms].map(([variable, by]) => `${by < 0 ? '-' : '+'} ${Math.abs(by)} ${variable}`).join(' ');

const missed = ({ wishes }: DogToBook, block: Book['blocks'][number]): number =>
  Number(wishes.days !== null && !wishes.days.includes(block.day)) +
  Number(wishes.part !== null && !isOfPart(block, wishes.part)) +
  Number(wishes.person !== null && wishes.person !== block.person);
