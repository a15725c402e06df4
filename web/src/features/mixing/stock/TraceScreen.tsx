import type { TraceView } from '@dewpond/contract';
import { published } from '@dewpond/core/provenance';

import { useQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
import { OwnerLink } from '../../../parts/clients/OwnerLink';
import { call } from '../../../api/call';
import { useTraceStarts } from '../../../data/queries';
import { Card } from '../../../ui/Card';
import { Chip } from '../../../ui/Chip';
import { SelectField } from '../../../ui/SelectField';
import { SourceMark } from '../../../ui/SourceMark';
import { Empty, Waiting } from '../../../ui/Waiting';
import { MixingTabs } from '../MixingTabs';
import { showDay } from '../../../browser/times';

/** From a lot, a mix or a bottle to every dog that had it, and whom to ring. */
export function TraceScreen() {
  const [search, setSearch] = useSearchParams();
  const [of, id, no] = [search.get('of'), search.get('id'), search.get('no')];
  const value = of && id ? [of, id, no].filter(Boolean).join(' ') : '';
  const choose = (typed: string) => {
    const [kind, chosen, number] = typed.split(' ');
    setSearch(kind && chosen ? { of: kind, id: chosen, ...(number ? { no: number } : {}) } : {});
  };
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4">
      <h1>Trace</h1>
      <MixingTabs />
      <Waiting query={useTraceStarts()} what="Lots, mixes and bottles">
        {(starts) => (
          <div className="max-w-xl">
            <SelectField
              label="From which lot, mix or bottle?"
              value={value}
              onChange={(event) => choose(event.target.value)}
              hint={
                <>
                  A sore back or a dull dog a day or two after a bath: find every dog that had that bottle.{' '}
                  <SourceMark
                    source={published('Cain & Mauldin 2015, JAVMA 246:522')}
                    because="Germs that grow in diluted shampoo are linked to it: the dog goes to the vet."
                  />
                </>
              }
            >
              <option value="">choose</option>
              <optgroup label="Lots">
                {starts.lots.map((lot) => (
                  <option key={lot.id} value={`lot ${lot.id}`}>
                    {lot.product}, lot {lot.number}, of {showDay(lot.deliveredOn)}
                  </option>
                ))}
              </optgroup>
              <optgroup label="Mixes, newest first">
                {starts.mixes.map((mix) => (
                  <option key={mix.id} value={`mix ${mix.id}`}>
                    {showDay(mix.day)}: {mix.words}
                  </option>
                ))}
              </optgroup>
              <optgroup label="Bottles">
                {starts.bottles.map((bottle) => (
                  <option key={`${bottle.id} ${bottle.no}`} value={`bottle ${bottle.id} ${bottle.no}`}>
                    {bottle.name}
                  </option>
                ))}
              </optgroup>
            </SelectField>
          </div>
        )}
      </Waiting>
      {of && id && <Traced of={of} id={id} no={no} />}
    </div>
  );
}

interface TracedProps {
  readonly of: string;
  readonly id: string;
  readonly no: string | null;
}

function Traced({ of, id, no }: TracedProps) {
  const query = useQuery({
    queryKey: ['trace', of, id, no],
    queryFn: () => call('GET /api/trace', { query: { of, id, ...(no ? { no } : {}) } }),
  });
  return (
    <Waiting query={query} what="The trace">
      {(trace) => <Dogs trace={trace} />}
    </Waiting>
  );
}

function Dogs({ trace }: { readonly trace: TraceView }) {
  return (
    <Card title={trace.title}>
      <p className="text-soft mb-3">{trace.words}</p>
      {trace.dogs.length === 0 ? (
        <Empty words="No dog had it: nobody to ring." />
      ) : (
        <ul>
          {trace.dogs.map((dog) => (
            <li
              key={dog.visitId + dog.what}
              className="grid grid-cols-[minmax(120px,1fr)_minmax(180px,1.4fr)_minmax(180px,1.6fr)] max-md:grid-cols-1 gap-x-4 border-t border-line py-2 first:border-0"
            >
              <span>
                <Link to={`/dogs/${dog.dogId}`} className="font-bold text-pond underline">
                  {dog.dog}
                </Link>
                <span className="block text-sm text-soft">{showDay(dog.day)}</span>
              </span>
              <span>
                Ring{' '}
                <OwnerLink id={dog.ownerId} className="text-pond underline">
                  {dog.owner}
                </OwnerLink>
                {dog.phone ? (
                  <a
                    href={`tel:${dog.phone.replaceAll(/[^\d+]/g, '')}`}
                    className="block text-pond underline font-semibold"
                  >
                    {dog.phone}
                  </a>
                ) : (
                  <span className="block text-watch font-semibold">no phone number kept</span>
                )}
              </span>
              <span className="text-sm text-soft">
                {dog.what}
                {dog.override && (
                  <span className="block">
                    <Chip tone="watch">past its time</Chip> {dog.override}
                  </span>
                )}
              </span>
            </li>
          ))}
        </ul>
      )}
    </Card>
  );
}
