import { expect, test, type Page } from '@playwright/test';
import { goToStep, lookAllClear, newClient, newDogInBook, newId, openDogById } from './salon';

/** A dog of its own, at the table, greeted and its owner asked; looked over where nothing else is said. */
async function atTheTable(
  page: Page,
  profile: object,
  {
    plucking,
    looked = true,
    also = [],
  }: { readonly plucking?: boolean; readonly looked?: boolean; readonly also?: readonly object[] } = {},
): Promise<string> {
  const client = await newClient(page, plucking === undefined ? {} : { plucking });
  const dog = await newDogInBook(page, client, { weightKg: 11, ...profile });
  const id = newId();
  await page.request.post('/api/visits', { data: { id, dogId: dog, appointmentId: null } });
  const done = ['prepare', 'handover', ...(looked ? ['look-over', 'decide'] : [])];
  const happened = [{ type: 'opened' }, ...done.map((step) => ({ type: 'step done', step })), ...also];
  const events = happened.map((what, i) => ({
    ...{ id: newId(), v: 5, counter: i + 1, device: 'earlier', at: Date.now() + i, offset: 0, seen: {} },
    what,
  }));
  expect((await page.request.post(`/api/visits/${id}/events`, { data: { events } })).status()).toBe(201);
  await page.goto(`/visits/${id}`);
  await expect(page.getByText(/^step \d+ of/)).toBeVisible();
  return dog;
}
const heading = (page: Page) => page.getByRole('heading', { level: 1 }).last();
const sent = (page: Page) => expect(page.getByText('the server has it all')).toBeVisible();

test('hair of an ear: three taps say how it went, what comes next, and a clock asks for a second look', async ({
  page,
}) => {
  const own = { earHair: { school: 'routine', because: 'hair fills its ears' } };
  const ears = { conditions: [], plucked: '2026-10-01', ownerForbidsPlucking: false };
  const profile = { name: 'Thistle', breeds: ['lagotto'], ownWays: own, ears: { left: ears, right: ears } };
  const dog = await atTheTable(page, profile, { plucking: true });
  await goToStep(page, /(Take|Trim).*left ear/);
  const went = page.getByRole('region', { name: 'How it went, left ear' });
  await went.getByRole('group', { name: 'Came out' }).getByRole('button', { name: 'most' }).click();
  await went.getByRole('group', { name: 'The dog' }).getByRole('button', { name: 'broke off' }).click();
  // It broke off: the step ends there, and what is still in it is asked where the ear is cleaned.
  await goToStep(page, /Clean the left ear/);
  await went.getByRole('group', { name: 'Still in it' }).getByRole('button', { name: 'some' }).click();
  await expect(went.getByText(/Next time:/)).toContainText(/trim/i);
  await expect(page.getByRole('timer').first()).toBeVisible();
  await sent(page);
  await openDogById(page, dog);
  await expect(page.getByText('Hair in the ear').first()).toBeVisible();
  await expect(page.getByText(/^trim: /).first()).toBeVisible();
});

test('an ear that was clear and gives brown pads is cleaned deeper by one tap; still brown it is filled once more, then left and told', async ({
  page,
}) => {
  await atTheTable(page, { name: 'Rill', breeds: ['beagle'] }, { looked: false });
  await goToStep(page, /Look and smell/);
  await lookAllClear(page);
  await goToStep(page, /Wipe the left ear/);
  const pads = page.getByRole('region', { name: 'Pads, left ear' });
  const brown = pads.getByRole('button', { name: 'brown', exact: true });
  for (let i = 0; i < 2; i++) await brown.click();
  await pads.getByRole('button', { name: 'Dirtier than it looked: drops and massage' }).click();
  await expect(heading(page)).toHaveText('Clean the left ear');
  for (let i = 0; i < 4; i++) await brown.click();
  await pads.getByRole('button', { name: 'Still brown: fill and massage once more' }).click();
  for (let i = 0; i < 4; i++) await brown.click();
  await pads.getByRole('button', { name: /^Still brown after 2 rounds/ }).click();
  await expect(page.getByRole('heading', { name: 'Taken away' })).toBeVisible();
});

test('crust: softened on the table, the rest handed on to the tub and asked there; nails that are short are not late tomorrow', async ({
  page,
}) => {
  const place = { site: 'eye', side: 'left' };
  const crust = { type: 'found', finding: { place, sign: 'eye crust', grade: 2, answer: null } };
  const dog = await atTheTable(page, { name: 'Willow', breeds: ['shih-tzu'] }, { also: [crust] });
  await goToStep(page, /Soften and clean, left eye/);
  await page
    .getByRole('region', { name: 'Crust, left eye' })
    .getByRole('button', { name: 'The rest in the tub' })
    .click();
  await goToStep(page, /Wash the face/);
  await page.getByRole('region', { name: 'Crust, left eye' }).getByRole('button', { name: 'All of it' }).click();

  await goToStep(page, /Nails and dewclaws/);
  await page.getByRole('group', { name: 'Nails, toes' }).getByRole('button', { name: 'short' }).click();
  await page.getByRole('button', { name: 'Looked at: nothing needed' }).click();
  await sent(page);
  await openDogById(page, dog);
  await expect(page.getByText(/Nails and dewclaws/).first()).toBeVisible();
  const { due } = (await (await page.request.get(`/api/dogs/${dog}`)).json()) as {
    due: { line: { task: string }; state: string }[];
  };
  expect(due.find(({ line }) => line.task === 'nails')?.state).toBe('not yet');
});

test('as planned, up to here: what needs an answer of its own is named, and nothing is ticked off', async ({
  page,
}) => {
  await atTheTable(page, { name: 'Kestrel', breeds: ['beagle'] });
  const before = (await page.getByText(/^step \d+ of/).textContent()) ?? '';
  await page.keyboard.press('s');
  const list = page.getByRole('dialog');
  await list.getByRole('button', { name: 'As planned, up to here: Brush out' }).click();
  await expect(list.getByRole('status')).toContainText(/Not in one go/);
  await page.keyboard.press('Escape');
  await expect(page.getByText(before, { exact: true })).toBeVisible();
});

test('product in the eye: first steps at once, and the owner is told', async ({ page }) => {
  await atTheTable(page, { name: 'Fennel', breeds: ['beagle'] });
  await page.getByRole('button', { name: /^More: incident/ }).click();
  await page.getByRole('button', { name: /^Something went wrong/ }).click();
  await page.getByRole('button', { name: /in the eye/i }).click();
  await expect(page.getByRole('dialog')).toContainText(/rinse|flush/i);
});

test('what is wished for the clip is in sight there; a step that was not booked comes where it belongs', async ({
  page,
}) => {
  const style = { body: 'short, 7F', feet: 'tidy, not round' };
  await atTheTable(page, { name: 'Juniper', breeds: ['shih-tzu'], style });
  await goToStep(page, /Comb and tidy/);
  await expect(page.getByRole('region', { name: 'Blade and comb' })).toContainText('short, 7F');
});

test('a deep fold is clear only when its floor was seen', async ({ page }) => {
  await atTheTable(page, { name: 'Marl', breeds: ['english-bulldog'], weightKg: 24 }, { looked: false });
  await goToStep(page, /Look and smell/);
  await page.getByRole('button', { name: /I looked: the other \d+ here are clear/ }).click();
  await expect(page.getByRole('button', { name: /deep folds?/ })).toBeVisible();
  const floors = (await page.getByRole('button', { name: /parted: no flinch/ }).textContent()) ?? '';
  await page.getByRole('button', { name: /parted: no flinch/ }).click();
  await expect(page.getByRole('button', { name: floors, exact: true })).toBeHidden();
});

test('a booking says what is in it, and the table has those steps and no others', async ({ page }) => {
  const dog = await newDogInBook(page, await newClient(page), { name: 'Osprey', breeds: ['beagle'], weightKg: 11 });
  await openDogById(page, dog);
  await page.getByRole('button', { name: 'Book', exact: true }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Another time' }).click();
  const parts = dialog.getByRole('group', { name: 'What is in it' });
  for (const part of ['cut and tidy', 'brush-out', 'eyes and folds'])
    await parts.getByRole('button', { name: part }).click();
  await dialog
    .getByLabel('Day', { exact: true })
    .fill(new Date(Date.now() + 40 * 86_400_000).toISOString().slice(0, 10));
  await dialog.getByLabel('Time', { exact: true }).fill('6:30');
  await dialog.getByLabel('Note for the table').fill('cut in December');
  await dialog.getByRole('button', { name: 'Book', exact: true }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByText('cut in December').first()).toBeVisible();
  await page.getByRole('button', { name: 'Begin visit' }).click();
  await expect(page.getByText(/^step \d+ of/)).toBeVisible();
  await page.keyboard.press('s');
  const steps = page.getByRole('dialog');
  await expect(steps.getByText('First wash')).toBeVisible();
  await expect(steps.getByText('Comb and tidy')).toHaveCount(0);
});

test('finishing products: used in one tap, and held back from skin that is not healthy', async ({ page }) => {
  await atTheTable(page, { name: 'Sedge', breeds: ['beagle'] });
  await goToStep(page, /Comb and tidy/);
  await page.getByRole('button', { name: 'Used: Reed finishing mist' }).click();
  await expect(page.getByRole('button', { name: 'Not used after all: Reed finishing mist' })).toBeVisible();
  await atTheTable(page, { name: 'Lovage', breeds: ['beagle'], skin: 'sensitive' });
  await goToStep(page, /Comb and tidy/);
  await expect(page.getByText(/Not today: it stays off skin that is sensitive/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Used: Reed finishing mist' })).toBeDisabled();
});

test('it ran out: what may be taken is offered, and what was taken stands in the visit', async ({ page }) => {
  await atTheTable(page, { name: 'Yarrow', breeds: ['beagle'] });
  await goToStep(page, /Rinse until it squeaks/);
  await page.getByRole('button', { name: 'It ran out, something else was used' }).first().click();
  const form = page.getByRole('form', { name: /^Instead of/ }).first();
  await form.getByRole('button').first().click();
  await form.getByRole('textbox').fill('300');
  await form.getByRole('button', { name: 'Tell' }).click();
  await expect(page.getByText(/^Ran out: .* instead$/).first()).toBeVisible();
});

test('a foot switch does the step; other days for a row say first how many plans they would change', async ({
  page,
}) => {
  await atTheTable(page, { name: 'Skerry', breeds: ['beagle'] });
  const before = (await page.getByText(/^step \d+ of/).textContent()) ?? '';
  await goToStep(page, /Wet the coat/);
  const wet = (await page.getByText(/^step \d+ of/).textContent()) ?? '';
  expect(wet).not.toBe(before);
  await page.keyboard.press('PageUp');
  await expect(page.getByText(wet, { exact: true })).toBeHidden();

  await page.goto('/house');
  await page
    .getByRole('button', { name: /^Other days: nails/ })
    .first()
    .click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Usual, days').fill('35');
  await expect(dialog.getByText(/Would change \d+ of \d+ plans|No plan would change/)).toBeVisible();
  await page.keyboard.press('Escape');
});

test('an ear that came to a vet three times in six months is told so on the sheet', async ({ page }) => {
  const client = await newClient(page);
  const dog = await newDogInBook(page, client, { name: 'Heron', breeds: ['beagle'], weightKg: 11 });
  const place = { site: 'ear', side: 'left' };
  const musty = { type: 'found', finding: { place, sign: 'ear musty smell', grade: 2, answer: null } };
  let last = '';
  for (const daysAgo of [50, 25, 0]) {
    last = newId();
    const at = Date.now() - daysAgo * 86_400_000;
    await page.request.post('/api/visits', {
      data: { id: last, dogId: dog, appointmentId: null, begun: { at, offset: 0 } },
    });
    const happened = [{ type: 'opened' }, musty, { type: 'closed', how: 'ended early' }];
    const events = happened.map((what, i) => ({
      ...{ id: newId(), v: 5, counter: i + 1, device: 'earlier', at: at + i, offset: 0, seen: {} },
      what,
    }));
    expect((await page.request.post(`/api/visits/${last}/events`, { data: { events } })).status()).toBe(201);
  }
  await page.goto(`/visits/${last}/sheet`);
  await expect(page.getByText(/3 times in six months/).first()).toBeVisible();
});

test('the skin reacts: first steps at once; a dog’s page tells left and right once; by night it is dark by itself', async ({
  page,
}) => {
  const dog = await atTheTable(page, { name: 'Clover', breeds: ['beagle'] });
  await page.getByRole('button', { name: /^More: incident/ }).click();
  await page.getByRole('button', { name: /^Something went wrong/ }).click();
  await page.getByRole('button', { name: /The skin reacts/ }).click();
  await expect(page.getByRole('dialog')).toContainText('Product off with much water.');
  await openDogById(page, dog);
  await expect(page.getByText(/left and right ear/).first()).toBeVisible();
  const light = () =>
    page.evaluate(() => {
      const [red = 0, green = 0, blue = 0] = (getComputedStyle(document.body).backgroundColor.match(/\d+/g) ?? []).map(
        Number,
      );
      return (red + green + blue) / 3;
    });
  expect(await light()).toBeGreaterThan(200);
  await page.emulateMedia({ colorScheme: 'dark' });
  await expect.poll(light).toBeLessThan(60);
});
