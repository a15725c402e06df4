import type { TabletView } from '@dewpond/contract';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../../../api/call';
import { moment } from '../../../browser/times';
import { useSession } from '../../../data/queries';
import { askDoor, lock } from '../../../data/tablet';
import { useMay, useWhoMay } from '../../../data/useMay';
import { useWrite } from '../../../data/useWrite';
import { AskOne } from '../../../parts/door/AskOne';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { Dialog } from '../../../ui/Dialog';
import { tell } from '../../../ui/tell';
import { Waiting } from '../../../ui/Waiting';
import { HeldWork } from './HeldWork';
import { TabletSettings } from './TabletSettings';

/** Devices that several people share: which there are, who was at them last, and what to do when one is lost. */
export function TabletsScreen() {
  const mayReport = useMay('report tablets');
  const mayKeep = useMay('keep tablets');
  const whoMayReport = useWhoMay('report tablets');
  const session = useSession().data;
  const query = useQuery({
    queryKey: ['tablets'],
    queryFn: async () => (await call('GET /api/tablets')).items,
    enabled: mayReport,
  });
  const [making, setMaking] = useState(false);
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4 max-w-4xl">
      <header className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Shared tablets</h1>
          <p className="text-soft max-w-xl">
            {whoMayReport ??
              'One at the tub, one in the van: each person comes to it by a tap and a PIN, and what they do bears their name.'}
          </p>
        </div>
        {mayKeep && !session?.tablet && (
          <Button look="main" onClick={() => setMaking(true)}>
            Share this device
          </Button>
        )}
      </header>
      {mayReport && (
        <Waiting query={query} what="Shared tablets">
          {(tablets) => (tablets.length === 0 ? <None /> : tablets.map((its) => <Tablet key={its.id} its={its} />))}
        </Waiting>
      )}
      {making && <ShareThis onClose={() => setMaking(false)} />}
    </div>
  );
}

const None = () => (
  <Card title="None yet">
    <ol className="list-decimal pl-5 flex flex-col gap-1">
      <li>Everybody chooses a PIN of six digits on a device of their own: the key “?”, then “Your account”.</li>
      <li>An owner-manager signs in on the tablet and comes to this page there: “Share this device”.</li>
      <li>From then on it locks when nobody touches it. Running timers stay in sight, and ring.</li>
    </ol>
  </Card>
);

function ShareThis({ onClose }: { readonly onClose: () => void }) {
  const share = useWrite('POST /api/tablets', {
    write: (id, name: string) => call('POST /api/tablets', { body: { id, name } }),
  });
  const ask = (name: string) =>
    share.mutateAsync(name).then(
      async () => {
        await askDoor();
        onClose();
        lock();
        return null;
      },
      (why: Error) => why.message,
    );
  return (
    <Dialog open onClose={onClose} title="Share this device">
      <AskOne
        field={{ label: 'What is it called?', placeholder: 'Tub tablet', maxLength: 60, autoFocus: true }}
        ask={ask}
        does="Share and lock it"
      >
        <p>
          You are signed out here. From then on people come by their PIN. A PIN opens the daily work; what concerns the
          whole book or the business still needs a password.
        </p>
      </AskOne>
    </Dialog>
  );
}

function Tablet({ its }: { readonly its: TabletView }) {
  const zone = useSession().data?.business.zone ?? 'UTC';
  const mayKeep = useMay('keep tablets');
  const [open, setOpen] = useState<'settings' | 'lost' | 'removed' | null>(null);
  const close = () => setOpen(null);
  const { name, lost } = its;
  return (
    <Card title={name} aside={its.isThis ? 'this one' : undefined}>
      {lost ? (
        <p className="rounded-xl bg-stop-pale text-stop font-semibold px-4 py-3">
          Reported lost by {lost.by}, {moment(lost.at, zone)}. It opens nothing. What it had recorded before that is
          handed over as soon as it has a network.
        </p>
      ) : (
        <p>
          {its.lastPerson === null ? 'Nobody has come to it yet' : `${its.lastPerson} came to it last`}
          {its.lastSeen && `, seen ${moment(its.lastSeen, zone)}`}. It locks after{' '}
          {its.lockAfterMin === 1 ? 'a minute' : `${its.lockAfterMin} minutes`} without a touch.
        </p>
      )}
      {lost && <HeldWork tablet={its} />}
      <div className="flex flex-wrap gap-3 mt-4">
        {!lost && (
          <Button look="stop" onClick={() => setOpen('lost')}>
            It is lost
          </Button>
        )}
        {mayKeep && !lost && <Button onClick={() => setOpen('settings')}>Name and lock</Button>}
        {mayKeep && (
          <Button look="quiet" onClick={() => setOpen('removed')}>
            {lost ? 'Take it off the list' : 'Share it no more'}
          </Button>
        )}
      </div>
      {open === 'settings' && <TabletSettings its={its} onClose={close} />}
      {open === 'lost' && <ReportLost its={its} onClose={close} />}
      {open === 'removed' && <ShareNoMore its={its} onClose={close} />}
    </Card>
  );
}

interface DialogOf {
  readonly its: TabletView;
  readonly onClose: () => void;
}

function ReportLost({ its, onClose }: DialogOf) {
  const report = useWrite('POST /api/tablets/:id/lost', {
    write: () => call('POST /api/tablets/:id/lost', { id: its.id, body: {} }),
    onSuccess: () => {
      tell(`“${its.name}” opens nothing any more.`);
      onClose();
    },
    tells: true,
  });
  return (
    <Dialog open onClose={onClose} title={`“${its.name}” is lost`}>
      <div className="flex flex-col gap-4">
        <p>
          Whoever is at it is signed out now, and no PIN and no password opens it. The next time it has a network it
          forgets what it holds of dogs and owners. What it had recorded before now is handed over and waits for an
          owner-manager’s yes; what is made on it later is not taken.
        </p>
        <Button look="stop" className="self-end" disabled={report.isPending} onClick={() => report.mutate()}>
          Report it lost
        </Button>
      </div>
    </Dialog>
  );
}

function ShareNoMore({ its, onClose }: DialogOf) {
  const remove = useWrite('POST /api/tablets/:id/removed', {
    write: () => call('POST /api/tablets/:id/removed', { id: its.id, body: {} }),
    onSuccess: onClose,
    tells: true,
  });
  return (
    <Dialog open onClose={onClose} title={its.lost ? 'Take it off the list' : 'Share it no more'}>
      <div className="flex flex-col gap-4">
        <p>
          It becomes a device like any other: whoever uses it signs in with a password.
          {its.lost &&
            its.waiting > 0 &&
            ` ${its.waiting} pieces of its work still wait for a yes: decide on them first.`}
          {its.lost && ' What it has not handed over yet stays on it, and is sent by whoever signs in there.'}
        </p>
        <Button
          look="stop"
          className="self-end"
          disabled={remove.isPending || (its.lost !== null && its.waiting > 0)}
          onClick={() => remove.mutate()}
        >
          {its.lost ? 'Take it off' : 'Share it no more'}
        </Button>
      </div>
    </Dialog>
  );
}
