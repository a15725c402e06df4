import { expect, test, type BrowserContext, type Locator, type Page } from '@playwright/test';
import { v7 } from 'uuid';
import { NOBODY, expectAccessible, openDog, signInAs } from './salon';

/** The other business of the demo, whose book nobody else changes here. */
test.use({ storageState: { cookies: [], origins: [] } });
test.describe.configure({ mode: 'serial' });

/** Signed in once for all of these: a minute has few tries. */
let cookies: Awaited<ReturnType<BrowserContext['cookies']>> = [];
async function asJonah(page: Page): Promise<void> {
  if (cookies.length === 0) {
    await signInAs(page, 'jonah@saltmarsh.example');
    cookies = await page.context().cookies();
    return;
  }
  await page.context().addCookies(cookies);
  await page.goto('/');
  await page.getByRole('navigation', { name: 'Places' }).waitFor();
}

/** Two more dogs, each of its own household, so that there is somebody to gain from a gap. */
async function addDogs(page: Page): Promise<void> {
  const headers = { origin: new URL(page.url()).origin };
  for (const [name, owner] of [
    ['Larch', 'Noor Haddad'],
    ['Rushes', 'Elin Sato'],
  ]) {
    const clientId = v7();
    await page.request.post('/api/clients', { headers, data: { id: clientId, name: owner } });
    const profile = { name, weightKg: 9, breeds: ['beagle'] };
    await page.request.post('/api/dogs', { headers, data: { id: v7(), clientId, profile } });
  }
}

async function openAhead(page: Page): Promise<void> {
  await page.goto('/ahead');
  await page.getByRole('heading', { name: 'Due, not booked' }).waitFor();
  await expect(page.getByText('still being worked out')).toBeHidden({ timeout: 20_000 });
}

test('eight weeks are planned, one visit of them booked, and taken back', async ({ page }) => {
  await asJonah(page);
  await addDogs(page);
  await openAhead(page);
  // The server may have planned already, in the night.
  await page.getByRole('button', { name: /^Plan (8 weeks|again)$/ }).click();
  await page.getByRole('button', { name: /^Book all/ }).waitFor({ timeout: 30_000 });
  await page
    .getByRole('button', { name: /proposed$/ })
    .first()
    .click();
  await expectAccessible(page);
  const day = page.getByRole('region', { name: /^(Mon|Tue|Wed|Thu|Fri) / });
  await expect(day.getByText(/Another day (costs|is)/).first()).toBeVisible();
  await day
    .getByRole('button', { name: /^Book \w+$/ })
    .first()
    .click();
  await expect(page.getByText('One visit is booked.', { exact: true })).toBeVisible();
  await expect(day.getByText('may move').first()).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(day.getByText(/cancelled/).first()).toBeVisible();
});

test('by keyboard alone: planned, a dog is booked and cancels, the gap is filled, the rest is booked', async ({
  page,
}) => {
  const press = async (button: Locator) => {
    await button.focus();
    await page.keyboard.press('Enter');
  };
  await asJonah(page);
  await openAhead(page);
  await page.keyboard.press('p');
  const all = page.getByRole('button', { name: /^Book all/ });
  await all.waitFor({ timeout: 30_000 });
  // Rows are weekdays: the earliest day is not the first of them. Both new dogs are due at once.
  const proposed = await page
    .locator('[data-day]')
    .evaluateAll((basins) =>
      basins.flatMap((each) => (/proposed$/.test(each.ariaLabel ?? '') ? [each.getAttribute('data-day') ?? ''] : [])),
    );
  const book = page.getByRole('button', { name: /^Book (Larch|Rushes)$/ }).first();
  let on = '';
  for (const each of proposed.toSorted()) {
    const basin = page.locator(`[data-day="${each}"]`);
    on = ((await basin.getAttribute('aria-label')) ?? '').split(':')[0] ?? '';
    await press(basin);
    await page.getByRole('region', { name: on }).getByRole('button').first().waitFor();
    if (await book.isVisible()) break;
  }
  const day = page.getByRole('region', { name: on });
  const dog = ((await book.getAttribute('aria-label')) ?? '').replace('Book ', '');
  await press(book);
  await press(day.getByRole('button', { name: new RegExp(`^${dog}, .* move or cancel$`) }));
  await press(page.getByRole('button', { name: 'The owner cancels' }));
  await press(day.getByRole('button', { name: 'Who gains' }).first());
  await press(
    page
      .getByRole('dialog', { name: /is free$/ })
      .getByRole('button', { name: 'Said yes' })
      .first(),
  );
  await expect(page.getByText(/has that time/).first()).toBeVisible();
  await page.keyboard.press('p');
  await all.waitFor({ timeout: 30_000 });
  await press(all);
  await expect(page.getByText(/visits? (is|are) booked/).first()).toBeVisible();
  await openDog(page, dog);
});

test('a dog is dragged to a day by mouse, and from there to another by keys alone; both taken back', async ({
  page,
}) => {
  await asJonah(page);
  const headers = { origin: new URL(page.url()).origin };
  const clientId = v7();
  await page.request.post('/api/clients', { headers, data: { id: clientId, name: 'Ravi Lund' } });
  // So that the list and the weeks are in sight together, however long the list is.
  await page.setViewportSize({ width: 1280, height: 1600 });
  const profile = { name: 'Puddle', weightKg: 9, breeds: ['beagle'] };
  await page.request.post('/api/dogs', { headers, data: { id: v7(), clientId, profile } });
  await openAhead(page);
  const handle = page.getByRole('button', { name: 'Take Puddle to a day' }).first();
  // Two days with room, of the weeks after next.
  const open = await page.locator('[data-day]').evaluateAll((basins) =>
    basins
      .filter((each) => / free,/.test(each.ariaLabel ?? '') && !/: 0 h free/.test(each.ariaLabel ?? ''))
      .map((each) => each.getAttribute('data-day') ?? '')
      .toSorted(),
  );
  const to = open.find((each) => open.includes(nextDay(each)) && each > (open[8] ?? ''));
  const basin = page.locator(`[data-day="${to}"]`);
  await handle.scrollIntoViewIfNeeded();
  const [from, target] = [await handle.boundingBox(), await basin.boundingBox()];
  if (!from || !target) throw new Error('Nothing to drag.');
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(target.x + target.width / 2, target.y + target.height / 2, { steps: 12 });
  await page.mouse.up();
  await expect(page.getByText(/^Puddle is booked for /).first()).toBeVisible();

  const name = ((await basin.getAttribute('aria-label')) ?? '').split(':')[0] ?? '';
  const booked = page.getByRole('region', { name }).getByRole('button', { name: 'Take Puddle to a day' });
  await booked.focus();
  await page.keyboard.press('Space');
  // Faster than any hand, the arrow would come before it is held.
  const said = page.locator('[id^="DndLiveRegion"]');
  await expect(said).toHaveText(name);
  await page.keyboard.press('ArrowDown');
  await expect(said).not.toHaveText(name);
  await page.keyboard.press('Space');
  await expect(page.getByText(/^Puddle is moved to /).first()).toBeVisible();
  const next = page.locator(`[data-day="${nextDay(to ?? '')}"]`);
  await expect(next).toHaveAttribute('aria-pressed', 'true');
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Puddle is moved to' })
    .getByRole('button', { name: 'Undo' })
    .click();
  await basin.click();
  await expect(booked).toBeVisible();
});

const nextDay = (day: string): string => new Date(Date.parse(day) + 86_400_000).toISOString().slice(0, 10);

test('an owner is offered times, says yes on a telephone, cannot come after all, and the salon sees it', async ({
  page,
  browser,
}) => {
  await asJonah(page);
  const headers = { origin: new URL(page.url()).origin };
  const [clientId, dogId] = [v7(), v7()];
  const card = {
    emails: ['mina@thornmere.example'],
    consents: { 'e-mail': { yes: true, on: new Date().toISOString().slice(0, 10) } },
  };
  await page.request.post('/api/clients', { headers, data: { id: clientId, name: 'Mina Castellan', card } });
  const profile = { name: 'Zephyr', weightKg: 9, breeds: ['beagle'] };
  await page.request.post('/api/dogs', { headers, data: { id: dogId, clientId, profile } });
  await openAhead(page);
  await page.getByRole('button', { name: 'Write to Mina Castellan about Zephyr' }).click();
  await page.getByRole('button', { name: /^Offer \d times$/ }).click();
  await expect(page.getByRole('textbox', { name: 'Text' })).toHaveValue(
    /Say yes, or take another time, here: \{link\}/,
  );
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Send by e-mail' }).click();
  await expect(page.getByText(/^On its way by e-mail/)).toBeVisible();

  const { items } = (await (await page.request.get(`/api/dogs/${dogId}/links`)).json()) as { items: { url: string }[] };
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, storageState: NOBODY });
  const owner = await phone.newPage();
  await owner.goto(`/owner${new URL(items[0]?.url ?? '').hash}`);
  const dates = owner.getByRole('region', { name: 'Next dates' });
  await expect(dates.getByText('These times are free for Zephyr')).toBeVisible();
  await expectAccessible(owner);
  await dates
    .getByRole('button', { name: /^Yes, this one/ })
    .first()
    .click();
  await expect(dates.getByText('You said yes. Thank you.')).toBeVisible();
  await dates.getByRole('button', { name: 'We cannot come' }).click();
  await expect(dates.getByRole('button', { name: 'We can come after all' })).toBeVisible();
  await phone.close();

  await openAhead(page);
  const answer = page.getByRole('listitem').filter({ hasText: 'Zephyr' }).filter({ hasText: 'cannot come' });
  await expect(answer).toBeVisible();
  await expectAccessible(page);
  await answer.getByRole('button', { name: 'Who gains from the time of Zephyr' }).click();
  await expect(page.getByRole('dialog', { name: /is free$/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await answer.getByRole('button', { name: /^Seen/ }).click();
  await expect(answer).toBeHidden();
});

test('the next visit is booked in six keys or fewer', async ({ page }) => {
  await asJonah(page);
  await page.goto('/dogs');
  await page.getByRole('link', { name: 'Otter', exact: true }).click();
  const book = page.getByRole('button', { name: 'Book', exact: true });
  await book.focus();
  await page.keyboard.press('Enter');
  await page.getByRole('list', { name: 'The best times' }).waitFor();
  await page.keyboard.press('2');
  await expect(page.getByText(/^Otter is booked for /).first()).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeHidden();
});
