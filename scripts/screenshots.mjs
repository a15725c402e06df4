// npm run screenshots: drives a fresh demo world in Debian's Chromium and writes docs/screenshots/*.png at 1280×800.
// `-- --only today,dog` takes some; `-- --to FOLDER --size 768x1024 --theme night` takes throwaway ones.

import { mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { browserPath, checkNode, ensureDependencies, ensurePackages, ROOT } from './machine.mjs';
import { command, say } from './say.mjs';

/** @param {string} name @param {string} fallback */
const option = (name, fallback) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? fallback : (process.argv[at + 1] ?? fallback);
};

/** @typedef {import('@playwright/test').Page} Page */

/** @param {Page} page @param {string} dog */
const openDog = async (page, dog) => {
  await page.goto('/dogs');
  await page.getByLabel('Find').fill(dog);
  await page.getByRole('link', { name: dog, exact: true }).click();
  await page.getByRole('heading', { name: 'Care plan' }).waitFor();
  await page.getByText('The next bath').waitFor();
};

/** What was tapped has arrived: the picture shows the table at rest. @param {Page} page */
const allSent = (page) => page.getByText('the server has it all').waitFor();

/** @param {Page} page @param {string} dog */
const toTheTable = async (page, dog) => {
  await page.goto('/');
  await page.getByRole('link', { name: dog, exact: true }).click();
  await page.getByRole('heading', { name: 'Care plan' }).waitFor();
  const begin = page.getByRole('button', { name: 'Begin visit' });
  const goOn = page.getByRole('link', { name: 'Go on' });
  await begin.or(goOn).click();
  await page.getByText(/^step \d+ of/).waitFor();
};

/** @param {Page} page */
const done = async (page) => {
  await page.locator('footer button').last().click();
  await page.waitForTimeout(150);
};

/** Marks one sign at one place of the look-over. @param {Page} page @param {RegExp} place @param {string} sign */
const found = async (page, place, sign) => {
  await page.getByRole('button', { name: place }).first().click();
  const mark = page.getByRole('button', { name: sign, exact: true });
  const more = page.getByRole('button', { name: /more signs$/ });
  if (!(await mark.isVisible()) && (await more.isVisible())) await more.click();
  await mark.click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await page.waitForTimeout(150);
};

/** Opens a list and takes one of it. @param {import('@playwright/test').Locator} list @param {string | RegExp} option */
const choose = async (list, option) => {
  await list.click();
  await list.page().getByRole('option', { name: option, exact: true }).first().click();
};

/** How whoever is signed in reads volumes and weights. @param {Page} page @param {'US' | null} units */
const inUnits = async (page, units) => {
  await page.request.put('/api/me', { headers: { origin: new URL(page.url()).origin }, data: { units } });
};

/** Touches every place that is still open as clear. @param {Page} page */
const restClear = async (page) => {
  const rest = page.getByRole('button', { name: /here are clear/ });
  const floors = page.getByRole('button', { name: /parted: no flinch/ });
  for (let view = 0; view < 4; view++) {
    if (await floors.isVisible()) await floors.click();
    if (!(await rest.isVisible())) break;
    await rest.click();
    await page.waitForTimeout(150);
  }
  await page.getByRole('button', { name: 'breathing, gait and manner clear', exact: true }).click();
};

/** Views in the order a day goes; each leaves the page as it is to be seen. @type {Record<string, (page: Page) => Promise<void>>} */
const VIEWS = {
  today: async (page) => {
    await page.goto('/');
    await page.getByRole('link', { name: 'Open the morning mix' }).waitFor();
    await page.waitForTimeout(800);
  },
  dogs: async (page) => {
    await page.goto('/dogs');
    await page.getByText('not booked').first().waitFor();
  },
  dog: (page) => openDog(page, 'Teasel'),
  'dog-plan': async (page) => {
    await openDog(page, 'Teasel');
    await page.getByRole('button', { name: /Clean ears, left ear/ }).click();
    await page.getByRole('heading', { name: 'Care plan' }).evaluate((element) => element.scrollIntoView());
  },
  'dog-barred': (page) => openDog(page, 'Radish'),
  'what-if': async (page) => {
    await openDog(page, 'Teasel');
    await page.getByRole('button', { name: 'What if…' }).click();
    await choose(page.getByLabel('Hair in the canal', { exact: true }), 'none');
    await choose(page.getByLabel('Tearing', { exact: true }), 'constant');
  },
  'instruction-lift': async (page) => {
    await openDog(page, 'Radish');
    await page.getByRole('button', { name: 'Instructions' }).click();
    const another = page.getByRole('button', { name: 'Write down another' });
    if (await another.isVisible()) await another.click();
    await page.getByLabel('Who said it').fill('Dr Oyelaran');
    await choose(page.getByLabel('What', { exact: true }), 'May be done in spite of a sign');
    await choose(page.getByLabel('Where', { exact: true }), 'left ear');
  },
  instructions: async (page) => {
    await openDog(page, 'Radish');
    await page.getByRole('button', { name: 'Instructions' }).click();
    const another = page.getByRole('button', { name: 'Write down another' });
    if (await another.isVisible()) await another.click();
    await page.getByLabel('Who said it').fill('Dr Oyelaran');
    await choose(page.getByLabel('What', { exact: true }), 'Do this every so many days');
    await choose(page.getByLabel('Care', { exact: true }), 'Clean ears');
    await choose(page.getByLabel('Where', { exact: true }), 'left ear');
  },
  'new-dog': async (page) => {
    await page.goto('/dogs/new');
    await page.getByLabel('Owner’s name').fill('Kofi Lindgren');
    await page.getByLabel('Phone').fill('01632 960190');
    await page.getByLabel('Dog’s name').fill('Pippin');
    await page.getByLabel('Weight, kg').fill('7.5');
    for (const [button, breed] of [
      ['Choose a breed', 'Pug'],
      ['Crossed with…', 'Miniature Poodle'],
    ]) {
      await page.getByRole('button', { name: button ?? '' }).click();
      await page.getByRole('combobox', { name: 'Find a breed' }).fill(breed ?? '');
      await page.keyboard.press('Enter');
    }
  },
  owner: async (page) => {
    await page.goto('/owners');
    await page.getByLabel('Find').fill('Folake Adeyemi');
    await page.getByRole('link', { name: 'Folake Adeyemi' }).click();
    await page.getByRole('heading', { name: 'Agreed to' }).waitFor();
  },
  owners: async (page) => {
    await page.goto('/owners');
    await page.getByRole('link', { name: 'Folake Adeyemi' }).waitFor();
  },
  vets: async (page) => {
    await page.goto('/vets');
    await page.getByRole('heading', { name: 'Dr Oyelaran' }).waitFor();
  },
  import: async (page) => {
    await page.goto('/import');
    await page.getByRole('heading', { name: 'Take the book with you' }).waitFor();
  },
  'import-review': async (page) => {
    await page.goto('/import');
    await page.locator('input[type=file]').setInputFiles({
      name: 'old book.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(
        [
          'Surname;First name;Mobile;E-Mail;Pet name;Breed;Weight;D.O.B.;Remarks',
          'Tui;Sefa;01632 960199;sefa@thornmere.example;Kelpie;Border Collie;17,3;3.4.2021;',
          'Adeyemi;Folake;01632 960114;;Teasel;Lagotto Romagnolo x Miniature Poodle;14;18.4.2020;"Rings back',
          'after six"',
          'Adeyemi;Folake;+44 1632 960114;;Thimble;Pug cross;7;31.2.2022;',
          'Lindgren;Kofi;01632 960190;kofi@thornmere;Pippin;Moon hound;9;2019-05-01;',
          'Okoro;Ngozi;01632 960193;;Rushes;Whippet;;;shy',
          ';;01632 960195;;Smudge;Beagle;12;;',
          'Vane;Isolde;01632 960197;;Vesper;Labradoodle;heavy;1/2/2023;',
        ].join('\n'),
      ),
    });
    await page.getByText('cannot be taken').first().waitFor();
  },
  methods: async (page) => {
    await page.goto('/methods');
    await page.getByRole('heading', { name: 'How it is done' }).waitFor();
  },
  'method-ears': async (page) => {
    await page.goto('/methods/clean-ears');
    await page.getByRole('heading', { name: 'Clean an ear' }).waitFor();
  },
  'dog-cards': async (page) => {
    await openDog(page, 'Teasel');
    await page.getByRole('heading', { name: 'How it is held' }).evaluate((element) => element.scrollIntoView());
  },
  'dog-young': async (page) => {
    await openDog(page, 'Pocket');
    await page.getByRole('heading', { name: 'How it is held' }).evaluate((element) => element.scrollIntoView());
  },
  'dog-edit': async (page) => {
    await openDog(page, 'Teasel');
    await page.getByRole('button', { name: 'More' }).click();
    await page.getByRole('menuitem', { name: 'Edit' }).click();
    await page.getByRole('heading', { name: 'What was before' }).evaluate((element) => element.scrollIntoView());
  },
  'house-services': async (page) => {
    await page.goto('/house');
    await page
      .getByRole('heading', { name: 'What this business does at all' })
      .evaluate((element) => element.scrollIntoView());
  },
  'house-breed': async (page) => {
    await page.goto('/house');
    await choose(page.getByLabel('Adjust a breed'), 'Pug');
    await choose(page.getByLabel('Muzzle', { exact: true }), 'short');
  },
  ahead: async (page) => {
    await page.goto('/ahead');
    await page.getByText('Due, not booked').waitFor();
    await page.getByText('still being worked out').waitFor({ state: 'detached' });
    await page.getByRole('button', { name: /^Plan (8 weeks|again)$/ }).click();
    await page.getByRole('button', { name: /^Book all/ }).waitFor();
    await page
      .getByRole('button', { name: /proposed$/ })
      .nth(1)
      .click();
    await page.waitForTimeout(400);
  },
  // A label that asks, answered, at a bench in ounces.
  mixing: async (page) => {
    await inUnits(page, 'US');
    await page.goto('/mixing');
    await page.getByLabel('Ratio, as printed on the label').fill('1:10 or 1:20');
    await page.getByRole('radio', { name: /10 parts water to 1 part product/ }).click();
    await page.getByText('turn it, do not shake').waitFor();
    await inUnits(page, null);
  },
  'mixing-two-ways': async (page) => {
    await page.goto('/mixing');
    await page.getByLabel('Ratio, as printed on the label').fill('1:16');
    await page.getByLabel('Strokes', { exact: true }).fill('6');
  },
  'mixing-split': async (page) => {
    await page.goto('/mixing');
    await page.getByLabel('Dogs', { exact: true }).fill('6');
    await page.getByText(/fewest bottles/).waitFor();
  },
  morning: async (page) => {
    await page.goto('/mixing/morning');
    await page.getByRole('button', { name: 'Product is in' }).first().waitFor();
  },
  'morning-made': async (page) => {
    await page.goto('/mixing/morning');
    for (const _ of [1, 2]) {
      await page.getByRole('button', { name: 'Product is in' }).first().click();
      await page.waitForTimeout(700);
    }
    await page.getByRole('button', { name: 'Water is in' }).first().click();
    await page.getByRole('heading', { name: 'Ready at the bench' }).waitFor();
    await page.waitForTimeout(600);
  },
  products: async (page) => {
    await page.goto('/mixing/products');
    await page.getByRole('link', { name: 'Oat gentle wash' }).waitFor();
  },
  product: async (page) => {
    await page.goto('/mixing/products');
    await page.getByRole('link', { name: 'Oat gentle wash' }).click();
    await page.getByText('OG-114').waitFor();
  },
  tools: async (page) => {
    await page.goto('/mixing/tools');
    await page.getByText('4 × Small bottle').waitFor();
  },
  pump: async (page) => {
    await page.goto('/mixing/tools');
    await page.getByRole('button', { name: 'New pump' }).click();
    await page.getByLabel('Name').fill('green pump');
    const strokes = ['5.1', '4.8', '5.2', '5', '4.9', '5.3', '4.7', '5', '5.1', '4.9'];
    for (const [i, grams] of strokes.entries()) await page.getByLabel(`${i + 1}, g`, { exact: true }).fill(grams);
  },
  stock: async (page) => {
    await page.goto('/mixing/stock');
    await page.getByRole('heading', { name: 'Order list' }).waitFor();
    await page.getByText('Then there').waitFor();
  },
  costs: async (page) => {
    await page.goto('/mixing/costs');
    await page.getByRole('heading', { name: 'Mixed and thrown away' }).waitFor();
  },
  trace: async (page) => {
    await page.goto('/mixing/trace');
    await choose(page.getByLabel('From which lot, mix or bottle?'), /MF-77/);
    await page.getByRole('heading', { name: /lot MF-77/ }).waitFor();
  },
  'mixing-top-up': async (page) => {
    await page.goto('/mixing');
    await page.getByRole('tab', { name: 'Top up a left-over' }).click();
    await page.getByText('of product, then turn').waitFor();
  },
  watch: async (page) => {
    await page.goto('/watch');
    await page.getByRole('link', { name: 'Radish' }).first().waitFor();
    await page.getByText('The watch list…').waitFor({ state: 'detached' });
  },
  house: async (page) => {
    await page.goto('/house');
    await page.getByText('How is cleaner put into an ear?').waitFor();
    await page
      .getByText(/would change \d+ of/)
      .first()
      .waitFor();
  },
  'table-handover': async (page) => {
    await toTheTable(page, 'Teasel');
    if (await page.getByText('step 1 of').isVisible()) await done(page);
    await page.getByRole('group', { name: 'Ear drops today, left ear?' }).getByRole('button', { name: 'No' }).click();
    await allSent(page);
  },
  'table-lookover': async (page) => {
    await toTheTable(page, 'Teasel');
    for (const step of ['step 1 of', 'step 2 of']) if (await page.getByText(step).isVisible()) await done(page);
    await page.getByRole('button', { name: 'right ear clear' }).click();
    await page
      .getByRole('button', { name: /^left ear/i })
      .first()
      .click();
    await page.getByRole('button', { name: 'dark-brown wax, no smell, plain' }).click();
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await allSent(page);
  },
  'table-body': async (page) => {
    await page.getByRole('tab', { name: /Body/ }).click();
    await page.waitForTimeout(200);
  },
  'table-finding': async (page) => {
    await page.getByRole('tab', { name: /Head/ }).click();
    await page
      .getByRole('button', { name: /^left ear/i })
      .first()
      .click();
    await page.getByRole('button', { name: 'musty or yeasty smell, slight' }).click();
    await page.waitForTimeout(300);
  },
  'table-wash': async (page) => {
    await page.goto('/mixing/morning');
    await page.getByRole('button', { name: 'Product is in' }).first().waitFor();
    for (const button of ['Product is in', 'Product is in', 'Product is in'])
      if (await page.getByRole('button', { name: button }).first().isVisible()) {
        await page.getByRole('button', { name: button }).first().click();
        await page.waitForTimeout(600);
      }
    await toTheTable(page, 'Teasel');
    await page.keyboard.press('s');
    await page
      .getByRole('button', { name: /First wash/ })
      .first()
      .click();
    await page.waitForTimeout(400);
  },
  'table-step': async (page) => {
    const marked = page.getByRole('button', { name: 'Done', exact: true });
    if (!(await marked.isVisible())) await VIEWS['table-finding']?.(page);
    await marked.click();
    // A clear ear is wiped, and nothing is massaged.
    await found(page, /^right ear/i, 'dark-brown wax, no smell, plain');
    await restClear(page);
    await done(page);
    await done(page);
    await done(page);
    if (await page.getByText(/tufts/).first().isVisible()) await done(page);
    await page.getByRole('button', { name: /^Start: massage/ }).click();
    await page.getByRole('button', { name: 'brown', exact: true }).click();
    await page.waitForTimeout(2200);
  },
  'table-stops': async (page) => {
    await toTheTable(page, 'Dumpling');
    for (const step of ['step 1 of', 'step 2 of']) if (await page.getByText(step).isVisible()) await done(page);
    await found(page, /^right ear/i, 'yellow or thick wax, plain');
    await found(page, /^left eye/i, 'squinting, seen');
    await found(page, /^nose fold/i, 'raw skin, seen');
    await restClear(page);
    await page.waitForTimeout(300);
  },
  'table-left-out': async (page) => {
    await done(page);
    await page.keyboard.press('s');
    await page
      .getByRole('button', { name: /Wash the face/ })
      .first()
      .click();
    await page.waitForTimeout(400);
  },
  'table-all-steps': async (page) => {
    await page.keyboard.press('s');
    await page.waitForTimeout(400);
  },
  sheet: async (page) => {
    await openDog(page, 'Bramble');
    await page.getByText('Past visits').waitFor();
    await page.locator('a[href$="/sheet"]').first().click();
    await page.getByRole('heading', { name: 'What we saw' }).waitFor();
  },
  'sheet-spanish': async (page) => {
    await openDog(page, 'Dumpling');
    await page.getByText('Past visits').waitFor();
    await page.locator('a[href$="/sheet"]').first().click();
    await page.getByRole('heading', { name: 'Lo que vimos' }).waitFor();
  },
  // Two people change one vet: both are set side by side.
  conflict: async (page) => {
    await page.goto('/vets');
    await page.getByRole('button', { name: 'Change Dr Oyelaran' }).click();
    await page.getByLabel('Phone').fill('01632 960299');
    await page.getByLabel('Note').fill('Mornings only');
    const { items } = await (await page.request.get('/api/vets')).json();
    const { id, version, name, practice, email, address } = items.find(
      (/** @type {{ name: string }} */ vet) => vet.name === 'Dr Oyelaran',
    );
    const theirs = { phone: '01632 960211', note: 'Closed in August', archived: false };
    await page.request.put(`/api/vets/${id}`, {
      headers: { origin: new URL(page.url()).origin },
      data: { version, name, practice, email, address, ...theirs },
    });
    await page.getByRole('button', { name: 'Keep' }).click();
    await page.getByRole('button', { name: 'Compare' }).click();
    await page.getByRole('dialog', { name: 'Two changes of one thing' }).waitFor();
  },
  outbox: async (page) => {
    await page.goto('/watch/outbox');
    await page.getByText('Sheet of the visit').first().waitFor();
  },
  history: async (page) => {
    await openDog(page, 'Sorrel');
    await page.getByRole('link', { name: 'The whole record' }).click();
    await page.getByRole('button', { name: 'left eye' }).click();
    await page.getByRole('list', { name: 'Pictures of the left eye' }).waitFor();
    await page.waitForLoadState('networkidle');
  },
  words: async (page) => {
    await page.goto('/house/words');
    await page.getByRole('heading', { name: 'Sentences of a sheet' }).waitFor();
  },
  audit: async (page) => {
    await page.goto('/house/audit');
    await page.getByRole('listitem').first().waitFor();
  },
  'owner-page': async (page) => {
    await VIEWS.sheet?.(page);
    await page.getByRole('button', { name: 'Owner’s page' }).click();
    await page.getByRole('button', { name: 'Make a link' }).click();
    const address = await page.getByRole('link', { name: 'Look at it' }).first().getAttribute('href');
    await page.goto(address ?? '/');
    await page.getByRole('heading', { name: 'At home' }).waitFor();
    // The house's letters come after the page.
    await page.waitForFunction(() => [...document.fonts].some(({ status }) => status === 'loaded'));
  },
  'owner-page-spanish': async (page) => {
    await page.goto('/');
    await VIEWS['sheet-spanish']?.(page);
    await page.getByRole('button', { name: 'Owner’s page' }).click();
    await page.getByRole('button', { name: 'Make a link' }).click();
    const address = await page.getByRole('link', { name: 'Look at it' }).first().getAttribute('href');
    await page.goto(address ?? '/');
    await page.getByRole('button', { name: 'ver cómo' }).first().click();
    await page.waitForTimeout(400);
  },
  // The van's own business, with some times opened: the last view, as another person is signed in then.
  round: async (page) => {
    await page.request.post('/api/auth/sign-in/email', {
      headers: { origin: new URL(page.url()).origin },
      data: { email: 'noor@coracle.example', password: 'reeds-and-chalk' },
    });
    await page.goto('/round');
    await page.getByRole('list', { name: 'Stop by stop' }).waitFor();
    for (const owner of ['Kofi Mensah', 'Hanna Virtanen', 'Greta Lindqvist'])
      await page.getByRole('button', { name: `${owner} keeps its time` }).click();
    await page.getByRole('button', { name: 'Take these times' }).waitFor();
    await page.waitForTimeout(600);
  },
};

/** Kept in the repository and shown in the README; the others are for looking while one works. */
const KEPT = Object.keys(VIEWS).filter(
  (name) =>
    ![
      'owners',
      'vets',
      'import',
      'methods',
      'dog-cards',
      'dog-young',
      'dog-edit',
      'house-breed',
      'house-services',
      'dog-barred',
      'mixing-top-up',
      'mixing-two-ways',
      'mixing-split',
      'morning-made',
      'table-wash',
      'table-body',
      'products',
      'tools',
      'pump',
      'trace',
      'what-if',
      'instructions',
      'table-finding',
      'table-all-steps',
      'table-stops',
      'table-left-out',
      'sheet-spanish',
      'instruction-lift',
      'owner-page-spanish',
      'dog-plan',
      'words',
      'audit',
      'product',
      'costs',
      'import-review',
      'outbox',
      'conflict',
    ].includes(name),
);

await command(async () => {
  checkNode();
  ensurePackages(['postgresql', 'browser']);
  ensureDependencies();
  const { build } = await import('./build.mjs');
  await build();
  const { dataFolder, freePort } = await import('./cluster.mjs');
  const { startApplication } = await import('./application.mjs');
  const { chromium } = await import('@playwright/test');
  const to = resolve(ROOT, option('to', 'docs/screenshots'));
  const [width = 1280, height = 800] = option('size', '1280x800').split('x').map(Number);
  const only = option('only', KEPT.join(',')).split(',');
  mkdirSync(to, { recursive: true });
  const application = await startApplication({
    folder: dataFolder('.dewpond-shots'),
    port: await freePort(),
    fresh: !process.argv.includes('--keep'),
    large: true,
  });
  const browser = await chromium.launch({
    executablePath: browserPath(),
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--no-first-run',
    ],
  });
  try {
    const page = await browser.newPage({
      baseURL: application.url,
      viewport: { width, height },
      reducedMotion: 'reduce',
      locale: 'en-GB',
      timezoneId: 'Europe/London',
    });
    page.setDefaultTimeout(30_000);
    await page.goto('/');
    if (only.includes('sign-in')) await page.screenshot({ path: join(to, 'sign-in.png') });
    await page.getByLabel('E-mail').fill('ines@withyquay.example');
    await page.getByLabel('Password').fill('reeds-and-chalk');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('navigation', { name: 'Places' }).waitFor();
    if (option('theme', 'chalk') === 'night') await page.keyboard.press('Shift+T');
    for (const [name, view] of Object.entries(VIEWS)) {
      if (!only.includes(name)) continue;
      await view(page);
      await page.evaluate(() => document.fonts.ready);
      await page.screenshot({ path: join(to, `${name}.png`) });
      say(name);
    }
  } finally {
    await browser.close();
    await application.stop();
  }
});
