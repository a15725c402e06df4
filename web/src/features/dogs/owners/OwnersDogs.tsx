import type { ClientView } from '@dewpond/contract';
import { Link } from 'react-router';
import { May } from '../../../parts/May';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { Button } from '../../../ui/Button';
import { ButtonLink } from '../../../ui/ButtonLink';
import { Card } from '../../../ui/Card';
import { Chip } from '../../../ui/Chip';
import { ClientFinder } from '../../../parts/clients/ClientFinder';
import { JoinClient } from '../merging/JoinAnother';

/** Their dogs, and who else lives there: dogs of one household are best booked on one day. */
export function OwnersDogs({ view: { client, dogs, housemates } }: { readonly view: ClientView }) {
  const share = useWrite('PUT /api/clients/:id/household', {
    write: (_, other: string | null) =>
      call('PUT /api/clients/:id/household', { id: client.id, body: { with: other } }),
    tells: true,
  });
  return (
    <Card
      title="Dogs"
      aside={
        <May deed="change clients">
          <ButtonLink to={`/dogs/new?owner=${client.id}`}>Add a dog</ButtonLink>
        </May>
      }
    >
      <DogLinks dogs={dogs} />
      <div className="mt-3 pt-3 border-t border-line">
        {client.household ? (
          <>
            <div className="flex items-center justify-between gap-2 mb-1">
              <p className="font-semibold">Household {client.household.name}</p>
              <Button look="quiet" disabled={share.isPending} onClick={() => share.mutate(null)}>
                Leave it
              </Button>
            </div>
            {housemates.length === 0 && <p className="text-soft">Nobody else yet.</p>}
            {housemates.map((mate) => (
              <div key={mate.id} className="mb-1.5">
                <Link to={`/owners/${mate.id}`} className="text-pond underline">
                  {mate.name}
                </Link>
                <DogLinks dogs={mate.dogs} />
              </div>
            ))}
          </>
        ) : null}
        <ClientFinder
          label="Shares a household with"
          nobody="Find someone in the book"
          value=""
          without={[client.id, ...housemates.map(({ id }) => id)]}
          onChange={(other) => other && share.mutate(other)}
        />
      </div>
      <div className="mt-3 pt-3 border-t border-line">
        <JoinClient survivor={client} />
      </div>
    </Card>
  );
}

const DogLinks = ({ dogs }: { readonly dogs: ClientView['dogs'] }) =>
  dogs.length === 0 ? (
    <p className="text-soft">No dog in the book.</p>
  ) : (
    <ul>
      {dogs.map((dog) => (
        <li key={dog.id} className="py-1">
          <Link to={`/dogs/${dog.id}`} className="font-bold hover:text-pond hover:underline">
            {dog.name}
          </Link>
          <span className="text-soft">, {dog.breed}</span> {dog.archivedOn && <Chip>archived</Chip>}
        </li>
      ))}
    </ul>
  );
