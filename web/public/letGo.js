// Part of the service worker. A picture still on its way holds an old version back, for minutes on a bad network: when a
// new version is let in (browser/newVersion.ts), all that are on their way are let go.
let onTheirWay = new AbortController();

/** The request, so that it can be let go, and ends with the page that asked. @param {Request} request @returns {Request} */
self.canBeLetGo = (request) => new Request(request, { signal: AbortSignal.any([request.signal, onTheirWay.signal]) });

self.addEventListener('message', ({ data }) => {
  if (data?.type !== 'LET_GO') return;
  onTheirWay.abort();
  onTheirWay = new AbortController();
});
