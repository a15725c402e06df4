import { expect, test } from '@playwright/test';
import { NOBODY, choose, expectAccessible, openDog, signInAs } from './salon';

test('a new client and dog; what the breed brings is seen before saving', async ({ page }) => {
  await page.goto('/');
  await page.goto('/dogs/new');
  await page.getByLabel('Owner’s name').fill('Kofi Lindgren');
  await page.getByLabel('Phone').fill('01632 960190');
  await page.getByLabel('Dog’s name').fill('Pippin');
  await page.getByLabel('Weight, kg').fill('7,5');
  await page.getByRole('button', { name: 'Choose a breed' }).click();
  await page.getByRole('combobox', { name: 'Find a breed' }).fill('pug');
  await page.keyboard.press('Enter');
  await expect(page.getByText('flat muzzle')).toBeVisible();
  await expect(page.getByText('Pug: mostly 6–9 kg')).toBeVisible();
  await page.getByRole('button', { name: 'Add to the book' }).click();
  await expect(page.getByRole('heading', { name: 'Pippin' })).toBeVisible();
  await expect(page.getByText('No visit yet')).toBeVisible();
  await page.reload();
  await expect(page.getByText(/Kofi Lindgren, 01632 960190/)).toBeVisible();
});

test('bad input is told at the field, and what was typed is kept', async ({ page }) => {
  await page.goto('/');
  await page.goto('/dogs/new');
  const tries = [
    ['0', 'A dog weighs at least 0.3 kg.'],
    ['-3', 'A dog weighs at least 0.3 kg.'],
    ['400', 'A dog weighs at most 130 kg.'],
    ['heavy', 'Weight is a number of kilograms.'],
  ] as const;
  await page.getByLabel('Dog’s name').fill('Quill');
  await page.getByLabel('Owner’s name').fill('Kofi Lindgren');
  await page.getByLabel('Born', { exact: true }).fill('2098-01-01');
  for (const [weight, words] of tries) {
    await page.getByLabel('Weight, kg').fill(weight);
    await page.getByRole('button', { name: 'Add to the book' }).click();
    await expect(page.getByText(words)).toBeVisible();
  }
  await expect(page.getByText('That birthday is still to come.')).toBeVisible();
  await expect(page.getByLabel('Dog’s name')).toHaveValue('Quill');
  await page.goto('/dogs');
  await expect(page.getByRole('link', { name: 'Quill', exact: true })).toBeHidden();
});

test('the mixing bench reads labels, shows both readings and refuses nonsense', async ({ page }) => {
  await page.goto('/');
  await page.goto('/mixing');
  const label = page.getByLabel('Ratio, as printed on the label');
  await label.fill('1:50');
  await expect(page.getByRole('radio', { name: /50:1/ })).toBeChecked();
  await page.getByRole('radio', { name: /49:1/ }).click();
  await expect(page.getByText('2 strokes of 5 ml')).toBeVisible();
  await label.fill('50:0');
  await expect(page.getByRole('alert').filter({ hasText: /has a zero in it/ })).toBeVisible();
  await label.fill('abc');
  await expect(page.getByRole('alert').filter({ hasText: /is no ratio we know/ })).toBeVisible();
  await choose(page.getByRole('combobox', { name: 'Product' }), 'Vet-supplied antiseptic wash');
  await label.fill('2 %');
  await expect(page.getByRole('alert').filter({ hasText: /strength of the active substance/ })).toBeVisible();
  await choose(page.getByRole('combobox', { name: 'Product' }), 'Mild face wash');
  await expect(page.getByText('Never diluted: use it as it is.')).toBeVisible();
});

test('a house way changes plans, and undo brings it back', async ({ page }) => {
  await page.goto('/');
  await page.goto('/house');
  await page.getByRole('radio', { name: /Filled until it just begins to spill/ }).click();
  await expect(page.getByRole('radio', { name: /Filled until it just begins to spill/ })).toBeChecked();
  // The choice shows before the server has it: whoever comes next finds it there.
  const undone = page.waitForResponse(
    (response) => response.url().endsWith('/api/business') && response.request().method() === 'PUT',
  );
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('radio', { name: /A few drops down the flap/ })).toBeChecked();
  expect((await undone).status()).toBe(200);
});

test.describe('at the door', () => {
  test.use({ storageState: NOBODY });

  test('two businesses see nothing of each other', async ({ page }) => {
    await signInAs(page, 'tomasz@withyquay.example');
    await openDog(page, 'Teasel');
    const address = page.url();
    await page.keyboard.press('?');
    await page.getByRole('button', { name: 'Sign out' }).click();
    await page.getByLabel('E-mail').waitFor();
    await signInAs(page, 'jonah@saltmarsh.example');
    await page.goto('/dogs');
    await expect(page.getByRole('link', { name: 'Otter', exact: true })).toBeVisible();
    await expect(page.getByRole('link', { name: 'Teasel', exact: true })).toBeHidden();
    await page.goto(address);
    await expect(page.getByText('There is no such dog here.')).toBeVisible();
  });

  test('a wrong password is told in words', async ({ page }) => {
    await page.goto('/');
    await page.getByLabel('E-mail').fill('ines@withyquay.example');
    await page.getByLabel('Password').fill('not the password');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByText('This e-mail and this password do not match.')).toBeVisible();
  });
});

test('nothing leaves this machine, nothing is blocked, no screen has serious faults of access', async ({ page }) => {
  const outside: string[] = [];
  const complaints: string[] = [];
  page.on('request', (request) => {
    const { hostname, protocol } = new URL(request.url());
    if (hostname !== '127.0.0.1' && protocol !== 'data:') outside.push(request.url());
  });
  page.on('console', (message) => {
    if (message.type() === 'error' && !message.text().includes('401')) complaints.push(message.text());
  });
  await page.goto('/');
  for (const [path, heading] of [
    ['/', /\d/],
    ['/dogs', 'Dogs'],
    ['/dogs/new', 'New dog'],
    ['/owners', 'Owners'],
    ['/vets', 'Vets'],
    ['/import', 'Import, export'],
    ['/methods', 'How it is done'],
    ['/methods/clean-ears', 'Clean an ear'],
    ['/ahead', /to/],
    ['/hours', 'Hours and days away'],
    ['/round', /Round/],
    ['/mixing', 'Mixing bench'],
    ['/mixing/morning', 'Morning mix'],
    ['/watch', 'Watch list'],
    ['/house', 'House ways'],
  ] as const) {
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1, name: heading })).toBeVisible();
    // Nothing of the screen is still on its way; what is taken along for later may be.
    await expect(page.locator('main p[role=status]')).toHaveCount(0);
    await expectAccessible(page);
  }
  await openDog(page, 'Dumpling');
  await expectAccessible(page);
  await page.keyboard.press('Shift+T');
  await expectAccessible(page);
  expect(outside).toEqual([]);
  expect(complaints).toEqual([]);
});

test('a house way says how many plans of the book it would change', async ({ page }) => {
  await page.goto('/');
  await page.goto('/house');
  await expect(page.getByText(/would change \d of 1?\d plans/).first()).toBeVisible();
});

test('what a vet said is written down, changes the plan at once, and is ended again', async ({ page }) => {
  await page.goto('/');
  await openDog(page, 'Sorrel');
  await page.getByRole('button', { name: 'Instructions' }).click();
  await page.getByRole('button', { name: 'Write down another' }).click();
  await page.getByLabel('Who said it').fill('Dr Oyelaran');
  await choose(page.getByLabel('What', { exact: true }), 'Do not do this');
  await choose(page.getByLabel('Care', { exact: true }), 'Nails and dewclaws');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText('No: nails and dewclaws (vet)')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Nails and dewclaws/ })).toContainText('barred');
  await page.reload();
  await page.getByRole('button', { name: 'Instructions' }).click();
  const item = page.getByRole('listitem').filter({ hasText: 'No: nails and dewclaws (vet)' });
  await item.getByRole('button', { name: 'Ends today' }).click();
  await expect(page.getByText(/last day/)).toBeVisible();
});

test('a left-over of yesterday is not topped up', async ({ page }) => {
  await page.goto('/');
  await page.goto('/mixing');
  await page.getByRole('tab', { name: 'Top up a left-over' }).click();
  await expect(page.getByText('of product, then turn')).toBeVisible();
  await choose(page.getByLabel('Mixed', { exact: true }), 'before today');
  await expect(page.getByText(/past its discard time/)).toBeVisible();
  await expectAccessible(page);
});
