import { GOALS } from '@dewpond/core/programme';
import type { Day } from '@dewpond/core/units';
import { and, eq, isNull } from 'drizzle-orm';
import type { Router } from 'express';
import { dog, programme } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { badField, notFound, Refusal } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { contentHash, assertSame } from '../../platform/http/sameContent';
import { asSeen, insertOnce, updateGuarded, wasSentBefore } from '../../platform/http/writes';

/** Short lessons of a young or nervous dog: one programme at a time. */
export function programmeRoutes(router: Router, services: Services): void {
  route(router, services, 'POST /api/dogs/:id/programme', async ({ tx, params, body, now, today }) => {
    const [known] = await tx.select({ id: dog.id }).from(dog).where(eq(dog.id, params.id)).for('update');
    if (!known) throw notFound('dog');
    const madeFrom = contentHash({ dogId: params.id, ...body });
    if (await wasSentBefore(tx, programme, { id: body.id, madeFrom })) return { id: body.id };
    const [running] = await tx
      .select({ id: programme.id })
      .from(programme)
      .where(and(eq(programme.dogId, params.id), isNull(programme.endedOn)));
    if (running) throw new Refusal('conflict', 'This dog has a programme already. End that one first.');
    await insertOnce(tx, programme, {
      id: body.id,
      dogId: params.id,
      kind: body.kind,
      startedOn: today,
      madeFrom,
      createdAt: new Date(now),
    });
    return { id: body.id };
  });

  route(router, services, 'POST /api/programmes/:id/lessons', async ({ tx, asker, params, body, today }) => {
    const row = await programmeOf(tx, params.id);
    const known = row.lessons.find((lesson) => lesson.id === body.id);
    if (known) {
      assertSame(`${known.goal} ${known.went}`, `${body.goal} ${body.went}`);
      return { version: row.version };
    }
    if (row.endedOn !== null) throw new Refusal('conflict', 'That programme has ended. Take it up again first.');
    if (!GOALS[row.kind].some(({ id }) => id === body.goal)) throw badField('goal', 'The programme has no such goal.');
    const on: Day = today;
    return write(
      tx,
      row,
      { lessons: [...row.lessons, { ...body, on, by: asker.personName, personId: asker.personId }] },
      body,
    );
  });

  route(router, services, 'PUT /api/programmes/:id', async ({ tx, params, body, today }) => {
    const row = await programmeOf(tx, params.id);
    const set = {
      endedOn: body.ended ? (row.endedOn ?? today) : null,
      lessons: row.lessons.filter((lesson) => lesson.id !== body.withoutLesson),
    };
    return write(tx, { id: row.id, version: body.version }, set, body);
  });
}

async function programmeOf(tx: Tenant, id: string): Promise<typeof programme.$inferSelect> {
  const [row] = await tx.select().from(programme).where(eq(programme.id, id)).for('update');
  if (!row) throw notFound('programme');
  return row;
}

const write = (
  tx: Tenant,
  { id, version }: { readonly id: string; readonly version: number },
  set: Partial<typeof programme.$inferInsert>,
  yours: unknown,
): Promise<{ version: number }> =>
  updateGuarded(asSeen(tx, programme, { id, version }, set), {
    what: 'programme',
    current: () => programmeOf(tx, id),
    yours,
  });
