import type { VisitView } from '@dewpond/contract';
import { factsUpToDate, type OlderFacts } from '@dewpond/core/dog';
import type { ProductKind } from '@dewpond/core/dilution';
import type { BathShown } from '@dewpond/core/steps';
import type { Task } from '@dewpond/core/tasks';
import { upToDate } from '@dewpond/core/events';

/** A mix that did not say what part of the bath it was for: then one wash was for all of it. */
type OlderMix = Omit<VisitView['mixes'][number], 'tasks'> & Partial<Pick<VisitView['mixes'][number], 'tasks'>>;

/** A visit as an older version cached it on this device: open mixes stood under another name, the bath did not choose. */
type OlderVisit = Omit<VisitView, 'openMixes' | 'bath' | 'mixes' | 'atTheDoor' | 'shownBefore' | 'agreed' | 'style'> & {
  readonly style?: VisitView['style'];
  readonly agreed?: VisitView['agreed'];
  readonly bath?: (Omit<BathShown, 'trouble'> & Partial<Pick<BathShown, 'trouble'>>) | null;
  readonly atTheDoor?: VisitView['atTheDoor'];
  readonly shownBefore?: VisitView['shownBefore'];
  readonly mixes: readonly OlderMix[];
  readonly openMixes?: VisitView['openMixes'];
  readonly bench?: VisitView['openMixes'];
};

const OF_KIND: Readonly<Partial<Record<ProductKind, readonly Task[]>>> = {
  face: ['face wash'],
  conditioner: ['conditioner'],
};

/** A visit in today's shape, whichever version cached it on this device or sent it. */
export const visitUpToDate = ({ bench, ...visit }: OlderVisit): VisitView => ({
  ...visit,
  openMixes: visit.openMixes ?? bench ?? [],
  bath: visit.bath ? { ...visit.bath, trouble: visit.bath.trouble ?? [] } : null,
  agreed: visit.agreed ?? null,
  style: visit.style ?? {},
  shownBefore: visit.shownBefore ?? [],
  atTheDoor: visit.atTheDoor ?? { booking: '', dog: '', ownerSaid: null, closing: null },
  mixes: visit.mixes.map((mix) => ({
    ...mix,
    tasks: mix.tasks ?? OF_KIND[mix.product.kind] ?? ['bath', 'second wash'],
  })),
  facts: factsUpToDate(visit.facts satisfies OlderFacts),
  events: visit.events.map(upToDate),
});
