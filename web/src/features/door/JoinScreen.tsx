import { joining, type InvitationOpened } from '@dewpond/contract';
import { ROLE_NAMES } from '@dewpond/core/rights';
import { day } from '@dewpond/core/units';
import { useMutation, useQuery } from '@tanstack/react-query';
import { call } from '../../api/call';
import { signInWith } from '../../api/signingIn';
import { showDay } from '../../browser/times';
import { FormFoot } from '../../forms/FormFoot';
import { fresh, useDraft } from '../../forms/useDraft';
import { DoorPage } from '../../parts/door/DoorPage';
import { TextField } from '../../ui/Field';

/** Where an invitation leads: who invites, and a password to choose. */
export function JoinScreen() {
  const token = window.location.hash.slice(1);
  const query = useQuery({
    queryKey: ['invitation'],
    queryFn: () => call('POST /api/join/look', { body: { token } }),
    retry: false,
    staleTime: Infinity,
  });
  if (query.isPending) return <DoorPage says="One moment…" />;
  if (query.isError) return <DoorPage title="This link opens nothing" says={query.error.message} />;
  return <Join token={token} invited={query.data} />;
}

function Join({ token, invited }: { readonly token: string; readonly invited: InvitationOpened }) {
  const { business, role, isKnown, name, email, expiresAt } = invited;
  const draft = useDraft(fresh({ name, email, password: '' }), {
    as: (form) => ({ token, ...form }),
    fits: joining,
  });
  const join = useMutation({
    mutationFn: (body: { token: string; name: string; email: string; password: string }) =>
      call('POST /api/join', { body }).then(async (begun) => {
        await signInWith(begun.email, body.password);
        window.location.assign('/');
      }),
    onError: draft.refuse,
  });
  return (
    <DoorPage
      title={isKnown ? 'A new password' : business}
      says={
        isKnown
          ? `For ${name} at ${business}. You are signed out everywhere else.`
          : `You are invited to work here as ${ROLE_NAMES[role]}. This link is open until ${showDay(day(expiresAt.slice(0, 10)))}.`
      }
    >
      <form onSubmit={draft.submit((body) => join.mutate(body))} className="flex flex-col gap-4">
        {!isKnown && (
          <>
            <TextField label="Your name, as records say it" autoComplete="name" {...draft.field('name')} />
            <TextField
              label="Your e-mail"
              type="email"
              autoComplete="username"
              hint="You sign in with it."
              {...draft.field('email')}
            />
          </>
        )}
        <TextField
          label="Password"
          type="password"
          autoComplete="new-password"
          hint="Ten characters or more. A few words that do not belong together are good. With an account already: its password."
          {...draft.field('password')}
        />
        <FormFoot draft={draft} does={isKnown ? 'Keep and sign in' : 'Join'} disabled={join.isPending} />
      </form>
    </DoorPage>
  );
}
