import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { expectAccessible, openDog } from './salon';

const heading = (page: Page, name: string) => page.getByRole('heading', { level: 1, name });
const chooseFile = (page: Page, name: string, content: string | Buffer) =>
  page
    .getByLabel('Choose a file, or drop it here')
    .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(content) });

test('a list comes in: columns told, every row seen, written in the background, taken back whole', async ({ page }) => {
  await page.goto('/import');
  await chooseFile(
    page,
    'old book.csv',
    'Client;Pet;Rasse;kg;Mobile\nMila Brandt;Rook;Whippet;12,5;01632 960401\nMila Brandt;Thimble;Pug;8;01632 960401\n;Smudge;Pug;8;\nPriya Raman;Barley;Cocker;13;01632 960139\n',
  );
  await expect(page.getByText('Bring in 2 dogs')).toBeVisible();
  await expect(page.getByText('The owner has no name.')).toBeVisible();
  await expect(page.getByText('in the book already', { exact: true })).toBeVisible();
  await page.getByText('Bring in 2 dogs').click();
  const run = page.getByRole('listitem').filter({ hasText: 'old book.csv' });
  await expect(run.getByText('1 owner, 2 dogs')).toBeVisible();
  await page.goto('/dogs');
  await page.getByLabel('Find').fill('brandt');
  await expect(page.getByRole('link', { name: 'Rook' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Thimble' })).toBeVisible();
  await page.goto('/import');
  await run.getByRole('button', { name: 'Take it back' }).click();
  await expect(run.getByText('undone')).toBeVisible();
  await page.goto('/owners');
  await page.getByLabel('Find').fill('brandt');
  await expect(page.getByText('Nobody fits')).toBeVisible();
});

test('a picture that is called a table is refused, and nothing else happens', async ({ page }) => {
  await page.goto('/import');
  await chooseFile(page, 'book.csv', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0]));
  await expect(page.getByRole('alert')).toContainText('That is a picture (PNG)');
});

test('the book goes out as a file that comes in again as known', async ({ page }) => {
  await page.goto('/import');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: /dogs\.csv/ }).click();
  const text = await readFile((await (await download).path()) ?? '', 'utf8');
  expect(text).toContain('Folake Adeyemi');
  await chooseFile(page, 'dogs.csv', text);
  await expect(page.getByRole('button', { name: /^new owner 0/ })).toBeDisabled();
  await expect(page.getByRole('button', { name: /^cannot be taken 0/ })).toBeDisabled();
  await expect(page.getByRole('button', { name: /^in the book already [1-9]/ })).toBeVisible();
});

test('an owner’s word on plucking changes the plan of their dog, and the day of it is kept', async ({ page }) => {
  await openDog(page, 'Bramble');
  await page.getByRole('link', { name: 'Tove Lindqvist' }).click();
  const plucking = page.getByRole('radiogroup', { name: 'Hair plucked from the ears' });
  await plucking.getByRole('radio', { name: 'No', exact: true }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Tove Lindqvist is changed.', { exact: true }).first()).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Bramble' }).click();
  await expect(page.getByText(/leave: .*consent|leave: not today/).first()).toBeVisible();
  await page.goBack();
  await plucking.getByRole('radio', { name: 'Yes' }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Tove Lindqvist is changed.', { exact: true }).last()).toBeVisible();
});

test('the same person twice is joined, shown first, and taken apart', async ({ page }) => {
  await page.goto('/dogs/new');
  await page.getByLabel('Owner’s name').fill('P. Raman');
  await page.getByLabel('Phone').fill('+44 1632 960139');
  await page.getByLabel('Dog’s name').fill('Saffron');
  await page.getByLabel('Weight, kg').fill('11');
  await page.getByRole('button', { name: 'Add to the book' }).click();
  await expect(heading(page, 'Saffron')).toBeVisible();
  await page.goto('/owners');
  await page.getByRole('link', { name: 'Priya Raman' }).click();
  await page.getByRole('button', { name: 'See what would join' }).click();
  await expect(page.getByText('the dog Saffron')).toBeVisible();
  await page.getByRole('button', { name: 'Join into Priya Raman' }).click();
  await expect(page.getByRole('link', { name: 'Saffron' })).toBeVisible();
  await page.getByRole('button', { name: 'Take apart' }).click();
  await expect(page.getByText('They are two again.', { exact: true })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Saffron' })).toHaveCount(0);
});

test('a letter stands behind a vet’s word, and a card shows how at the table', async ({ page }) => {
  await openDog(page, 'Sorrel');
  await page.getByRole('button', { name: 'Instructions' }).click();
  await page
    .getByLabel('Letter or photo')
    .first()
    .setInputFiles({
      name: 'letter.png',
      mimeType: 'image/png',
      // One white dot.
      buffer: Buffer.from(
        'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8/58BAwAI/AL+Zr2jWQAAAABJRU5ErkJggg==',
        'base64',
      ),
    });
  await expect(page.getByRole('link', { name: 'letter.png' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Clean ears, left (and right )?ear/ }).click();
  await page.getByRole('link', { name: 'How it is done' }).first().click();
  await expect(heading(page, 'Clean an ear')).toBeVisible();
});

test('a first visit is in the book in under two minutes of taps and typing', async ({ page }) => {
  const start = Date.now();
  await page.goto('/dogs/new');
  // As quick as a person types on a tablet: some eight letters a second would be fast, so each key takes 120 ms.
  const type = async (label: string, words: string) => {
    await page.getByLabel(label).click();
    await page.keyboard.type(words, { delay: 120 });
  };
  await type('Owner’s name', 'Kwame Osei');
  await type('Phone', '01632 960421');
  await type('Dog’s name', 'Juniper');
  await type('Weight, kg', '9.5');
  await page.getByRole('button', { name: 'Choose a breed' }).click();
  await page.keyboard.type('cockapoo', { delay: 120 });
  await page.keyboard.press('Enter');
  await page.getByLabel('Owner agrees to plucking ears').check();
  await page.getByRole('button', { name: 'the dryer', exact: true }).click();
  await page.getByRole('button', { name: 'Add to the book' }).click();
  await expect(heading(page, 'Juniper')).toBeVisible();
  expect(Date.now() - start).toBeLessThan(120_000);
  await expect(page.getByText('Minds the dryer')).toBeVisible();
});
