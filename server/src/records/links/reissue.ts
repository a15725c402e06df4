import { eq, isNotNull } from 'drizzle-orm';
import { business, invitation, member, ownerLink } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { SiteSettings } from '../../platform/http/context';
import { secretHash } from './ownerLinks';

/** Hashes of all that can be opened, by the key of this installation: what it shows from now on opens. How many those are. */
export async function reissue(tx: Tenant, site: SiteSettings, businessId: string): Promise<number> {
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
