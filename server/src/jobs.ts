import { z } from 'zod';
import { NIGHT_JOB, planAtNight } from './features/ahead/nightPlan';
import { IMPORT_JOB, runImport } from './features/imports/runImport';
import { ACCOUNT_JOB, sendAccountNews } from './records/people/accountNews';
import { INVITATION_JOB, sendInvitation } from './features/people/sendInvitation';
import { LET_GO_JOB, letGoAtNight } from './features/record/retention';
import { REMIND_JOB, remindOwners } from './features/messages/remind';
import { remindOfHomeCare } from './features/messages/remindHome';
import { MESSAGE_JOB, sendMessage } from './features/messages/sendMessage';
import { forEachBusiness } from './platform/auth/membership';
import { inTenant, type BusinessId } from './platform/db/tenant';
import type { Services } from './platform/http/context';
import { enqueue, worker, type JobKind, type Worker } from './platform/jobs/jobs';
import { RECKON_JOB, reckonAll } from './records/due/bookDue';
import { SHEET_JOB, sheetAsPdf } from './records/documents/sheetPdf';

/** Every quarter of an hour each business has what it may want done at its own hour put into the queues. */
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
  worker(REMIND_JOB, async ({ businessId }) => {
    await remindOwners(services, businessId as BusinessId);
    await remindOfHomeCare(services, businessId as BusinessId);
  }),
  worker(NIGHT_JOB, ({ businessId }) => planAtNight(services, businessId as BusinessId)),
  worker(LET_GO_JOB, ({ businessId }) => letGoAtNight(services, businessId as BusinessId)),
  worker(BY_CLOCK, () =>
    forEachBusiness(services.databases, (businessId) =>
      inTenant(services.databases, businessId, async (tx) => {
        await enqueue(tx, REMIND_JOB, { businessId });
        await enqueue(tx, NIGHT_JOB, { businessId });
        await enqueue(tx, LET_GO_JOB, { businessId });
      }),
    ),
  ),
  worker(INVITATION_JOB, ({ businessId, invitationId }) =>
    sendInvitation(services, businessId as BusinessId, invitationId),
  ),
  worker(ACCOUNT_JOB, (news) => sendAccountNews(services, news)),
  worker(MESSAGE_JOB, ({ businessId, messageId }) => sendMessage(services, businessId as BusinessId, messageId)),
];
