import type { Browser, Locator, Page } from '@playwright/test';

/** 150 ms there and back, 1.6 Mbit/s; the processor a quarter as fast. */
const SLOW_4G = { offline: false, latency: 150, downloadThroughput: 1.6e6 / 8, uploadThroughput: 0.75e6 / 8 };

export interface Load {
  /** Until it can be used. */
  readonly ms: number;
  /** Fetched by then, as they came over the network. */
  readonly bytes: number;
}

export interface LoadHow {
  readonly viewport: { readonly width: number; readonly height: number };
  readonly cookies?: Parameters<Awaited<ReturnType<Browser['newContext']>>['addCookies']>[0];
  /** Kept on the device before. */
  readonly signedInHere?: boolean;
  readonly usable: (page: Page) => Locator;
}

/** From an empty device to a page one can use, over slow 4G with a slow processor. */
export async function slowLoad(
  browser: Browser,
  url: string,
  { viewport, cookies = [], signedInHere = false, usable }: LoadHow,
): Promise<Load> {
  const context = await browser.newContext({ viewport });
  await context.addCookies(cookies);
  if (signedInHere) await context.addInitScript(() => localStorage.setItem('dewpond-signed-in', 'yes'));
  const page = await context.newPage();
  const slow = await context.newCDPSession(page);
  await slow.send('Network.enable');
  await slow.send('Network.emulateNetworkConditions', SLOW_4G);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  let bytes = 0;
  slow.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength));
  const start = performance.now();
  await page.goto(url, { waitUntil: 'commit' });
  await usable(page).waitFor();
  const loaded = { ms: performance.now() - start, bytes };
  await page.waitForLoadState('load');
  await context.close();
  return loaded;
}
