import Fraction from 'fraction.js';

/**
 * What crosses to another thread is copied, and a copy of a fraction is none any more: it goes as text and comes back as
 * itself, wherever it stands.
 */
export function toPass(value: unknown): unknown {
  if (value instanceof Fraction) return { fraction: value.toFraction() };
  if (Array.isArray(value)) return value.map(toPass);
  if (!isPlain(value)) return value;
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, toPass(each)]));
}

/** Only what is nothing but its fields is looked into: days, sets and bytes cross as they are. */
const isPlain = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype;

/** Inverse of {@link toPass}. `bytes` says what bytes come back as; without it they stay what they are. */
export function passed(value: unknown, bytes?: (value: Uint8Array) => Uint8Array): unknown {
  if (value instanceof Uint8Array) return bytes ? bytes(value) : value;
  if (Array.isArray(value)) return value.map((each) => passed(each, bytes));
  if (!isPlain(value)) return value;
  if ('fraction' in value && typeof value.fraction === 'string') return new Fraction(value.fraction);
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, passed(each, bytes)]));
}
