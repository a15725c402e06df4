import type { DogListItem } from '@dewpond/contract';
import { kilograms, showWeight, type Day } from '@dewpond/core/units';
import { Link } from 'react-router';
import { OwnerLink } from '../../../parts/clients/OwnerLink';
import { showDay, clock, dayOf } from '../../../browser/times';
import { useUnits, useZone } from '../../../data/useUnits';
import { Chip } from '../../../ui/Chip';
import { LongTable, SHOWN_FROM, type Head } from '../../../ui/LongTable';

const HEADS: readonly Head[] = [
  'Dog',
  { name: 'Owner', from: 'desk' },
  'Next due',
  { name: 'Booked', from: 'tablet' },
  { name: 'Mind', from: 'desk' },
];
const CELL = 'px-4 py-2.5';
/** As many marks as fit beside each other; the dog's page has all. */
const MARKS_SHOWN = 3;

/** Dogs with what is due, what is booked, and what to mind. */
export function DogTable({ dogs }: { readonly dogs: readonly DogListItem[] }) {
  const units = useUnits();
  const zone = useZone();
  return (
    <LongTable
      heads={HEADS}
      rows={dogs}
      keyOf={(dog) => dog.id}
      rowHeight={69}
      cells={(dog) => (
        <>
          <td className={CELL}>
            <Link to={`/dogs/${dog.id}`} className="font-bold text-lg hover:text-pond hover:underline">
              {dog.name}
            </Link>
            <p className="text-sm text-soft">
              {dog.breed}, {showWeight(kilograms(dog.weightKg), units)}
            </p>
            <p className="text-sm text-soft lg:hidden">{dog.owner}</p>
          </td>
          <td className={`${CELL} ${SHOWN_FROM.desk} whitespace-nowrap`}>
            <OwnerLink id={dog.ownerId} className="hover:text-pond hover:underline">
              {dog.owner}
            </OwnerLink>
            <p className="text-sm text-soft">{dog.phone.split(',')[0]}</p>
          </td>
          <td className={CELL}>
            {dog.next ? (
              <>
                {dog.next.since === null ? showDay(dog.next.day) : `since ${showDay(dog.next.since)}`}{' '}
                {dog.next.late && <Chip tone="watch">late</Chip>}
                <p className="text-sm text-soft">{dog.next.task}</p>
              </>
            ) : (
              <span className="text-soft">{dog.reckoned ? 'nothing recurring' : 'being worked out'}</span>
            )}
          </td>
          <td className={`${CELL} ${SHOWN_FROM.tablet} whitespace-nowrap`}>
            {dog.nextBooked ? (
              `${showDay(dayOf(dog.nextBooked, zone) as Day)}, ${clock(dog.nextBooked, zone)}`
            ) : (
              <span className="text-soft">not booked</span>
            )}
          </td>
          <td className={`${CELL} ${SHOWN_FROM.desk}`}>
            <div className="flex flex-wrap gap-1">
              {dog.openVet && <Chip tone="stop">for a vet</Chip>}
              {dog.handling.slice(0, MARKS_SHOWN).map((mark) => (
                <Chip key={mark}>{mark}</Chip>
              ))}
              {dog.handling.length > MARKS_SHOWN && <Chip>+ {dog.handling.length - MARKS_SHOWN}</Chip>}
            </div>
          </td>
        </>
      )}
    />
  );
}
