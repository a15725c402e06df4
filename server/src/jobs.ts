import { planAtNight } from './features/ahead/nightPlan';
import { IMPORT_JOB, runImport } from './features/imports/runImport';
import { z } from 'zod';
import { remindOwners } from './features/messages/remind';
import { forEachBusiness } from './platform/auth/membership';
import { MESSAGE_JOB, sendMessage } from './features/messages/sendMessage';
import type { BusinessId } from './platform/db/tenant';
import type { Services } from './platform/http/context';
import { worker, type JobKind, type Worker } from './platform/jobs/jobs';
import { RECKON_JOB, reckonAll } from './records/due/bookDue';
import { SHEET_JOB, sheetAsPdf } from './records/documents/sheetPdf';

/** Looks every quarter of an hour what each business wants done at its own hour. */
const BY_CLOCK: JobKind<object> = {
  queue: 'by-the-clock',
  ids: z.object({}),
  everySeconds: 30,
  atOnce: 1,
  byClock: '*/15 * * * *',
};

/** Who does what is put into the queues. */
export const workers = (services: Services): Worker[] => [
  worker(RECKON_JOB, ({ businessId }) => reckonAll(services, businessId as BusinessId)),
  worker(SHEET_JOB, ({ businessId, visitId }) => sheetAsPdf(services, businessId as BusinessId, visitId)),
  worker(IMPORT_JOB, ({ businessId, importId }) => runImport(services, businessId as BusinessId, importId)),
  worker(BY_CLOCK, () =>
    forEachBusiness(services.databases, async (businessId) => {
      await remindOwners(services, businessId);
      await planAtNight(services, businessId);
    }),
  ),
  worker(MESSAGE_JOB, ({ businessId, messageId }) => sendMessage(services, businessId as BusinessId, messageId)),
];
