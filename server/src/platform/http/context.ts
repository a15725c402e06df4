import type { Asker } from '../asker';
import type { Day } from '@dewpond/core/units';
import type { Request } from 'express';
import type { Databases } from '../db/connect';
import { inTenant, readInTenant, type Tenant } from '../db/tenant';
import type { VisitNews } from '../live/news';
import type { Post } from '../post/post';
import { Refusal } from './problem';

interface KnownAsker {
  readonly asker: Asker;
  readonly still: () => Promise<boolean>;
}
const ASKERS = new WeakMap<object, KnownAsker>();
/** @param still whether the session still stands, and the person is still a member: for answers that stay open. */
export const setAsker = (request: Request, asker: Asker, still: () => Promise<boolean>): void =>
  void ASKERS.set(request, { asker, still });
export function askerOf(request: object): Asker {
  const known = ASKERS.get(request);
  if (!known) throw new Refusal('not signed in', 'Please sign in.');
  return known.asker;
}
/** For the log; null before anybody is known. */
export const askerIfAny = (request: Request): Asker | null => ASKERS.get(request)?.asker ?? null;
export const isStillSignedIn = (request: Request): Promise<boolean> =>
  ASKERS.get(request)?.still() ?? Promise.resolve(false);

/** Where this installation is reached, and its key: secrets of private addresses follow from it. */
export interface SiteSettings {
  readonly publicUrl: string;
  readonly key: string;
  /** Whether a manager is told of old backups. */
  readonly tellsBackups: boolean;
}

/** What every feature needs. No state of its own: everything lives in the database. */
export interface Services {
  readonly databases: Databases;
  /** Milliseconds since 1970; replaced in tests. */
  readonly now: () => number;
  readonly news: VisitNews;
  readonly site: SiteSettings;
  readonly post: Post;
}

/** A call of one signed-in person, inside the transaction of their business. */
export interface Call<Params = Record<string, string>, Body = undefined, Query = undefined> {
  readonly tx: Tenant;
  readonly asker: Asker;
  readonly params: Params;
  readonly body: Body;
  readonly query: Query;
  /** Milliseconds since 1970. */
  readonly now: number;
  /** The day it is where the business is. */
  readonly today: Day;
}

export const tenantOf = <T>(services: Services, asker: Asker, work: (tx: Tenant) => Promise<T>): Promise<T> =>
  inTenant(services.databases, asker.businessId, work, { standing: asker });

/** The same for what only reads. */
export const readTenantOf = <T>(services: Services, asker: Asker, work: (tx: Tenant) => Promise<T>): Promise<T> =>
  readInTenant(services.databases, asker.businessId, work, { standing: asker });
