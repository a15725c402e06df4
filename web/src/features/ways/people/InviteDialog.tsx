import { newInvitation, type InvitationView } from '@dewpond/contract';
import { ROLES, ROLE_NAMES, type Role } from '@dewpond/core/rights';
import { useState } from 'react';
import { call } from '../../../api/call';
import { useSession } from '../../../data/queries';
import { useWrite } from '../../../data/useWrite';
import { FormFoot } from '../../../forms/FormFoot';
import { fresh, useDraft } from '../../../forms/useDraft';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import { LinkToGive } from './LinkToGive';

interface InviteForm {
  readonly name: string;
  readonly role: Role;
  readonly email: string;
}
const EMPTY: InviteForm = { name: '', role: 'groomer', email: '' };
const toSend = newInvitation.omit({ id: true });

/** Invites somebody: a link to hand over, and a mail where an address is given. */
export function InviteDialog({ onClose }: { readonly onClose: () => void }) {
  const [made, setMade] = useState<InvitationView | null>(null);
  const mine = useSession().data?.member.role;
  const draft = useDraft(fresh(EMPTY), { as: (form) => ({ memberId: null, ...form }), fits: toSend });
  const invite = useWrite('POST /api/invitations', {
    write: (id, body: InviteForm & { memberId: null }) => call('POST /api/invitations', { body: { id, ...body } }),
    form: draft,
    onSuccess: setMade,
  });
  if (made?.url)
    return (
      <Dialog open onClose={onClose} title={`${made.name} is invited`} says={`As ${ROLE_NAMES[made.role]}.`}>
        <div className="flex flex-col gap-3">
          <p>
            Give this link to {made.name} and to nobody else. It lets one person in, within a week.
            {made.email !== '' && ` It is on its way to ${made.email}, too.`}
          </p>
          <LinkToGive url={made.url} />
          <Button look="main" className="self-end" onClick={onClose}>
            Done
          </Button>
        </div>
      </Dialog>
    );
  return (
    <Dialog open onClose={onClose} title="Invite somebody" says="They choose their own password.">
      <form
        onSubmit={draft.submit((body) => invite.mutate(body))}
        className="grid grid-cols-2 max-md:grid-cols-1 gap-4"
      >
        <TextField label="Name" autoFocus {...draft.field('name')} />
        <SelectField label="Works as" {...draft.field('role')}>
          {ROLES.filter((role) => role !== 'manager' || mine === 'manager').map((role) => (
            <option key={role} value={role}>
              {ROLE_NAMES[role]}
            </option>
          ))}
        </SelectField>
        <div className="col-span-full">
          <TextField
            label="E-mail"
            type="email"
            hint="May stay empty: then you hand the link over yourself."
            {...draft.field('email')}
          />
        </div>
        <FormFoot draft={draft} does="Make the link" disabled={invite.isPending} />
      </form>
    </Dialog>
  );
}
