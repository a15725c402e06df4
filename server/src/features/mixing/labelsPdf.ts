import type { ThreadWork } from '../../platform/threads/work';

/** What a bottle's label says. */
export interface BottleLabel {
  readonly product: string;
  /** "24:1" */
  readonly ratio: string;
  readonly bottle: string;
  /** "Wed 25 Nov, 08:10" */
  readonly mixed: string;
  readonly discard: string;
  /** The one dog it is for. */
  readonly dog: string | null;
  readonly hazard: string;
}

/** Labels on a roll; an unsigned mix names the business it came from. */
export const LABELS_PDF: ThreadWork<{ readonly labels: readonly BottleLabel[]; readonly business: string }, Buffer> = {
  name: 'labels',
  room: 'drawing',
};
