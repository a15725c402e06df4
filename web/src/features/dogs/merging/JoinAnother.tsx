import { useState } from 'react';
import { useClient, useClients } from '../../../data/queries';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { ClientFinder } from '../../../parts/clients/ClientFinder';
import { MergeDialog, type Named } from './MergeDialog';

/** Someone who is the same person, though neither number nor e-mail tells. */
export function JoinClient({ survivor }: { readonly survivor: Named }) {
  const [gone, setGone] = useState<Named | null>(null);
  const clients = useClients().data ?? [];
  return (
    <>
      <ClientFinder
        label="Twice in the book?"
        nobody="Find the same person"
        value=""
        without={[survivor.id]}
        onChange={(id) => setGone(clients.find((client) => client.id === id) ?? null)}
      />
      <MergeDialog of="client" survivor={survivor} gone={gone} onClose={() => setGone(null)} />
    </>
  );
}

interface JoinDogProps {
  readonly survivor: Named;
  readonly clientId: string;
  readonly open: boolean;
  readonly onClose: () => void;
}

/** Another dog of the same owner that is this one, under another name. */
export function JoinDog({ survivor, clientId, open, onClose }: JoinDogProps) {
  const [gone, setGone] = useState<Named | null>(null);
  const dogs =
    useClient(open ? clientId : '').data?.dogs.filter((dog) => dog.id !== survivor.id && !dog.archivedOn) ?? [];
  return (
    <>
      <Dialog open={open && gone === null} onClose={onClose} title={`Which one is the same as ${survivor.name}?`}>
        {dogs.length === 0 && (
          <p className="text-soft">
            Its owner has no other dog. If the owner is twice in the book, join the owners first.
          </p>
        )}
        <ul className="flex flex-col gap-2">
          {dogs.map((dog) => (
            <li key={dog.id}>
              <Button look="quiet" className="w-full justify-start! text-left" onClick={() => setGone(dog)}>
                {dog.name}, {dog.breed}
              </Button>
            </li>
          ))}
        </ul>
      </Dialog>
      <MergeDialog
        of="dog"
        survivor={survivor}
        gone={open ? gone : null}
        onClose={() => {
          setGone(null);
          onClose();
        }}
      />
    </>
  );
}
