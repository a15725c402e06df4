import { expect, test, type Page } from '@playwright/test';
import {
  bigButton,
  finishAllSteps,
  goToStep,
  lookAllClear,
  newClient,
  newDogInBook,
  newId,
  openDogById,
  visitId,
} from './salon';

/** So many years and days before today. */
const ago = (years: number, days = 0): string =>
  new Date(Date.now() - years * 365.25 * 86_400_000 - days * 86_400_000).toISOString().slice(0, 10);

const begin = async (page: Page, dogId: string) => {
  await openDogById(page, dogId);
  await page.getByRole('button', { name: 'Begin visit' }).click();
  await expect(page.getByText(/^step \d+ of/)).toBeVisible();
};
const nextBath = (page: Page) =>
  page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: 'The next bath' }) })
    .last();

test('a wire-coated old dog of unknown history: mild first, its ears left until somebody has looked, its vet asked after', async ({
  page,
}) => {
  const dog = await newDogInBook(page, await newClient(page, { plucking: true }), {
    name: 'Burdock',
    breeds: ['fox-wire'],
    weightKg: 9,
    born: ago(14),
    ownWays: { earHair: { school: 'staged', because: 'hair fills its ears' } },
  });
  await openDogById(page, dog);
  await expect(nextBath(page)).toContainText('old skin is dry and thin');
  await expect(nextBath(page)).toContainText('a wire coat combs without it');
  await expect(page.getByText('leave: the hair is sparse')).toBeVisible();
  await page.getByRole('button', { name: 'Begin visit' }).click();
  await bigButton(page).click();
  await expect(page.getByRole('region', { name: 'Seen by a vet' })).toContainText('not known when');
  await page.getByLabel('Eyes seen by a vet: when').fill(ago(0, 30));
  await page.getByRole('button', { name: 'Keep: Eyes seen by a vet' }).click();
  await expect(page.getByRole('region', { name: 'Seen by a vet' })).toBeHidden();
  await bigButton(page).click();

  // What is seen in an ear corrects the breed's guess, and the next decision follows at once.
  await page.getByRole('button', { name: /^left ear: not looked at/i }).click();
  await page.getByRole('group', { name: 'Hair in the canal' }).getByRole('button', { name: 'dense' }).click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await lookAllClear(page);
  // Old, and nobody knows whether hair was ever taken out: what sticks out is trimmed, nothing is plucked.
  await page.keyboard.press('s');
  await expect(page.getByRole('dialog').getByText('Trim what sticks out, left ear')).toBeVisible();
  await expect(
    page
      .getByRole('dialog')
      .getByText(/right ear/)
      .filter({ hasText: /trim|hair/i }),
  ).toHaveCount(0);
});

test('an allergic flat-faced dog with two bottles of its vet’s: each in its place, nothing else on the skin, no conditioner', async ({
  page,
}) => {
  const dog = await newDogInBook(page, await newClient(page), {
    name: 'Nettle',
    breeds: ['french-bulldog'],
    weightKg: 12,
    born: ago(4),
    skin: 'allergic',
  });
  await begin(page, dog);
  await bigButton(page).click();
  const bring = async (what: { use: string; where?: string; name: string; ratio?: string; minutes?: string }) => {
    await page.getByRole('button', { name: 'A bottle was brought' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('group', { name: 'Whose' }).getByRole('button', { name: /vet/i }).click();
    await dialog.getByRole('group', { name: 'For what' }).getByRole('button', { name: what.use }).click();
    if (what.where)
      await dialog.getByRole('group', { name: 'Where' }).getByRole('button', { name: what.where }).click();
    await dialog.getByLabel('Name on the bottle').fill(what.name);
    await dialog.getByLabel('Ratio on the label').fill(what.ratio ?? 'ready to use');
    if (what.minutes) {
      await dialog.getByLabel(/Minutes it must stay on/).fill(what.minutes);
      await dialog.getByRole('button', { name: /nothing else/i }).click();
    }
    await dialog.getByLabel('Which vet').fill('Dr Oyelaran');
    await dialog.getByRole('button', { name: 'until it is ended' }).click();
    await dialog.getByRole('button', { name: 'Take it' }).click();
    await expect(dialog).toBeHidden();
  };
  await bring({ use: 'Both washes', name: 'Heron relief wash', ratio: '9:1', minutes: '10' });
  await bring({ use: 'Clean ears', where: 'left ear', name: 'Heron ear rinse' });

  await goToStep(page, 'First wash');
  await expect(page.getByText(/Heron relief wash 9:1/).first()).toBeVisible();
  await goToStep(page, /left ear/i);
  await expect(page.getByText(/With\s+Heron ear rinse/)).toBeVisible();
  await goToStep(page, /the right ear/i);
  await expect(page.getByText(/Heron ear rinse/)).toBeHidden();
  await page.keyboard.press('s');
  await expect(
    page
      .getByRole('dialog')
      .getByText(/10 min/)
      .first(),
  ).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('the server has it all')).toBeVisible();

  await openDogById(page, dog);
  await expect(nextBath(page)).toContainText('Heron relief wash');
  await expect(nextBath(page)).toContainText(/Conditioner\s*none/);
  await expect(page.getByText(/Heron ear rinse/).first()).toBeVisible();
});

test('25 kg of thick double coat take more mix and longer than 25 kg of short coat', async ({ page }) => {
  const client = await newClient(page);
  const all = { weightKg: 25, born: ago(5) };
  const thick = await newDogInBook(page, client, { name: 'Boulder', breeds: ['chow'], ...all });
  const short = await newDogInBook(page, client, { name: 'Pebble', breeds: ['boxer'], ...all });
  const of = async (dog: string) => {
    await begin(page, dog);
    await goToStep(page, 'First wash');
    const mix =
      (await page
        .getByText(/of mix/)
        .first()
        .textContent()) ?? '';
    await goToStep(page, /Dry, place by place/);
    const said =
      (await page
        .getByText(/, about \d+ min/)
        .first()
        .textContent()) ?? '';
    const minutes = Number(/about (\d+) min/.exec(said)?.[1]);
    const [, amount = '', unit = ''] = /([\d.]+) (ml|l) of mix/.exec(mix) ?? [];
    return { ml: Number(amount) * (unit === 'l' ? 1000 : 1), minutes };
  };
  const [double, smooth] = [await of(thick), await of(short)];
  expect(smooth.ml).toBeGreaterThan(300);
  expect(double.ml).toBeGreaterThan(1.5 * smooth.ml);
  expect(smooth.minutes).toBeGreaterThan(0);
  expect(double.minutes).toBeGreaterThan(1.5 * smooth.minutes);
});

test('a nine-week puppy: the mildest, the weak end, nothing scented, a first lesson rather than a full visit', async ({
  page,
}) => {
  const dog = await newDogInBook(page, await newClient(page), {
    name: 'Crumb',
    breeds: ['cockapoo'],
    weightKg: 2.2,
    born: ago(0, 63),
  });
  await openDogById(page, dog);
  await expect(nextBath(page)).toContainText('Oat gentle wash 32:1');
  await expect(nextBath(page)).toContainText('young skin is thin');
  await expect(nextBath(page)).not.toContainText('Deep clean concentrate');
  await expect(page.getByRole('heading', { name: /lesson/i })).toBeVisible();
});

test('a blind old dog that cannot stand is washed lying, in parts, and told where it is touched', async ({ page }) => {
  const dog = await newDogInBook(page, await newClient(page), {
    name: 'Owlet',
    breeds: ['shih-tzu'],
    weightKg: 6,
    born: ago(14),
    canStandThroughBath: false,
    handling: { sight: 'blind' },
  });
  await begin(page, dog);
  for (const mark of ['Blind', 'Cannot stand through a bath'])
    await expect(page.getByText(mark, { exact: true })).toBeVisible();
  await goToStep(page, 'Wet the coat');
  await expect(page.getByText(/Lying on a mat, in parts, towel-dry, with breaks/)).toBeVisible();
  await page.getByRole('button', { name: 'Today it…' }).click();
  const today = page.getByRole('dialog');
  await expect(today.getByRole('button', { name: /It needs a muzzle/ })).toBeDisabled();
  await today.getByRole('button', { name: /It likes to be scratched at the chest/ }).click();
  await expect(page.getByRole('region', { name: 'How it shows itself today' })).toContainText('scratched at the chest');
});

test('two dogs of one house: the cat is asked about once, and what one dog got is not the other’s', async ({
  page,
}) => {
  const client = await newClient(page);
  const first = await newDogInBook(page, client, { name: 'Moss', breeds: ['beagle'], weightKg: 11 });
  const second = await newDogInBook(page, client, { name: 'Lichen', breeds: ['pug'], weightKg: 8 });
  await begin(page, first);
  await bigButton(page).click();
  const asked = page.getByRole('region', { name: 'Asked at handover' });
  await asked.getByRole('group', { name: 'Does it live with a cat?' }).getByRole('button', { name: 'Yes' }).click();
  await asked.getByRole('group', { name: 'Fits?' }).getByRole('button', { name: 'Yes' }).click();
  await expect(page.getByText('the server has it all')).toBeVisible();
  await begin(page, second);
  await bigButton(page).click();
  await expect(asked.getByRole('group', { name: 'Does it live with a cat?' })).toBeHidden();
  await expect(page.getByText(/It lives with a cat: otherwise by now/)).toBeVisible();
  await expect(asked.getByRole('group', { name: 'Fits?' })).not.toContainText('last asked');
});

test('a whole visit ends in the clean-down log', async ({ page }) => {
  const dog = await newDogInBook(page, await newClient(page), { name: 'Sedge', breeds: ['beagle'], weightKg: 11 });
  await begin(page, dog);
  const id = visitId(page);
  await finishAllSteps(page);
  await page.getByRole('button', { name: 'Close the visit, make the owner sheet' }).click();
  await expect(page.getByRole('heading', { name: 'What we saw' })).toBeVisible();
  await page.goto('/house');
  await page.getByRole('link', { name: 'Clean-down log' }).click();
  const line = page.getByRole('listitem').filter({ has: page.locator(`a[href="/visits/${id}"]`) });
  await expect(line).toContainText('table, tub, dryer, tools, hands');
  await expect(line).toContainText('Ines');
});

test('an old dog that has been here an hour: what can wait is kept for another day, once what must be done is done', async ({
  page,
}) => {
  const dog = await newDogInBook(page, await newClient(page), {
    name: 'Lantern',
    breeds: ['beagle'],
    weightKg: 11,
    born: ago(14),
  });
  const id = newId();
  await page.request.post('/api/visits', { data: { id, dogId: dog, appointmentId: null } });
  // An hour ago, by the server's clock, another tablet opened this visit and looked the dog over.
  const opened = ['prepare', 'handover', 'look-over', 'decide'].map((step) => ({ type: 'step done', step }));
  const events = [{ type: 'opened' }, ...opened].map((what, i) => ({
    ...{ id: newId(), v: 5, counter: i + 1, device: 'earlier', offset: 0, seen: {} },
    at: Date.now() - 3_600_000 + i * 1000,
    what,
  }));
  expect((await page.request.post(`/api/visits/${id}/events`, { data: { events } })).status()).toBe(201);
  await page.goto(`/visits/${id}`);
  await page.getByRole('button', { name: 'Leave out, or split it…' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('region', { name: 'Can wait' })).toContainText('Nails and dewclaws');
  await dialog.getByRole('button', { name: 'Home now, the rest then' }).click();
  await page.goto(`/visits/${id}`);
  await expect(page.getByText(/Comes back .* to be finished/)).toBeVisible();
});
