/** What has the same key, in the order it came. */
export function groupBy<Each, Key>(list: readonly Each[], keyOf: (each: Each) => Key): Map<Key, Each[]> {
  const groups = new Map<Key, Each[]>();
  for (const each of list) {
    const key = keyOf(each);
    const group = groups.get(key);
    if (group) group.push(each);
    else groups.set(key, [each]);
  }
  return groups;
}
