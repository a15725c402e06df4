import { describe, expect, test } from 'vitest';
import { whyNoPassword } from './passwords';

const ABOUT = ['Ines Carrow', 'ines@withyquay.example', 'Withy Quay'];

describe('a password', () => {
  test.each([
    ['short', /At least 10/],
    ['qwertyuiop', /tried first/],
    ['QwertyUiop', /tried first/],
    ['Password123!', /tried first/],
    ['password1234', /tried first/],
    ['aaaaaaaaaaaa', /tried first/],
    ['inescarrow2026', /Names/],
    ['withyquay!!2026', /Names/],
    ['a'.repeat(50) + 'bcde'.repeat(40), /At most 200/],
  ])('%s is refused', (password, why) => {
    expect(whyNoPassword(password, ABOUT)).toMatch(why);
  });

  test.each(['reeds-and-chalk', 'ines likes wet otters', 'пруд и роса в мае', 'river otter lamp', 'kq7v-x2mt-9wpl'])(
    '%s is taken',
    (password) => {
      expect(whyNoPassword(password, ABOUT)).toBeNull();
    },
  );
});
