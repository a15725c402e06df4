import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { IMPORT_FILE_LIMIT, openApiDocument } from '@dewpond/contract';
import express, { Router, type ErrorRequestHandler, type Express, type RequestHandler } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { appointmentRoutes } from './features/appointments/routes';
import { cleanDownRoutes } from './features/cleanDowns/routes';
import { aheadRoutes } from './features/ahead/routes';
import { roundRoutes } from './features/round/routes';
import { auditRoutes } from './features/audit/routes';
import { makeAuth, type Auth } from './platform/auth/auth';
import { requireSession } from './platform/auth/requireSession';
import { signIn } from './platform/auth/signIn';
import { mixingRoutes } from './features/mixing/routes';
import { labelRoutes } from './features/mixing/labels';
import { mixRoutes } from './features/mixing/mixes';
import { productRoutes } from './features/shelf/products';
import { toolRoutes } from './features/shelf/tools';
import { traceRoutes } from './features/stock/trace';
import { clientRoutes } from './features/clients/routes';
import { archiveRoutes } from './features/dogs/archive';
import { letterRoutes } from './features/dogs/letters';
import { programmeRoutes } from './features/dogs/programmes';
import { weighingRoutes } from './features/dogs/weighings';
import { exportRoutes } from './features/exports/routes';
import { breedRoutes } from './features/business/breeds';
import { importRoutes } from './features/imports/routes';
import { mergeRoutes } from './features/merging/routes';
import type { Config } from './platform/config/config';
import { isAway, isDiskFull, isNotStorable, isThereAlready } from './platform/db/away';
import { isAlive } from './platform/db/connect';
import { instructionRoutes } from './features/dogs/instructions';
import { dogRoutes } from './features/dogs/routes';
import { profileRoutes } from './features/business/profile';
import { branchRoutes } from './features/branches/routes';
import { businessRoutes } from './features/business/routes';
import { beginRoutes } from './features/begin/beginRoutes';
import { firstStepsRoutes } from './features/begin/firstSteps';
import { tabletDoorRoutes } from './features/tablets/tabletDoor';
import { tabletRoutes } from './features/tablets/routes';
import { joinRoutes } from './features/people/joinRoutes';
import { tellOfAccount } from './records/people/accountNews';
import { peopleRoutes } from './features/people/routes';
import { carrierStates } from './features/messages/carrierStates';
import { ownerPages } from './features/ownerPage/ownerPage';
import { calendarFeeds, calendarRoutes } from './features/calendars/routes';
import { inLogs } from './records/links/ownerLinks';
import { homeBathRoutes } from './features/homeBath/routes';
import { homePhotoRoutes } from './features/ownerPage/homePhotos';
import { linkRoutes } from './features/ownerPage/linkRoutes';
import { messageRoutes } from './features/messages/routes';
import { eraseRoutes } from './features/record/eraseRoutes';
import { recordRoutes } from './features/record/routes';
import { referralRoutes } from './features/referrals/routes';
import type { Services } from './platform/http/context';
import { RETRY_AFTER, Refusal, busy, notFound } from './platform/http/problem';
import { squeezed, squeezedFiles } from './platform/http/compressed';
import { logCalls, traceOf } from './platform/http/logging';
import { assertStorable } from './platform/http/storable';
import { foundRoutes } from './features/visits/foundWork';
import { heldRoutes } from './features/visits/heldWork';
import { liveRoutes } from './features/visits/liveRoutes';
import { sheetRoutes } from './features/sheet/routes';
import { metrics } from './features/status/metrics';
import { statusRoutes } from './features/status/routes';
import { watchProxies } from './platform/http/proxyCheck';
import { stockRoutes } from './features/stock/routes';
import { todayRoutes } from './features/today/routes';
import { VERSION } from './platform/config/version';
import { vetRoutes } from './features/vets/routes';
import { prefetchRoutes } from './features/visits/prefetch';
import { photoRoutes } from './features/visits/photos';
import { visitRoutes } from './features/visits/routes';

const BODY_LIMIT = '1mb';

/** The whole application as one Express app; it keeps nothing between requests. */
export function makeApp(
  config: Config,
  services: Services,
  log: Logger,
  auth: Auth = makeAuth(config, services.databases),
): Express {
  const app = express();
  app.set('trust proxy', config.TRUST_PROXY);
  app.disable('x-powered-by');
  const proxies = watchProxies(config.TRUST_PROXY, log);
  const figures = metrics(config, services);
  app.use(logCalls(log, inLogs), proxies.look, figures.count);
  app.use(securityHeaders(config));
  app.use(sameOriginWrites(config));
  app.use(squeezed);

  app.get('/api/health', async (_request, response) => {
    const database = await isAlive(services.databases);
    response
      .status(database ? 200 : 503)
      .json({ status: database ? 'ok' : 'degraded', version: VERSION, database: database ? 'ok' : 'unreachable' });
  });
  // For whoever starts and stops processes: this one lives; this one can answer.
  app.get('/api/health/live', (_request, response) => void response.json({ status: 'ok' }));
  app.get('/api/health/ready', async (_request, response) => {
    const isReady = await isAlive(services.databases);
    response.status(isReady ? 200 : 503).json({ status: isReady ? 'ok' : 'degraded' });
  });
  app.use(figures.router);
  // Made once, when somebody asks: it takes some tens of milliseconds.
  let document: object | undefined;
  app.get('/api/openapi.json', (_request, response) => void response.json((document ??= openApiDocument(VERSION))));

  app.use(signIn(config, auth, services.databases, tellOfAccount(services)));

  // In front of the session: owners and whoever joins have none, their link is their key.
  app.use(carrierStates(services, config.TEXT_STATE_SECRET));
  app.use(ownerPages(services), calendarFeeds(services), joinRoutes(services, auth), beginRoutes(services, auth));

  app.use(tabletDoorRoutes(config, services, auth), foundRoutes(services));

  const signedIn = requireSession(config, auth, services.databases);
  // Only an import is larger than anything a person types; nobody sends it without being signed in.
  app.post('/api/imports', signedIn, express.json({ limit: IMPORT_FILE_LIMIT }));
  app.use('/api', neverCached, express.json({ limit: BODY_LIMIT }), assertStorable, signedIn);
  const api = Router();
  for (const feature of [
    businessRoutes,
    branchRoutes,
    todayRoutes,
    dogRoutes,
    instructionRoutes,
    clientRoutes,
    appointmentRoutes,
    aheadRoutes,
    roundRoutes,
    visitRoutes,
    photoRoutes,
    prefetchRoutes,
    liveRoutes,
    sheetRoutes,
    peopleRoutes,
    tabletRoutes(config, auth),
    heldRoutes,
    firstStepsRoutes,
    profileRoutes,
    linkRoutes,
    calendarRoutes,
    homeBathRoutes,
    recordRoutes,
    auditRoutes,
    cleanDownRoutes,
    eraseRoutes,
    homePhotoRoutes,
    messageRoutes,
    referralRoutes,
    archiveRoutes,
    weighingRoutes,
    programmeRoutes,
    letterRoutes,
    vetRoutes,
    mergeRoutes,
    breedRoutes,
    importRoutes,
    exportRoutes,
    productRoutes,
    toolRoutes,
    mixingRoutes,
    mixRoutes,
    labelRoutes,
    stockRoutes,
    traceRoutes,
  ])
    feature(api, services);
  statusRoutes(api, services, proxies.said);
  app.use(api);
  app.use('/api', () => {
    throw notFound('address');
  });

  if (config.WEB_DIST && existsSync(join(config.WEB_DIST, 'index.html'))) serveWeb(app, config.WEB_DIST);
  app.use(answerProblems(log));
  return app;
}

/** What belongs to a business stays in no cache but the application's own; pictures and files say otherwise themselves. */
const neverCached: RequestHandler = (_request, response, next) => {
  response.set('Cache-Control', 'private, no-store');
  next();
};

/** The camera is used for pictures of dogs; nothing else of a device is. */
const PERMISSIONS = 'camera=(self), microphone=(), geolocation=(), payment=(), usb=(), interest-cohort=()';

function securityHeaders(config: Config): RequestHandler[] {
  const secure = config.PUBLIC_URL.startsWith('https:');
  const permissions: RequestHandler = (_request, response, next) => {
    response.set('Permissions-Policy', PERMISSIONS);
    next();
  };
  const helmeted = helmet({
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        // The owner's page makes its own: its address is the link.
        manifestSrc: ["'self'", 'blob:'],
        objectSrc: ["'none'"],
        frameAncestors: ["'none'"],
        // On plain http over loopback this directive would blank the page.
        upgradeInsecureRequests: secure ? [] : null,
      },
    },
    strictTransportSecurity: secure,
  });
  return [permissions, helmeted];
}

/** A write must come from our own pages: browsers send Origin with every write. Clients that are no browsers send none. */
function sameOriginWrites(config: Config): RequestHandler {
  const allowed = new URL(config.PUBLIC_URL).origin;
  return (request, _response, next) => {
    const { origin } = request.headers;
    const reads = request.method === 'GET' || request.method === 'HEAD';
    if (!reads && origin !== undefined && origin !== allowed)
      throw new Refusal('not allowed', 'That came from another site.');
    next();
  };
}

function serveWeb(app: Express, dist: string): void {
  app.use('/assets', squeezedFiles(join(dist, 'assets'), { immutable: true, maxAge: '1y' }));
  // The owner's page is built by itself; its own files say so in their address.
  app.use('/of-owner/assets', squeezedFiles(join(dist, 'of-owner/assets'), { immutable: true, maxAge: '1y' }));
  app.use(squeezedFiles(dist));
  app.get('/owner', (_request, response) => {
    response.set('Cache-Control', 'no-cache').sendFile(join(dist, 'of-owner/owner.html'));
  });
  app.get('/{*path}', (_request, response) => {
    response.set('Cache-Control', 'no-cache').sendFile(join(dist, 'index.html'));
  });
}

/** One place turns errors into answers. What a person did wrong is no error of ours and leaves no stack trace. */
function answerProblems(log: Logger): ErrorRequestHandler {
  return (error: unknown, request, response, _next) => {
    const refusal = asRefusal(error);
    if (refusal.kind === 'server')
      log.error({ trace: traceOf(error), url: inLogs(request.originalUrl), id: request.id }, 'unexpected');
    if (refusal.kind === 'busy') response.set('Retry-After', String(RETRY_AFTER));
    if (response.headersSent) response.end();
    else response.status(refusal.status).json(refusal);
  };
}

function asRefusal(error: unknown): Refusal {
  if (error instanceof Refusal) return error;
  if (isDiskFull(error))
    return busy(
      'The server’s disk is full: nothing can be saved until somebody makes room. What is on this device stays here and is sent then.',
    );
  if (isAway(error)) return busy('The server is away for a moment. Nothing was lost; try again.');
  const { type, status } = error as { type?: string; status?: number };
  if (isNotStorable(error))
    return new Refusal('bad input', 'Something in that is out of all bounds. Nothing was changed.');
  if (isThereAlready(error))
    return new Refusal('conflict', 'Someone else was faster with the same. Nothing was changed; look again.');
  if (type === 'entity.too.large') return new Refusal('too large', 'That is more than we take at once.');
  if (type === 'entity.parse.failed') return new Refusal('bad input', 'That is not JSON.');
  if (status !== undefined && status >= 400 && status < 500)
    return new Refusal('bad input', 'That request could not be read.');
  return new Refusal('server', 'Something went wrong on our side. Nothing was saved; please try again.');
}
