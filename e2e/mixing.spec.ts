import { expect, test, type Page } from '@playwright/test';
import { bigButton, choose, expectAccessible, openDog } from './salon';

test.describe.configure({ mode: 'serial' });

const region = (page: Page, name: string) => page.getByRole('region', { name });
/** Which questions have an answer on the device. Runs in the page. */
const keptOnDevice = () =>
  new Promise<string[]>((resolve, reject) => {
    const opening = indexedDB.open('dewpond');
    opening.onerror = () => reject(new Error('no database'));
    opening.onsuccess = () => {
      const asking = opening.result.transaction('answers').objectStore('answers').getAllKeys();
      asking.onsuccess = () => resolve(asking.result.map(String));
      asking.onerror = () => reject(new Error('no answers'));
    };
  });
/** At the table, straight to a step. */
async function toStep(page: Page, name: RegExp): Promise<void> {
  await page.keyboard.press('s');
  // The first is the step itself; "Do next" stands behind it.
  await page.getByRole('dialog').getByRole('button', { name }).first().click();
}

test('the calculator by keyboard alone: whichever number is typed leads', async ({ page }) => {
  await page.goto('/mixing');
  const total = page.getByLabel(/^Mix in all/);
  await expect(total).toBeFocused();
  await page.keyboard.type('250');
  await expect(page.getByLabel(/^Strokes/)).toHaveValue('2');
  await total.press('ControlOrMeta+a');
  await page.keyboard.type('3000');
  await expect(page.getByText(/Over \d bottles/)).toBeVisible();
  await page.keyboard.press('Tab');
  await page.keyboard.type('240');
  await expect(total).toHaveValue('250');
  await page.keyboard.press('ArrowUp');
  await expect(page.getByLabel(/^Warm water/)).toHaveValue('250');
  await expectAccessible(page);
});

test.describe('away from the network', () => {
  test.use({ serviceWorkers: 'allow' });

  test('without a network the calculator opens and reckons', async ({ page, context }) => {
    await page.goto('/mixing');
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready;
    });
    await page.reload();
    await expect(page.getByLabel(/^Mix in all/)).toBeVisible();
    // An answer is kept a moment after it is shown; who loses the network in that moment has not got it.
    await expect
      .poll(() => page.evaluate(keptOnDevice))
      .toEqual(expect.arrayContaining(['business', 'mixing', 'session']));
    await context.setOffline(true);
    await page.reload();
    await expect(page.getByText(/No network/)).toBeVisible();
    await page.getByLabel(/^Mix in all/).fill('250');
    await expect(page.getByText('2 strokes of 5 ml')).toBeVisible();
    await context.setOffline(false);
    await expect(page.getByText(/No network/)).toBeHidden();
  });
});

test('the morning: pour away what is past, measure, water, and it stands ready', async ({ page }) => {
  await page.goto('/mixing/morning');
  await region(page, 'Past their time').getByRole('button', { name: 'Pour away' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Pour away' }).click();
  await expect(region(page, 'Past their time')).toBeHidden();

  const early = region(page, 'Measure early');
  await expect(early.getByText('only for Sorrel')).toBeVisible();
  const bottles = await early.getByRole('button', { name: 'Product is in' }).count();
  for (let left = bottles; left > 0; left--) {
    await early.getByRole('button', { name: 'Product is in' }).first().click();
    await expect(page.getByRole('button', { name: 'Product is in' })).toHaveCount(left - 1);
  }
  const late = region(page, 'Warm water, late');
  await expect(
    late.getByRole('listitem').filter({ has: page.getByRole('button', { name: 'Water is in' }) }),
  ).toHaveCount(bottles);
  for (let left = bottles; left > 0; left--) {
    await late.getByRole('button', { name: 'Water is in' }).first().click();
    await expect(page.getByRole('button', { name: 'Water is in' })).toHaveCount(left - 1);
  }
  await expect(region(page, 'Ready')).toBeVisible();
  const labels = await page.getByRole('link', { name: /Labels for/ }).getAttribute('href');
  const pdf = await page.request.get(labels ?? '');
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
  await expectAccessible(page);
});

test('its bottle at the table, told in one tap, and traced from both ends', async ({ page }) => {
  await openDog(page, 'Sorrel');
  await page.getByRole('button', { name: 'Begin visit' }).click();
  await bigButton(page).click();
  await toStep(page, /First wash/);
  const bottle = page.getByRole('button', { name: /meant for this dog/ }).first();
  const name = ((await bottle.textContent()) ?? '').split(',')[0] ?? '';
  await bottle.click();
  await expect(bottle).toHaveAttribute('aria-pressed', 'true');
  await toStep(page, /Rinse until/);
  await page
    .getByRole('button', { name: /^as planned/i })
    .first()
    .click();
  await expect(page.getByText('the server has it all')).toBeVisible();

  await page.goto('/mixing/trace');
  const start = page.getByLabel('From which lot, mix or bottle?');
  await choose(start, new RegExp(`: Vet-supplied antiseptic wash, ${name}$`, 'i'));
  await expect(page.getByText('Henrik Dahlby')).toBeVisible();
  await expect(page.getByRole('link', { name: '01632 960142' })).toBeVisible();

  await openDog(page, 'Sorrel');
  const touched = page.locator('section', { has: page.getByRole('heading', { name: 'What touched it' }) });
  await expect(touched.getByRole('link', { name, exact: false }).first()).toBeVisible();
  await expect(touched.getByRole('link', { name: 'AW-5520' }).first()).toBeVisible();
});

test('a product, a pump, a delivery, and the stock follows', async ({ page }) => {
  await page.goto('/mixing/products/new');
  await page.getByLabel('Name').fill('Reed wash');
  await page.getByLabel('Ratio, as printed on the label').fill('1:16');
  await expect(page.getByRole('radio')).toHaveCount(2);
  await page.getByLabel('One container, ml').fill('1000');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('heading', { name: 'Reed wash' })).toBeVisible();
  await page.getByRole('button', { name: 'Delivery' }).click();
  await page.getByLabel('Lot number').fill('R-1');
  await page.getByRole('button', { name: 'Enter' }).click();
  await expect(page.getByText('R-1')).toBeVisible();
  await expectAccessible(page);

  await page.goto('/mixing/stock');
  await page.getByRole('button', { name: /Reed wash/ }).click();
  await expect(page.getByRole('row', { name: /delivery, lot R-1/ })).toBeVisible();
  await expectAccessible(page);
  const csv = await (await page.request.get('/api/export/stock.csv')).text();
  expect(csv).toMatch(/Reed wash,\d{4}-\d\d-\d\d,delivery,1000,1000,R-1/);

  for (const path of ['/mixing/products', '/mixing/tools', '/mixing/costs', '/mixing/trace']) {
    await page.goto(path);
    await expect(page.getByRole('navigation', { name: 'The bench' })).toBeVisible();
    // Nothing of the screen is still on its way; what is taken along for later may be.
    await expect(page.locator('main p[role=status]')).toHaveCount(0);
    await expectAccessible(page);
  }
});
