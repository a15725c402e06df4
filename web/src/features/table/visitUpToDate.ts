import type { VisitView } from '@dewpond/contract';
import { factsUpToDate, type OlderFacts } from '@dewpond/core/dog';
import { upToDate } from '@dewpond/core/events';

/** A visit as an older version cached it on this device: open mixes stood under another name. */
type OlderVisit = Omit<VisitView, 'openMixes'> & {
  readonly openMixes?: VisitView['openMixes'];
  readonly bench?: VisitView['openMixes'];
};

/** A visit in today's shape, whichever version cached it on this device or sent it. */
export const visitUpToDate = ({ bench, ...visit }: OlderVisit): VisitView => ({
  ...visit,
  openMixes: visit.openMixes ?? bench ?? [],
  facts: factsUpToDate(visit.facts satisfies OlderFacts),
  events: visit.events.map(upToDate),
});
