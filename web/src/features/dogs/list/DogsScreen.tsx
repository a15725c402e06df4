import type { DogListItem } from '@dewpond/contract';
import { useMemo, useState } from 'react';
import { May } from '../../../parts/May';
import { useDogs } from '../../../data/queries';
import { useBranch, useDogsHere } from '../../../data/useBranch';
import { ButtonLink } from '../../../ui/ButtonLink';
import { TextField } from '../../../ui/Field';
import { Empty, Waiting } from '../../../ui/Waiting';
import { classes } from '../../../ui/classes';
import { BookTabs } from '../BookTabs';
import { DogTable } from './DogTable';
import { useReckoning } from '../../../parts/dogs/useReckoning';
import { useSearch } from './useSearch';
import { locale } from '../../../browser/locale';

const FILTERS = {
  all: { name: 'All', keeps: (dog: DogListItem) => !dog.archived },
  late: { name: 'Late', keeps: (dog: DogListItem) => !dog.archived && dog.next?.late === true },
  unbooked: { name: 'Not booked', keeps: (dog: DogListItem) => !dog.archived && dog.nextBooked === null },
  vet: { name: 'For a vet', keeps: (dog: DogListItem) => !dog.archived && dog.openVet },
  archived: { name: 'Archived', keeps: (dog: DogListItem) => dog.archived },
} as const;
type Filter = keyof typeof FILTERS;
const ALL_FILTERS = Object.keys(FILTERS) as Filter[];

/** How many dogs each filter keeps. */
const countsOf = (dogs: readonly DogListItem[]): Readonly<Record<Filter, number>> => ({
  all: dogs.filter(FILTERS.all.keeps).length,
  late: dogs.filter(FILTERS.late.keeps).length,
  unbooked: dogs.filter(FILTERS.unbooked.keeps).length,
  vet: dogs.filter(FILTERS.vet.keeps).length,
  archived: dogs.filter(FILTERS.archived.keeps).length,
});

export function DogsScreen() {
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4">
      <header className="flex flex-wrap items-center justify-between gap-4">
        <h1>Dogs</h1>
        <May deed="change clients">
          <ButtonLink to="/dogs/new" look="main">
            New dog
          </ButtonLink>
        </May>
      </header>
      <BookTabs />
      <Waiting query={useDogs()} what="Dogs">
        {(dogs) =>
          dogs.length === 0 ? (
            <Empty words="No dogs yet. The first one takes two minutes; a list you have can be imported.">
              <ButtonLink to="/dogs/new" look="main">
                Add the first dog
              </ButtonLink>
            </Empty>
          ) : (
            <Dogs dogs={dogs} />
          )
        }
      </Waiting>
    </div>
  );
}

function Dogs({ dogs }: { readonly dogs: readonly DogListItem[] }) {
  const [filter, setFilter] = useState<Filter>('all');
  const [words, setWords] = useState('');
  const found = useSearch(dogs, words);
  const branch = useBranch();
  const here = useDogsHere(dogs);
  const [everywhere, setEverywhere] = useState(false);
  // Who looks for one by name finds it at any branch.
  const inSight = everywhere || words !== '' ? dogs : here;
  const counts = useMemo(() => countsOf(inSight), [inSight]);
  const shown = useMemo(() => (found ?? inSight).filter(FILTERS[filter].keeps), [found, inSight, filter]);
  const reckoning = useReckoning(dogs.filter((dog) => !dog.reckoned).length, 'dogs');
  return (
    <>
      <div className="flex flex-wrap items-end gap-3">
        <div className="w-80 max-md:w-full">
          <TextField
            label="Find"
            placeholder="dog, owner, breed, phone or street"
            value={words}
            onChange={(event) => setWords(event.target.value)}
          />
        </div>
        <div role="group" aria-label="Show" className="flex flex-wrap gap-2">
          {ALL_FILTERS.map((key) => (
            <FilterButton
              key={key}
              name={FILTERS[key].name}
              count={counts[key]}
              pressed={filter === key}
              onPress={() => setFilter(key)}
            />
          ))}
        </div>
        {branch && (
          <button
            type="button"
            aria-pressed={!everywhere}
            onClick={() => setEverywhere(!everywhere)}
            className={classes(
              'rounded-full border px-4 min-h-11 font-semibold',
              everywhere ? 'border-line text-soft' : 'bg-pond-pale border-pond text-pond',
            )}
          >
            Only {branch.here.name}
          </button>
        )}
      </div>
      {reckoning > 0 && (
        <p role="status" className="text-soft">
          Working out what is due: {(dogs.length - reckoning).toLocaleString(locale())} of{' '}
          {dogs.length.toLocaleString(locale())} dogs.
        </p>
      )}
      {shown.length === 0 ? (
        <p className="text-soft">No dog fits. Try fewer words or another filter.</p>
      ) : (
        <DogTable dogs={shown} />
      )}
    </>
  );
}

interface FilterProps {
  readonly name: string;
  readonly count: number;
  readonly pressed: boolean;
  readonly onPress: () => void;
}

/** A filter that keeps nobody stays out of the way, unless it is the one that is on. */
function FilterButton({ name, count, pressed, onPress }: FilterProps) {
  if (count === 0 && !pressed && name !== 'All') return null;
  return (
    <button
      type="button"
      aria-pressed={pressed}
      onClick={onPress}
      className={classes(
        'rounded-full border px-4 min-h-11 font-semibold',
        pressed ? 'bg-pond-pale border-pond text-pond' : 'border-line text-soft',
      )}
    >
      {name} {count.toLocaleString(locale())}
    </button>
  );
}
