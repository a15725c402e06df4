import { expect, test } from '@playwright/test';
import { bigButton, choose, finishAllSteps, lookAllClear, openDog } from './salon';

test.describe.configure({ mode: 'serial' });

test('Today, the dog, its plan and mix, the table, the sheet, and what is due has moved', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('group', { name: 'Line-up by dog, 6 dogs' })).toBeVisible();

  await page.getByRole('link', { name: 'Barley', exact: true }).click();
  await expect(page.getByRole('button', { name: /Clean ears, left (and right )?ear/ })).toContainText(/\d+–\d+ days/);
  await page.getByRole('button', { name: /Clean ears, left (and right )?ear/ }).click();
  await expect(page.getByText('A few drops down the flap, nozzle never touching').first()).toBeVisible();
  await expect(page.getByText(/strokes of 5 ml/).first()).toBeVisible();
  const dueBefore = await page.getByRole('button', { name: /Clean ears, left (and right )?ear/ }).textContent();

  await page.getByRole('button', { name: 'Begin visit' }).click();
  await bigButton(page).click();
  await bigButton(page).click();
  await expect(bigButton(page)).toHaveText(/places still to look at/);
  await page
    .getByRole('button', { name: /^left ear/i })
    .first()
    .click();
  await page.getByRole('button', { name: 'dark-brown wax, no smell, bad' }).click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await lookAllClear(page);
  await bigButton(page).click();

  await bigButton(page).click();
  await expect(page.getByRole('heading', { name: 'Face, feet and rear' })).toBeVisible();
  await bigButton(page).click();
  await expect(page.getByRole('heading', { name: 'Clean the left ear' })).toBeVisible();
  for (let pads = 0; pads < 4; pads++) await page.getByRole('button', { name: 'brown', exact: true }).click();
  await expect(page.getByText('dirty pads, left ear, worst brown')).toBeVisible();

  await expect(page.getByText('the server has it all')).toBeVisible();
  await page.reload();
  await expect(page.getByText('dirty pads, left ear, worst brown')).toBeVisible();

  await finishAllSteps(page);
  await page.getByRole('button', { name: 'Close the visit, make the owner sheet' }).click();
  await expect(page.getByRole('heading', { name: 'What we saw' })).toBeVisible();
  await expect(page.getByText(/Left ear: dark-brown wax \(bad\)/)).toBeVisible();
  await expect(page.getByText('Cleaned the left ear: 4 dirty pads before a pad came out clean.')).toBeVisible();

  await page.getByRole('link', { name: 'Back to Barley' }).click();
  await expect(page.getByRole('heading', { name: 'Care plan' })).toBeVisible();
  await expect(page.getByRole('button', { name: /Clean ears, left (and right )?ear/ })).not.toHaveText(dueBefore ?? '');
  await expect(page.getByText(/Clean ears, left ear: brought forward from 28 to \d+ days/)).toBeVisible();
});

test('the sheet is a PDF', async ({ page }) => {
  await page.goto('/');
  await openDog(page, 'Barley');
  await page.locator('a[href$="/sheet"]').first().click();
  const href = await page.getByRole('link', { name: 'PDF' }).getAttribute('href');
  const response = await page.request.get(href ?? '');
  expect(response.headers()['content-type']).toBe('application/pdf');
  expect((await response.body()).subarray(0, 5).toString()).toBe('%PDF-');
});

test('book the next visit, move it, cancel it, undo', async ({ page }) => {
  await page.goto('/');
  await openDog(page, 'Bramble');
  await expect(page.getByText('Nothing booked.')).toBeVisible();
  await page.getByRole('button', { name: 'Book', exact: true }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Another time' }).click();
  await dialog.getByLabel('Time', { exact: true }).fill('8:00');
  await choose(dialog.getByLabel('Who'), 'Bilal Siddiq');
  await dialog.getByRole('button', { name: 'Book' }).click();
  await expect(page.getByText('full visit, Bilal Siddiq')).toBeVisible();

  await page.getByRole('button', { name: 'Move', exact: true }).click();
  await dialog.getByLabel('Time', { exact: true }).fill('15:30');
  await dialog.getByRole('button', { name: 'Move', exact: true }).click();
  await expect(page.getByRole('heading', { name: /^Booked: .* 15:30, Bilal Siddiq/ })).toBeVisible();

  await page.getByRole('button', { name: 'Cancel', exact: true }).click();
  await expect(page.getByText('Nothing booked.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('heading', { name: /^Booked: .* 15:30, Bilal Siddiq/ })).toBeVisible();

  await page.reload();
  await expect(page.getByRole('heading', { name: /^Booked: .* 15:30, Bilal Siddiq/ })).toBeVisible();
});

test('a double booking is refused in words', async ({ page }) => {
  await page.goto('/');
  await openDog(page, 'Radish');
  await page.getByRole('button', { name: 'Book', exact: true }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Another time' }).click();
  const tomorrow = await dialog.getByLabel('Day', { exact: true }).inputValue();
  for (const dog of ['first', 'second']) {
    if (dog === 'second') {
      await page.getByRole('button', { name: 'Book', exact: true }).click();
      await dialog.getByRole('button', { name: 'Another time' }).click();
      await dialog.getByLabel('Day', { exact: true }).fill(tomorrow);
    }
    await dialog.getByLabel('Time', { exact: true }).fill('12:00');
    await choose(dialog.getByLabel('Who'), 'Ines Castellan');
    await dialog.getByRole('button', { name: 'Book' }).click();
    if (dog === 'first') await expect(dialog).toBeHidden();
  }
  await expect(dialog.getByRole('alert')).toHaveText('That person already has a dog at that time.');
});
