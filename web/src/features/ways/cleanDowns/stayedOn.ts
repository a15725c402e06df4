import type { CleanDownLine } from '@dewpond/contract';

/** A clock is read by eye: so many seconds less still count as its full time. */
const SLACK_SECONDS = 5;

/** Whether the disinfectant had its time, as far as a clock tells. */
export function stayedOn({
  seconds,
  wanted,
}: Pick<NonNullable<CleanDownLine['done']>, 'seconds' | 'wanted'>): 'long enough' | 'too short' | 'not known' {
  if (seconds === null || wanted === null) return 'not known';
  return seconds >= wanted - SLACK_SECONDS ? 'long enough' : 'too short';
}
