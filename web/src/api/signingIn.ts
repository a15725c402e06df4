/** What came of a try to sign in: in, a second proof is asked, or the status of the refusal; null: no answer came. */
export type SignedIn = 'in' | 'second proof' | number | null;

/** One of the sign-in's addresses, which stand outside the contract. */
export async function askDoor(path: string, body: object): Promise<{ status: number; answer: unknown } | null> {
  const response = await fetch(`/api/auth${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  }).catch(() => null);
  if (!response) return null;
  return { status: response.status, answer: await response.json().catch(() => null) };
}

export async function signInWith(email: string, password: string): Promise<SignedIn> {
  const asked = await askDoor('/sign-in/email', { email, password });
  if (asked?.status !== 200) return asked?.status ?? null;
  return (asked.answer as { twoFactorRedirect?: boolean } | null)?.twoFactorRedirect === true ? 'second proof' : 'in';
}

/** Six digits are of the app that shows them; anything longer is a recovery code. */
export async function showSecondProof(code: string): Promise<SignedIn> {
  const path = /^\d{6}$/.test(code.trim()) ? '/two-factor/verify-totp' : '/two-factor/verify-backup-code';
  const asked = await askDoor(path, { code: code.trim() });
  return asked?.status === 200 ? 'in' : (asked?.status ?? null);
}

/** What a refusal at the door means. */
export function whyNotIn(result: SignedIn, wrong = 'This e-mail and this password do not match.'): string {
  if (result === null) return 'The server cannot be reached. Try again when the network is back.';
  if (result === 429) return 'Too many tries. Wait a minute, then try again.';
  return result === 401 ? wrong : 'That did not work. Look at what you typed, and try again.';
}

/** The same where the password was asked once more: the sign-in says 400 to a wrong one. */
export const whyNotTaken = (status: number | null): string =>
  status === 400 ? 'This is not your password.' : whyNotIn(status);
