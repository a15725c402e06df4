/** The application that the bench command started. */
export const base = process.env['BASE_URL'] ?? '';
if (base === '') throw new Error('Run it with `npm run bench`.');

/** Signs in, as the demo's manager unless somebody else is named; the cookie of the session. */
export async function signedIn(email = 'ines@withyquay.example'): Promise<string> {
  const answer = await fetch(`${base}/api/auth/sign-in/email`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: base },
    body: JSON.stringify({ email, password: 'reeds-and-chalk' }),
  });
  return answer.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ');
}

/** The same cookies, as a browser of Playwright takes them for an address. */
export const browserCookies = (cookie: string, url: string) =>
  cookie.split('; ').map((each) => {
    const [name = '', ...value] = each.split('=');
    return { name, value: value.join('='), url };
  });
