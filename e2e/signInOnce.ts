import { chromium, type FullConfig } from '@playwright/test';
import { LAUNCH, SIGNED_IN, signInAs } from './salon';

/** Before all browser tests: one sign-in, kept for the tests that do not care who they are. */
export default async function signInOnce(config: FullConfig): Promise<void> {
  const browser = await chromium.launch(LAUNCH);
  const page = await browser.newPage({ baseURL: config.projects[0]?.use.baseURL ?? '' });
  await signInAs(page, 'ines@withyquay.example');
  await page.context().storageState({ path: SIGNED_IN });
  await browser.close();
}
