import { symmetricDecrypt, symmetricEncrypt } from 'better-auth/crypto';
import { eq, isNotNull } from 'drizzle-orm';
import { forEachBusiness } from '../platform/auth/membership';
import { readConfig } from '../platform/config/config';
import { session, twoFactor, user } from '../platform/db/authSchema';
import { connect, type Databases } from '../platform/db/connect';
import { business, invitation, member, ownerLink } from '../platform/db/schema';
import { inTenant, type Tenant } from '../platform/db/tenant';
import type { SiteSettings } from '../platform/http/context';
import { secretHash } from '../records/links/ownerLinks';

interface Rotated {
  readonly links: number;
  readonly secondProofs: number;
  /** Second proofs that nobody could open any more: those people sign in with the password, and set up a new one. */
  readonly dropped: number;
}

/**
 * Gives the installation another key. Links and calendars of the old one open nothing any more, and what the application
 * shows from now on opens: nobody is shown an address that answers 404. All sessions end. `from` is the old key; null: it is
 * lost.
 */
export async function rotateKey(
  databases: Databases,
  { from, to }: { readonly from: string | null; readonly to: SiteSettings },
): Promise<Rotated> {
  let links = 0;
  await forEachBusiness(databases, (businessId) =>
    inTenant(databases, businessId, async (tx) => {
      links += await reissue(tx, to, businessId);
    }),
  );
  const proofs = await databases.auth.select().from(twoFactor);
  let dropped = 0;
  for (const { id, userId, secret, backupCodes } of proofs) {
    const again = async (sealed: string) =>
      symmetricEncrypt({ key: to.key, data: await symmetricDecrypt({ key: from ?? '', data: sealed }) });
    try {
      if (from === null) throw new Error('The old key is lost.');
      const set = { secret: await again(secret), backupCodes: await again(backupCodes) };
      await databases.auth.update(twoFactor).set(set).where(eq(twoFactor.id, id));
    } catch {
      dropped += 1;
      await databases.auth.delete(twoFactor).where(eq(twoFactor.id, id));
      await databases.auth.update(user).set({ twoFactorEnabled: false }).where(eq(user.id, userId));
    }
  }
  await databases.auth.delete(session);
  return { links, secondProofs: proofs.length, dropped };
}

/** Hashes of all that can be opened, by the new key. */
async function reissue(tx: Tenant, site: SiteSettings, businessId: string): Promise<number> {
  const links = await tx.select({ id: ownerLink.id }).from(ownerLink);
  for (const { id } of links)
    await tx
      .update(ownerLink)
      .set({
        secretHash: secretHash(site, businessId, id, 'owner page'),
        calendarHash: secretHash(site, businessId, id, 'owner calendar'),
      })
      .where(eq(ownerLink.id, id));
  const invitations = await tx.select({ id: invitation.id }).from(invitation);
  for (const { id } of invitations)
    await tx
      .update(invitation)
      .set({ secretHash: secretHash(site, businessId, id, 'invitation') })
      .where(eq(invitation.id, id));
  const feeds = await tx.select({ id: member.id, feedId: member.feedId }).from(member).where(isNotNull(member.feedId));
  for (const { id, feedId } of feeds)
    if (feedId !== null)
      await tx
        .update(member)
        .set({ feedHash: secretHash(site, businessId, feedId, 'groomer') })
        .where(eq(member.id, id));
  const [house] = await tx.select({ feedId: business.feedId }).from(business);
  if (house?.feedId)
    await tx.update(business).set({ feedHash: secretHash(site, businessId, house.feedId, 'business calendar') });
  return links.length + invitations.length + feeds.length + (house?.feedId ? 1 : 0);
}

if (process.argv[2] === 'run') {
  const config = readConfig();
  const databases = connect(config);
  const key = process.env['NEW_AUTH_SECRET'] ?? '';
  const from = process.argv.includes('lost') ? null : config.AUTH_SECRET;
  const to = { publicUrl: config.PUBLIC_URL, key, tellsBackups: false };
  const { links, secondProofs, dropped } = await rotateKey(databases, { from, to });
  console.log(
    `Re-issued ${links} links, invitations and calendars; ${secondProofs - dropped} second proofs kept, ${dropped} dropped. Everybody signs in anew.`,
  );
  await Promise.all(databases.pools.map((pool) => pool.end()));
}
