import type { MergePreview } from '@dewpond/contract';
import { useQuery } from '@tanstack/react-query';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { tell } from '../../../ui/tell';
import { undoMerge } from './undoMerge';

/** A client or dog as far as joining two names it. */
export interface Named {
  readonly id: string;
  readonly name: string;
}

interface MergeDialogProps {
  readonly of: 'client' | 'dog';
  /** The one that stays. */
  readonly survivor: Named;
  /** Null while the dialog is closed. */
  readonly gone: Named | null;
  readonly onClose: () => void;
}

/** What joining two would move and add, shown before it is done; it can be taken back. */
export function MergeDialog({ of, survivor, gone, onClose }: MergeDialogProps) {
  return (
    <Dialog
      open={gone !== null}
      onClose={onClose}
      title="The same one twice?"
      says="Nothing is thrown away, and it can be taken apart again."
    >
      {gone && <Preview of={of} survivor={survivor} gone={gone} onDone={onClose} />}
    </Dialog>
  );
}

function Preview({
  of,
  survivor,
  gone,
  onDone,
}: {
  of: 'client' | 'dog';
  survivor: Named;
  gone: Named;
  onDone: () => void;
}) {
  const path = of === 'client' ? 'clients' : 'dogs';
  const { data, error } = useQuery({
    queryKey: ['merge', of, survivor.id, gone.id],
    queryFn: () => call(`GET /api/${path}/:id/merge`, { id: survivor.id, query: { gone: gone.id } }),
  });
  const join = useWrite(`POST /api/${path}/:id/merge`, {
    write: (id) => call(`POST /api/${path}/:id/merge`, { id: survivor.id, body: { id, goneId: gone.id } }),
    onSuccess: ({ id }) => {
      tell(`${gone.name} is now part of ${survivor.name}.`, { undo: () => void undoMerge(id) });
      onDone();
    },
  });
  if (error) return <p role="alert">{error.message}</p>;
  if (!data) return <p role="status">Looking what would move…</p>;
  return (
    <div className="flex flex-col gap-4">
      <Moves preview={data} />
      {(data.refused ?? join.error) && (
        <p role="alert" className="text-stop font-semibold">
          {data.refused ?? join.error?.message}
        </p>
      )}
      <div className="flex justify-end gap-2">
        <Button look="quiet" onClick={onDone}>
          Leave them two
        </Button>
        <Button look="main" disabled={data.refused !== null || join.isPending} onClick={() => join.mutate()}>
          Join into {survivor.name}
        </Button>
      </div>
    </div>
  );
}

function Moves({ preview: { survivor, gone, moves, gains } }: { readonly preview: MergePreview }) {
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-2">
      <dt className="text-soft">Stays</dt>
      <dd className="font-semibold">{survivor.name}</dd>
      <dt className="text-soft">Archived</dt>
      <dd>{gone.name}</dd>
      <dt className="text-soft">Moves over</dt>
      <dd>{moves.length > 0 ? moves.join('; ') : 'nothing belongs to it'}</dd>
      <dt className="text-soft">{survivor.name} gains</dt>
      <dd>{gains.length > 0 ? gains.join('; ') : 'nothing new'}</dd>
    </dl>
  );
}
