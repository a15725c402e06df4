import { expect, test } from '@playwright/test';
import { NOBODY, expectAccessible, newClient, newDogInBook, newId } from './salon';

test('a bath at home: agreed, labelled, given by its page with a clock, ticked, and seen by the salon', async ({
  page,
  browser,
}) => {
  const dogId = await newDogInBook(page, await newClient(page), { name: 'Thistle', weightKg: 9, breeds: ['beagle'] });
  await page.goto(`/dogs/${dogId}/week`);
  const card = page.getByRole('region', { name: 'A bath at home' });
  await card.getByRole('button', { name: 'The owner’s own bottle' }).click();
  await card.getByLabel('What is on the bottle').fill('Meadow dog wash');
  await card.getByLabel('What its label says of mixing').fill('smells of oats');
  await card.getByRole('button', { name: 'Keep' }).click();
  await expect(card.getByRole('alert')).toBeVisible();
  await card.getByRole('button', { name: 'We fill a small bottle' }).click();
  await card.getByLabel('Every … days').fill('14');
  await card.getByRole('button', { name: 'Keep' }).click();
  const label = card.getByRole('link', { name: 'Label for it' });
  await expect(label).toBeVisible();
  await expectAccessible(page);
  const paper = await page.request.get((await label.getAttribute('href')) ?? '');
  expect([paper.status(), paper.headers()['content-type']]).toEqual([200, 'application/pdf']);

  const made = await page.request.post('/api/links', { data: { id: newId(), dogId, days: 5 } });
  const { pathname, hash } = new URL(((await made.json()) as { url: string }).url);
  const stranger = await browser.newContext({ storageState: NOBODY, viewport: { width: 390, height: 844 } });
  const owner = await stranger.newPage();
  await owner.goto(pathname + hash);
  const bath = owner.getByRole('listitem').filter({ hasText: 'mixed on the day' }).first();
  await bath.getByRole('button', { name: 'show how' }).click();
  const how = owner.getByRole('dialog', { name: 'A bath at home' });
  await expect(how.getByText(/level (tea|table)spoons?/)).toBeVisible();
  await expect(how.getByText('Mix it on the day. Throw the rest away.')).toBeVisible();
  await expectAccessible(owner);
  await how.getByRole('button', { name: 'Close' }).click();
  await bath.getByRole('button', { name: 'Bath: done today' }).click();
  await expect(bath.getByRole('button', { name: 'Bath: done today' })).toHaveAttribute('aria-pressed', 'true');
  await stranger.close();

  await page.goto(`/dogs/${dogId}`);
  await expect(page.getByText(/of \d+ ticked since|nothing due yet/)).toBeVisible();
});

test('the wash of a vet has its clock on the owner’s page, and runs on when the page is opened again', async ({
  page,
  browser,
}) => {
  const { items } = (await (await page.request.get('/api/dogs')).json()) as { items: { id: string; name: string }[] };
  const dogId = items.find(({ name }) => name === 'Sorrel')?.id;
  const made = await page.request.post('/api/links', { data: { id: newId(), dogId, days: 5 } });
  const { pathname, hash } = new URL(((await made.json()) as { url: string }).url);
  const stranger = await browser.newContext({ storageState: NOBODY, viewport: { width: 390, height: 844 } });
  const owner = await stranger.newPage();
  const open = async () => {
    await owner.goto(pathname + hash);
    const bath = owner.getByRole('listitem').filter({ hasText: 'mixed on the day' }).first();
    await bath.getByRole('button', { name: 'show how' }).click();
    return owner.getByRole('dialog', { name: 'A bath at home' });
  };
  const how = await open();
  await expect(how.getByText('Nothing else on the skin: no conditioner, no scent.')).toBeVisible();
  await how.getByRole('button', { name: 'Start the clock: 10 minutes' }).click();
  await expect(how.getByRole('timer')).toHaveText(/^9:5\d still to wait$/);
  await owner.goto('about:blank');
  await expect((await open()).getByRole('timer')).toHaveText(/still to wait$/);
  await expectAccessible(owner);
  await stranger.close();
});
