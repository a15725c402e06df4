import type { Request, RequestHandler } from 'express';
import type { Logger } from 'pino';

const LOOPBACK = /^(::ffff:)?127\.|^::1$/;

/** What is wrong with the proxies in front, seen from one call; null: nothing is. */
export function proxyTrouble(
  { forwarded, peer }: { readonly forwarded: string | undefined; readonly peer: string },
  trusted: number,
): string | null {
  const hops = forwarded === undefined || forwarded.trim() === '' ? 0 : forwarded.split(',').length;
  if (trusted === 0)
    return hops > 0
      ? 'A proxy stands in front, but TRUST_PROXY is 0: everybody seems to come from one address, and one who types a wrong password too often shuts all others out. Set TRUST_PROXY=1.'
      : null;
  if (hops === 0 && !LOOPBACK.test(peer))
    return `Somebody reaches Dewpond past the proxy: from ${peer}. What they say of their address is believed. Let only the proxy through: HOST=127.0.0.1, or a firewall.`;
  if (hops > 0 && hops < trusted)
    return `TRUST_PROXY says ${trusted} proxies stand in front, but only ${hops} spoke: whoever calls may say any address. Set TRUST_PROXY=${hops}.`;
  return null;
}

/** Looks at each call, and says once what is wrong; `said` is what was seen last. */
export function watchProxies(
  trusted: number,
  log: Logger,
): { readonly look: RequestHandler; readonly said: () => string | null } {
  let last: string | null = null;
  const look: RequestHandler = (request: Request, _response, next) => {
    const forwarded = request.headers['x-forwarded-for'];
    const trouble = proxyTrouble(
      {
        forwarded: Array.isArray(forwarded) ? forwarded.join(',') : forwarded,
        peer: request.socket.remoteAddress ?? '',
      },
      trusted,
    );
    if (trouble !== null && trouble !== last)
      log.warn({ trouble }, 'the proxy in front is not set up as TRUST_PROXY says');
    last = trouble ?? last;
    next();
  };
  return { look, said: () => last };
}
