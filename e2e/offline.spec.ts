import { expect, test } from '@playwright/test';
import {
  bigButton,
  bookTonight,
  byFinger,
  byKeyboard,
  expectAccessible,
  finishAllSteps,
  isCarried,
  lookAllClear,
  toTheTable,
  visitId,
  visitAtServer,
} from './salon';

test.describe.configure({ mode: 'serial' });

test.describe('in the van', () => {
  test.use({ serviceWorkers: 'allow', hasTouch: true, viewport: { width: 820, height: 1180 } });

  test('a whole visit by touch without a network, the page killed in the middle, arrives whole and once', async ({
    page,
    context,
  }) => {
    const dog = 'Zephyr';
    await bookTonight(page, dog, 19);
    await page.goto('/');
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready;
    });
    await page.reload();
    await expect(page.getByRole('link', { name: dog, exact: true })).toBeVisible();
    await expect.poll(() => page.evaluate(isCarried, dog)).toBe(true);
    await context.setOffline(true);
    await page.reload();
    await expect(page.getByText(/No network/)).toBeVisible();
    await page.getByRole('button', { name: `${dog}: to the table` }).tap();
    await expect(page.getByText(/^step 1 of/)).toBeVisible();
    const id = visitId(page);
    await bigButton(page).tap();
    await bigButton(page).tap();
    await page
      .getByRole('button', { name: /^right ear/i })
      .first()
      .tap();
    await page.getByRole('button', { name: 'dark-brown wax, no smell, slight' }).tap();
    await page.getByRole('button', { name: 'Done', exact: true }).tap();
    await lookAllClear(page, byFinger);
    await expect(page.getByText(/not sent yet: \d+ kept on this device/)).toBeVisible();
    await page.close();

    const again = await context.newPage();
    await again.goto(`/visits/${id}`);
    await expect(again.getByText(/^step 3 of/)).toBeVisible();
    await expect(again.getByText(/dark-brown wax, no smell, slight/).first()).toBeVisible();
    await finishAllSteps(again, byFinger);
    await again.getByRole('button', { name: 'Close the visit, make the owner sheet' }).tap();
    await expect(again.getByRole('heading', { name: 'Closed on this device' })).toBeVisible();
    await context.setOffline(false);
    await expect(again.getByRole('heading', { name: 'What we saw' })).toBeVisible({ timeout: 40_000 });
    await expect(again.getByText(/Right ear: dark-brown wax \(slight\)/)).toBeVisible();

    const { events } = await visitAtServer(again, id);
    expect(new Set(events.map((event) => event.id)).size).toBe(events.length);
    const types = events.map(({ what }) => what.type);
    expect(types.filter((type) => type === 'opened')).toHaveLength(1);
    expect(types.filter((type) => type === 'closed')).toHaveLength(1);
    const steps = events.flatMap(({ what }) => (what.type === 'step done' ? [what.step] : []));
    expect(new Set(steps).size).toBe(steps.length);
  });

  test('a dog that is not in the book is begun with what one sees; the book is written when the network is back', async ({
    page,
    context,
  }) => {
    await page.goto('/dogs/new');
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready;
    });
    await page.goto('/');
    await page.reload();
    await expect(page.getByRole('link', { name: 'A dog not in the book' })).toBeVisible();
    await context.setOffline(true);
    await page.getByRole('link', { name: 'A dog not in the book' }).tap();
    await page.getByLabel('Owner’s name').fill('Kofi Lindgren');
    await page.getByLabel('Dog’s name').fill('Driftwood');
    await page.getByLabel('Weight, kg').fill('7.5');
    await expect(page.getByText(/No network: it cannot be added to the book now/)).toBeVisible();
    await page.getByRole('button', { name: 'It is here: begin its visit' }).tap();
    await expect(page.getByText(/^step 1 of/)).toBeVisible();
    const id = visitId(page);
    await bigButton(page).tap();
    await page.getByRole('button', { name: /^No to the other/ }).tap();
    await bigButton(page).tap();
    await lookAllClear(page, byFinger);
    await expect(page.getByText(/not sent yet: \d+ kept on this device/)).toBeVisible();
    await page.goto('/');
    await page.getByRole('link', { name: 'Driftwood: go on' }).tap();
    await expect(page.getByText(/^step 3 of/)).toBeVisible();
    await context.setOffline(false);
    await expect(page.getByText('the server has it all')).toBeVisible({ timeout: 40_000 });
    const { events } = await visitAtServer(page, id);
    expect(events.some(({ what }) => what.type === 'looked clear')).toBe(true);
    await page.goto('/dogs');
    await page.getByRole('link', { name: 'Driftwood', exact: true }).first().tap();
    await expect(page.getByText(/ask for the rest of its card/).first()).toBeVisible();
  });
});

test('a whole visit by keyboard alone', async ({ page }) => {
  await bookTonight(page, 'Rushes', 20);
  await toTheTable(page, 'Rushes');
  await finishAllSteps(page, byKeyboard);
  await expectAccessible(page);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'What we saw' })).toBeVisible();
});

test('two people at one dog see each other’s steps within two seconds; what they marked differently is shown and settled', async ({
  page,
  browser,
}) => {
  await bookTonight(page, 'Tolly', 21);
  await toTheTable(page, 'Tolly');
  // Signed in as the same person, but a device of its own.
  const { cookies } = await page.context().storageState();
  const context = await browser.newContext({ storageState: { cookies, origins: [] } });
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByText(/^step 1 of/)).toBeVisible();
  await expect(other.getByText('the server has it all')).toBeVisible();
  // The stream is open when it has said its first word; from then on nothing is older than two seconds.
  await other.waitForTimeout(1000);
  const began = Date.now();
  await bigButton(page).click();
  await expect(other.getByRole('heading', { name: 'Ask the owner' })).toBeVisible({ timeout: 2000 });
  expect(Date.now() - began).toBeLessThan(2000);

  await bigButton(other).click();
  await expect(page.getByRole('heading', { name: /Look and smell/ })).toBeVisible({ timeout: 2000 });
  await page.context().setOffline(true);
  await context.setOffline(true);
  await page.getByRole('button', { name: 'left ear clear' }).click();
  await other
    .getByRole('button', { name: /^left ear/i })
    .first()
    .click();
  await other.getByRole('button', { name: 'redness, plain' }).click();
  await other.getByRole('button', { name: 'Done', exact: true }).click();
  await page.context().setOffline(false);
  await context.setOffline(false);
  for (const each of [page, other]) {
    const clash = each.getByRole('alert').filter({ hasText: 'Two of you marked this differently' });
    await expect(clash).toContainText('clear: left ear', { timeout: 30_000 });
    await expect(clash).toContainText('found at the left ear');
    // The finding holds until somebody has looked again.
    await expect(each.getByText('Clean the left ear').first()).toBeVisible();
  }
  await page.getByRole('button', { name: 'Look again' }).click();
  await page.getByRole('button', { name: 'Clear after all' }).click();
  for (const each of [page, other]) await expect(each.getByText('Two of you marked this differently')).toBeHidden();
  await context.close();
});

test('a server that fails or hangs loses nothing; nor does a session that ended meanwhile', async ({
  page,
  context,
}) => {
  await bookTonight(page, 'Kelpie', 22);
  await toTheTable(page, 'Kelpie');
  await expect(page.getByText('the server has it all')).toBeVisible();
  await page.route('**/api/visits/*/events', (route) =>
    route.request().method() === 'POST' ? route.fulfill({ status: 500, json: {} }) : route.continue(),
  );
  await bigButton(page).click();
  await expect(page.getByText(/not sent yet: 1 kept on this device/)).toBeVisible();
  await page.unroute('**/api/visits/*/events');
  await expect(page.getByText('the server has it all')).toBeVisible({ timeout: 30_000 });

  const cookies = await context.cookies();
  await context.clearCookies();
  await bigButton(page).click();
  await expect(page.getByText(/signed out: 1 kept here/)).toBeVisible({ timeout: 30_000 });
  await page.goto('/');
  await expect(page.getByLabel('E-mail')).toBeVisible();
  await context.addCookies(cookies);
  await page.reload();
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible();
  await expect(page.getByText(/from the table not sent yet/)).toBeHidden();
  await toTheTable(page, 'Kelpie');
  const { events } = await visitAtServer(page, visitId(page));
  expect(events.filter(({ what }) => what.type === 'step done').length).toBeGreaterThanOrEqual(2);
});
