import { expect, test } from 'vitest';
import { proxyTrouble } from './proxyCheck';

const LOCAL = '127.0.0.1';
test.each([
  ['no proxy, none trusted', undefined, '10.0.0.9', 0, null],
  ['one proxy, one trusted', '10.0.0.9', LOCAL, 1, null],
  ['a client that forges one more', '1.2.3.4, 10.0.0.9', LOCAL, 1, null],
  ['a look from this machine past the proxy', undefined, LOCAL, 1, null],
  ['a proxy that nobody trusts', '10.0.0.9', LOCAL, 0, /Set TRUST_PROXY=1/],
  ['somebody past the proxy', undefined, '10.0.0.9', 1, /past the proxy: from 10\.0\.0\.9/],
  ['more trusted than there are', '10.0.0.9', LOCAL, 2, /Set TRUST_PROXY=1/],
])('%s', (_, forwarded, peer, trusted, trouble) => {
  const said = proxyTrouble({ forwarded, peer }, trusted);
  if (trouble === null) expect(said).toBeNull();
  else expect(said).toMatch(trouble);
});
