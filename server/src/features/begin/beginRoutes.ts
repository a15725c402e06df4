import { beginning, knocking } from '@dewpond/contract';
import { DEFAULT_HOUSE_WAYS, DEFAULT_SERVICES } from '@dewpond/core/ways';
import { and, eq, gt, isNull } from 'drizzle-orm';
import express, { Router } from 'express';
import { v7 } from 'uuid';
import type { z } from 'zod';
import { accountByEmail, addAccount, beginBusiness } from '../../platform/auth/accounts';
import type { Auth } from '../../platform/auth/auth';
import { countKnocks } from '../../platform/auth/knocks';
import { whyNoPassword } from '../../platform/auth/passwords';
import { beginLink } from '../../platform/db/authSchema';
import { business, member } from '../../platform/db/schema';
import { inTenant, type BusinessId, type Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { Refusal, badField, badInput } from '../../platform/http/problem';
import { hashOfSecret } from '../../platform/auth/secrets';
import { putExamples } from './exampleShelf';

type Beginning = z.output<typeof beginning>;

const CLOSED =
  'This link was used, or has run out. Whoever looks after this installation makes a new one: npm run new-business.';

/** The first steps of a business: by a link that opens once, its name, where it is, who runs it. */
export function beginRoutes(services: Services, auth: Auth): Router {
  const { databases } = services;
  const router = Router();
  const body = express.json({ limit: '10kb' });
  const knocks = countKnocks(databases);

  router.post('/api/begin/look', body, async (request, response) => {
    const parsed = knocking.safeParse(request.body);
    if (!parsed.success) throw badInput(parsed.error);
    const from = request.ip ?? 'nobody';
    await knocks.count(from);
    if (!(await isOpen(services, parsed.data.token))) {
      await knocks.wrong(from);
      throw new Refusal('not found', CLOSED);
    }
    response.set('Cache-Control', 'no-store').status(201).json({});
  });

  router.post('/api/begin', body, async (request, response) => {
    const parsed = beginning.safeParse(request.body);
    if (!parsed.success) throw badInput(parsed.error);
    const from = request.ip ?? 'nobody';
    await knocks.count(from);
    const { data } = parsed;
    const { name, email, password } = data.manager;
    const why = whyNoPassword(password, [name, email, data.business.name]);
    if (why !== null) throw badField('manager.password', why);
    const passwordHash = await (await auth.$context).password.hash(password);
    const begun = await inTenant(databases, data.id as BusinessId, (tx) => begin(services, tx, data, passwordHash));
    if (!begun) {
      await knocks.wrong(from);
      throw new Refusal('conflict', CLOSED);
    }
    response.status(201).json({ email });
  });
  return router;
}

async function isOpen({ databases, now }: Services, token: string): Promise<boolean> {
  const rows = await databases.auth
    .select({ id: beginLink.id })
    .from(beginLink)
    .where(
      and(
        eq(beginLink.secretHash, hashOfSecret(token)),
        isNull(beginLink.usedAt),
        gt(beginLink.expiresAt, new Date(now())),
      ),
    );
  return rows.length > 0;
}

/** All of it or nothing, in one transaction; the same sent again has begun already. False: the link opens nothing. */
async function begin(services: Services, tx: Tenant, given: Beginning, passwordHash: string): Promise<boolean> {
  const [known] = await tx.select({ name: business.name }).from(business);
  const { manager, token } = given;
  if (known) return known.name === given.business.name;
  // By hand and not by the database's refusal: a person can act on it.
  if (await accountByEmail(services.databases, manager.email))
    throw badField('manager.email', 'This address has an account here already. Choose another.');
  const { earHair, ...its } = given.business;
  if (!(await beginBusiness(tx, hashOfSecret(token), its.name))) return false;
  const personId = v7();
  await tx.insert(business).values({
    ...its,
    businessId: given.id as BusinessId,
    email: manager.email,
    ways: DEFAULT_HOUSE_WAYS,
    services: { ...DEFAULT_SERVICES, 'ear hair': earHair },
  });
  await addAccount(tx, { personId, name: manager.name, email: manager.email, passwordHash });
  await tx.insert(member).values({ id: v7(), personId, name: manager.name, role: 'manager' });
  if (given.examples) await putExamples(tx);
  return true;
}
