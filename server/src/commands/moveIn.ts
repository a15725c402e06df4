import { isNull } from 'drizzle-orm';
import { v7 } from 'uuid';
import { takeIn, type HouseTakenIn } from '../features/begin/takeIn';
import { writeInvitation } from '../features/people/invitations';
import { readConfig } from '../platform/config/config';
import { connect, type Databases } from '../platform/db/connect';
import { changesKnown } from '../platform/db/migrate';
import { member } from '../platform/db/schema';
import type { SiteSettings } from '../platform/http/context';
import { NoHouse, openHouse } from '../records/house/readHouse';
import { invitationUrl } from '../records/links/ownerLinks';
import { reissue } from '../records/links/reissue';

export interface MovedIn extends HouseTakenIn {
  /** A link for everybody who works there, to choose a new password. */
  readonly links: readonly { readonly name: string; readonly url: string }[];
}

/** Takes the business of a file in, and makes the links by which its people come in. Throws {@link NoHouse}. */
export async function moveIn(databases: Databases, site: SiteSettings, file: string, now: number): Promise<MovedIn> {
  const house = await openHouse(file);
  const links: { name: string; url: string }[] = [];
  try {
    const taken = await takeIn(databases, house, changesKnown(), async (tx, businessId) => {
      await reissue(tx, site, businessId);
      const people = await tx.select().from(member).where(isNull(member.leftAt));
      const [manager] = people.filter(({ role }) => role === 'manager');
      if (!manager) throw new NoHouse('Nobody of this business is its owner-manager.');
      for (const { id: memberId, name, role } of people) {
        const id = v7();
        const invited = { id, memberId, name, role, email: '', madeBy: manager.name, personId: manager.personId };
        await writeInvitation({ tx, site, businessId, now }, invited);
        links.push({ name, url: invitationUrl(site, businessId, id) });
      }
    });
    return { ...taken, links };
  } finally {
    house.close();
  }
}

if (process.argv[2] === 'run') {
  const config = readConfig();
  const databases = connect(config);
  const site = { publicUrl: config.PUBLIC_URL, key: config.AUTH_SECRET, tellsBackups: false };
  try {
    const { name, rows, links } = await moveIn(databases, site, process.argv[3] ?? '', Date.now());
    console.log(`${name} is here: ${rows} rows, each as it was. Everybody chooses a new password, within a week:\n`);
    for (const each of links) console.log(`  ${each.name}\n    ${each.url}`);
    console.log(
      '\nStop the old installation now: as long as it runs, it reminds owners and plans as well. Send owners new links from their dogs’ pages.',
    );
  } catch (error) {
    if (!(error instanceof NoHouse)) throw error;
    console.error(`${error.message} Nothing was changed.`);
    process.exitCode = 1;
  }
  await Promise.all(databases.pools.map((pool) => pool.end()));
}
