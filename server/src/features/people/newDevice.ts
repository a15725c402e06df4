import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { accountsOf } from '../../platform/auth/accounts';
import type { DeviceNote } from '../../platform/auth/knownDevices';
import { firstBusiness } from '../../platform/auth/membership';
import { member } from '../../platform/db/schema';
import { inTenant, type BusinessId } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { enqueue, type JobKind } from '../../platform/jobs/jobs';
import { loadBusiness } from '../../records/business/business';

export const NEW_DEVICE_JOB: JobKind<{ businessId: string; personId: string; at: number }> = {
  queue: 'new-device',
  ids: z.object({ businessId: z.uuid(), personId: z.uuid(), at: z.number() }),
  everySeconds: 2,
  atOnce: 5,
};

/** Puts the telling into the queue: signing in waits for no mail server. */
export const tellOfDevice =
  (services: Services): DeviceNote =>
  async ({ personId }) => {
    const businessId = await firstBusiness(services.databases, personId);
    if (businessId === null) return;
    const at = services.now();
    await inTenant(services.databases, businessId as BusinessId, (tx) =>
      enqueue(tx, NEW_DEVICE_JOB, { businessId, personId, at }),
    );
  };

/** Tells a person by mail that somebody signed in as them from a browser that was never used before. */
export async function sendNewDevice(
  services: Services,
  { businessId, personId, at }: { businessId: string; personId: string; at: number },
): Promise<void> {
  const found = await inTenant(services.databases, businessId as BusinessId, async (tx) => {
    const [its] = await tx.select({ name: member.name }).from(member).where(eq(member.personId, personId));
    const email = (await accountsOf(tx, [personId])).get(personId)?.email;
    return its && email !== undefined ? { name: its.name, email, house: await loadBusiness(tx) } : null;
  });
  if (!found) return;
  const { name, email, house } = found;
  const when = new Date(at).toLocaleString('en-GB', { timeZone: house.zone, dateStyle: 'full', timeStyle: 'short' });
  const outcome = await services.post['e-mail'].deliver({
    id: `device-${personId}-${at}`,
    to: email,
    from: { name: house.name, replyTo: house.email },
    subject: 'A new device is signed in as you',
    words: [
      `Hello ${name},`,
      `somebody signed in to Dewpond as you on ${when}, from a browser that was not used before. If that was you, all is well.`,
      `If not: sign in, open Keys and you, sign that device out and change your password.\n${services.site.publicUrl}`,
    ].join('\n\n'),
    attached: [],
  });
  if (outcome.kind === 'trouble') throw new Error(outcome.word);
}
