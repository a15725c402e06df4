import { isOfPart, visitChoice, type Book, type PlannedVisit } from './book';
import { free, type Span } from './hours';

/** A visit of a plan with its time, minutes from midnight. */
export interface TimedVisit extends PlannedVisit {
  readonly block: number;
  readonly person: string;
  readonly from: number;
  readonly to: number;
}

/** Where a booking that may move has its time now, by dog and day. */
export type StandingTimes = (dog: string, day: number) => Span | null;

/**
 * Times for the visits of a plan. Within a block: who must be first comes first, who must be last comes last, wishes for
 * the morning before those for the afternoon, a household in one go. Bookings that stand keep their time if all else still
 * fits around them; otherwise the whole block is laid out anew. Fixed bookings have their time already.
 */
export function packTimes(
  book: Book,
  plan: readonly PlannedVisit[],
  standing: StandingTimes = () => null,
): TimedVisit[] {
  const byBlock = new Map<number, PlannedVisit[]>();
  for (const visit of plan)
    if (visit.block !== null) byBlock.set(visit.block, [...(byBlock.get(visit.block) ?? []), visit]);
  return [...byBlock]
    .toSorted(([a], [b]) => a - b)
    .flatMap(([block, visits]) => packBlock(book, block, visits, standing));
}

function packBlock(book: Book, index: number, visits: readonly PlannedVisit[], standing: StandingTimes): TimedVisit[] {
  const block = book.blocks[index];
  if (!block) return [];
  const dogs = new Map(book.dogs.map((dog) => [dog.id, dog]));
  const minutesOf = ({ dog, choice }: PlannedVisit) => {
    const known = dogs.get(dog);
    return known ? visitChoice(known, choice).minutes : 0;
  };
  const rank = ({ dog }: PlannedVisit): number => {
    const known = dogs.get(dog);
    if (known?.needs.slot) return known.needs.slot === 'first' ? 0 : 4;
    const part = known?.wishes.part;
    return !part || (isOfPart(block, 'morning') && !isOfPart(block, 'afternoon')) ? 2 : part === 'morning' ? 1 : 3;
  };
  const household = ({ dog }: PlannedVisit) => dogs.get(dog)?.household ?? '';
  const inOrder = visits.toSorted(
    (a, b) => rank(a) - rank(b) || household(a).localeCompare(household(b)) || a.dog.localeCompare(b.dog),
  );
  const timed = (visit: PlannedVisit, from: number): TimedVisit => ({
    ...visit,
    block: index,
    person: block.person,
    from,
    to: from + minutesOf(visit),
  });
  return around(inOrder, block, { timed, minutesOf, standing }) ?? inOneGo(inOrder, block.from, { timed, minutesOf });
}

interface Laying {
  readonly timed: (visit: PlannedVisit, from: number) => TimedVisit;
  readonly minutesOf: (visit: PlannedVisit) => number;
}

function inOneGo(visits: readonly PlannedVisit[], from: number, { timed, minutesOf }: Laying): TimedVisit[] {
  let at = from;
  return visits.map((visit) => {
    const placed = timed(visit, at);
    at += minutesOf(visit);
    return placed;
  });
}

/** Who stands keeps its time, the others come into what is left, each into the first piece that holds it; null where it does not. */
function around(
  visits: readonly PlannedVisit[],
  block: Span,
  { timed, minutesOf, standing }: Laying & { readonly standing: StandingTimes },
): TimedVisit[] | null {
  const kept = visits.flatMap((visit) => {
    const time = standing(visit.dog, visit.day);
    return time && time.from >= block.from && time.from + minutesOf(visit) <= block.to ? [timed(visit, time.from)] : [];
  });
  if (kept.length === 0) return null;
  const placed = [...kept];
  const clash = kept.some((a) => kept.some((b) => a !== b && a.from < b.to && b.from < a.to));
  if (clash) return null;
  for (const visit of visits) {
    if (kept.some(({ dog }) => dog === visit.dog)) continue;
    const room = free(block, placed).find(({ from, to }) => to - from >= minutesOf(visit));
    if (!room) return null;
    placed.push(timed(visit, room.from));
  }
  return placed.toSorted((a, b) => a.from - b.from);
}
