import type { NewVisitEvent, VisitView } from '@dewpond/contract';
import { makePlan } from '@dewpond/core/careplan';
import { currentStep, placesToLookAt, readVisit } from '@dewpond/core/visit';
import { upToDate, type Happening } from '@dewpond/core/events';
import { type Step } from '@dewpond/core/steps';
import { v7 } from 'uuid';
import { clock, type Salon } from './salon';

/** One device's events from a list of happenings, counters from `first`. */
export const eventsOf = (happenings: readonly Happening[], first = 1, device = 'tablet'): NewVisitEvent[] =>
  happenings.map((what, i) => ({
    id: v7(),
    v: 1,
    counter: first + i,
    device,
    at: clock.now + i * 1000,
    offset: 0,
    what: what,
  }));

/** Begins a visit and returns its id. */
export async function begin(salon: Salon, dogId: string): Promise<string> {
  const { body } = await salon.call('POST /api/visits', { body: { id: v7(), dogId, appointmentId: null } });
  return body.id;
}

/** Everything a careful groomer would do: the findings given, the rest clear, each open step done, closed. */
export function wholeVisit(view: VisitView, findings: readonly Happening[]): Happening[] {
  const found = new Set(
    findings.flatMap((each) => (each.type === 'found' ? [JSON.stringify(each.finding.place)] : [])),
  );
  const clear = placesToLookAt(view.facts).filter((place) => !found.has(JSON.stringify(place)));
  const happened: Happening[] = [
    { type: 'opened' },
    ...clear.map((place): Happening => ({ type: 'looked clear', place })),
    ...findings,
  ];
  for (;;) {
    const { state, steps } = readVisit(
      {
        kind: view.kind,
        facts: view.facts,
        plan: makePlan(view.facts),
        contactMinutes: view.contactMinutes,
        ...(view.bath ? { bath: view.bath } : {}),
        lastFindings: view.lastTime?.findings ?? [],
      },
      eventsOf(happened).map((event) => upToDate({ ...event, person: 'p' })),
    );
    const step = currentStep(state, steps);
    if (!step) return [...happened, { type: 'closed', how: 'finished' }];
    happened.push(...work(step), { type: 'step done', step: step.id });
  }
}

const work = (step: Step): Happening[] =>
  step.sides.flatMap((side): Happening[] => {
    if (step.counts === 'plugs in') return [{ type: 'plug in', side }];
    if (step.counts === 'plugs out') return [{ type: 'plug out', side, came: 'dry' }];
    return step.counts === 'pads' ? [{ type: 'pad clean', side }] : [];
  });

/** Visits the dog from the first step to the close, with these findings. */
export async function visitDog(salon: Salon, dogId: string, findings: readonly Happening[] = []): Promise<string> {
  const id = await begin(salon, dogId);
  const { body: view } = await salon.call('GET /api/visits/:id', { id });
  const { status, body } = await salon.call('POST /api/visits/:id/events', {
    id,
    body: { events: eventsOf(wholeVisit(view, findings)) },
  });
  if (status !== 201) throw new Error(JSON.stringify(body));
  return id;
}
