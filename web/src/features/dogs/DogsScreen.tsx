import type { DogListItem } from '@dewpond/contract';
import { kilograms, showDay, showWeight } from '@dewpond/core/units';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { clock, dayOf } from '../../app/times';
import { useUnits, useZone } from '../../app/useUnits';
import { useDogs } from '../../api/queries';
import { ButtonLink } from '../../ui/Button';
import { Chip } from '../../ui/Chip';
import { TextField } from '../../ui/Field';
import { Empty, Waiting } from '../../ui/Waiting';
import { classes } from '../../ui/classes';
import type { Day } from '@dewpond/core/units';
import { findDogs, indexDogs } from './findDogs';

const FILTERS = {
  all: { name: 'All', keeps: () => true },
  late: { name: 'Late', keeps: (dog: DogListItem) => dog.next?.late === true },
  unbooked: { name: 'Not booked', keeps: (dog: DogListItem) => dog.nextBooked === null },
  vet: { name: 'Waiting for a vet', keeps: (dog: DogListItem) => dog.openVet },
} as const;
type Filter = keyof typeof FILTERS;

export function DogsScreen() {
  const query = useDogs();
  const [filter, setFilter] = useState<Filter>('all');
  const [words, setWords] = useState('');
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4">
      <header className="flex flex-wrap items-center justify-between gap-4">
        <h1>Dogs</h1>
        <ButtonLink to="/dogs/new" look="main">
          New dog
        </ButtonLink>
      </header>
      <Waiting query={query} what="Dogs">
        {(dogs) =>
          dogs.length === 0 ? (
            <Empty words="No dogs yet. The first one takes two minutes.">
              <ButtonLink to="/dogs/new" look="main">
                Add the first dog
              </ButtonLink>
            </Empty>
          ) : (
            <>
              <div className="flex flex-wrap items-end gap-3">
                <div className="w-72">
                  <TextField
                    label="Find"
                    placeholder="dog, owner, breed or phone"
                    value={words}
                    onChange={(event) => setWords(event.target.value)}
                  />
                </div>
                <div role="group" aria-label="Show" className="flex flex-wrap gap-2">
                  {(Object.keys(FILTERS) as Filter[]).map((key) => (
                    <button
                      key={key}
                      type="button"
                      aria-pressed={filter === key}
                      onClick={() => setFilter(key)}
                      className={classes(
                        'rounded-full border px-4 min-h-11 font-semibold',
                        filter === key ? 'bg-pond-pale border-pond text-pond' : 'border-line text-soft',
                      )}
                    >
                      {FILTERS[key].name} {dogs.filter(FILTERS[key].keeps).length}
                    </button>
                  ))}
                </div>
              </div>
              <DogTable dogs={dogs} filter={filter} words={words} />
            </>
          )
        }
      </Waiting>
    </div>
  );
}

function DogTable({
  dogs,
  filter,
  words,
}: {
  readonly dogs: readonly DogListItem[];
  readonly filter: Filter;
  readonly words: string;
}) {
  const units = useUnits();
  const zone = useZone();
  const index = useMemo(() => indexDogs(dogs), [dogs]);
  const shown = useMemo(() => {
    const found = findDogs(index, words);
    const byId = new Map(dogs.map((dog) => [dog.id, dog]));
    const list = found === null ? dogs : found.flatMap((id) => byId.get(id) ?? []);
    return list.filter(FILTERS[filter].keeps);
  }, [index, dogs, filter, words]);
  if (shown.length === 0) return <p className="text-soft">No dog fits. Try fewer words or another filter.</p>;
  return (
    <div className="overflow-x-auto rounded-card border border-line bg-surface">
      <table className="w-full text-left">
        <thead className="text-sm text-soft border-b border-line">
          <tr>
            {['Dog', 'Owner', 'Next due', 'Booked', 'Mind'].map((head) => (
              <th key={head} className="px-4 py-2.5 font-semibold">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {shown.map((dog) => (
            <tr key={dog.id} className="border-b border-line last:border-0 hover:bg-pond-pale/40">
              <td className="px-4 py-2.5">
                <Link to={`/dogs/${dog.id}`} className="font-bold text-lg hover:text-pond hover:underline">
                  {dog.name}
                </Link>
                <p className="text-sm text-soft">
                  {dog.breed}, {showWeight(kilograms(dog.weightKg), units)}
                </p>
              </td>
              <td className="px-4 py-2.5">
                {dog.owner}
                <p className="text-sm text-soft">{dog.phone}</p>
              </td>
              <td className="px-4 py-2.5">
                {dog.next ? (
                  <>
                    {showDay(dog.next.day)} {dog.next.late && <Chip tone="watch">late</Chip>}
                    <p className="text-sm text-soft">{dog.next.task}</p>
                  </>
                ) : (
                  <span className="text-soft">nothing recurring</span>
                )}
              </td>
              <td className="px-4 py-2.5">
                {dog.nextBooked ? (
                  `${showDay(dayOf(dog.nextBooked, zone) as Day)}, ${clock(dog.nextBooked, zone)}`
                ) : (
                  <span className="text-soft">not booked</span>
                )}
              </td>
              <td className="px-4 py-2.5">
                <div className="flex flex-wrap gap-1">
                  {dog.openVet && <Chip tone="stop">waiting for a vet</Chip>}
                  {dog.handling.map((mark) => (
                    <Chip key={mark}>{mark}</Chip>
                  ))}
                </div>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
