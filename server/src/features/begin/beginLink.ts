import { and, gt, isNull } from 'drizzle-orm';
import { hashOfSecret, newSecret } from '../../platform/auth/secrets';
import { beginLink, organization } from '../../platform/db/authSchema';
import type { Databases } from '../../platform/db/connect';

/** A link by which a business begins is open for so long. */
const OPEN_DAYS = 7;

/** The address by which one business begins here, once. */
export async function makeBeginLink(
  { auth }: Pick<Databases, 'auth'>,
  publicUrl: string,
  now: number,
): Promise<string> {
  const token = newSecret();
  await auth
    .insert(beginLink)
    .values({ secretHash: hashOfSecret(token), expiresAt: new Date(now + OPEN_DAYS * 86_400_000) });
  return `${publicUrl}/begin#${token}`;
}

/** Whether nobody has begun here yet. */
export async function isEmpty({ auth }: Pick<Databases, 'auth'>): Promise<boolean> {
  const rows = await auth.select({ id: organization.id }).from(organization).limit(1);
  return rows.length === 0;
}

/** Closes links of earlier starts, so that one is about. */
export const closeBeginLinks = ({ auth }: Pick<Databases, 'auth'>, now: number) =>
  auth
    .update(beginLink)
    .set({ usedAt: new Date(now) })
    .where(and(isNull(beginLink.usedAt), gt(beginLink.expiresAt, new Date(now))));
