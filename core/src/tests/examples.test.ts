import { readFileSync, readdirSync } from 'node:fs';
import { runInThisContext } from 'node:vm';
import { describe, expect, test } from 'vitest';

const CORE = new URL('..', import.meta.url).pathname;
const ROOMS = import.meta.glob<Readonly<Record<string, unknown>>>('../*/index.ts', { eager: true });

/** All that the rooms of the core give to others: an example may use any of it. */
const inScope: Readonly<Record<string, unknown>> = Object.assign({}, ...Object.values(ROOMS));

interface Example {
  readonly file: string;
  readonly asks: string;
  readonly answer: string;
}

/** The lines below each `@example`, written `call // what it gives`. */
const examplesOf = (file: string): readonly Example[] =>
  [...readFileSync(CORE + file, 'utf8').matchAll(/@example\n((?: +\* .*\n|\* .*\n)+)/g)].flatMap(([, lines = '']) =>
    lines
      .trimEnd()
      .split('\n')
      .map((line) => {
        const [asks = '', answer = ''] = line.replace(/^ *\* /, '').split(' // ');
        return { file, asks, answer };
      }),
  );

const EXAMPLES = readdirSync(CORE, { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.ts') && !file.includes('.test.'))
  .flatMap(examplesOf);

/** The value of an expression in which the core's names mean what they mean. */
function valueOf(expression: string): unknown {
  const names = Object.keys(inScope);
  const read = runInThisContext(`(${names.join()}) => (${expression})`) as (...values: unknown[]) => unknown;
  return read(...Object.values(inScope));
}

describe('an example in the core gives what it says', () => {
  test.each(EXAMPLES)('$file: $asks', ({ asks, answer }) => {
    expect(answer).not.toBe('');
    expect(valueOf(asks)).toEqual(valueOf(answer));
  });

  test('there are some', () => expect(EXAMPLES.length).toBeGreaterThan(15));
});
