import type { HomeLabel } from '@dewpond/core/wording';
import type { ThreadWork } from '../../platform/threads/work';

/** The label of one small bottle; who filled it stands on it, as it leaves the house. */
export interface HomeLabelGiven {
  readonly label: HomeLabel;
  readonly business: string;
  readonly phone: string;
  /** BCP 47 */
  readonly language: string;
}

export const HOME_LABEL_PDF: ThreadWork<HomeLabelGiven, Buffer> = { name: 'home label', room: 'drawing' };
