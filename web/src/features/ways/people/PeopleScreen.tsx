import type { InvitationView, PeopleView, PersonView } from '@dewpond/contract';
import { ROLE_NAMES, SECOND_FACTOR_FOR, type SecondFactorFor } from '@dewpond/core/rights';
import { day } from '@dewpond/core/units';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../../../api/call';
import { dayOf, moment, showDay } from '../../../browser/times';
import { useSession } from '../../../data/queries';
import { useMay, useWhoMay } from '../../../data/useMay';
import { useWrite } from '../../../data/useWrite';
import { Button } from '../../../ui/Button';
import { ButtonLink } from '../../../ui/ButtonLink';
import { Card } from '../../../ui/Card';
import { SelectField } from '../../../ui/SelectField';
import { tell } from '../../../ui/tell';
import { Waiting } from '../../../ui/Waiting';
import { InviteDialog } from './InviteDialog';
import { LinkToGive } from './LinkToGive';
import { PersonDialog } from './PersonDialog';

/** Who works here: invited, here, gone; what their accounts are like. */
export function PeopleScreen() {
  const may = useMay('keep people');
  const whoMay = useWhoMay('keep people');
  const query = useQuery({ queryKey: ['people'], queryFn: () => call('GET /api/people'), enabled: may });
  const [inviting, setInviting] = useState(false);
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4 max-w-5xl">
      <header className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>People</h1>
          <p className="text-soft">
            {whoMay ?? 'Whoever works here has their own account, and their name on what they do.'}
          </p>
        </div>
        <div className="flex flex-wrap gap-3">
          <ButtonLink to="/house/rights" look="quiet">
            Who may what
          </ButtonLink>
          {may && (
            <Button look="main" onClick={() => setInviting(true)}>
              Invite somebody
            </Button>
          )}
        </div>
      </header>
      {may && (
        <Waiting query={query} what="People">
          {(view) => <People view={view} />}
        </Waiting>
      )}
      {inviting && <InviteDialog onClose={() => setInviting(false)} />}
    </div>
  );
}

function People({ view }: { readonly view: PeopleView }) {
  const [chosen, setChosen] = useState<string | null>(null);
  const here = view.people.filter(({ leftAt }) => leftAt === null);
  const gone = view.people.filter(({ leftAt }) => leftAt !== null);
  const open = view.invitations.filter(({ state }) => state === 'open');
  const ended = view.invitations.filter(({ state, memberId }) => memberId === null && state in ENDED);
  const person = view.people.find(({ id }) => id === chosen);
  return (
    <>
      {open.length > 0 && (
        <Card title="Open invitations" aside="each lets one person in, once">
          <ul className="flex flex-col gap-3">
            {open.map((each) => (
              <OpenInvitation key={each.id} its={each} />
            ))}
          </ul>
        </Card>
      )}
      <Card title="Here">
        <ul className="divide-y divide-line">
          {here.map((each) => (
            <PersonLine key={each.id} its={each} asked={view.secondFactor.asked} onOpen={() => setChosen(each.id)} />
          ))}
        </ul>
      </Card>
      <SecondProofFor its={view.secondFactor} />
      {gone.length > 0 && (
        <Card title="Gone" aside="what they did keeps their name">
          <ul className="divide-y divide-line">
            {gone.map((each) => (
              <GonePerson key={each.id} its={each} />
            ))}
          </ul>
        </Card>
      )}
      {ended.length > 0 && (
        <p className="text-sm text-soft">
          Lately:{' '}
          {ended
            .slice(0, 5)
            .map(({ name, state }) => `${name}’s invitation ${ENDED[state as keyof typeof ENDED]}`)
            .join('; ')}
          .
        </p>
      )}
      {person && <PersonDialog its={person} people={here} onClose={() => setChosen(null)} />}
    </>
  );
}

const dayIn = (instant: string, zone: string): string => showDay(day(dayOf(instant, zone)));

const ENDED = { withdrawn: 'was taken back', over: 'ran out' } as const;

function PersonLine({
  its,
  asked,
  onOpen,
}: {
  readonly its: PersonView;
  readonly asked: SecondFactorFor;
  readonly onOpen: () => void;
}) {
  const session = useSession().data;
  const zone = session?.business.zone ?? 'UTC';
  const { name, role, email, lastSeen, sessions, secondFactor } = its;
  const misses = !secondFactor && (asked === 'everybody' || (asked === 'managers' && role === 'manager'));
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2.5">
      <span className="flex-1 min-w-56">
        <b>{name}</b>{' '}
        <span className="text-soft">
          {ROLE_NAMES[role]}
          {its.personId === session?.person.id && ', you'}
        </span>
        <span className="block text-sm text-soft break-all">{email}</span>
      </span>
      <span className="text-sm text-soft w-72 max-md:w-full">
        {lastSeen === null ? 'not signed in' : `last here ${moment(lastSeen, zone)}`}
        {sessions > 1 && `, ${sessions} devices`}
        {secondFactor && <span className="block">second proof set up</span>}
        {misses && <span className="block text-watch font-semibold">second proof still to set up</span>}
      </span>
      <Button look="quiet" onClick={onOpen} aria-label={`Change ${name}`}>
        Change
      </Button>
    </li>
  );
}

function OpenInvitation({ its }: { readonly its: InvitationView }) {
  const zone = useSession().data?.business.zone ?? 'UTC';
  const withdraw = useWrite('POST /api/invitations/:id/withdrawn', {
    write: () => call('POST /api/invitations/:id/withdrawn', { id: its.id, body: {} }),
    onSuccess: () => tell(`${its.name}’s link opens nothing any more.`),
    tells: true,
  });
  return (
    <li className="flex flex-col gap-1.5">
      <div className="flex flex-wrap items-center gap-3">
        <span className="flex-1 min-w-56">
          <b>{its.name}</b>{' '}
          <span className="text-soft">{its.memberId === null ? ROLE_NAMES[its.role] : 'new password'}</span>
          <span className="block text-sm text-soft">
            until {dayIn(its.expiresAt, zone)}
            {its.email !== '' && `, sent to ${its.email}`}
          </span>
        </span>
        <Button look="quiet" disabled={withdraw.isPending} onClick={() => withdraw.mutate()}>
          Take back
        </Button>
      </div>
      {its.url !== null && <LinkToGive url={its.url} />}
    </li>
  );
}

function GonePerson({ its }: { readonly its: PersonView }) {
  const zone = useSession().data?.business.zone ?? 'UTC';
  const back = useWrite('POST /api/people/:id/back', {
    write: () => call('POST /api/people/:id/back', { id: its.id, body: {} }),
    onSuccess: () => tell(`${its.name} is back, with the account and password of before.`),
    tells: true,
  });
  return (
    <li className="flex flex-wrap items-center gap-3 py-2.5">
      <span className="flex-1 min-w-56">
        {its.name} <span className="text-soft">{ROLE_NAMES[its.role]}</span>
      </span>
      <span className="text-sm text-soft">left {dayIn(its.leftAt ?? '', zone)}</span>
      <Button look="quiet" disabled={back.isPending} onClick={() => back.mutate()} aria-label={`${its.name} is back`}>
        Is back
      </Button>
    </li>
  );
}

const ASKED: Readonly<Record<SecondFactorFor, string>> = {
  nobody: 'of nobody',
  managers: 'of owner-managers',
  everybody: 'of everybody',
};

function SecondProofFor({ its }: { readonly its: PeopleView['secondFactor'] }) {
  const save = useWrite('PUT /api/second-factor', {
    write: (_, asked: SecondFactorFor) => call('PUT /api/second-factor', { body: { version: its.version, asked } }),
    onSuccess: (_, asked) => tell(`A second proof is asked ${ASKED[asked]}.`),
    tells: true,
  });
  return (
    <Card title="Signing in">
      <div className="max-w-96">
        <SelectField
          label="A second proof is asked"
          hint="Six digits from an app on their telephone, besides the password. Whoever has none yet sets it up at the next sign-in."
          value={its.asked}
          disabled={save.isPending}
          onChange={({ target }) => save.mutate(target.value as SecondFactorFor)}
        >
          {SECOND_FACTOR_FOR.map((each) => (
            <option key={each} value={each}>
              {ASKED[each]}
            </option>
          ))}
        </SelectField>
      </div>
    </Card>
  );
}
