import type { DogListItem } from '@dewpond/contract';
import type { Day } from '@dewpond/core/units';
import { showDay } from '../../browser/times';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Chip } from '../../ui/Chip';
import { Handle } from './dragging/Handle';
import { May } from '../../parts/May';

/** A dog that is due and not booked. */
export interface DueDog {
  readonly id: string;
  readonly earliest: Day;
  readonly ideal: Day;
  readonly latest: Day;
}

interface DueListProps {
  readonly dogs: readonly DogListItem[];
  /** While one looks at a dog, its window lies over the weeks. */
  readonly onLook: (id: string | null) => void;
  readonly onBook: (dog: DogListItem) => void;
  readonly onWrite: (dog: DogListItem) => void;
}

/** So many are shown; the most pressing come first. */
const SHOWN = 30;

/** The day since which it is late, or on which it will be due. */
const dueSince = ({ next }: DogListItem): string => next?.since ?? next?.day ?? '';

/** Dogs that are due and not booked, the most pressing first. */
export function DueList({ dogs, onLook, onBook, onWrite }: DueListProps) {
  const due = dogs
    .filter((dog) => dog.next && dog.nextBooked === null && !dog.archived)
    .toSorted((a, b) => dueSince(a).localeCompare(dueSince(b)));
  return (
    <Card title="Due, not booked" aside={`${due.length}`}>
      {due.length === 0 && <p className="text-soft">Every dog has its next visit.</p>}
      <ul className="flex flex-col divide-y divide-line">
        {due.slice(0, SHOWN).map((dog) => (
          <li
            key={dog.id}
            onMouseEnter={() => onLook(dog.id)}
            onMouseLeave={() => onLook(null)}
            onFocus={() => onLook(dog.id)}
            onBlur={() => onLook(null)}
            className="flex items-center justify-between gap-2 py-2"
          >
            <Handle id={`due ${dog.id}`} visit={{ dogId: dog.id, name: dog.name, kind: null, moving: null }} />
            <span className="min-w-0 flex-1">
              <b>{dog.name}</b> {dog.next?.late && <Chip tone="watch">late</Chip>}
              <span className="block text-sm text-soft truncate">
                {dog.next && showDay(dog.next.since ?? dog.next.day)}: {dog.next?.task}
              </span>
            </span>
            <span className="flex gap-2 shrink-0">
              <May deed="write to owners">
                <Button
                  look="quiet"
                  aria-label={`Write to ${dog.owner} about ${dog.name}`}
                  onClick={() => onWrite(dog)}
                >
                  Write
                </Button>
              </May>
              <May deed="book">
                <Button onClick={() => onBook(dog)}>Book</Button>
              </May>
            </span>
          </li>
        ))}
      </ul>
      {due.length > SHOWN && <p className="text-soft pt-2">and {due.length - SHOWN} more, later.</p>}
    </Card>
  );
}
