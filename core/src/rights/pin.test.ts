import { describe, expect, test } from 'vitest';
import { whyNoPin } from './pin';

describe('a PIN', () => {
  test.each(['000000', '123456', '987654', '890123', '121212', '472472', '210987'])('%s is a row or a repeat', (pin) =>
    expect(whyNoPin(pin)).toMatch(/Rows and repeats/),
  );
  test.each(['240687', '062487', '870624'])('%s is a day', (pin) => expect(whyNoPin(pin)).toMatch(/Birthdays/));
  test.each(['', '12345', '1234567', '12 456', '１２３４５６'])('“%s” has not six digits', (pin) =>
    expect(whyNoPin(pin)).toMatch(/six|6 digits/),
  );
  test.each(['402895', '739164', '550973'])('%s is taken', (pin) => expect(whyNoPin(pin)).toBeNull());

  test('most numbers can be one: what is refused does not make guessing easy', () => {
    const taken = Array.from({ length: 1_000_000 }, (_, i) => String(i).padStart(6, '0')).filter(
      (pin) => whyNoPin(pin) === null,
    );
    expect(taken.length).toBeGreaterThan(850_000);
  });
});
