import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { invitation } from '../../platform/db/schema';
import { inTenant, type BusinessId } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import type { JobKind } from '../../platform/jobs/jobs';
import { loadBusiness } from '../../records/business/business';
import { invitationUrl } from '../../records/links/ownerLinks';
import { stateOf } from './invitations';

export const INVITATION_JOB: JobKind<{ businessId: string; invitationId: string }> = {
  queue: 'invitation-send',
  ids: z.object({ businessId: z.uuid(), invitationId: z.uuid() }),
  everySeconds: 2,
  atOnce: 5,
};

/** Sends an invitation to its address. The queue tries again where it failed; a link that is closed by then is not sent. */
export async function sendInvitation(services: Services, businessId: BusinessId, id: string): Promise<void> {
  const now = services.now();
  const found = await inTenant(services.databases, businessId, async (tx) => {
    const [row] = await tx.select().from(invitation).where(eq(invitation.id, id));
    return row && { row, house: await loadBusiness(tx) };
  });
  if (!found || stateOf(found.row, now) !== 'open' || found.row.email === '') return;
  const { row, house } = found;
  const url = invitationUrl(services.site, businessId, id);
  const until = row.expiresAt.toLocaleDateString('en-GB', { timeZone: house.zone, day: 'numeric', month: 'long' });
  const isKnown = row.memberId !== null;
  const outcome = await services.post['e-mail'].deliver({
    id: row.id,
    ref: row.id,
    to: row.email,
    from: { name: house.name, replyTo: house.email },
    subject: isKnown ? `A new password for ${house.name}` : `${house.name} invites you`,
    words: [
      `Hello ${row.name},`,
      isKnown
        ? `with this link you choose a new password for ${house.name} in Dewpond:`
        : `${row.madeBy} invites you to work with ${house.name} in Dewpond. Open this link and choose a password:`,
      url,
      `It works once, until ${until}. If you did not expect it, leave it be: nothing happens.`,
    ].join('\n\n'),
    language: 'en-GB',
    attached: [],
  });
  if (outcome.kind === 'trouble') throw new Error(outcome.word);
}
