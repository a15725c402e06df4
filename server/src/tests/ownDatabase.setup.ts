/** Two files at a time, each with a database of its own: before anything reads the settings. */
const lane = (Number(process.env['VITEST_POOL_ID'] ?? 1) - 1) % 2;
const { DATABASE_NAME = '' } = process.env;
if (!DATABASE_NAME.endsWith('_lane')) process.env['DATABASE_NAME'] = `${DATABASE_NAME}${lane}_lane`;
