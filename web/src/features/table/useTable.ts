import type { VisitView } from '@dewpond/contract';
import { makePlan } from '@dewpond/core/careplan';
import { currentStep, placesToLookAt, readVisit, type VisitReading } from '@dewpond/core/visit';
import { type Step } from '@dewpond/core/steps';
import type { Place } from '@dewpond/core/places';
import { useMemo } from 'react';
import { allEvents, useVisitLog } from './visitLog';

export interface Table extends VisitReading {
  readonly visit: VisitView;
  readonly current: Step | null;
  readonly places: readonly Place[];
}

/** The visit as the core reads it, on this device, at once: the same code as on the server. */
export function useTable(visit: VisitView): Table {
  const known = useVisitLog((log) => log.known);
  const own = useVisitLog((log) => log.own);
  const plan = useMemo(() => makePlan(visit.facts), [visit.facts]);
  return useMemo(() => {
    const { facts, kind, contactMinutes, contactMost, minutesFactor } = visit;
    const lastFindings = visit.lastTime?.findings ?? [];
    const before = { kind, facts, plan, contactMinutes, contactMost, minutesFactor, lastFindings };
    const reading = readVisit(before, allEvents({ known, own }));
    return { visit, ...reading, current: currentStep(reading.state, reading.steps), places: placesToLookAt(facts) };
  }, [visit, plan, known, own]);
}
