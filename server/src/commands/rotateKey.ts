import { symmetricDecrypt, symmetricEncrypt } from 'better-auth/crypto';
import { eq } from 'drizzle-orm';
import { forEachBusiness } from '../platform/auth/membership';
import { readConfig } from '../platform/config/config';
import { session, twoFactor, user } from '../platform/db/authSchema';
import { connect, type Databases } from '../platform/db/connect';
import { inTenant } from '../platform/db/tenant';
import type { SiteSettings } from '../platform/http/context';
import { reissue } from '../records/links/reissue';

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
