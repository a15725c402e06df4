import { foundWork } from '@dewpond/contract';
import express, { Router } from 'express';
import { tabletOf } from '../../platform/auth/tablets';
import { heldWork, member } from '../../platform/db/schema';
import { inTenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { Refusal, badInput } from '../../platform/http/problem';

/*
 * A tablet that was reported lost and comes back, or sends from wherever it is: what it had recorded before the report is
 * put aside for a manager's word; what says it was made later is refused.
 */

const FOUND_LIMIT = '12mb';
const LATER = 'This was made after the tablet was reported lost.';

/** Where a lost tablet hands over what it had not sent: by its secret, without a session. */
export function foundRoutes(services: Services): Router {
  const router = Router();
  router.post('/api/tablet/found', async (request, response, next) => {
    const row = await tabletOf(services.databases, request);
    if (!row?.lostAt) throw new Refusal('not allowed', 'Only a tablet that was reported lost hands its work over.');
    const { lostAt, businessId, id: tabletId } = row;
    // Who it is comes before what it sends: the body is larger than any other.
    express.json({ limit: FOUND_LIMIT })(request, response, (error?: unknown) => {
      if (error) return next(error);
      const parsed = foundWork.safeParse(request.body);
      if (!parsed.success) return next(badInput(parsed.error));
      const { work } = parsed.data;
      inTenant(services.databases, businessId, async (tx) => {
        const people = new Set((await tx.select({ id: member.id }).from(member)).map(({ id }) => id));
        const words = (each: (typeof work)[number]): string | null => {
          if (!people.has(each.memberId)) return 'Nobody here is this person.';
          return each.at + (each.offset ?? 0) > lostAt.getTime() ? LATER : null;
        };
        const refused = work
          .flatMap((each) => ({ id: each.id, words: words(each) ?? '' }))
          .filter((each) => each.words);
        const no = new Set(refused.map(({ id }) => id));
        const rows = work.flatMap((each) => (no.has(each.id) ? [] : [asRow(each, tabletId, services.now())]));
        if (rows.length > 0) await tx.insert(heldWork).values(rows).onConflictDoNothing();
        return { held: rows.map(({ id }) => id), refused };
      }).then((answer) => response.status(201).json(answer), next);
    });
  });
  return router;
}

function asRow(
  { id, kind, memberId, visitId, at, offset, content }: ReturnType<typeof foundWork.parse>['work'][number],
  tabletId: string,
  now: number,
): typeof heldWork.$inferInsert {
  const isPicture = kind === 'picture';
  return {
    ...{ id, tabletId, memberId, kind, visitId, at: new Date(at + (offset ?? 0)), heldAt: new Date(now) },
    content: isPicture ? {} : content,
    bytes: isPicture ? Buffer.from(content.jpeg, 'base64') : null,
  };
}
