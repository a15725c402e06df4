import { personEdit, type InvitationView, type PersonView } from '@dewpond/contract';
import { ROLES, ROLE_NAMES, type Role } from '@dewpond/core/rights';
import { useState } from 'react';
import { call } from '../../../api/call';
import { useSession } from '../../../data/queries';
import { useWrite } from '../../../data/useWrite';
import { Conflict } from '../../../forms/Conflict';
import { FormFoot } from '../../../forms/FormFoot';
import { useDraft } from '../../../forms/useDraft';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import { tell } from '../../../ui/tell';
import { LeavePart } from './LeavePart';
import { LinkToGive } from './LinkToGive';

interface PersonProps {
  readonly its: PersonView;
  /** Everybody who is here. */
  readonly people: readonly PersonView[];
  readonly onClose: () => void;
}

/** One person: name, role, password, devices, and how they leave. */
export function PersonDialog({ its, people, onClose }: PersonProps) {
  const [leaving, setLeaving] = useState(false);
  if (leaving)
    return (
      <Dialog open onClose={onClose} title={`${its.name} leaves`}>
        <LeavePart its={its} people={people.filter(({ id }) => id !== its.id)} onDone={onClose} />
      </Dialog>
    );
  return (
    <Dialog open onClose={onClose} title={its.name} says={its.email}>
      <div className="flex flex-col gap-6">
        <NameAndRole its={its} onDone={onClose} />
        <Account its={its} />
        <Button look="stop" className="self-start" onClick={() => setLeaving(true)}>
          {its.name} leaves
        </Button>
      </div>
    </Dialog>
  );
}

function NameAndRole({ its, onDone }: { readonly its: PersonView; readonly onDone: () => void }) {
  const mine = useSession().data?.member.role;
  const draft = useDraft(
    { version: its.version, form: { name: its.name, role: its.role } },
    { as: (form: { name: string; role: Role }) => ({ version: 1, ...form }), fits: personEdit },
  );
  const save = useWrite('PUT /api/people/:id', {
    write: (_, { name, role }: { name: string; role: Role }) =>
      call('PUT /api/people/:id', { id: its.id, body: { version: draft.version, name, role } }),
    form: draft,
    onSuccess: () => {
      tell('Kept. It holds at once.');
      onDone();
    },
  });
  return (
    <form onSubmit={draft.submit((body) => save.mutate(body))} className="grid grid-cols-2 max-md:grid-cols-1 gap-4">
      <Conflict
        draft={draft}
        names={{ name: 'Name', role: 'Works as' }}
        show={(field, said) => (field === 'role' ? ROLE_NAMES[said.role] : said.name)}
        what="this person"
      />
      <TextField label="Name, as records say it" {...draft.field('name')} />
      <SelectField label="Works as" {...draft.field('role')}>
        {ROLES.filter((role) => role !== 'manager' || mine === 'manager' || its.role === 'manager').map((role) => (
          <option key={role} value={role}>
            {ROLE_NAMES[role]}
          </option>
        ))}
      </SelectField>
      <FormFoot draft={draft} disabled={save.isPending || !draft.isTyped} />
    </form>
  );
}

function Account({ its }: { readonly its: PersonView }) {
  const [link, setLink] = useState<InvitationView | null>(null);
  const { id, name, role, sessions, secondFactor, pin } = its;
  const reset = useWrite('POST /api/invitations', {
    write: (newId) => call('POST /api/invitations', { body: { id: newId, memberId: id, name, role, email: '' } }),
    onSuccess: setLink,
    tells: true,
  });
  const signOut = useWrite('POST /api/people/:id/signed-out', {
    write: () => call('POST /api/people/:id/signed-out', { id, body: {} }),
    onSuccess: () => tell(`${name} is signed out everywhere.`),
    tells: true,
  });
  const takePin = useWrite('POST /api/people/:id/pin-removed', {
    write: () => call('POST /api/people/:id/pin-removed', { id, body: {} }),
    onSuccess: () => tell(`${name} comes to no shared tablet until a new PIN is set.`),
    tells: true,
  });
  const drop = useWrite('POST /api/people/:id/second-factor', {
    write: () => call('POST /api/people/:id/second-factor', { id, body: {} }),
    onSuccess: () => tell(`${name} signs in with the password alone, until a new second proof is set up.`),
    tells: true,
  });
  return (
    <section className="flex flex-col gap-3" aria-label="Account">
      <h3 className="font-semibold">Account</h3>
      <div className="flex flex-wrap gap-3">
        <Button disabled={reset.isPending} onClick={() => reset.mutate()}>
          Link for a new password
        </Button>
        {sessions > 0 && (
          <Button look="quiet" disabled={signOut.isPending} onClick={() => signOut.mutate()}>
            Sign out everywhere
          </Button>
        )}
        {pin !== 'none' && (
          <Button look="quiet" disabled={takePin.isPending} onClick={() => takePin.mutate()}>
            Take the PIN away
          </Button>
        )}
        {secondFactor && (
          <Button look="quiet" disabled={drop.isPending} onClick={() => drop.mutate()}>
            Second proof is lost
          </Button>
        )}
      </div>
      {link?.url && (
        <>
          <p>Give this link to {name} and to nobody else. It opens once, and signs them out everywhere else.</p>
          <LinkToGive url={link.url} />
        </>
      )}
    </section>
  );
}
