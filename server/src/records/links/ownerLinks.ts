import { createHash, createHmac } from 'node:crypto';
import type { OwnerLinkView } from '@dewpond/contract';
import { and, eq, isNull, type SQL } from 'drizzle-orm';
import { dog, ownerLink } from '../../platform/db/schema';
import { inTenant, type BusinessId, type Tenant } from '../../platform/db/tenant';
import type { Databases } from '../../platform/db/connect';
import type { SiteSettings } from '../../platform/http/context';

/*
 * Private pages. A token is the business and a secret of 256 bits; the secret follows from the key of this installation
 * and the link's id, so that it is written down nowhere: the database keeps its hash.
 */

type LinkRow = typeof ownerLink.$inferSelect;

/** What a secret opens; one does not open the other. */
type Opens = 'owner page' | 'owner calendar' | 'groomer' | 'business calendar' | 'invitation';

const secretOf = ({ key }: SiteSettings, businessId: string, id: string, opens: Opens): Buffer =>
  createHmac('sha256', key).update(`${opens} ${businessId} ${id}`).digest();
const hashOf = (secret: Buffer): string => createHash('sha256').update(secret).digest('hex');

/** The hash that is kept of a secret. */
export const secretHash = (site: SiteSettings, businessId: string, id: string, opens: Opens): string =>
  hashOf(secretOf(site, businessId, id, opens));

export function tokenOf(site: SiteSettings, businessId: string, id: string, opens: Opens): string {
  const business = Buffer.from(businessId.replaceAll('-', ''), 'hex');
  return `${business.toString('base64url')}.${secretOf(site, businessId, id, opens).toString('base64url')}`;
}

/** Behind the `#`: a browser sends it to nobody, so it stands in no log and in no Referer. */
export const urlOf = (site: SiteSettings, businessId: string, linkId: string): string =>
  `${site.publicUrl}/owner#${tokenOf(site, businessId, linkId, 'owner page')}`;

/** The link of an invitation; behind the `#` as well. */
export const invitationUrl = (site: SiteSettings, businessId: string, id: string): string =>
  `${site.publicUrl}/join#${tokenOf(site, businessId, id, 'invitation')}`;

/** An address for calendar programs, which can send no header: here the secret stands in the path (see `inLogs`). */
export const calendarUrl = (
  site: SiteSettings,
  businessId: string,
  id: string,
  opens: Exclude<Opens, 'owner page' | 'invitation'>,
): string => `${site.publicUrl}/api/calendars/${tokenOf(site, businessId, id, opens)}.ics`;

/** An address as it may stand in a log: without the secret of a calendar, however it is written, and without what was searched. */
export const inLogs = (url: string): string =>
  url.replace(/(\/api\/+calendars\/+)[^/?#]+/i, '$1(secret)').replace(/\?.*$/, '?…');

const TOKEN = /^([A-Za-z0-9_-]{22})\.([A-Za-z0-9_-]{43})$/;

export interface Token {
  readonly businessId: BusinessId;
  readonly secret: Buffer;
}

/** What a token says; null when it says nothing. */
export function readToken(text: string): Token | null {
  const [, business, secret] = TOKEN.exec(text) ?? [];
  if (business === undefined || secret === undefined) return null;
  const hex = Buffer.from(business, 'base64url').toString('hex');
  const businessId = hex.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5') as BusinessId;
  return { businessId, secret: Buffer.from(secret, 'base64url') };
}

/** What is looked for in the database: finding it says nothing of how much of a wrong secret was right. */
export const hashOfToken = ({ secret }: Token): string => hashOf(secret);

/** The page a token opens, and whose it is; null for anything that opens nothing (any more). */
export async function openLink(
  databases: Databases,
  text: string,
  now: number,
): Promise<{ readonly businessId: BusinessId; readonly link: LinkRow } | null> {
  const token = readToken(text);
  if (!token) return null;
  const { businessId } = token;
  const link = await inTenant(databases, businessId, (tx) =>
    openNow(tx, eq(ownerLink.secretHash, hashOfToken(token)), now),
  );
  return link && { businessId, link };
}

/** The link that is meant, while it is open: not stopped, not run out, its dog not archived. */
export async function openNow(tx: Tenant, which: SQL, now: number): Promise<LinkRow | null> {
  const [found] = await tx
    .select({ link: ownerLink })
    .from(ownerLink)
    .innerJoin(dog, eq(dog.id, ownerLink.dogId))
    .where(and(which, isNull(ownerLink.revokedAt), isNull(dog.archivedOn)));
  return found && found.link.expiresAt.getTime() > now ? found.link : null;
}

export interface NewLink {
  readonly id: string;
  readonly dogId: string;
  readonly days: number;
  readonly by: string;
  readonly personId: string | null;
}

/** Writes a new link down; the same id again is the same link. */
export async function makeLink(
  tx: Tenant,
  site: SiteSettings,
  businessId: BusinessId,
  { id, dogId, days, by, personId }: NewLink,
  now: number,
): Promise<LinkRow> {
  await tx
    .insert(ownerLink)
    .values({
      id,
      dogId,
      secretHash: secretHash(site, businessId, id, 'owner page'),
      calendarHash: secretHash(site, businessId, id, 'owner calendar'),
      expiresAt: new Date(now + days * 86_400_000),
      createdBy: by,
      personId,
    })
    .onConflictDoNothing();
  const [row] = await tx.select().from(ownerLink).where(eq(ownerLink.id, id));
  if (!row) throw new Error('A link that was just written is gone.');
  return row;
}

export const linkView = (site: SiteSettings, row: LinkRow): OwnerLinkView => ({
  id: row.id,
  url: urlOf(site, row.businessId, row.id),
  expiresAt: row.expiresAt.toISOString(),
  revokedAt: row.revokedAt?.toISOString() ?? null,
  seenAt: row.seenAt?.toISOString() ?? null,
  lastSeenAt: row.lastSeenAt?.toISOString() ?? null,
  createdBy: row.createdBy,
  createdAt: row.createdAt.toISOString(),
});
