import Fraction from 'fraction.js';

/**
 * What crosses to another thread is copied, and a copy of a fraction is none any more: it goes as text and comes back as
 * itself, wherever it stands. Bytes come back as a Buffer.
 */
export function toPass(value: unknown): unknown {
  if (value instanceof Fraction) return { fraction: value.toFraction() };
  if (value instanceof Uint8Array || value === null || typeof value !== 'object') return value;
  if (Array.isArray(value)) return value.map(toPass);
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, toPass(each)]));
}

/** Inverse of {@link toPass}. */
export function passed(value: unknown): unknown {
  if (value instanceof Uint8Array) return Buffer.from(value.buffer, value.byteOffset, value.byteLength);
  if (value === null || typeof value !== 'object') return value;
  if (Array.isArray(value)) return value.map(passed);
  if ('fraction' in value && typeof value.fraction === 'string') return new Fraction(value.fraction);
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, passed(each)]));
}
