import { expect, test, type Page } from '@playwright/test';
import { bigButton, expectAccessible, lookAllClear, toTheTable } from './salon';

test.describe.configure({ mode: 'serial' });

test('a stop takes steps away at once and says what to do instead; the other ear goes on', async ({ page }) => {
  await toTheTable(page, 'Teasel');
  await bigButton(page).click();
  await bigButton(page).click();
  await page
    .getByRole('button', { name: /^left ear/i })
    .first()
    .click();
  await page.getByRole('button', { name: 'musty or yeasty smell, slight' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing goes into this place today.' })).toBeVisible();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  const aside = page.getByRole('complementary');
  await expect(aside.getByText('Clean the left ear')).toBeVisible();
  await expect(aside.getByText('Clean the right ear')).toBeHidden();
  await expect(aside.getByText(/no water above the neck on this side/)).toBeVisible();

  await page
    .getByRole('button', { name: /^left ear/i })
    .first()
    .click();
  await page.getByRole('button', { name: 'musty or yeasty smell, slight' }).click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(aside.getByText('Clean the left ear')).toBeHidden();
});

test('a sign that ends the visit takes the whole screen, and can be taken back', async ({ page }) => {
  await toTheTable(page, 'Plover');
  await bigButton(page).click();
  await bigButton(page).click();
  await page.getByRole('button', { name: 'Something stops the visit' }).click();
  await page.getByRole('button', { name: 'collapse, seen' }).click();
  await expect(page.getByText('Stop the visit.')).toBeVisible();
  await expect(page.getByText(/plugs out, product rinsed off, dried/)).toBeVisible();
  await page.getByRole('button', { name: 'Marked by mistake' }).click();
  await expect(page.getByRole('heading', { name: 'Look and smell before anything wet' })).toBeVisible();
  // What has not been sent is on this device only; the next test is another device.
  await expect(page.getByText('the server has it all')).toBeVisible();
});

test('a timer runs on across a reload', async ({ page }) => {
  await toTheTable(page, 'Plover');
  // An ear that is clear is wiped, and nothing is massaged.
  await page
    .getByRole('button', { name: /^left ear/i })
    .first()
    .click();
  await page.getByRole('button', { name: 'dark-brown wax, no smell, bad' }).click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await lookAllClear(page);
  await bigButton(page).click();
  await bigButton(page).click();
  for (let i = 0; i < 8 && !(await page.getByRole('button', { name: /^Start: massage/ }).isVisible()); i++)
    await bigButton(page).click();
  await page.getByRole('button', { name: /^Start: massage/ }).click();
  const began = Date.now();
  await expect(page.getByText('the server has it all')).toBeVisible();
  await page.waitForTimeout(2200);
  await page.reload();
  const timer = page.getByRole('timer').first();
  await expect(timer).toBeVisible();
  // As much as has gone by, however long the reload took; it stands at its full time of half a minute.
  await expect
    .poll(async () => {
      const [, minutes = '', seconds = ''] = /(\d+):(\d\d)/.exec((await timer.textContent()) ?? '') ?? [];
      const gone = Math.min(30, (Date.now() - began) / 1000);
      return Math.abs(Number(minutes) * 60 + Number(seconds) - gone);
    })
    .toBeLessThan(3);
});

test('the network away: work goes on, nothing is shown as saved, and it arrives when the network is back', async ({
  page,
  context,
}) => {
  await toTheTable(page, 'Plover');
  await context.setOffline(true);
  await page.getByRole('button', { name: 'brown', exact: true }).click();
  await page.getByRole('button', { name: 'brown', exact: true }).click();
  await expect(page.getByText(/not sent yet: \d kept on this device/)).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText('the server has it all')).toBeVisible({ timeout: 15_000 });
  await page.reload();
  await expect(page.getByText(/dirty pads, (left|right) ear, worst brown/)).toBeVisible();
});

test('by keyboard alone: space is done, k skips with a reason', async ({ page }) => {
  await toTheTable(page, 'Umber');
  await expect(page.getByRole('heading', { name: 'Make ready' })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByRole('heading', { name: 'Ask the owner' })).toBeVisible();
  await page.keyboard.press('k');
  await page.getByRole('button', { name: 'No time left' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Look and smell before anything wet' })).toBeVisible();
  await page.keyboard.press('Backspace');
  await expect(page.getByRole('heading', { name: 'Ask the owner' })).toBeVisible();
  await page.keyboard.press('s');
  await expect(page.getByRole('dialog', { name: 'Umber: all steps' })).toBeVisible();
});

/** Buttons that are shown and smaller than a wet thumb. */
const tooSmall = (page: Page, where: string) =>
  page.locator(where).evaluateAll((buttons) =>
    buttons
      .filter((button) => button.getBoundingClientRect().width > 0)
      .map((button) => ({ words: button.textContent, height: button.getBoundingClientRect().height }))
      .filter(({ height }) => height < 56),
  );

test('targets at the table are at least 56 px high, in every dialog, and nothing is out of reach of a screen reader', async ({
  page,
}) => {
  await toTheTable(page, 'Dumpling');
  await bigButton(page).click();
  await bigButton(page).click();
  for (const view of ['Head', 'Body', 'Paws', 'Whole dog']) {
    await page.getByRole('tab', { name: view }).click();
    expect(await tooSmall(page, 'main button, footer button, aside button')).toEqual([]);
  }
  await expectAccessible(page);
  await page.getByRole('tab', { name: 'Paws' }).click();
  await page.getByRole('button', { name: /^left front paw: / }).click();
  await page.getByRole('button', { name: 'redness between toes, plain' }).click();
  await page.getByRole('button', { name: /More: colour/ }).click();
  const inDialog = '[role=dialog] button:not([aria-label*="Where this comes from"]), [role=dialog] textarea';
  expect(await tooSmall(page, inDialog)).toEqual([]);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await page.getByRole('button', { name: 'Ask the owner something' }).click();
  expect(await tooSmall(page, `${inDialog}, [role=dialog] input`)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.keyboard.press('i');
  await page.getByRole('button', { name: 'Clipper burn' }).click();
  expect(await tooSmall(page, `${inDialog}, [role=dialog] input:not([type=file]), [role=dialog] select`)).toEqual([]);
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^More: incident/ }).click();
  await page.getByRole('button', { name: 'The dog goes home now' }).click();
  expect(await tooSmall(page, `${inDialog}, [role=dialog] input`)).toEqual([]);
  await expectAccessible(page);
});
