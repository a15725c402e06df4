/** How many digits a PIN for shared tablets has. */
export const PIN_DIGITS = 6;
/** Wrong tries, one after the other, after which a PIN opens nothing any more. */
export const PIN_TRIES = 5;

/** What is said to a wrong PIN while tries are left. */
export const wrongPin = (left: number): string =>
  `That is not the PIN. ${left === 1 ? '1 try' : `${left} tries`} left.`;

/** A PIN that is tried first by whoever tries; null: it is none of them. With five tries, the rest is chance. */
export function whyNoPin(pin: string): string | null {
  if (!/^\d{6}$/.test(pin)) return `A PIN has ${PIN_DIGITS} digits.`;
  const digits = [...pin].map(Number);
  const step = (by: number) => digits.every((digit, i) => i === 0 || digit === (digits[i - 1]! + by + 10) % 10);
  const repeats = (length: number) => pin === pin.slice(0, length).repeat(PIN_DIGITS / length);
  if (step(1) || step(-1) || repeats(1) || repeats(2) || repeats(3))
    return 'Rows and repeats are tried first. Choose another.';
  return isDate(pin) ? 'Birthdays are tried first. Choose another.' : null;
}

/** A day as it is written in six digits: day, month, year, or in another order. */
function isDate(pin: string): boolean {
  const [a, b, c] = [pin.slice(0, 2), pin.slice(2, 4), pin.slice(4)].map(Number) as [number, number, number];
  const fits = (day: number, month: number): boolean => day >= 1 && day <= 31 && month >= 1 && month <= 12;
  return fits(a, b) || fits(b, a) || fits(c, b);
}
