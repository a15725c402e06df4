import { IN_THE_TUB, timeline, totalMinutes, type Step } from '../steps';
import type { WorkGroup, PartOfDay, PlaceOfWork, Stretch } from './day';

/** Where each part is worked at [common practice, no source]: a dog is dried standing on a table. */
const WORKED_AT: Readonly<Record<PartOfDay, readonly PlaceOfWork[]>> = {
  table: ['table'],
  bath: ['tub'],
  dry: ['table', 'dryer'],
  finish: ['table'],
};

/**
 * A visit's steps as parts of a day, in their order: before the tub, in the tub, what leads up to being dry, and after.
 * Barred steps take no time. Only the rest in a towel lets go of the hands: on the table and in the tub a dog is never alone.
 * @param steps all of a visit; where it has begun, those that are left.
 */
export function groupsOf(steps: readonly Step[]): WorkGroup[] {
  const tub = steps.flatMap(({ stage }, i) => (IN_THE_TUB.has(stage) ? [i] : []));
  const dry = steps.findLastIndex(({ stage }) => stage === 'dry');
  const [first, last] = [tub.at(0) ?? Math.max(dry, 0), tub.at(-1) ?? Math.max(dry, 0) - 1];
  const isBathed = tub.length > 0 || dry >= 0;
  const parts: readonly (readonly [PartOfDay, readonly Step[]])[] = isBathed
    ? [
        ['table', steps.slice(0, first)],
        ['bath', steps.slice(first, last + 1)],
        ['dry', dry > last ? steps.slice(last + 1, dry + 1) : []],
        ['finish', steps.slice(Math.max(dry, last) + 1)],
      ]
    : [['table', steps]];
  return parts.flatMap(([part, its]) => groupOf(part, timeline(its)));
}

function groupOf(part: PartOfDay, blocks: readonly Stretch[]): WorkGroup[] {
  const isRest = (block: Stretch) => part === 'dry' && block.dwell && block.name === 'rest';
  const stretches = blocks.filter((block) => !isRest(block));
  if (stretches.length === 0) return [];
  const rest = totalMinutes(blocks.filter(isRest));
  return [{ part, at: WORKED_AT[part], minutes: totalMinutes(stretches), stretches, rest }];
}
