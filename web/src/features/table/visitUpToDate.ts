import type { VisitView } from '@dewpond/contract';
import { factsUpToDate, type OlderFacts } from '@dewpond/core/dog';
import { upToDate } from '@dewpond/core/events';

/** A visit in today's shape, whichever version kept it on this device or sent it. */
export const visitUpToDate = (visit: VisitView): VisitView => ({
  ...visit,
  facts: factsUpToDate(visit.facts satisfies OlderFacts),
  events: visit.events.map(upToDate),
});
