import type { VisitView } from '@dewpond/contract';
import { makePlan } from '@dewpond/core/careplan';
import {
  bathToday,
  currentStep,
  placesToLookAt,
  readVisit,
  type BeforeVisit,
  type VisitReading,
} from '@dewpond/core/visit';
import { type Step } from '@dewpond/core/steps';
import type { Place } from '@dewpond/core/places';
import { useMemo } from 'react';
import { allEvents, useVisitLog } from './visitLog';

export interface TableWork extends VisitReading {
  readonly visit: VisitView;
  /** What stood before the first event. */
  readonly before: BeforeVisit;
  readonly current: Step | null;
  /** What the bath takes, with what was brought to the table since the morning; null: not known. */
  readonly bath: VisitView['bath'];
  readonly places: readonly Place[];
}

/** The visit as the core reads it, on this device, at once: the same code as on the server. */
export function useTable(visit: VisitView): TableWork {
  const known = useVisitLog((log) => log.known);
  const own = useVisitLog((log) => log.own);
  const before = useMemo((): BeforeVisit => {
    const { facts, kind, agreed, contactMinutes, contactMost, minutesFactor } = visit;
    const bath = visit.bath ? { bath: visit.bath } : {};
    const lastFindings = visit.lastTime?.findings ?? [];
    return {
      kind,
      agreed,
      facts,
      plan: makePlan(facts),
      contactMinutes,
      contactMost,
      ...bath,
      minutesFactor,
      lastFindings,
    };
  }, [visit]);
  return useMemo(() => {
    const reading = readVisit(before, allEvents({ known, own }));
    const { state, steps } = reading;
    const bath = bathToday(before, state, reading).bath ?? null;
    return { visit, before, bath, ...reading, current: currentStep(state, steps), places: placesToLookAt(visit.facts) };
  }, [visit, before, known, own]);
}
