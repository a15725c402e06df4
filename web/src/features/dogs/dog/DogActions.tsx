import type { DogView } from '@dewpond/contract';
import { Ellipsis } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { Button } from '../../../ui/Button';
import { tell } from '../../../ui/tell';
import { JoinDog } from '../merging/JoinAnother';

const ITEM =
  'rounded-lg px-3 min-h-11 flex items-center cursor-pointer outline-none data-[highlighted]:bg-pond-pale data-[highlighted]:text-pond';

/** What is done with a dog seldom enough to stand in a menu. */
export function DogActions({ dog }: { readonly dog: DogView }) {
  const navigate = useNavigate();
  const [joining, setJoining] = useState(false);
  const archive = useWrite('PUT /api/dogs/:id/archive', {
    write: (_, { version, archived }: { version: number; archived: boolean }) =>
      call('PUT /api/dogs/:id/archive', { id: dog.id, body: { version, archived } }),
    tells: true,
  });
  const put = (archived: boolean) =>
    archive.mutate(
      { version: dog.version, archived },
      {
        onSuccess: ({ version }) =>
          tell(archived ? `${dog.profile.name} is archived. Its record stays.` : `${dog.profile.name} is back.`, {
            undo: () => archive.mutate({ version, archived: !archived }),
          }),
      },
    );
  return (
    <>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger asChild>
          <Button look="quiet" className="px-3!" aria-label="More">
            <Ellipsis size={20} aria-hidden />
          </Button>
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="end"
            sideOffset={6}
            className="z-40 min-w-56 rounded-xl border border-line bg-surface shadow-lg p-1"
          >
            <DropdownMenu.Item className={ITEM} onSelect={() => void navigate(`/dogs/${dog.id}/edit`)}>
              Edit
            </DropdownMenu.Item>
            <DropdownMenu.Item className={ITEM} onSelect={() => void navigate(`/owners/${dog.client.id}`)}>
              The owner
            </DropdownMenu.Item>
            <DropdownMenu.Item className={ITEM} onSelect={() => setJoining(true)}>
              The same dog twice…
            </DropdownMenu.Item>
            <DropdownMenu.Item className={ITEM} onSelect={() => put(dog.archivedOn === null)}>
              {dog.archivedOn === null ? 'Archive' : 'Bring back'}
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <JoinDog
        survivor={{ id: dog.id, name: dog.profile.name }}
        clientId={dog.client.id}
        open={joining}
        onClose={() => setJoining(false)}
      />
    </>
  );
}
