// npm test: set-up, then types, lint, dependency rules, unit tests, server tests, browser tests. `--deep`: the long random
// runs, and servers and database killed in the middle of work. `--changed`: for the inner loop, what changed since the last
// commit and the tests that import it; no browser.

import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { checkNode, ensureDependencies, ensurePackages, ROOT } from './machine.mjs';
import { command, say } from './say.mjs';
import { TYPE_CONFIGS, checkTypes } from './types.mjs';

const deep = process.argv.includes('--deep');
const changed = process.argv.includes('--changed');
const RESULTS = join(ROOT, 'test-results');
const totals = { passed: 0, failed: 0 };

/** Runs a tool of the project, its words shown. @param {string[]} words @param {NodeJS.ProcessEnv} [env] @returns {Promise<boolean>} */
function run([program = '', ...args], env = {}) {
  const child = spawn(join(ROOT, 'node_modules/.bin', program), args, {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, FORCE_COLOR: '0', ...env },
  });
  return new Promise((done) => child.once('exit', (code) => done(code === 0)));
}

/** A check that passes or fails as one. @param {string} name @param {() => Promise<boolean>} check */
async function gate(name, check) {
  const good = await check();
  say(`${good ? 'ok    ' : 'FAILED'}  ${name}`);
  totals[good ? 'passed' : 'failed'] += 1;
}

/**
 * Adds the counts of a JSON report. A missing report is a failure, and so is a run that failed without a failed test: where
 * what prepares a file fails, its tests are skipped. @param {string} file @param {boolean} wentWell @param {(report: any) => [passed: number, failed: number]} read
 */
function count(file, wentWell, read) {
  try {
    const [passed, failedTests] = read(JSON.parse(readFileSync(join(RESULTS, file), 'utf8')));
    const failed = wentWell ? failedTests : Math.max(1, failedTests);
    totals.passed += passed;
    totals.failed += failed;
    say(`${failed === 0 ? 'ok    ' : 'FAILED'}  ${file.replace('.json', '')}: ${passed} passed, ${failed} failed`);
  } catch {
    totals.failed += 1;
    say(`FAILED  ${file}: no report`);
  }
}

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
      run(['vitest', 'run', '--changed', '--passWithNoTests', '--reporter=dot', ...projects], env),
    );
  } finally {
    await cluster?.stop();
  }
}

await command(async () => {
  checkNode();
  ensurePackages(['postgresql', 'chromium']);
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

  // Two cores, two lanes: lint takes as long as everything else that only reads the sources.
  const types = async () => {
    for (const config of TYPE_CONFIGS) await gate(`types: ${config}`, () => checkTypes(config));
  };
  const lint = () => gate('lint', () => run(['eslint', '.']));
  const reading = async () => {
    await types();
    await gate('format', () => run(['prettier', '--check', '--log-level', 'warn', '.']));
    await gate('dependency rules', () =>
      run([
        'depcruise',
        '--config',
        '.dependency-cruiser.cjs',
        'core',
        'contract',
        'server',
        'web',
        'e2e',
        'benchmarks',
      ]),
    );
    await gate('nothing unused', () => run(['knip']));
  };
  await Promise.all([lint(), reading()]);

  await build();
  await gate('signed out within 200 kB, Today within 240 kB', () => run(['size-limit']));

  const folder = dataFolder('.dewpond-test');
  const cluster = await startCluster(folder);
  try {
    for (const name of TEST_DATABASES) ensureDatabase(cluster, name, { anew: true });
    // The build has set NODE_ENV to production, for which React has no test tools.
    const env = {
      ...cluster.env,
      DATABASE_NAME: 'dewpond_test',
      NODE_ENV: 'test',
      ...(deep ? { DEWPOND_DEEP: '1' } : {}),
    };
    const wentWell = await run(
      [
        'vitest',
        'run',
        '--reporter=dot',
        '--reporter=json',
        `--outputFile.json=${join(RESULTS, 'unit and server.json')}`,
      ],
      env,
    );
    count('unit and server.json', wentWell, ({ numPassedTests, numFailedTests }) => [numPassedTests, numFailedTests]);

    const application = await startApplication({
      folder,
      port: await freePort(),
      database: 'dewpond_e2e',
      fresh: true,
    });
    try {
      const passed = await run(['playwright', 'test', '--config', 'e2e/playwright.config.ts'], {
        BASE_URL: application.url,
        PLAYWRIGHT_JSON_OUTPUT_NAME: join(RESULTS, 'browser.json'),
        ...Object.fromEntries(
          Object.entries(application.env).filter(([key]) => key.startsWith('DATABASE') || key.endsWith('PASSWORD')),
        ),
      });
      count('browser.json', passed, ({ stats }) => [stats.expected + stats.flaky, stats.unexpected]);
    } finally {
      await application.stop();
    }
    if (deep) {
      const { killSuite } = await import('./kill.mjs');
      await gate('nothing acknowledged is lost through thirteen kills', killSuite);
    }
  } finally {
    await cluster.stop();
  }
  console.log(`\n${totals.passed} passed, ${totals.failed} failed`);
  process.exitCode = totals.failed === 0 ? 0 : 1;
});
