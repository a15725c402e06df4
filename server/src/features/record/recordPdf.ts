import type { ThreadWork } from '../../platform/threads/work';
import type { DogExport } from './dogExport';

export const RECORD_PDF: ThreadWork<{ readonly given: DogExport }, Buffer> = { name: 'record', room: 'drawing' };
