import { sql } from 'drizzle-orm';
import { usedCode } from '../db/authSchema';
import type { Databases } from '../db/connect';
import { hashOfSecret } from './secrets';

/** Longer than any code is taken for: half a minute, and the one before and after it. */
const KEPT = sql`interval '5 minutes'`;

/**
 * Takes a code of six digits for its person, once (RFC 6238 §5.2: a code that was accepted is not accepted again). False: it
 * was shown before. A wrong one is taken, too: nobody is told which they were.
 */
export async function takeCode({ auth }: Pick<Databases, 'auth'>, personId: string, code: string): Promise<boolean> {
  await auth.delete(usedCode).where(sql`${usedCode.userId} = ${personId} and ${usedCode.usedAt} < now() - ${KEPT}`);
  const taken = await auth
    .insert(usedCode)
    .values({ userId: personId, codeHash: hashOfSecret(`${personId} ${code}`) })
    .onConflictDoNothing()
    .returning({ userId: usedCode.userId });
  return taken.length > 0;
}
