import { expect, test } from 'vitest';
import { z } from 'zod';
import { newWeighing, productFields, vetFields } from './index';

/** What a field says of a value, without words of its own. */
const says = (schema: z.ZodType, value: unknown) => schema.safeParse(value).error?.issues[0]?.message;

test.each<[z.ZodType, unknown, string]>([
  [z.number(), Number.NaN, 'Give a number.'],
  [z.number(), null, 'Give a number.'],
  [z.int(), 1.5, 'Give a whole number.'],
  [z.int(), Number.NaN, 'Give a number.'],
  [z.number().min(0), -1, 'At least 0.'],
  [z.number().gt(0), 0, 'More than 0.'],
  [z.number().max(120), 121, 'At most 120.'],
  [z.number().lt(1), 1, 'Less than 1.'],
  [z.string().min(1), '', 'Something is missing.'],
  [z.string().max(3), 'four', 'Longer than 3 characters.'],
  [z.array(z.string()).max(1), ['a', 'b'], 'At most 1 of them.'],
  [z.array(z.string()).min(2), ['a'], 'At least 2 of them.'],
  [z.enum(['dog', 'bitch']), 'cat', 'Not one of the choices.'],
  [z.number({ error: 'Its own words.' }), 'x', 'Its own words.'],
])('%# in plain words', (schema, value, words) => {
  expect(says(schema, value)).toBe(words);
});

test('a field of a form never speaks of types', () => {
  const wrong = [
    productFields.safeParse({
      name: 'Oat',
      kind: 'shampoo',
      label: '',
      leadDays: Number.NaN,
      price: -3,
      purposes: 'x',
    }),
    vetFields.safeParse({ name: '', phone: 'ask', email: 'none' }),
    newWeighing.safeParse({ day: 'today', kg: Number.NaN }),
  ].flatMap(({ error }) => error?.issues ?? []);
  const typed = wrong.filter(
    ({ path }) => !['waterParts', 'contact', 'suppliedBy', 'purposes'].includes(String(path[0])),
  );
  expect(typed.length).toBeGreaterThan(8);
  for (const { message } of typed) expect(message).not.toMatch(/invalid|expected|received|NaN|string/i);
});

test('a vet may have no phone and no e-mail; what is neither is told at its field', () => {
  expect(vetFields.parse({ name: 'Dr Oyelaran', phone: ' ', email: '' })).toMatchObject({ phone: '', email: '' });
  const fields = vetFields.safeParse({ name: 'Dr Oyelaran', phone: '( )', email: 'o@' }).error?.issues;
  expect(fields?.map(({ path, message }) => `${path.join('.')}: ${message}`)).toEqual([
    'phone: A number has digits.',
    'email: That is no e-mail address.',
  ]);
});
