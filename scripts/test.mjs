// npm test: set-up, then types, lint, dependency rules, unit tests, server tests, browser tests. `--deep`: the long random
// runs, and servers and database killed in the middle of work.

import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { checkNode, ensureDependencies, ensurePackages, ROOT } from './machine.mjs';
import { command, say } from './say.mjs';

const deep = process.argv.includes('--deep');
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

/** Adds the counts of a JSON report; a report that is missing counts as a failure. @param {string} file @param {(report: any) => [passed: number, failed: number]} read */
function count(file, read) {
  try {
    const [passed, failed] = read(JSON.parse(readFileSync(join(RESULTS, file), 'utf8')));
    totals.passed += passed;
    totals.failed += failed;
    say(`${failed === 0 ? 'ok    ' : 'FAILED'}  ${file.replace('.json', '')}: ${passed} passed, ${failed} failed`);
  } catch {
    totals.failed += 1;
    say(`FAILED  ${file}: no report`);
  }
}

const typeConfigs = ['core', 'contract', 'server', 'web', 'tsconfig.tests.json', 'tsconfig.scripts.json'];

await command(async () => {
  checkNode();
  ensurePackages(['postgresql', 'chromium']);
  ensureDependencies();
  rmSync(RESULTS, { recursive: true, force: true });
  mkdirSync(RESULTS, { recursive: true });
  const { dataFolder, ensureDatabase, freePort, startCluster } = await import('./cluster.mjs');
  const { startApplication } = await import('./application.mjs');
  const { build } = await import('./build.mjs');

  // Two cores, two lanes: types in one, everything else that only reads the sources in the other.
  const types = async () => {
    for (const config of typeConfigs) await gate(`types: ${config}`, () => run(['tsc', '-p', config]));
  };
  const reading = async () => {
    await gate('lint', () => run(['eslint', '.']));
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
  await Promise.all([types(), reading()]);

  await build();
  await gate('first load within 200 kB', () => run(['size-limit']));

  const folder = dataFolder('.dewpond-test');
  const cluster = await startCluster(folder);
  try {
    ensureDatabase(cluster, 'dewpond_test', { anew: true });
    // The build has set NODE_ENV to production, for which React has no test tools.
    const env = {
      ...cluster.env,
      DATABASE_NAME: 'dewpond_test',
      NODE_ENV: 'test',
      ...(deep ? { DEWPOND_DEEP: '1' } : {}),
    };
    await run(
      [
        'vitest',
        'run',
        '--reporter=dot',
        '--reporter=json',
        `--outputFile.json=${join(RESULTS, 'unit and server.json')}`,
      ],
      env,
    );
    count('unit and server.json', ({ numPassedTests, numFailedTests, testResults }) => {
      // A file that broke before its first test counts as one failure.
      const broken = testResults.filter(
        (/** @type {any} */ file) => file.status === 'failed' && file.assertionResults.length === 0,
      );
      return [numPassedTests, numFailedTests + broken.length];
    });

    const application = await startApplication({
      folder,
      port: await freePort(),
      database: 'dewpond_e2e',
      fresh: true,
    });
    try {
      await run(['playwright', 'test', '--config', 'e2e/playwright.config.ts'], {
        BASE_URL: application.url,
        PLAYWRIGHT_JSON_OUTPUT_NAME: join(RESULTS, 'browser.json'),
        ...Object.fromEntries(
          Object.entries(application.env).filter(([key]) => key.startsWith('DATABASE') || key.endsWith('PASSWORD')),
        ),
      });
      count('browser.json', ({ stats }) => [stats.expected + stats.flaky, stats.unexpected]);
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
