import { fileURLToPath } from 'node:url';
import AxeBuilder from '@axe-core/playwright';
import { expect, type Locator, type Page } from '@playwright/test';

const PASSWORD = 'reeds-and-chalk';

export const SIGNED_IN = fileURLToPath(new URL('../test-results/signed-in.json', import.meta.url));
export const NOBODY = { cookies: [], origins: [] };
export const LAUNCH = {
  executablePath: process.env['BROWSER_PATH'] ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    // A camera that films a moving disc, and is allowed.
    '--use-fake-device-for-media-stream',
    '--use-fake-ui-for-media-stream',
  ],
};

export async function signInAs(page: Page, email: string, password = PASSWORD): Promise<void> {
  await page.goto('/');
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('navigation', { name: 'Places' }).waitFor();
}

export async function openDog(page: Page, name: string): Promise<void> {
  await page.goto('/dogs');
  await page.getByRole('link', { name, exact: true }).click();
  await expect(page.getByRole('heading', { name, exact: true })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Care plan' })).toBeVisible();
}

/** The big button at the foot of the table. */
export const bigButton = (page: Page) => page.locator('footer button').last();

/** Nothing serious for people who use the keyboard, a screen reader, or see little. */
export async function expectAccessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21aa']).analyze();
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(serious.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`)).toEqual(
    [],
  );
}

/** How a button is pressed: by mouse, by finger, by keyboard. */
export type Press = (button: Locator) => Promise<void>;
const byMouse: Press = (button) => button.click();
export const byFinger: Press = (button) => button.tap();
export const byKeyboard: Press = async (button) => {
  await button.focus();
  await button.press('Enter');
};

/** Every place of the look-over that is still open is touched as clear, view by view. */
export async function lookAllClear(page: Page, press: Press = byMouse): Promise<void> {
  const rest = page.getByRole('button', { name: /here are clear/ });
  const floors = page.getByRole('button', { name: /parted: no flinch/ });
  for (let view = 0; view < 4; view++) {
    if (await floors.isVisible()) {
      await press(floors);
      await expect(floors).toBeHidden();
    }
    if (!(await rest.isVisible())) break;
    const before = await rest.textContent();
    await press(rest);
    await expect(page.getByText(before ?? '', { exact: true })).toBeHidden();
  }
  const manner = page.getByRole('button', { name: 'breathing, gait and manner clear', exact: true });
  if (!(await manner.isVisible())) await press(page.getByRole('tab', { name: /Whole dog/ }));
  if ((await manner.getAttribute('aria-pressed')) === 'false') await press(manner);
}

/** Works the table until nothing is left, as a groomer with nothing more to say would. */
export async function finishAllSteps(page: Page, press: Press = byMouse): Promise<void> {
  for (let steps = 0; steps < 60; steps++) {
    if (await page.getByRole('heading', { name: /^(All done|The visit ends here)$/ }).isVisible()) return;
    for (const side of ['left', 'right']) {
      const putIn = page.getByRole('button', { name: `Put in: ${side} ear` });
      if (await putIn.isVisible()) await press(putIn);
    }
    for (const out of await page.getByRole('button', { name: 'Out, dry' }).all()) {
      if ((await out.isEnabled()) && (await out.getAttribute('aria-pressed')) === 'false') await press(out);
    }
    for (const one of [/came out clean/, /I felt them:/, /^No to the other/, /^All of it is clean/]) {
      const button = page.getByRole('button', { name: one });
      if (await button.isVisible()) await press(button);
    }
    const planned = page.getByRole('button', { name: /^As planned/i });
    for (const tap of await planned.all()) await press(tap);
    if (await page.getByRole('tab', { name: 'Head' }).isVisible()) await lookAllClear(page, press);
    const before = await page.getByText(/^step \d+ of/).textContent();
    await expect(bigButton(page)).toBeEnabled();
    await press(bigButton(page));
    await expect(page.getByText(before ?? '', { exact: true })).toBeHidden();
  }
  throw new Error('The visit does not end.');
}

/** From Today over the dog's page to the table, whether its visit was begun or not. */
export async function toTheTable(page: Page, dog: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('link', { name: dog, exact: true }).click();
  await page.getByRole('heading', { name: 'Care plan' }).waitFor();
  await page
    .getByRole('button', { name: 'Begin visit' })
    .or(page.getByRole('link', { name: 'Go on' }))
    .click();
  await expect(page.getByText(/^step \d+ of/)).toBeVisible();
}

/** Opens a list and takes one of it. */
export async function choose(list: Locator, option: string | RegExp): Promise<void> {
  await list.click();
  await list.page().getByRole('option', { name: option, exact: true }).first().click();
}

export const newId = () => crypto.randomUUID().replace(/^(.{14})./, '$17');

/**
 * A dog new to the book, booked late in the evening: the demo world's own day is full.
 * With whoever is free then: a second try of a test finds the hour of the first one taken.
 */
export async function bookTonight(page: Page, name: string, hour: number): Promise<void> {
  const get = async <T>(path: string) => (await (await page.request.get(path)).json()) as T;
  const post = async (path: string, data: object) => {
    const answer = await page.request.post(path, { data });
    expect(answer.status(), await answer.text()).toBe(201);
  };
  const { today } = await get<{ today: string }>('/api/session');
  const { items: members } = await get<{ items: { id: string }[] }>('/api/members');
  const [clientId, dogId] = [newId(), newId()];
  await post('/api/clients', { id: clientId, name: 'Mere Tuhoe', card: { phones: [{ number: '01632 960177' }] } });
  await post('/api/dogs', { id: dogId, clientId, profile: { name, weightKg: 9, breeds: ['beagle'] } });
  const bookWith = (memberId: string) =>
    page.request.post('/api/appointments', {
      data: {
        id: newId(),
        dogId,
        memberId,
        kind: 'ears and nails',
        startsAt: new Date(`${today}T${hour}:00:00Z`).toISOString(),
        minutes: 30,
      },
    });
  const refused: string[] = [];
  for (const { id } of members.toReversed()) {
    const answer = await bookWith(id);
    if (answer.status() === 201) return;
    refused.push(await answer.text());
  }
  throw new Error(`Nobody is free at ${hour}: ${refused.join(' ')}`);
}

/** A client new to the book; with their word on plucking where it is given. */
export async function newClient(page: Page, agrees: { readonly plucking?: boolean } = {}): Promise<string> {
  const id = newId();
  const on = new Date().toISOString().slice(0, 10);
  const consents = agrees.plucking === undefined ? {} : { plucking: { yes: agrees.plucking, on } };
  const answer = await page.request.post('/api/clients', { data: { id, name: 'Mere Tuhoe', card: { consents } } });
  expect(answer.status(), await answer.text()).toBe(201);
  return id;
}

/** A dog of theirs that is written down with this; returns its id. */
export async function newDogInBook(page: Page, clientId: string, profile: object): Promise<string> {
  const id = newId();
  const answer = await page.request.post('/api/dogs', { data: { id, clientId, profile } });
  expect(answer.status(), await answer.text()).toBe(201);
  return id;
}

export async function openDogById(page: Page, id: string): Promise<void> {
  await page.goto(`/dogs/${id}`);
  await expect(page.getByRole('heading', { name: 'The next bath' })).toBeVisible();
}

/** Another step of the table, from the list of all. */
export async function goToStep(page: Page, step: string | RegExp): Promise<void> {
  await page.keyboard.press('s');
  await page.getByRole('dialog').getByRole('button', { name: step }).first().click();
  await expect(page.getByRole('dialog')).toBeHidden();
}

/** Everything the server knows of a visit. */
export async function visitAtServer(page: Page, id: string) {
  return (await (await page.request.get(`/api/visits/${id}`)).json()) as {
    events: { id: string; device: string; what: { type: string; step?: string } }[];
  };
}

export const visitId = (page: Page) => page.url().split('/').at(-1) ?? '';

/** Whether this dog's visit was carried along. Runs in the page. */
export const isCarried = (dog: string) =>
  new Promise<boolean>((resolve, reject) => {
    const opening = indexedDB.open('dewpond');
    opening.onerror = () => reject(new Error('no database'));
    opening.onsuccess = () => {
      const asking = opening.result.transaction('answers').objectStore('answers').get('prefetch');
      asking.onerror = () => reject(new Error('no answers'));
      asking.onsuccess = () => {
        const prefetched = asking.result as { answer: { visits: { dog: { name: string } }[] } } | undefined;
        resolve(prefetched?.answer.visits.some((visit) => visit.dog.name === dog) ?? false);
      };
    };
  });
