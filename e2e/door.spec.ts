import { expect, test } from '@playwright/test';
import { bigButton, openDog } from './salon';

test('at the door: what is used at home, a bottle that was brought, and how the dog shows itself stand on the dog', async ({
  page,
}) => {
  await openDog(page, 'Pocket');
  await page
    .getByRole('button', { name: 'Begin visit' })
    .or(page.getByRole('link', { name: 'Go on' }))
    .click();
  await bigButton(page).click();
  await expect(page.getByRole('heading', { name: 'Ask the owner' })).toBeVisible();

  await page.getByRole('button', { name: 'Something new' }).click();
  await page.getByRole('button', { name: 'A diet' }).click();
  await page.getByLabel(/What it is called/).fill('fish only');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('A diet: fish only')).toBeVisible();

  await page.getByRole('button', { name: 'A bottle was brought' }).click();
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByText('What stands on the bottle?')).toBeVisible();
  await page.getByLabel('Name on the bottle').fill('Green wash');
  await page.getByLabel('Ratio on the label').fill('12:1');
  await page.getByRole('button', { name: 'until it is ended' }).click();
  await page.getByRole('button', { name: 'Take it' }).click();

  await page.getByLabel('What the owner says besides').fill('scratches since Sunday');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('scratches since Sunday')).toBeVisible();

  await page.getByRole('button', { name: 'Today it…' }).click();
  await page.getByRole('button', { name: /It cannot stand/ }).click();
  await expect(page.getByRole('region', { name: 'How it shows itself today' })).toContainText('Washed lying on a mat');
  await expect(page.getByText('the server has it all')).toBeVisible();

  await openDog(page, 'Pocket');

  await expect(page.getByRole('heading', { name: 'The next bath' })).toBeVisible();
  await expect(page.getByText('Green wash', { exact: true }).first()).toBeVisible();
  await expect(page.getByText(/A diet: fish only/).first()).toBeVisible();
});

test('a way of its own goes before the house way, and back', async ({ page }) => {
  await openDog(page, 'Pocket');
  await page.getByRole('button', { name: 'Another way…' }).click();
  await page.getByLabel('Why').fill('stands badly');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText(/stands badly · the house:/)).toBeVisible();
  await page.getByRole('button', { name: /^As the house again/ }).click();
  await expect(page.getByText('As the house does with all.')).toBeVisible();
});
