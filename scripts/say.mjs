// What the commands print, in one voice.

const started = Date.now();

/** A line of progress. @param {string} words */
export function say(words) {
  const seconds = ((Date.now() - started) / 1000).toFixed(1).padStart(6);
  console.log(`${seconds} s  ${words}`);
}

/** An error a person can act on: what happened, and the remedy. */
export class Stopped extends Error {
  /** @param {string} what @param {string} remedy */
  constructor(what, remedy) {
    super(`${what}\n         ${remedy}`);
  }
}

/** Runs a command's main function; what stops it is printed without a stack trace. @param {() => Promise<void>} main */
export async function command(main) {
  try {
    await main();
  } catch (error) {
    console.error(error instanceof Stopped ? `\nStopped: ${error.message}\n` : error);
    process.exit(1);
  }
}
