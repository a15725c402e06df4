import type { NewVisitEvent } from '@dewpond/contract';
import { signWords, areaOf, type Finding, type PadColour, type Sign } from '@dewpond/core/findings';
import { FEET, SIDES, placeKey, type Grade, type Place } from '@dewpond/core/places';
import { drawGrade } from '@dewpond/core/rhythm';
import { daysBetween } from '@dewpond/core/units';
import { currentStep, readVisit, taskOutcomes } from '@dewpond/core/visit';
import { TOE_LENGTHS, type Happening } from '@dewpond/core/events';
import { type Step } from '@dewpond/core/steps';
import { randomLcg } from 'd3-random';
import type { StockedBusiness } from '../records/business/business';
import { mixesFor } from '../records/dog/bathNeeds';
import { beforeVisit, type LoadedVisit } from '../records/visit/load';
import type { DemoDog } from './shape';

const DIRT_AT: Readonly<Record<'ear' | 'eye' | 'fold', readonly Sign[]>> = {
  ear: ['ear pale wax', 'ear dark wax'],
  eye: ['eye wet', 'eye crust'],
  fold: ['fold moisture'],
};
const ORDINARY_TAU = 110;
const PAD_COLOURS_SEEN: readonly PadColour[] = ['pale', 'brown'];
const PADS_OF_GRADE = [0, 1, 3, 4] as const;

/** The sign a groomer would tap for dirt of this grade, or null when the place is clear. */
function dirtAt(place: Place, grade: Grade, random: () => number): Finding | null {
  if (grade === 0) return null;
  const area = areaOf(place.site);
  // Skin and paws of these dogs stay clear; what a story needs of them is told as an extra.
  if (area !== 'ear' && area !== 'eye' && area !== 'fold') return null;
  const signs = DIRT_AT[area];
  const sign = signs[Math.floor(random() * signs.length)] ?? signs[0];
  if (!sign) return null;
  return {
    place,
    sign,
    grade,
    answer: sign === 'eye crust' ? true : signWords(sign).asks !== undefined ? false : null,
  };
}

/** What happened, and how long each step took, in minutes. */
export interface Played {
  readonly happened: readonly Happening[];
  readonly minutes: ReadonlyMap<string, number>;
}

/**
 * What happened at an invented visit: dirt drawn from the dog's hidden truth, every step that was open done, plugs
 * counted in and out. Made by playing the visit through the same reducer and step list that the table uses.
 */
export function playVisit(
  loaded: LoadedVisit,
  demo: DemoDog,
  business: StockedBusiness,
  random: () => number,
  extra: readonly Finding[],
): Played {
  const happened: Happening[] = [{ type: 'opened' }];
  const grades = new Map<string, Grade>();
  for (const place of loaded.places) {
    const key = placeKey(place);
    const last = loaded.record.places[key]?.lastCare;
    const t = last ? Math.max(1, daysBetween(last, loaded.facts.today)) : demo.everyDays;
    const grade = drawGrade(t, demo.hidden[key] ?? ORDINARY_TAU, random);
    grades.set(key, grade);
    const found = [dirtAt(place, grade, random), ...extra.filter((each) => placeKey(each.place) === key)].flatMap(
      (each) => each ?? [],
    );
    if (found.length === 0) happened.push({ type: 'looked clear', place });
    for (const each of found) happened.push({ type: 'found', finding: each });
  }
  const minutes = new Map<string, number>();
  const before = beforeVisit(loaded);
  const read = () => readVisit(before, asEvents(happened));
  for (;;) {
    const seen = read();
    const step = currentStep(seen.state, seen.steps);
    if (!step) break;
    const hands = step.minutes * (0.8 + 0.4 * random());
    minutes.set(step.id, step.stage === 'clean-down' ? Math.max(hands, (step.dwell?.seconds ?? 0) / 60 + 0.5) : hands);
    if (step.stage === 'nails') happened.push(...nailsOf(loaded, demo));
    happened.push(...work(step, grades, random), ...cleaned(step, business), { type: 'step done', step: step.id });
  }
  // Only what something was washed or dressed with: a stop found today leaves its product in the bottle.
  const done = new Set(taskOutcomes(read()).flatMap(({ task, outcome }) => (outcome === 'done' ? [task] : [])));
  for (const { product, mix, tasks } of mixesFor(loaded.planned, business, 1)) {
    if (!tasks.some((task) => done.has(task))) continue;
    const ml = Math.round(mix.need * (demo.thirst ?? 1) * (0.92 + 0.16 * random()));
    happened.push({
      type: 'used',
      product: product.id,
      name: product.name,
      ml,
      planned: Math.round(mix.need),
      how: 'measured',
      tasks,
    });
  }
  return { happened: [...happened, { type: 'closed', how: 'finished' }], minutes };
}

/** Days until nails click on the floor, where nothing else is known. */
const ORDINARY_NAILS_TAU = 48;

/** Nails as they have grown since they were last clipped, all feet alike; by a dice of its own for each dog and day. */
function nailsOf({ record, facts, row }: LoadedVisit, demo: DemoDog): Happening[] {
  const last = record.taskRecords['nails']?.lastCare;
  if (!last) return [];
  const random = randomLcg(Number(row.day.replaceAll('-', '')) / 3e7 + demo.profile.name.length / 97);
  const grade = drawGrade(Math.max(1, daysBetween(last, facts.today)), demo.nailsTau ?? ORDINARY_NAILS_TAU, random);
  const length = TOE_LENGTHS[grade];
  return FEET.flatMap((foot) =>
    SIDES.map((side): Happening => ({ type: 'nails judged', place: { site: `paw ${foot}`, side }, length })),
  );
}

/** Table, tub and tools after the dog, for the clean-down log. */
function cleaned(step: Step, { products }: StockedBusiness): Happening[] {
  const { dwell } = step;
  if (step.stage !== 'clean-down' || !dwell) return [];
  const disinfectant = products.find(({ kind }) => kind === 'disinfectant');
  return [
    ...(disinfectant ? [{ type: 'cleaned with', product: disinfectant.id, name: disinfectant.name } as const] : []),
    { type: 'timer started', timer: dwell.timer, step: step.id, seconds: dwell.seconds },
    ...step.parts.map((part): Happening => ({ type: 'checked', step: step.id, part })),
  ];
}

function work(step: Step, grades: ReadonlyMap<string, Grade>, random: () => number): Happening[] {
  if (step.counts === 'plugs in') return step.sides.map((side) => ({ type: 'plug in', side }));
  if (step.counts === 'plugs out')
    return step.sides.map((side) => ({ type: 'plug out', side, came: random() < 0.2 ? 'damp' : 'dry' }));
  if (step.counts !== 'pads') return [];
  return step.sides.flatMap((side): Happening[] => {
    const dirty = PADS_OF_GRADE[grades.get(`ear/${side}`) ?? 0];
    const colour = PAD_COLOURS_SEEN[Math.floor(random() * PAD_COLOURS_SEEN.length)] ?? 'pale';
    return [
      ...Array.from({ length: dirty }, (): Happening => ({ type: 'pad dirty', side, colour })),
      { type: 'pad clean', side },
    ];
  });
}

const asEvents = (happened: readonly Happening[]) =>
  happened.map((what, i) => ({
    id: String(i).padStart(6, '0'),
    v: 1,
    counter: i + 1,
    device: 'demo',
    person: 'demo',
    at: i,
    offset: 0,
    seen: null,
    what,
  }));

/** Happenings as a device would send them: a step is marked done when its minutes are over, the rest a second apart. */
export function toEvents(
  { happened, minutes }: Played,
  startsAt: number,
  makeId: (at: number) => string,
): NewVisitEvent[] {
  let at = startsAt;
  return happened.map((what, i): NewVisitEvent => {
    at += what.type === 'step done' ? Math.round((minutes.get(what.step) ?? 0) * 60_000) : 1000;
    return { id: makeId(at), v: 1, counter: i + 1, device: 'demo tablet', at, offset: 0, what };
  });
}
