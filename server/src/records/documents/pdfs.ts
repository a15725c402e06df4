import type { BusinessProfile } from '@dewpond/contract';
import type { Traits } from '@dewpond/core/catalogue';
import type { VetLetter } from '@dewpond/core/letter';
import type { Grade, PlaceKey } from '@dewpond/core/places';
import type { ReadSheet } from '@dewpond/core/sheet';
import type { Day } from '@dewpond/core/units';
import type { Wording } from '@dewpond/core/wording';
import type { ThreadWork } from '../../platform/threads/work';

/** All that stands on a printed sheet. */
export interface PrintedSheet {
  readonly business: BusinessProfile;
  readonly owner: string;
  readonly read: ReadSheet;
  readonly drawing: Traits;
  /** JPEG bytes the owner may see, with what they show; three fit in a row. */
  readonly photos: readonly { readonly words: string; readonly bytes: Buffer }[];
}

export const SHEET_PDF: ThreadWork<PrintedSheet, Buffer> = { name: 'sheet', room: 'drawing' };

/** All that stands on a letter to a vet. */
export interface PrintedLetter {
  readonly business: BusinessProfile;
  readonly day: Day;
  readonly dog: { readonly name: string; readonly chip: string | null };
  readonly owner: string;
  readonly phone: string;
  readonly letter: VetLetter;
  readonly drawing: Traits;
  readonly grades: Readonly<Partial<Record<PlaceKey, Grade>>>;
  /** JPEG bytes of that place, newest first, two at most. */
  readonly photos: readonly Buffer[];
  /** What stands around it, in the business's language. */
  readonly wording: Wording;
  readonly legend: string;
}

export const LETTER_PDF: ThreadWork<{ readonly view: PrintedLetter }, Buffer> = { name: 'letter', room: 'drawing' };
