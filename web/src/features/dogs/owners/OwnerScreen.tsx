import { clientFields, type Client, type ClientView } from '@dewpond/contract';
import { LANGUAGE_NAMES } from '@dewpond/core/clients';

import { useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { May } from '../../../parts/May';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { useClient } from '../../../data/queries';
import { Button } from '../../../ui/Button';
import { useDraft } from '../../../forms/useDraft';
import { Card } from '../../../ui/Card';
import { Conflict } from '../../../forms/Conflict';
import { Chip } from '../../../ui/Chip';
import { DownloadLink } from '../../../ui/DownloadLink';
import { TextField } from '../../../ui/Field';
import { tell } from '../../../ui/tell';
import { Waiting } from '../../../ui/Waiting';
import { Doubles } from '../merging/Doubles';
import { ConsentRows } from './ConsentRows';
import { EraseDialog } from './EraseDialog';
import { OwnersDogs } from './OwnersDogs';
import { ReachFields } from './ReachFields';
import { WhereFields } from './WhereFields';
import { typed, untyped, type TypedCard } from './typedCard';
import { showDay } from '../../../browser/times';
import { WishesCard } from './WishesCard';

/** One owner: how to reach them, where they live, what they agreed to, their dogs and household. */
export function OwnerScreen() {
  const { id = '' } = useParams();
  return (
    <Waiting query={useClient(id)} what="This owner">
      {(view) => <Owner key={view.client.id} view={view} />}
    </Waiting>
  );
}

function Owner({ view }: { readonly view: ClientView }) {
  const { client } = view;
  const seen = useMemo(
    () => ({ version: client.version, form: { name: client.name, ...typed(client.card) } }),
    [client],
  );
  const draft = useDraft<OwnerForm, typeof clientFields, OwnerBody>(seen, { as: bodyOf, fits: clientFields });
  const { form } = draft;
  const save = useWrite('PUT /api/clients/:id', {
    form: draft,
    write: (_, to: OwnerBody) =>
      call('PUT /api/clients/:id', { id: client.id, body: { ...to, version: draft.version } }),
    onSuccess: ({ version }, to) => {
      draft.saved(version);
      tell(`${to.name} is changed.`);
    },
    tells: true,
  });
  return (
    <form
      onSubmit={draft.submit((to) => save.mutate(to))}
      noValidate
      className="px-7 py-5 max-md:px-3 flex flex-col gap-3.5"
    >
      <header className="flex flex-wrap items-center justify-between gap-3">
        <div className="flex flex-wrap items-baseline gap-x-3">
          <h1>{client.name}</h1>
          {client.archivedOn && <Chip tone="stop">archived {showDay(client.archivedOn)}</Chip>}
          {form.prefers !== 'no matter' && <Chip tone="pond">likes: {form.prefers}</Chip>}
          {form.language !== null && <Chip tone="pond">reads {LANGUAGE_NAMES[form.language]}</Chip>}
        </div>
        <div className="flex flex-wrap gap-2">
          <ArchiveClient client={client} />
          <Button type="submit" look="main" disabled={!draft.isTyped || save.isPending}>
            Save
          </Button>
        </div>
      </header>
      <Conflict draft={draft} what="this owner" names={FIELD_NAMES} show={showField} />
      <Doubles of="client" survivor={client} likelySame={view.likelySame} merges={view.merges} />
      <div className="grid grid-cols-[1fr_400px] max-lg:grid-cols-1 gap-3.5 items-start">
        <div className="flex flex-col gap-3.5">
          <Card title="How to reach them">
            <div className="mb-4">
              <TextField label="Name" {...draft.field('name')} />
            </div>
            <ReachFields draft={draft} />
          </Card>
          <Card title="Where">
            <WhereFields draft={draft} />
          </Card>
        </div>
        <div className="flex flex-col gap-3.5">
          <OwnersDogs view={view} />
          <Card title="Agreed to" aside="with the day of their word">
            <ConsentRows draft={draft} />
          </Card>
          <WishesCard view={view} />
        </div>
      </div>
    </form>
  );
}

type OwnerForm = TypedCard & { readonly name: string };

const FIELD_NAMES: Readonly<Record<keyof OwnerForm, string>> = {
  name: 'Name',
  phones: 'Telephone',
  emails: 'E-mail',
  prefers: 'Likes to be reached by',
  language: 'Reads',
  consents: 'Agreed to',
  note: 'Note',
  street: 'Street',
  town: 'Town',
  postcode: 'Postcode',
  coordinates: 'On the map',
};

function showField(field: keyof OwnerForm, form: OwnerForm): string {
  switch (field) {
    case 'phones':
      return form.phones.map(({ number, whose }) => (whose === '' ? number : `${number}, ${whose}`)).join('\n');
    case 'emails':
      return form.emails.join('\n');
    case 'language':
      return form.language === null ? 'as the business writes' : LANGUAGE_NAMES[form.language];
    case 'consents':
      return Object.entries(form.consents)
        .map(([to, said]) => `${to}: ${said.yes ? 'yes' : 'no'}, ${showDay(said.on)}`)
        .join('\n');
    default:
      return form[field];
  }
}

type OwnerBody = ReturnType<typeof bodyOf>;

function bodyOf({ name, ...typedCard }: OwnerForm) {
  const card = untyped(typedCard);
  // The contract's input has arrays one could write to.
  return {
    name,
    card: { ...card, phones: card.phones.map((phone) => ({ ...phone })), emails: [...card.emails] },
  };
}

function ArchiveClient({ client }: { readonly client: Client }) {
  const archive = useWrite('PUT /api/clients/:id/archive', {
    write: (_, { version, archived }: { version: number; archived: boolean }) =>
      call('PUT /api/clients/:id/archive', { id: client.id, body: { version, archived } }),
    tells: true,
  });
  const archived = client.archivedOn === null;
  const put = () =>
    archive.mutate(
      { version: client.version, archived },
      {
        onSuccess: ({ version }) =>
          tell(archived ? `${client.name} and their dogs are archived.` : `${client.name} is back.`, {
            undo: () => archive.mutate({ version, archived: !archived }),
          }),
      },
    );
  const [erasing, setErasing] = useState(false);
  return (
    <>
      <Button look="quiet" disabled={archive.isPending} onClick={put}>
        {archived ? 'Archive' : 'Bring back'}
      </Button>
      <May deed="export">
        <DownloadLink href={`/api/clients/${client.id}/record.zip`}>All on record</DownloadLink>
      </May>
      <May deed="erase">
        <Button look="stop" onClick={() => setErasing(true)}>
          Erase…
        </Button>
      </May>
      {erasing && <EraseDialog clientId={client.id} onClose={() => setErasing(false)} />}
    </>
  );
}
