import type { Client, DogListItem } from '@dewpond/contract';
import { addressLine } from '@dewpond/core/clients';
import { group } from 'd3-array';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { May } from '../../../parts/May';
import { useClients, useDogs } from '../../../data/queries';
import { ButtonLink } from '../../../ui/ButtonLink';
import { Chip } from '../../../ui/Chip';
import { TextField } from '../../../ui/Field';
import { LongTable, SHOWN_FROM } from '../../../ui/LongTable';
import { Empty, Waiting } from '../../../ui/Waiting';
import { BookTabs } from '../BookTabs';
import { useSearch } from '../list/useSearch';

/** Everyone in the book with their dogs. */
export function OwnersScreen() {
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4">
      <header className="flex flex-wrap items-center justify-between gap-4">
        <h1>Owners</h1>
        <May deed="change clients">
          <ButtonLink to="/dogs/new" look="main">
            New dog and owner
          </ButtonLink>
        </May>
      </header>
      <BookTabs />
      <Waiting query={useClients()} what="Owners">
        {(clients) =>
          clients.length === 0 ? (
            <Empty words="Nobody in the book yet. An owner comes in with the first dog, or with an import." />
          ) : (
            <Owners clients={clients} />
          )
        }
      </Waiting>
    </div>
  );
}

/** An owner as the search knows them: by their own name and their dogs'. */
interface OwnerRow {
  readonly id: string;
  readonly name: string;
  readonly owner: string;
  readonly breed: string;
  readonly phone: string;
  readonly street: string;
  readonly client: Client;
  readonly dogs: readonly string[];
}

function rowsOf(clients: readonly Client[], dogs: readonly DogListItem[]): OwnerRow[] {
  const byOwner = group(dogs, (dog) => dog.ownerId);
  return clients.map((client) => {
    const theirs = (byOwner.get(client.id) ?? []).filter((dog) => !dog.archived).map(({ name }) => name);
    return {
      id: client.id,
      name: client.name,
      owner: theirs.join(' '),
      breed: '',
      phone: client.card.phones.map(({ number }) => number).join(', '),
      street: addressLine(client.card.address),
      client,
      dogs: theirs,
    };
  });
}

function Owners({ clients }: { readonly clients: readonly Client[] }) {
  const [words, setWords] = useState('');
  const dogs = useDogs().data;
  const rows = useMemo(() => rowsOf(clients, dogs ?? []), [clients, dogs]);
  const found = useSearch(rows, words);
  const shown = useMemo(() => found ?? rows.filter(({ client }) => client.archivedOn === null), [found, rows]);
  return (
    <>
      <div className="w-80 max-md:w-full">
        <TextField
          label="Find"
          placeholder="owner, dog, phone or street"
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
      </div>
      {shown.length === 0 ? (
        <p className="text-soft">Nobody fits. Try fewer words.</p>
      ) : (
        <LongTable
          heads={['Owner', 'Dogs', 'Reached by', { name: 'Where', from: 'tablet' }]}
          rows={shown}
          keyOf={({ client }) => client.id}
          rowHeight={56}
          cells={({ client, dogs: theirs }) => (
            <>
              <td className="px-4 py-2.5">
                <Link to={`/owners/${client.id}`} className="font-bold hover:text-pond hover:underline">
                  {client.name}
                </Link>{' '}
                {client.archivedOn && <Chip>archived</Chip>}
                {client.household && <p className="text-sm text-soft">household {client.household.name}</p>}
              </td>
              <td className="px-4 py-2.5">{theirs.join(', ') || <span className="text-soft">none</span>}</td>
              <td className="px-4 py-2.5">
                {client.card.phones[0]?.number ?? client.card.emails[0] ?? (
                  <span className="text-soft">no way yet</span>
                )}
                {client.card.prefers !== 'no matter' && (
                  <p className="text-sm text-soft">likes: {client.card.prefers}</p>
                )}
              </td>
              <td className={`px-4 py-2.5 text-soft ${SHOWN_FROM.tablet}`}>{addressLine(client.card.address)}</td>
            </>
          )}
        />
      )}
    </>
  );
}
