import { expect, test } from 'vitest';
import { onItsWay } from './sentOnce';

test('a file goes under one id until it has arrived; another file, or the same changed, under another', () => {
  const file = { name: 'ear.jpg', size: 81_000, lastModified: 1_790_000_000_000 };
  const first = onItsWay(null, file);
  expect(onItsWay(first, { ...file })).toBe(first);
  const other = [
    { ...file, name: 'eye.jpg' },
    { ...file, size: 82_000 },
    { ...file, lastModified: 0 },
  ];
  for (const each of other) expect(onItsWay(first, each).id).not.toBe(first.id);
  expect(onItsWay(null, file).id).not.toBe(first.id);
});
