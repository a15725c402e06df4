import { expect, test, type Page } from '@playwright/test';
import { NOBODY, expectAccessible, newId, openDog } from './salon';

test.describe.configure({ mode: 'serial' });

/** The newest sheet of a dog of the demo world. */
async function openSheet(page: Page, dog: string): Promise<void> {
  await page.goto('/dogs');
  await page.getByRole('link', { name: dog, exact: true }).click();
  await page.getByText('Past visits').waitFor();
  await page.locator('a[href$="/sheet"]').first().click();
  // Dumpling's owner reads Spanish.
  await expect(page.getByRole('heading', { name: /^(What we saw|Lo que vimos)$/ })).toBeVisible();
}

/** Pages that a browser prints of what is on the screen. */
const pagesPrinted = async (page: Page): Promise<number> =>
  (await page.pdf({ format: 'A4', preferCSSPageSize: true })).toString('latin1').match(/\/Type ?\/Page\b(?!s)/g)
    ?.length ?? 0;

/** Where the page of that dog's owner opens, secret and all. */
async function linkFor(page: Page, dog: string): Promise<string> {
  const { items } = (await (await page.request.get('/api/dogs')).json()) as { items: { id: string; name: string }[] };
  const dogId = items.find(({ name }) => name === dog)?.id;
  const made = await page.request.post('/api/links', { data: { id: newId(), dogId, days: 5 } });
  const { pathname, hash } = new URL(((await made.json()) as { url: string }).url);
  return pathname + hash;
}

test('an ordinary sheet is one page of paper, from a desk and from a telephone', async ({ page }) => {
  for (const viewport of [
    { width: 1280, height: 800 },
    { width: 390, height: 844 },
  ]) {
    await page.setViewportSize(viewport);
    await openSheet(page, 'Dumpling');
    expect(await pagesPrinted(page)).toBe(1);
  }
  await page.goBack();
  await page.getByRole('link', { name: 'The week on paper' }).click();
  await expect(page.getByRole('article', { name: 'Dumpling en casa' })).toBeVisible();
  await expectAccessible(page);
  expect(await pagesPrinted(page)).toBeLessThanOrEqual(3);
  // More than fits is more than one: the measure tells.
  await openSheet(page, 'Dumpling');
  await page.getByRole('article').evaluate((sheet) => (sheet.style.minHeight = '400mm'));
  expect(await pagesPrinted(page)).toBe(2);
});

test('a sheet is mended, sent, and read by the owner on a telephone, without signing in', async ({ page, browser }) => {
  await openSheet(page, 'Bramble');
  await page.getByRole('button', { name: 'Add a line' }).nth(2).click();
  await page.getByLabel('A sentence of your own').fill('Bring the red harness next time.');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Kept.', { exact: true })).toBeVisible();
  await expectAccessible(page);

  await page.getByRole('button', { name: 'Send to the owner' }).click();
  await expect(page.getByRole('textbox', { name: 'Text' })).toHaveValue(/\{link\}/);
  await expectAccessible(page);
  await page.getByRole('button', { name: /^Send by e-mail/ }).click();
  await page.goto('/watch/outbox');
  const newest = page.getByRole('listitem').filter({ hasText: 'Bramble' }).first();
  await expect(newest.getByText('sent', { exact: true })).toBeVisible({ timeout: 30_000 });
  await expect(newest).toContainText('(the owner’s private page)');
  await expectAccessible(page);

  await openSheet(page, 'Bramble');
  await page.getByRole('button', { name: 'Owner’s page' }).click();
  await expect(page.getByText('not seen yet').first()).toBeVisible();
  await expectAccessible(page);
  const address = (await page.getByRole('link', { name: 'Look at it' }).first().getAttribute('href')) ?? '';
  const context = await browser.newContext({ storageState: NOBODY, viewport: { width: 390, height: 844 } });
  const phone = await context.newPage();
  const asked: string[] = [];
  phone.on('request', (request) => asked.push(request.url()));
  await phone.goto(address);
  await expect(phone.getByText('Bring the red harness next time.').first()).toBeVisible();
  await expectAccessible(phone);
  // An entry of its own: nothing of the salon's application comes along.
  const OF_OWNERS = /^\/(owner$|of-owner\/|api\/owner|pond\.svg)/;
  expect(
    asked
      .map((url) => new URL(url))
      .filter(({ protocol, pathname }) => protocol !== 'blob:' && !OF_OWNERS.test(pathname)),
  ).toEqual([]);
  expect(await phone.evaluate(() => navigator.serviceWorker?.controller ?? null)).toBeNull();
  const secret = address.split('.').at(-1) ?? 'nothing';
  expect(asked.filter((url) => !url.startsWith(new URL(address).origin) && !url.startsWith('blob:'))).toEqual([]);
  // The address itself is asked for without what stands behind its #.
  expect(asked.filter((url) => url.split('#')[0]?.includes(secret))).toEqual([]);

  // By keyboard alone: the first thing due is done, and taken back.
  const first = phone.getByRole('button', { name: /: done today$/ }).first();
  await first.focus();
  await phone.keyboard.press('Space');
  await expect(first).toHaveAttribute('aria-pressed', 'true');
  await phone.keyboard.press('Space');
  await expect(first).toHaveAttribute('aria-pressed', 'false');
  const [file] = await Promise.all([
    phone.waitForEvent('download'),
    phone.getByRole('button', { name: 'This sheet as a PDF' }).click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/^Bramble, \d{4}-\d\d-\d\d\.pdf$/);

  // On paper: all of the page, or the week at home alone.
  const [sheet, week] = ['Owner sheet', 'Bramble at home'].map((name) =>
    phone.getByRole('article', { name: new RegExp(name) }),
  );
  await phone.evaluate(() => (window.print = () => undefined));
  await phone.emulateMedia({ media: 'print' });
  await expect(sheet!).toBeVisible();
  await expect(week!).toBeVisible();
  await phone.emulateMedia({ media: 'screen' });
  await expect(week!).toBeHidden();
  await phone.getByRole('button', { name: 'Print the week' }).click();
  await phone.emulateMedia({ media: 'print' });
  await expect(week!).toBeVisible();
  await expect(sheet!).toBeHidden();
  await context.close();

  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Owner’s page' }).click();
  await expect(page.getByText(/^seen /).first()).toBeVisible();
  await page.getByRole('button', { name: 'Close it' }).first().click();
  await expect(page.getByText('closed by the salon').first()).toBeVisible();
  const late = await browser.newContext({ storageState: NOBODY });
  const shut = await late.newPage();
  await shut.goto(address);
  await expect(shut.getByRole('alert')).toContainText('Please ask the salon for a new link');
  await late.close();
});

test('minutes a week are agreed: less is asked, and the owner reads what follows', async ({ page, browser }) => {
  await openDog(page, 'Radish');
  await page.getByRole('link', { name: 'The week on paper' }).click();
  const card = page.getByRole('region', { name: 'Minutes a week' });
  await expect(card).toContainText(/The plan asks Amara Nwosu for \d+ minutes a week/);
  await card.getByLabel('Minutes a week the owner has').fill('a lot');
  await card.getByRole('button', { name: 'Ask for what fits' }).click();
  await expect(card).toContainText('Whole minutes a week, 1 to 600');
  await card.getByLabel('Minutes a week the owner has').fill('12');
  await card.getByRole('button', { name: 'Ask for what fits' }).click();
  await expect(card).toContainText('You have 12 minutes a week');
  await expectAccessible(page);
  const context = await browser.newContext({ storageState: NOBODY, viewport: { width: 390, height: 844 } });
  const phone = await context.newPage();
  await phone.goto(await linkFor(page, 'Radish'));
  await phone.getByText('What we do not ask of you').click();
  await expect(phone.getByText(/^Brush-out: We keep the coat shorter/)).toBeVisible();
  await expectAccessible(phone);
  await phone.getByRole('button', { name: 'show how' }).first().click();
  const how = phone.getByRole('dialog');
  await expect(how).toBeVisible();
  await expectAccessible(phone);
  await context.close();
});

test('who has no script is told what to ask for; a secret that was forwarded or cut short opens nothing', async ({
  browser,
}) => {
  const context = await browser.newContext({ storageState: NOBODY, javaScriptEnabled: false });
  const page = await context.newPage();
  await page.goto('/owner#nobody.reads.this');
  await expect(page.locator('noscript p[lang=en]')).toBeVisible();
  await expect(page.locator('noscript p[lang=en]')).toContainText('Ask the salon for the sheet as a PDF or on paper.');
  await context.close();
  const other = await browser.newContext({ storageState: NOBODY });
  for (const secret of ['', '#', '#half', `#${'x'.repeat(5000)}`]) {
    const tab = await other.newPage();
    await tab.goto(`/owner${secret}`);
    await expect(tab.getByRole('alert')).toContainText('Please ask the salon for a new link');
    await tab.close();
  }
  await other.close();
});

test('the page stands among a telephone’s applications by its own link; large letters stay as chosen', async ({
  page,
  browser,
}) => {
  const address = await linkFor(page, 'Radish');
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, storageState: NOBODY });
  const owner = await phone.newPage();
  await owner.goto(address);
  await owner.getByRole('article').waitFor();
  const session = await phone.newCDPSession(owner);
  // It says so once the page has been read.
  await owner.locator('link[rel=manifest]').waitFor({ state: 'attached' });
  const { data } = await session.send('Page.getAppManifest');
  const { name, start_url } = JSON.parse(data ?? '') as Readonly<Record<string, string>>;
  expect({ name, start_url }).toEqual({ name: 'Radish, Withy Quay Grooming', start_url: owner.url() });
  expect((await session.send('Page.getInstallabilityErrors')).installabilityErrors).toEqual([]);
  const height = async () => (await owner.getByRole('heading', { name: 'What we saw' }).boundingBox())?.height ?? 0;
  const usual = await height();
  await owner.getByRole('button', { name: 'Large letters' }).click();
  expect((await height()) / usual).toBeCloseTo(1.25, 1);
  await expectAccessible(owner);
  await owner.reload();
  await owner.getByRole('article').waitFor();
  expect((await height()) / usual).toBeCloseTo(1.25, 1);
  // Nothing runs over the edge of a narrow telephone.
  expect(await owner.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await phone.close();
});

test('a place for a vet is followed from the Watch list, and said where one books', async ({ page }) => {
  await page.goto('/watch');
  const vetPlaces = page.getByRole('listitem').filter({ hasText: 'Letter to the vet' });
  const radish = vetPlaces.filter({ hasText: 'right eye' }).first();
  await expect(radish).toContainText('Radish');
  await expectAccessible(page);
  const letter = (await radish.getByRole('link', { name: 'Letter to the vet' }).getAttribute('href')) ?? '';
  const answer = await page.request.get(letter);
  expect(answer.headers()['content-type']).toBe('application/pdf');
  await radish.getByRole('button', { name: 'The vet answered' }).click();
  await page.getByLabel('Who said it').fill('Dr Oyelaran');
  await page.getByLabel('In the vet’s words').fill('Leave the eye alone for a week.');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(radish).toContainText('Next: close it');
  await radish.getByRole('link', { name: 'Radish' }).click();
  await expect(page.getByText(/right eye: a vet should look by/)).toBeVisible();
});

test('the record, who did what, and erasing, by people who see little or use the keyboard', async ({ page }) => {
  await page.goto('/dogs');
  await page.getByRole('link', { name: 'Radish', exact: true }).click();
  await page.getByRole('link', { name: 'The whole record' }).click();
  await expect(page.getByRole('heading', { name: 'The record of Radish' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Who saw it' }).click();
  await expect(page.getByText('Everything on record of one dog, newest first').first()).toBeVisible();
  await expectAccessible(page);
  await page.goto('/owners');
  await page.getByRole('link', { name: 'Amara Nwosu' }).click();
  await page.getByRole('button', { name: 'Erase…' }).click();
  await expect(page.getByRole('dialog')).toContainText('Erased for good');
  await expect(page.getByRole('dialog')).toContainText('booked');
  await expectAccessible(page);
});

test('the business’s own words, and one’s own calendar', async ({ page }) => {
  await page.goto('/house/words');
  await page.getByLabel('Find a sentence').fill('bathed and dried');
  await page.getByRole('button', { name: 'Bathed and dried.' }).click();
  await page.getByRole('textbox', { name: /^Our words for/ }).fill('Bathed, dried and brushed.');
  await page.keyboard.press('Enter');
  await expect(page.getByText('as shipped: Bathed and dried.')).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.press('?');
  await page.getByRole('button', { name: 'Open a calendar address' }).click();
  const address = await page.getByLabel('Address of the calendar of your bookings').inputValue();
  const feed = await page.request.get(address, { headers: { cookie: '' } });
  expect(await feed.text()).toContain('BEGIN:VCALENDAR');
  await page.getByRole('button', { name: 'Close it' }).click();
  await expect(page.getByRole('button', { name: 'Open a calendar address' })).toBeVisible();
  expect((await page.request.get(address)).status()).toBe(404);
});

test('an owner tells in their language when a vet saw the eyes: it is on the dog, and is asked no more', async ({
  page,
  browser,
}) => {
  const stranger = await browser.newContext({ storageState: NOBODY, viewport: { width: 390, height: 844 } });
  const owner = await stranger.newPage();
  await owner.goto(await linkFor(page, 'Dumpling'));
  const asked = owner.getByRole('region', { name: '¿Lo ha visto un veterinario?' });
  await expect(asked).toBeVisible();
  await expectAccessible(owner);
  const on = new Date(Date.now() - 20 * 86_400_000).toISOString().slice(0, 10);
  await asked.getByLabel(/día de la última vez/).fill(on);
  await asked.getByRole('button').last().click();
  await expect(owner.getByText('Gracias, anotado.').first()).toBeVisible();
  await expect(asked).toBeHidden();
  await stranger.close();
  await openDog(page, 'Dumpling');
  await page.getByRole('button', { name: 'Instructions' }).click();
  await expect(page.getByRole('dialog').getByText(/a vet, says the owner/)).toBeVisible();
});

test('what an owner noticed is told on a telephone, stands on Today, and is gone once it was seen', async ({
  page,
  browser,
}) => {
  const stranger = await browser.newContext({ storageState: NOBODY, viewport: { width: 390, height: 844 } });
  const owner = await stranger.newPage();
  await owner.goto(await linkFor(page, 'Pocket'));
  // How a thing is done, as an owner with a screen reader meets it.
  await owner.getByRole('button', { name: 'show how' }).first().click();
  await expect(owner.getByRole('dialog')).toBeVisible();
  await expectAccessible(owner);
  await owner.getByRole('button', { name: 'Close' }).click();
  await owner.getByText('Did you notice something?').click();
  await owner.getByRole('button', { name: 'An ear smells' }).click();
  await expect(owner.getByText(/^Leave it alone, and put nothing on it/)).toBeVisible();
  await owner.getByLabel('Where, and since when?').fill('The left one, since Sunday');
  await expectAccessible(owner);
  await owner.getByRole('button', { name: 'Tell the salon' }).click();
  await expect(owner.getByText('Thank you. The salon knows.').first()).toBeVisible();
  await stranger.close();

  await page.goto('/');
  const noticed = page.locator('section', { has: page.getByRole('heading', { name: 'Noticed at home' }) });
  await expect(noticed.getByText('“The left one, since Sunday”')).toBeVisible();
  await expect(noticed.getByRole('link', { name: 'Look, then ring' })).toBeVisible();
  await expectAccessible(page);
  await noticed.getByRole('button', { name: 'Seen: Pocket: an ear smells' }).click();
  await expect(noticed).toBeHidden();
});
