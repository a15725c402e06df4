import { createHash, createHmac, timingSafeEqual } from 'node:crypto';
import type { OwnerLinkView } from '@dewpond/contract';
import { eq } from 'drizzle-orm';
import { ownerLink } from '../db/schema';
import { inTenant, type BusinessId, type Tenant } from '../db/tenant';
import type { Databases } from '../db/connect';

/**
 * Private pages. A token is the business and a secret of 256 bits; the secret follows from the key of this installation
 * and the link's id, so that it is written down nowhere: the database keeps its hash.
 */
export interface LinkMaker {
  readonly publicUrl: string;
  readonly key: string;
}

type LinkRow = typeof ownerLink.$inferSelect;

const secretOf = ({ key }: LinkMaker, businessId: string, linkId: string): Buffer =>
  createHmac('sha256', key).update(`owner page ${businessId} ${linkId}`).digest();
const hashOf = (secret: Buffer): string => createHash('sha256').update(secret).digest('hex');

/** The hash that is kept of a link's secret. */
export const secretHash = (maker: LinkMaker, businessId: string, linkId: string): string =>
  hashOf(secretOf(maker, businessId, linkId));

export function tokenOf(maker: LinkMaker, businessId: string, linkId: string): string {
  const business = Buffer.from(businessId.replaceAll('-', ''), 'hex');
  return `${business.toString('base64url')}.${secretOf(maker, businessId, linkId).toString('base64url')}`;
}

/** Behind the `#`: a browser sends it to nobody, so it stands in no log and in no Referer. */
export const urlOf = (maker: LinkMaker, businessId: string, linkId: string): string =>
  `${maker.publicUrl}/owner#${tokenOf(maker, businessId, linkId)}`;

const TOKEN = /^([A-Za-z0-9_-]{22})\.([A-Za-z0-9_-]{43})$/;

/** The link a token opens, and whose it is; null for anything that opens nothing (any more). */
export async function openLink(
  databases: Databases,
  token: string,
  now: number,
): Promise<{ readonly businessId: BusinessId; readonly link: LinkRow } | null> {
  const [, business, secret] = TOKEN.exec(token) ?? [];
  if (business === undefined || secret === undefined) return null;
  const hex = Buffer.from(business, 'base64url').toString('hex');
  const businessId = hex.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5') as BusinessId;
  const hash = hashOf(Buffer.from(secret, 'base64url'));
  const [link] = await inTenant(databases, businessId, (tx) =>
    tx.select().from(ownerLink).where(eq(ownerLink.secretHash, hash)),
  );
  if (!link || !timingSafeEqual(Buffer.from(link.secretHash), Buffer.from(hash))) return null;
  return link.revokedAt === null && link.expiresAt.getTime() > now ? { businessId, link } : null;
}

export interface NewLink {
  readonly id: string;
  readonly dogId: string;
  readonly days: number;
  readonly by: string;
}

/** Writes a new link down; the same id again is the same link. */
export async function makeLink(
  tx: Tenant,
  maker: LinkMaker,
  businessId: BusinessId,
  { id, dogId, days, by }: NewLink,
  now: number,
): Promise<LinkRow> {
  await tx
    .insert(ownerLink)
    .values({
      businessId,
      id,
      dogId,
      secretHash: secretHash(maker, businessId, id),
      expiresAt: new Date(now + days * 86_400_000),
      createdBy: by,
    })
    .onConflictDoNothing();
  const [row] = await tx.select().from(ownerLink).where(eq(ownerLink.id, id));
  if (!row) throw new Error('A link that was just written is gone.');
  return row;
}

export const linkView = (maker: LinkMaker, row: LinkRow): OwnerLinkView => ({
  id: row.id,
  url: urlOf(maker, row.businessId, row.id),
  expiresAt: row.expiresAt.toISOString(),
  revokedAt: row.revokedAt?.toISOString() ?? null,
  seenAt: row.seenAt?.toISOString() ?? null,
  lastSeenAt: row.lastSeenAt?.toISOString() ?? null,
  createdBy: row.createdBy,
  createdAt: row.createdAt.toISOString(),
});
