import { readConfig } from '../platform/config/config';

/**
 * Looks at the settings, and prints those of the process that serves, as JSON: without the owner's password, which it does
 * not need. What is missing or dangerous is said, and nothing starts.
 */
try {
  const { OWNER_PASSWORD: _, DATABASE_OWNER: __, PREPARED_STATEMENTS, ...config } = readConfig();
  const settings = Object.entries(config).flatMap(([name, value]) =>
    value === undefined ? [] : [[name, String(value)] as const],
  );
  console.log(
    JSON.stringify({ ...Object.fromEntries(settings), PREPARED_STATEMENTS: PREPARED_STATEMENTS ? 'yes' : 'no' }),
  );
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
}
