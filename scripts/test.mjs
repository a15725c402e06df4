// npm test: set-up, then types, lint, dependency rules, unit tests, server tests, browser tests. `--deep`: the long random
// runs, and servers and database killed in the middle of work. `--changed`: for the inner loop, what changed since the last
// commit and the tests that import it; no browser.

import { spawn, spawnSync } from 'node:child_process';
import { constants, setPriority } from 'node:os';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join, relative } from 'node:path';
import { browserPath, checkNode, ensureDependencies, ensurePackages, ROOT } from './machine.mjs';
import { command, say } from './say.mjs';
import { TYPE_CONFIGS, checkTypes } from './types.mjs';

const deep = process.argv.includes('--deep');
const changed = process.argv.includes('--changed');
const RESULTS = join(ROOT, 'test-results');
const WORKSPACES = ['core', 'contract', 'server', 'web', 'e2e', 'benchmarks'];
const totals = { passed: 0, failed: 0 };
/** What failed, by name: said once more at the end, where one looks first. @type {string[]} */
const failures = [];
/** Browser tests that passed at the second try only. @type {string[]} */
const secondTries = [];

/**
 * Runs a tool of the project; all it says is shown when it ends, so that two lanes do not talk at once. `patient`: it
 * takes what the others leave of the machine.
 * @typedef {{ env?: NodeJS.ProcessEnv, patient?: boolean }} How
 * @param {string[]} words @param {How} [how] @returns {Promise<boolean>}
 */
const run = async (words, how) => (await runAndListen(words, how)).wentWell;

/** The same, with what it said. @param {string[]} words @param {How} [how] @returns {Promise<{ wentWell: boolean, said: string }>} */
function runAndListen([program = '', ...args], { env = {}, patient = false } = {}) {
  const child = spawn(join(ROOT, 'node_modules/.bin', program), args, {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, FORCE_COLOR: '0', ...env },
  });
  if (patient && child.pid !== undefined) setPriority(child.pid, constants.priority.PRIORITY_BELOW_NORMAL);
  /** @type {Buffer[]} */
  const said = [];
  child.stdout.on('data', (words) => said.push(words));
  child.stderr.on('data', (words) => said.push(words));
  return new Promise((done) =>
    child.once('close', (code) => {
      const all = Buffer.concat(said);
      process.stdout.write(all);
      done({ wentWell: code === 0, said: all.toString() });
    }),
  );
}

/** A check that passes or fails as one. @param {string} name @param {() => Promise<boolean>} check */
async function gate(name, check) {
  const good = await check();
  say(`${good ? 'ok    ' : 'FAILED'}  ${name}`);
  totals[good ? 'passed' : 'failed'] += 1;
  if (!good) failures.push(name);
}

/** What a run says of failures that are no test's, from the first on. @param {string} said */
function otherFailures(said) {
  const lines = said.split('\n');
  const first = lines.findIndex((line) => /Failed Suites|Unhandled|Error:/.test(line));
  return first === -1 ? [] : lines.slice(first, first + 12).filter((line) => line.trim() !== '');
}

/**
 * Adds the counts of a JSON report. A missing report is a failure, and so is a run that failed without a failed test: what
 * prepares a file or clears up after it failed, or an error that nobody caught.
 * @param {string} file @param {{ wentWell: boolean, said: string }} run @param {(report: any) => { passed: number, failed: string[] }} read
 */
function count(file, { wentWell, said }, read) {
  try {
    const { passed, failed: named } = read(JSON.parse(readFileSync(join(RESULTS, file), 'utf8')));
    if (!wentWell && named.length === 0)
      named.push([`${file}: ended badly without a failed test`, ...otherFailures(said)].join('\n  '));
    const failed = named.length;
    totals.passed += passed;
    totals.failed += failed;
    failures.push(...named);
    say(`${failed === 0 ? 'ok    ' : 'FAILED'}  ${file.replace('.json', '')}: ${passed} passed, ${failed} failed`);
  } catch {
    totals.failed += 1;
    failures.push(`${file}: no report`);
    say(`FAILED  ${file}: no report`);
  }
}

/** Of Vitest's report. @param {any} report */
const ofUnitTests = ({ numPassedTests, testResults }) => ({
  passed: numPassedTests,
  failed: testResults.flatMap((/** @type {any} */ { name, assertionResults }) =>
    assertionResults
      .filter((/** @type {any} */ { status }) => status === 'failed')
      .map((/** @type {any} */ { fullName }) => `${relative(ROOT, name)}: ${fullName}`),
  ),
});

/** Of Playwright's report: suites in suites. @param {any} report */
const ofBrowserTests = ({ stats, suites }) => {
  /** @param {any} suite @returns {any[]} */
  const specs = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specs)];
  const all = suites.flatMap(specs);
  const failed = all.filter((/** @type {any} */ { ok }) => !ok);
  for (const { file, title, tests } of all)
    if (tests.some((/** @type {any} */ { status }) => status === 'flaky')) secondTries.push(`${file}: ${title}`);
  return {
    passed: stats.expected + stats.flaky,
    failed: failed.map((/** @type {any} */ { file, title }) => `${file}: ${title}`),
  };
};

/** Files that differ from the last commit, or are new. */
function changedFiles() {
  const git = (/** @type {string[]} */ ...args) =>
    spawnSync('git', args, { cwd: ROOT, encoding: 'utf8' })
      .stdout.split('\n')
      .filter((each) => each !== '');
  return [
    ...git('diff', '--name-only', '--diff-filter=d', 'HEAD'),
    ...git('ls-files', '--others', '--exclude-standard'),
  ];
}

/** The inner loop: types where something changed, lint of what changed, tests that import it. */
async function checkChanged() {
  const files = changedFiles();
  if (files.length === 0) return say('nothing changed since the last commit');
  const among = (/** @type {string[]} */ ...folders) =>
    files.some((file) => folders.some((each) => file.startsWith(each)));
  const sources = files.filter((file) => /\.(ts|tsx|mjs)$/.test(file));
  const server = among('core/', 'contract/', 'server/');
  const types = async () => {
    for (const config of ['core', 'contract', 'server', 'web'])
      if (among('core/', 'contract/', `${config}/`)) await gate(`types: ${config}`, () => checkTypes(config));
    if (sources.some((file) => file.includes('.test.') || file.includes('/tests/')))
      await gate('types: tests', () => checkTypes('tsconfig.tests.json'));
  };
  const reading = async () => {
    if (sources.length > 0) await gate('lint', () => run(['eslint', ...sources]));
    await gate('format', () => run(['prettier', '--check', '--ignore-unknown', '--log-level', 'warn', ...files]));
  };
  await Promise.all([types(), reading()]);
  const { dataFolder, ensureDatabase, startCluster, TEST_DATABASES } = await import('./cluster.mjs');
  const cluster = server ? await startCluster(dataFolder('.dewpond-test')) : null;
  try {
    if (cluster) for (const name of TEST_DATABASES) ensureDatabase(cluster, name, { anew: true });
    const projects = ['core', 'web', 'screens', ...(server ? ['server'] : [])].flatMap((name) => ['--project', name]);
    const env = { ...cluster?.env, DATABASE_NAME: 'dewpond_test', NODE_ENV: 'test' };
    await gate('tests', () =>
      run(['vitest', 'run', '--changed', '--passWithNoTests', '--reporter=dot', ...projects], { env }),
    );
  } finally {
    await cluster?.stop();
  }
}

await command(async () => {
  checkNode();
  ensurePackages(['postgresql', 'browser', 'git', 'nginx', 'systemd', 'openssl', 'logrotate']);
  ensureDependencies();
  if (changed) {
    await checkChanged();
    process.exitCode = totals.failed === 0 ? 0 : 1;
    return;
  }
  rmSync(RESULTS, { recursive: true, force: true });
  mkdirSync(RESULTS, { recursive: true });
  const { dataFolder, ensureDatabase, freePort, startCluster, TEST_DATABASES } = await import('./cluster.mjs');
  const { startApplication } = await import('./application.mjs');
  const { build } = await import('./build.mjs');

  /** Tests of these parts, counted from a report of their own. @param {string} name @param {string[]} projects @param {Parameters<typeof run>[1]} how */
  const unitTests = async (name, projects, how) => {
    say(`started ${name}`);
    const tested = await runAndListen(
      [
        'vitest',
        'run',
        ...projects.flatMap((each) => ['--project', each]),
        '--reporter=dot',
        '--reporter=json',
        `--outputFile.json=${join(RESULTS, `${name}.json`)}`,
      ],
      how,
    );
    count(`${name}.json`, tested, ofUnitTests);
  };
  // The build sets NODE_ENV to production, for which React has no test tools.
  const testing = { NODE_ENV: 'test', ...(deep ? { DEWPOND_DEEP: '1' } : {}) };

  /** What needs no server: sources read, computation and screens tested. */
  const sources = async () => {
    const patient = true;
    // Fewer, larger sweeps of new objects: ESLint makes millions.
    await gate('lint', () => run(['eslint', '.'], { patient, env: { NODE_OPTIONS: '--max-semi-space-size=128' } }));
    for (const config of TYPE_CONFIGS) await gate(`types: ${config}`, () => checkTypes(config));
    await gate('format', () => run(['prettier', '--check', '--log-level', 'warn', '.'], { patient }));
    await gate('dependency rules', () =>
      run(['depcruise', '--config', '.dependency-cruiser.cjs', ...WORKSPACES], { patient }),
    );
    await gate('nothing unused', () => run(['knip'], { patient }));
    await unitTests('core and screens', ['core', 'web', 'screens'], { patient, env: testing });
  };

  /** What does: the application in a browser, then the server by itself. */
  const application = async () => {
    await build();
    await gate('signed out within 200 kB, the owner’s page within 120 kB, Today within 240 kB', () =>
      run(['size-limit']),
    );
    const folder = dataFolder('.dewpond-test');
    const cluster = await startCluster(folder);
    try {
      for (const name of TEST_DATABASES) ensureDatabase(cluster, name, { anew: true });
      await browserTests(folder);
      await unitTests('server', ['server'], {
        env: { ...cluster.env, DATABASE_NAME: 'dewpond_test', ...testing },
      });
      if (deep) {
        const { killSuite } = await import('./kill.mjs');
        await gate('nothing acknowledged is lost through thirteen kills', killSuite);
        const { fullDiskSuite } = await import('./fullDisk.mjs');
        const full = await fullDiskSuite();
        if (full === null) say('not tried: a full disk; nobody may make a small room here');
        else await gate('a full disk is told, and nothing acknowledged is lost by it', () => Promise.resolve(full));
        const { pointInTimeSuite } = await import('./pointInTime.mjs');
        await gate('the second before a mistake is restored', pointInTimeSuite);
        const { failoverSuite } = await import('./failover.mjs');
        await gate('nothing acknowledged is lost when the node that is written to loses its power', failoverSuite);
      }
    } finally {
      await cluster.stop();
    }
  };

  /** @param {string} folder */
  const browserTests = async (folder) => {
    const started = await startApplication({ folder, port: await freePort(), database: 'dewpond_e2e', fresh: true });
    say('started browser');
    try {
      const played = await runAndListen(['playwright', 'test', '--config', 'e2e/playwright.config.ts'], {
        env: {
          BASE_URL: started.url,
          BROWSER_PATH: browserPath(),
          PLAYWRIGHT_JSON_OUTPUT_NAME: join(RESULTS, 'browser.json'),
          ...Object.fromEntries(
            Object.entries(started.env).filter(([key]) => key.startsWith('DATABASE') || key.endsWith('PASSWORD')),
          ),
        },
      });
      count('browser.json', played, ofBrowserTests);
    } finally {
      await started.stop();
    }
  };

  // Two cores, two lanes: a browser waits often, and the patient lane takes what it leaves. docs/decisions/0034.
  await Promise.all([sources(), application()]);
  console.log(`\n${totals.passed} passed, ${totals.failed} failed`);
  for (const each of failures) console.log(`failed: ${each}`);
  for (const each of secondTries) console.log(`passed at the second try: ${each}`);
  process.exitCode = totals.failed === 0 ? 0 : 1;
});
