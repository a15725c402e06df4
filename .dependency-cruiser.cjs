/** Arrows go one way: web -> contract -> core, server -> contract -> core. */
const only = (from, to, why) => ({
  name: `${from}-only`,
  severity: 'error',
  comment: why,
  from: { path: `^${from}/` },
  to: { path: '^(core|contract|server|web|e2e|benchmarks)/', pathNot: to },
});

const TESTS = '(\\.test\\.tsx?$|/tests/)';
/** A floor of the web and the ones below it that it stands on. */
const webLayer = (name, below, why) => ({
  name: `web-${name}`,
  severity: 'error',
  comment: why,
  from: { path: `^web/src/${name}/`, pathNot: TESTS },
  to: { path: '^web/src/', pathNot: `^web/src/(${[name, ...below].join('|')})/` },
});

module.exports = {
  forbidden: [
    {
      name: 'one-file-opens-a-bar',
      comment:
        'What a bar stops and what was lifted of it is read by `stopAt` and by nobody else: a stop holds everywhere.',
      severity: 'error',
      from: { pathNot: '^core/src/stops/stopAt\\.ts$' },
      to: { path: '^core/src/stops/openBar\\.ts$' },
    },
    only('core', '^core/', 'core knows nothing of the rest'),
    only('contract', '^(contract|core)/', 'the contract knows the core only'),
    only('server', '^(server|contract|core)/', 'the server never reaches into the web'),
    only('web', '^(web|contract|core)/', 'the web never reaches into the server'),
    {
      name: 'no-circles',
      severity: 'error',
      comment: 'files in a circle cannot be read one after the other; types count, too',
      from: {},
      to: { circular: true },
    },
    {
      name: 'server-platform-is-the-ground-floor',
      severity: 'error',
      comment:
        'database, HTTP, sign-in, jobs and threads know no feature: main.ts, jobs.ts and worker.tsx bring them together',
      from: { path: '^server/src/platform/' },
      to: { path: '^server/src/', pathNot: '^server/src/platform/' },
    },
    {
      name: 'server-records-below-features',
      severity: 'error',
      comment: 'the read model and what is stored beside it serves every feature and knows none',
      from: { path: '^server/src/records/' },
      to: { path: '^server/src/', pathNot: '^server/src/(platform|records)/' },
    },
    {
      name: 'server-features-apart',
      severity: 'error',
      comment: 'what two features need is a record',
      from: { path: '^server/src/features/([^/]+)/' },
      to: { path: '^server/src/', pathNot: '^server/src/(platform|records|features/$1)/' },
    },
    webLayer('ui', [], 'primitives know nothing of Dewpond'),
    webLayer('browser', [], 'what this browser can do'),
    webLayer('drawings', ['ui'], 'drawings are data in, SVG out'),
    webLayer('api', [], 'calls of the server'),
    webLayer('device', [], 'what is stored here and sent later; the network is handed to it'),
    webLayer(
      'data',
      ['api', 'device', 'browser', 'ui'],
      'what screens ask for and write: the server and the device together',
    ),
    webLayer('forms', ['data', 'api', 'browser', 'ui'], 'forms hold what is typed until the server has it'),
    webLayer('parts', ['forms', 'data', 'api', 'device', 'browser', 'drawings', 'ui'], 'what several places show'),
    {
      name: 'web-features-apart',
      severity: 'error',
      comment: 'what two places need is a part',
      from: { path: '^web/src/features/([^/]+)/', pathNot: TESTS },
      to: { path: '^web/src/', pathNot: '^web/src/(features/$1|parts|forms|data|api|device|browser|drawings|ui)/' },
    },
    {
      name: 'pure-core',
      severity: 'error',
      comment: 'no I/O and no interface code in the core',
      from: { path: '^core/src', pathNot: '(\\.test\\.ts$|/tests/)' },
      to: {
        dependencyTypes: ['core', 'npm', 'npm-dev', 'npm-no-pkg', 'unknown'],
        pathNot: 'node_modules/(@types/)?(@stdlib/[^/]+|pure-rand|fraction\\.js|ical\\.js|papaparse|culori)/',
      },
    },
    {
      name: 'through-the-door',
      severity: 'error',
      comment: 'a module of the core is entered by its index only',
      from: { path: '^core/src/([^/]+)/' },
      to: { path: '^core/src/([^/]+)/.+', pathNot: ['^core/src/$1/', '/index\\.ts$', '/tests/'] },
    },
    {
      name: 'no-tests-in-products',
      severity: 'error',
      from: { pathNot: '(\\.test\\.tsx?$|/tests/|^e2e/|^benchmarks/)' },
      to: { path: '(\\.test\\.tsx?$|/tests/)' },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.tests.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|drizzle)/' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'default'] },
  },
};
