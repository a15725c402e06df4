import type { VisitView } from '@dewpond/contract';
import { makePlan } from '@dewpond/core/careplan';
import {
  currentStep,
  endsVisit,
  foldVisit,
  judgeLookOver,
  placesToLookAt,
  stepList,
  type Step,
  type VisitState,
} from '@dewpond/core/visit';
import type { Triage } from '@dewpond/core/findings';
import type { Place, PlaceKey } from '@dewpond/core/places';
import { useMemo } from 'react';
import { allEvents, useVisitLog } from './visitLog';

export interface Table {
  readonly visit: VisitView;
  readonly state: VisitState;
  readonly judged: Partial<Record<PlaceKey, Triage>>;
  readonly steps: readonly Step[];
  readonly current: Step | null;
  readonly places: readonly Place[];
}

/** The visit as the core reads it, on this device, at once: the same code as on the server. */
export function useTable(visit: VisitView): Table {
  const known = useVisitLog((log) => log.known);
  const waiting = useVisitLog((log) => log.waiting);
  return useMemo(() => {
    const state = foldVisit(allEvents({ known, waiting }));
    const { facts } = visit;
    const judged = judgeLookOver(facts, state.findings, visit.lastTime?.findings ?? []);
    const steps = stepList({
      kind: visit.kind,
      plan: makePlan(facts),
      ways: facts.ways,
      traits: facts.traits,
      underTreatment: facts.skin === 'under treatment',
      contactMinutes: visit.contactMinutes,
      triage: judged,
      endVisit: endsVisit(judged),
    });
    return { visit, state, judged, steps, current: currentStep(state, steps), places: placesToLookAt(facts) };
  }, [visit, known, waiting]);
}
