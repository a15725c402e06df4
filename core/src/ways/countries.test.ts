import { expect, test } from 'vitest';
import { LANGUAGES } from '../clients';
import { COUNTRY_CODES, countryOf, countryOfZone } from '.';

test.each(COUNTRY_CODES)('%s has zones, a currency and a name that the standards know', (code) => {
  const { zones, currency, language, name, liftAloneKg } = countryOf(code);
  // Intl knows the IANA database, ISO 4217 and ISO 3166-1.
  for (const zone of zones) expect(() => new Intl.DateTimeFormat('en', { timeZone: zone })).not.toThrow();
  expect(Intl.supportedValuesOf('currency')).toContain(currency);
  expect(new Intl.DisplayNames('en', { type: 'region' }).of(code)).toBe(name);
  expect(LANGUAGES).toContain(language);
  expect(liftAloneKg).toBeGreaterThanOrEqual(15);
  expect(liftAloneKg).toBeLessThanOrEqual(25);
  expect(countryOfZone(zones[0] ?? '')).toBe(code);
});

test('a zone of no row is of no country', () => {
  expect(countryOfZone('Antarctica/Troll')).toBeNull();
});
