import { create } from 'zustand';

/** A version of the application that has been fetched and waits until it is let in. */
export const useNewVersion = create<{ readonly waiting: ServiceWorker | null }>(() => ({ waiting: null }));

/** How often a page that stays open asks whether there is a new version: a tablet in a salon is never closed. */
const ASK_EVERY_MS = 3_600_000;

/**
 * Keeps the application on the device. A new version waits: it never changes what runs under somebody's hands, and
 * parts that were not opened yet are still those of the version that runs.
 */
export async function keepOnDevice(): Promise<void> {
  const registration = await navigator.serviceWorker.register('/sw.js');
  const look = () => {
    // The first one on a device replaces nothing.
    if (navigator.serviceWorker.controller) useNewVersion.setState({ waiting: registration.waiting });
  };
  look();
  registration.addEventListener('updatefound', () => registration.installing?.addEventListener('statechange', look));
  setInterval(() => void registration.update().catch(() => undefined), ASK_EVERY_MS);
}

/** How long after a tap it is tried again, where the old version still runs. */
const AGAIN_MS = 1000;
/** How often. Then the page begins anew all the same: what it was fetching ends with it, and holds the old one no longer. */
const ASKS = 5;

/** Lets the new version in, and begins anew with it. What waits to be sent is on the disk, and is sent by the new one. */
export function letIn(waiting: ServiceWorker, begin = () => window.location.reload()): void {
  navigator.serviceWorker.addEventListener('controllerchange', begin, { once: true });
  // Where it takes over without a word to this page, its own state tells.
  waiting.addEventListener('statechange', () => {
    if (waiting.state === 'activated') begin();
  });
  const ask = () => {
    // A picture still on its way would hold the old one back (public/letGo.js), and so would one asked for after this.
    navigator.serviceWorker.controller?.postMessage({ type: 'LET_GO' });
    waiting.postMessage({ type: 'SKIP_WAITING' });
  };
  const askUntilIn = (asks: number) => {
    if (waiting.state !== 'installed') return;
    if (asks === 0) begin();
    else {
      ask();
      setTimeout(() => askUntilIn(asks - 1), AGAIN_MS);
    }
  };
  askUntilIn(ASKS);
}
