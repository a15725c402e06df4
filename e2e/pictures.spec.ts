import { expect, test, type Page } from '@playwright/test';
import { bigButton, expectAccessible, openDog, toTheTable } from './salon';

test.describe.configure({ mode: 'serial' });

/** The newest picture on record of a dog that has some, as a file. */
async function pictureOnRecord(page: Page, name: string) {
  const { items: dogs } = (await (await page.request.get('/api/dogs')).json()) as {
    items: { id: string; name: string }[];
  };
  const id = dogs.find((dog) => dog.name === name)?.id ?? '';
  const { items } = (await (await page.request.get(`/api/dogs/${id}/history`)).json()) as {
    items: { kind: string; picture: { id: string } | null }[];
  };
  const shown = items.find(({ kind }) => kind === 'photo')?.picture?.id ?? '';
  return { id, buffer: await (await page.request.get(`/api/photos/${shown}`)).body() };
}
const file = (buffer: Buffer, name = 'eye.jpg') => ({ name, mimeType: 'image/jpeg', buffer });

/** The look-over of Sorrel's left eye; her visit may have been begun before. */
async function toTheLeftEye(page: Page) {
  await toTheTable(page, 'Sorrel');
  await expect(bigButton(page)).toBeVisible();
  const eye = page.getByRole('button', { name: /^left eye/i }).first();
  for (let i = 0; i < 2 && !(await eye.isVisible()); i++) await bigButton(page).click();
  await eye.click();
  return page.getByRole('region', { name: 'Pictures, left eye' });
}

test('two pictures of one place stand side by side on record, what was measured as a line', async ({ page }) => {
  await openDog(page, 'Sorrel');
  const { id } = await pictureOnRecord(page, 'Sorrel');
  await page.goto(`/dogs/${id}/history?place=eye/left`);
  const pair = page.getByRole('region', { name: /^left eye: / });
  await expect(pair.getByRole('img')).toHaveCount(2);
  await expect(pair.getByText(/^As measured: lighter/)).toBeVisible();
  await expect(page.getByRole('img', { name: /^stain, left eye: .* ± / })).toBeVisible();
  await expectAccessible(page);
});

test('at the table: colour by the white in the picture, the last picture over the camera, before and after', async ({
  page,
}) => {
  const { buffer } = await pictureOnRecord(page, 'Sorrel');
  const pictures = await toTheLeftEye(page);
  // A second try finds what the first one left.
  const left = pictures.getByRole('button', { name: 'take off' });
  while ((await left.count()) > 0) await left.first().click();
  await pictures.locator('input[type=file]').setInputFiles(file(buffer));
  await pictures.getByRole('button', { name: 'Colour' }).click();
  const colour = page.getByRole('dialog', { name: 'Colour, left eye' });
  await expect(colour.getByText('Lightness L*')).toBeVisible();
  await expectAccessible(page);
  const area = colour.getByRole('application');
  const box = await area.boundingBox();
  if (!box) throw new Error('The picture is not on the screen.');
  // The pupil is no stain: so different that it is asked whether it is the same dog and place.
  await area.click({ position: { x: box.width * 0.65, y: box.height * 0.42 } });
  await expect(colour.getByText(/^Very different from .* Is it the same dog, and the same place\?$/)).toBeVisible();
  // The same picture as last time, measured anew at the same spot: nothing has changed.
  await area.click({ position: { x: box.width * 0.526, y: box.height * 0.597 } });
  await expect(colour.getByText(/^No change since .* that the pictures can tell/)).toBeVisible();
  await colour.getByRole('button', { name: 'Keep beside the grade' }).click();
  await expect(pictures.getByText(/^today, lightness L\* \d+ ± \d+/)).toBeVisible();

  await pictures.getByRole('button', { name: 'Same angle' }).click();
  const camera = page.getByRole('dialog', { name: 'Same angle, left eye' });
  await expect(camera.getByRole('img', { name: /laid over the camera/ })).toBeVisible();
  await expectAccessible(page);
  await camera.getByRole('button', { name: 'Take the picture' }).click();
  await expect(pictures.getByText('today, after')).toBeVisible();
  await expect(page.getByText('the server has it all')).toBeVisible();
});

test('a picture without a white, of another place, or of a hundred million points', async ({ page }) => {
  const pictures = await toTheLeftEye(page);
  // What the camera filmed is green: no lamp makes white so.
  await pictures.getByRole('button', { name: 'Colour' }).last().click();
  const colour = page.getByRole('dialog', { name: 'Colour, left eye' });
  await expect(colour.getByRole('alert')).toHaveText(/No white is seen in this picture/);
  await expect(colour.getByRole('button', { name: 'Keep beside the grade' })).toBeDisabled();
  await colour.getByRole('button', { name: 'Close' }).click();

  const head = Buffer.alloc(33);
  Buffer.from([137, 80, 78, 71, 13, 10, 26, 10, 0, 0, 0, 13]).copy(head);
  head.write('IHDR', 12, 'latin1');
  head.writeUInt32BE(12_000, 16);
  head.writeUInt32BE(9_000, 20);
  await pictures.locator('input[type=file]').setInputFiles(file(head, 'large.png'));
  await expect(page.getByText(/12000 × 9000 points, too many for this device/).first()).toBeVisible();
  // Of another dog, or of another place: it comes off again, and the record has never had it.
  await pictures.getByRole('button', { name: 'take off' }).last().click();
  await expect(pictures.getByText('today, after')).toBeHidden();
  await expect(page.getByText('the server has it all')).toBeVisible();
});

test('the pair goes on the sheet, and on paper', async ({ page }) => {
  await openDog(page, 'Sorrel');
  const { id } = await pictureOnRecord(page, 'Sorrel');
  await page.goto(`/dogs/${id}/history?place=eye/left`);
  const visits = page.locator('a[href$="/sheet"]');
  await page.getByRole('button', { name: 'Everything' }).click();
  await visits.filter({ hasText: 'finished' }).first().click();
  const pair = page.getByRole('button', { name: 'As a pair' });
  await pair.waitFor();
  if ((await pair.getAttribute('aria-pressed')) !== 'true') await pair.click();
  const sheet = page.getByRole('article');
  await expect(sheet.getByRole('img', { name: /^left eye, / })).toHaveCount(2);
  const href = await page.getByRole('link', { name: 'PDF' }).getAttribute('href');
  expect((await page.request.get(href ?? '')).headers()['content-type']).toContain('pdf');
});
