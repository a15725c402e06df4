import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { accountsOf } from '../../platform/auth/accounts';
import { ACCOUNT_CHANGES, type AccountChange, type AccountNote } from '../../platform/auth/accountNote';
import { firstBusiness } from '../../platform/auth/membership';
import { member } from '../../platform/db/schema';
import { inTenant, type BusinessId, type Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { enqueue, type JobKind } from '../../platform/jobs/jobs';
import { loadBusiness } from '../business/business';

interface AccountNews {
  readonly businessId: string;
  readonly personId: string;
  readonly at: number;
  readonly what: AccountChange;
}

export const ACCOUNT_JOB: JobKind<AccountNews> = {
  queue: 'new-device',
  ids: z.object({
    businessId: z.uuid(),
    personId: z.uuid(),
    at: z.number(),
    // What waited when the version before this one ended was of devices only.
    what: z.enum(ACCOUNT_CHANGES).default('device'),
  }),
  everySeconds: 2,
  atOnce: 5,
};

/** Puts the telling into the queue of this transaction: what is rolled back is not told. */
export const tellOfChange = (tx: Tenant, news: AccountNews): Promise<unknown> => enqueue(tx, ACCOUNT_JOB, news);

/** The same from where nobody stands in a business: signing in waits for no mail server. */
export const tellOfAccount =
  (services: Services): AccountNote =>
  async ({ personId, what }) => {
    const businessId = await firstBusiness(services.databases, personId);
    if (businessId === null) return;
    const at = services.now();
    await inTenant(services.databases, businessId as BusinessId, (tx) =>
      tellOfChange(tx, { businessId, personId, at, what }),
    );
  };

const WORDS: Readonly<Record<AccountChange, { readonly subject: string; readonly says: (when: string) => string }>> = {
  device: {
    subject: 'A new device is signed in as you',
    says: (when) => `somebody signed in to Dewpond as you on ${when}, from a browser that was not used before.`,
  },
  password: {
    subject: 'Your password was changed',
    says: (when) => `your password for Dewpond was changed on ${when}. All other devices were signed out.`,
  },
  'second proof on': {
    subject: 'A second proof was set up',
    says: (when) => `since ${when} signing in to Dewpond as you asks for a second proof.`,
  },
  'second proof off': {
    subject: 'Your second proof was taken away',
    says: (when) => `since ${when} your password alone opens Dewpond: the second proof was taken away.`,
  },
  PIN: {
    subject: 'Your PIN was changed',
    says: (when) => `your PIN for the shared tablets was set on ${when}.`,
  },
};

/** Tells a person by mail what was done to their account, so that they know of it where it was not them. */
export async function sendAccountNews(
  services: Services,
  { businessId, personId, at, what }: AccountNews,
): Promise<void> {
  const found = await inTenant(services.databases, businessId as BusinessId, async (tx) => {
    const [its] = await tx.select({ name: member.name }).from(member).where(eq(member.personId, personId));
    const email = (await accountsOf(tx, [personId])).get(personId)?.email;
    return its && email !== undefined ? { name: its.name, email, house: await loadBusiness(tx) } : null;
  });
  if (!found) return;
  const { name, email, house } = found;
  const when = new Date(at).toLocaleString('en-GB', { timeZone: house.zone, dateStyle: 'full', timeStyle: 'short' });
  const { subject, says } = WORDS[what];
  const id = `account-${what.replaceAll(' ', '-')}-${personId}-${at}`;
  const outcome = await services.post['e-mail'].deliver({
    id,
    ref: id,
    to: email,
    from: { name: house.name, replyTo: house.email },
    subject,
    words: [
      `Hello ${name},`,
      `${says(when)} If that was you, all is well.`,
      `If not: sign in, open Keys and you, sign other devices out and change your password. Tell your manager.\n${services.site.publicUrl}`,
    ].join('\n\n'),
    language: 'en-GB',
    attached: [],
  });
  if (outcome.kind === 'trouble') throw new Error(outcome.word);
}
