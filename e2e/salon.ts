import { fileURLToPath } from 'node:url';
import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

const PASSWORD = 'reeds-and-chalk';

export const SIGNED_IN = fileURLToPath(new URL('../test-results/signed-in.json', import.meta.url));
export const NOBODY = { cookies: [], origins: [] };
export const LAUNCH = {
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};

export async function signInAs(page: Page, email: string, password = PASSWORD): Promise<void> {
  await page.goto('/');
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('navigation', { name: 'Places' }).waitFor();
}

export async function openDog(page: Page, name: string): Promise<void> {
  await page.goto('/dogs');
  await page.getByRole('link', { name, exact: true }).click();
  await expect(page.getByRole('heading', { name, exact: true })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Care plan' })).toBeVisible();
}

/** The big button at the foot of the table. */
export const bigButton = (page: Page) => page.locator('footer button').last();

/** Nothing serious for people who use the keyboard, a screen reader, or see little. */
export async function expectAccessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21aa']).analyze();
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(serious.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`)).toEqual(
    [],
  );
}
