import type { SessionLine } from '@dewpond/contract';
import { useQuery } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { askDoor, whyNotTaken } from '../../../api/signingIn';
import { call } from '../../../api/call';
import { moment } from '../../../browser/times';
import { queryClient, useSession } from '../../../data/queries';
import { useWrite } from '../../../data/useWrite';
import { AskOne, PASSWORD_NOW } from '../../../parts/door/AskOne';
import { SecondProofSetup } from '../../../parts/door/SecondProofSetup';
import { typedText } from '../../../forms/typedText';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { Dialog } from '../../../ui/Dialog';
import { TextField } from '../../../ui/Field';
import { tell } from '../../../ui/tell';
import { Waiting } from '../../../ui/Waiting';
import { deviceName } from './deviceName';
import { PinCard } from './PinCard';

/** One's own account: where it is signed in, its password, its second proof. */
export function YouScreen() {
  const session = useSession().data;
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4 max-w-3xl">
      <header>
        <h1>Your account</h1>
        <p className="text-soft">
          {session?.person.name}, {session?.person.email}
        </p>
      </header>
      <Devices />
      <NewPassword />
      <PinCard />
      <SecondProof has={session?.secondFactor.has ?? false} asked={session?.secondFactor.asked ?? false} />
    </div>
  );
}

function Devices() {
  const query = useQuery({ queryKey: ['my sessions'], queryFn: () => call('GET /api/me/sessions') });
  return (
    <Card title="Where you are signed in" aside="two weeks unused, or 30 days: signed out by itself">
      <Waiting query={query} what="Your devices">
        {({ items }) => (
          <ul className="divide-y divide-line">
            {items.map((each) => (
              <Device key={each.id} its={each} />
            ))}
          </ul>
        )}
      </Waiting>
    </Card>
  );
}

function Device({ its }: { readonly its: SessionLine }) {
  const zone = useSession().data?.business.zone ?? 'UTC';
  const end = useWrite('POST /api/me/sessions/:id/ended', {
    write: () => call('POST /api/me/sessions/:id/ended', { id: its.id, body: {} }),
    onSuccess: () => tell('That device is signed out.'),
    tells: true,
  });
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2.5">
      <span className="flex-1 min-w-56">
        <b>{deviceName(its.device)}</b>
        <span className="block text-sm text-soft">
          since {moment(its.since, zone)}, last used {moment(its.lastSeen, zone)}
          {its.address !== '' && `, from ${its.address}`}
        </span>
      </span>
      {its.isThis ? (
        <span className="text-soft">this one</span>
      ) : (
        <Button look="quiet" disabled={end.isPending} onClick={() => end.mutate()}>
          Sign out
        </Button>
      )}
    </li>
  );
}

function NewPassword() {
  const [errors, setErrors] = useState<{ readonly now?: string; readonly next?: string }>({});
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const asked = await askDoor('/change-password', {
      currentPassword: typedText(form, 'now'),
      newPassword: typedText(form, 'next'),
    });
    if (asked?.status === 200) {
      form.reset();
      setErrors({});
      tell('Changed. You are signed out everywhere else.');
      void queryClient.invalidateQueries({ queryKey: ['my sessions'] });
      return;
    }
    const { error } = (asked?.answer ?? {}) as { error?: { message?: string } };
    if (asked?.status === 422) setErrors({ next: error?.message ?? 'Choose another.' });
    else setErrors({ now: whyNotTaken(asked?.status ?? null) });
  };
  return (
    <Card title="Password">
      <form onSubmit={(event) => void submit(event)} className="grid grid-cols-2 max-md:grid-cols-1 gap-4">
        <TextField
          label="Password now"
          name="now"
          type="password"
          autoComplete="current-password"
          required
          error={errors.now}
        />
        <TextField
          label="New password"
          name="next"
          type="password"
          autoComplete="new-password"
          required
          hint="Ten characters or more."
          error={errors.next}
        />
        <Button type="submit" className="col-span-full justify-self-end">
          Change
        </Button>
      </form>
    </Card>
  );
}

function SecondProof({ has, asked }: { readonly has: boolean; readonly asked: boolean }) {
  const [open, setOpen] = useState<'set up' | 'take away' | null>(null);
  const close = () => setOpen(null);
  return (
    <Card title="Second proof">
      <p className="mb-3">
        {has
          ? 'Besides your password you show six digits from your app when you sign in.'
          : 'Six digits from an app on your telephone, besides the password: who steals one of them is not in.'}
      </p>
      {has ? (
        !asked && <Button onClick={() => setOpen('take away')}>Take it away</Button>
      ) : (
        <Button look="main" onClick={() => setOpen('set up')}>
          Set it up
        </Button>
      )}
      {open === 'set up' && (
        <Dialog open onClose={close} title="Second proof">
          <div className="flex flex-col">
            <SecondProofSetup onDone={close} />
          </div>
        </Dialog>
      )}
      {open === 'take away' && (
        <Dialog open onClose={close} title="Sign in with the password alone">
          <TakeAway onDone={close} />
        </Dialog>
      )}
    </Card>
  );
}

function TakeAway({ onDone }: { readonly onDone: () => void }) {
  const ask = async (password: string) => {
    const asked = await askDoor('/two-factor/disable', { password });
    if (asked?.status !== 200) return whyNotTaken(asked?.status ?? null);
    onDone();
    void queryClient.invalidateQueries();
    return null;
  };
  return <AskOne field={PASSWORD_NOW} ask={ask} does="Take the second proof away" look="stop" />;
}
