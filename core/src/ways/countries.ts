import type { Language } from '../clients';

/** What a business of a country usually begins with. All of it can be changed in its house ways. */
export interface Country {
  readonly name: string;
  readonly units: 'metric' | 'US';
  /** ISO 4217. */
  readonly currency: string;
  /** What owners read in, where nothing else is known of them. */
  readonly language: Language;
  /** Time zones, the one of most people first (names of the IANA database). */
  readonly zones: readonly string[];
  /** A dog above this weight is lifted by two, kg. */
  readonly liftAloneKg: number;
  /** What the weight comes from. */
  readonly liftSource: string;
}

/** 23 kg is the load constant of the NIOSH lifting equation (1991, from memory). */
const NIOSH = { liftAloneKg: 23, liftSource: 'NIOSH lifting equation, under the best conditions' } as const;
/** HSE, Manual handling L23: 25 kg and 16 kg at knuckle height, close to the body (from memory); the lower of the two. */
const HSE = {
  liftAloneKg: 16,
  liftSource: 'HSE guidance L23, close to the body, the lower of its two figures',
} as const;
/** ISO 11228-1: 23 kg for most of the working population (from memory); a dog moves, so the house value is less. */
const HOUSE = {
  liftAloneKg: 20,
  liftSource: 'house value, less than ISO 11228-1 says of a load that keeps still',
} as const;

/**
 * Habits by country, by ISO 3166-1 code. What the law says of plucking, teeth or muzzles changes by state and by year: no
 * law is written here, and the first start asks whoever knows.
 */
export const COUNTRIES = {
  AU: {
    ...{ name: 'Australia', units: 'metric', currency: 'AUD', language: 'en-GB' },
    ...HOUSE,
    zones: ['Australia/Sydney', 'Australia/Brisbane', 'Australia/Adelaide', 'Australia/Darwin', 'Australia/Perth'],
  },
  CA: {
    ...{ name: 'Canada', units: 'metric', currency: 'CAD', language: 'en-GB' },
    ...NIOSH,
    zones: [
      'America/Toronto',
      'America/Winnipeg',
      'America/Edmonton',
      'America/Vancouver',
      'America/Halifax',
      'America/St_Johns',
    ],
  },
  IE: {
    ...{ name: 'Ireland', units: 'metric', currency: 'EUR', language: 'en-GB', zones: ['Europe/Dublin'] },
    ...HSE,
  },
  MX: {
    ...{ name: 'Mexico', units: 'metric', currency: 'MXN', language: 'es' },
    ...HOUSE,
    zones: ['America/Mexico_City', 'America/Cancun', 'America/Chihuahua', 'America/Tijuana'],
  },
  NZ: {
    ...{ name: 'New Zealand', units: 'metric', currency: 'NZD', language: 'en-GB', zones: ['Pacific/Auckland'] },
    ...HOUSE,
  },
  ES: {
    ...{ name: 'Spain', units: 'metric', currency: 'EUR', language: 'es' },
    ...HOUSE,
    zones: ['Europe/Madrid', 'Atlantic/Canary'],
  },
  GB: {
    ...{ name: 'United Kingdom', units: 'metric', currency: 'GBP', language: 'en-GB', zones: ['Europe/London'] },
    ...HSE,
  },
  US: {
    ...{ name: 'United States', units: 'US', currency: 'USD', language: 'en-GB' },
    ...NIOSH,
    zones: [
      'America/New_York',
      'America/Chicago',
      'America/Denver',
      'America/Phoenix',
      'America/Los_Angeles',
      'America/Anchorage',
      'Pacific/Honolulu',
    ],
  },
} as const satisfies Readonly<Record<string, Country>>;

export type CountryCode = keyof typeof COUNTRIES;
export const COUNTRY_CODES = Object.keys(COUNTRIES) as [CountryCode, ...CountryCode[]];
export const countryOf = (code: CountryCode): Country => COUNTRIES[code];

/** The country of a time zone; null where no row has it. */
export const countryOfZone = (zone: string): CountryCode | null =>
  COUNTRY_CODES.find((code) => countryOf(code).zones.includes(zone)) ?? null;
