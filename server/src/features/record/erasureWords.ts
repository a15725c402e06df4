import { and, inArray, isNull, eq } from 'drizzle-orm';
import { homePhoto, message, ownerLink, photo, type sheetPdf } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { ClientReach } from '../../records/client/reach';

/** In words: what goes, what stays and why. */
export async function erasureWords(
  tx: Tenant,
  { row, twins, dogs, visits }: ClientReach,
): Promise<{ erases: string[]; keeps: string[] }> {
  const count = async (table: typeof photo | typeof sheetPdf) =>
    visits.length === 0
      ? 0
      : (
          await tx
            .select({ id: table.visitId })
            .from(table)
            .where(inArray(table.visitId, [...visits]))
        ).length;
  const messages = (await tx.select({ id: message.id }).from(message).where(eq(message.clientId, row.id))).length;
  const pictures = await count(photo);
  const fromHome = await tx
    .select({ id: homePhoto.id })
    .from(homePhoto)
    .where(
      inArray(
        homePhoto.dogId,
        dogs.map(({ id }) => id),
      ),
    );
  const open = await tx
    .select({ id: ownerLink.id })
    .from(ownerLink)
    .where(
      and(
        inArray(
          ownerLink.dogId,
          dogs.map(({ id }) => id),
        ),
        isNull(ownerLink.revokedAt),
      ),
    );
  const many = (n: number, one: string, more: string) => (n === 0 ? [] : [n === 1 ? `one ${one}` : `${n} ${more}`]);
  return {
    erases: [
      `The name ${row.name}, telephone numbers, e-mail addresses, address, note, and what was agreed to`,
      ...many(twins.length, 'card that was merged into this one', 'cards that were merged into this one'),
      ...(dogs.length > 0 ? [`Names, chips, marks and notes of ${dogs.map(({ name }) => name).join(', ')}`] : []),
      ...many(pictures, 'picture', 'pictures'),
      ...many(fromHome.length, 'picture from home', 'pictures from home'),
      ...many(messages, 'message: its address and text', 'messages: their addresses and texts'),
      ...many(open.length, 'private page is closed', 'private pages are closed'),
      'Every word said, noted or quoted at visits, letters of vets, sheets as they were sent',
    ],
    keeps: [
      ...many(
        visits.length,
        'visit without a name: day, what was seen and done',
        'visits without a name: days, what was seen and done',
      ),
      'Products, lots and amounts used: a lot must be traced, and costs belong to the books',
      'Bookings without a name: times and prices belong to the books',
      'Who in the salon saw, changed or sent what',
    ],
  };
}
