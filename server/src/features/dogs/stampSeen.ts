import type { DogProfile, SeenOn, TraitSeen } from '@dewpond/contract';

/** Every trait that is seen now and was not seen so before bears the stamp; the others keep theirs. Pure. */
export function stampSeen(
  before: { readonly profile: DogProfile; readonly seenOn: SeenOn } | undefined,
  seen: DogProfile['seen'],
  stamp: TraitSeen,
): SeenOn {
  const keys = Object.keys(seen) as (keyof DogProfile['seen'])[];
  return Object.fromEntries(
    keys.map((key) => {
      const same = JSON.stringify(before?.profile.seen[key]) === JSON.stringify(seen[key]);
      return [key, (same && before?.seenOn[key]) || stamp];
    }),
  );
}
