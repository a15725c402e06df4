import type { Router } from 'express';
import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { visit } from '../../platform/db/schema';
import { askerOf, isStillSignedIn, readTenantOf, type Services } from '../../platform/http/context';
import { guarded } from '../../platform/http/route';
import { notFound } from '../../platform/http/problem';

/** A line now and then keeps proxies from closing a quiet stream, and finds out who has left. */
const HEARTBEAT_MS = 10_000;

/** A stream that says "something is new" and nothing else: what is new is asked for, under the same row security. */
export function liveRoutes(router: Router, services: Services): void {
  router.get('/api/visits/:id/live', guarded('GET /api/visits/:id/live'), async (request, response) => {
    const asker = askerOf(request);
    const id = z.uuid().safeParse(request.params['id']);
    if (!id.success) throw notFound('visit');
    const known = await readTenantOf(services, asker, (tx) =>
      tx.select({ id: visit.id }).from(visit).where(eq(visit.id, id.data)),
    );
    if (known.length === 0) throw notFound('visit');
    response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' });
    response.flushHeaders();
    // Whoever signed out, or was removed, hears of nothing any more.
    const say = async (words: string) => {
      if (await isStillSignedIn(request).catch(() => false)) response.write(words);
      else response.end();
    };
    const tell = () => void say('event: new\ndata: {}\n\n');
    const leave = services.news.follow(asker.businessId, id.data, tell);
    const heartbeat = setInterval(() => void say(': still here\n\n'), HEARTBEAT_MS);
    response.on('close', () => {
      clearInterval(heartbeat);
      leave();
    });
    // Whatever happened between the last answer and now.
    response.write('event: new\ndata: {}\n\n');
  });
}
