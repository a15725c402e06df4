import { expect, test } from '@playwright/test';
import { signInAs } from './salon';

test.describe.configure({ mode: 'serial' });
// Nobody is signed in yet: this is the van's business.
test.use({ storageState: { cookies: [], origins: [] } });

const bar = 'button[aria-label^="Larch, table"], [role=button][aria-label^="Larch, table"]';

test('the line-up of the day is moved by mouse and by keys, and set back', async ({ page }) => {
  await signInAs(page, 'noor@coracle.example');
  // Early in the morning, whatever the hour: all is planned from now, and towards noon the break forbids the move.
  const morning = new Date();
  morning.setUTCHours(6, 0, 0, 0);
  await page.clock.setFixedTime(morning);
  await page.goto('/');
  await expect(page.getByRole('group', { name: 'Line-up by dog, 6 dogs' })).toBeVisible();
  await page.waitForTimeout(1000);
  const larch = page.locator(bar);
  const before = await larch.getAttribute('aria-label');
  const box = await larch.boundingBox();
  if (!box) throw new Error('The bar is not drawn.');
  // A finger between two stages holds the bar as well.
  const missed = await larch.evaluate((drawn, { x, y, width, height }) => {
    const across = Array.from({ length: Math.floor(width) - 1 }, (_, i) => x + i + 1);
    return across.filter((each) => !drawn.contains(document.elementFromPoint(each, y + height / 2)));
  }, box);
  expect(missed).toEqual([]);
  await page.mouse.move(box.x + 10, box.y + 10);
  await page.mouse.down();
  await page.mouse.move(box.x + 50, box.y + 10, { steps: 4 });
  await page.mouse.move(box.x + 90, box.y + 10, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByText('Larch is set by hand; the rest makes room.').first()).toBeVisible();
  await expect(larch).not.toHaveAttribute('aria-label', before ?? '');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'As it fits best' })).toBeHidden();

  await larch.focus();
  await page.keyboard.press('Space');
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: 'As it fits best' })).toBeVisible();
  await page.getByRole('button', { name: 'As it fits best' }).click();
  await expect(page.getByRole('button', { name: 'As it fits best' })).toBeHidden();
});

test('the van’s round: times opened, taken, set back; and it leaves as a file', async ({ page }) => {
  await signInAs(page, 'noor@coracle.example');
  await page.goto('/round');
  await expect(page.getByRole('img', { name: 'Map of the round, 6 stops' })).toBeVisible();
  const stops = page.getByRole('list', { name: 'Stop by stop' });
  await expect(stops.getByText(/^1\. /)).toContainText('Greta Lindqvist');
  for (const keeps of await page.getByRole('button', { name: /keeps its time/ }).all()) await keeps.click();
  await page.getByRole('button', { name: 'Take these times' }).click();
  await expect(page.getByText(/bookings have their new times/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.reload();
  await expect(stops.getByText(/^1\. /)).toContainText('Greta Lindqvist');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'GPX' }).click();
  expect((await download).suggestedFilename()).toMatch(/^Round \d{4}-\d\d-\d\d\.gpx$/);
});
