import type { BusinessProfile } from '@dewpond/contract';
import type { RecordEntry, Picture } from '@dewpond/core/record';
import type { Day } from '@dewpond/core/units';
import type { ThreadWork } from '../../platform/threads/work';
import type { DogRecord } from '../../records/dog/dogRecord';

/** Everything kept of one dog, for an owner who asks for the data. Pictures are JPEG in base64. */
export interface DogExport {
  readonly format: 'dewpond dog';
  readonly version: 1;
  readonly exportedOn: Day;
  readonly business: BusinessProfile;
  readonly owner: { readonly name: string; readonly card: DogRecord['client']['card'] };
  readonly dog: DogRecord['dog']['profile'];
  readonly instructions: DogRecord['instructions'];
  readonly weights: readonly { readonly day: string; readonly kg: number }[];
  readonly history: readonly RecordEntry[];
  /** What happened at each visit, event by event, as it was written down. */
  readonly visits: readonly {
    readonly day: string;
    readonly closed: string | null;
    readonly events: readonly unknown[];
  }[];
  readonly pictures: readonly (Pick<Picture, 'id' | 'takenBy'> & { readonly jpeg: string })[];
}

export const RECORD_PDF: ThreadWork<{ readonly given: DogExport }, Buffer> = { name: 'record', room: 'drawing' };
