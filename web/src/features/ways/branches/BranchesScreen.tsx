import type { BranchesView, BranchView } from '@dewpond/contract';
import { Store, Truck } from 'lucide-react';
import { useState } from 'react';
import { call } from '../../../api/call';
import { useMembers, useSession } from '../../../data/queries';
import { useBranches } from '../../../data/useBranch';
import { useMay, useWhoMay } from '../../../data/useMay';
import { useWrite } from '../../../data/useWrite';
import { Button } from '../../../ui/Button';
import { ButtonLink } from '../../../ui/ButtonLink';
import { Card } from '../../../ui/Card';
import { SelectField } from '../../../ui/SelectField';
import { tell } from '../../../ui/tell';
import { Waiting } from '../../../ui/Waiting';
import { BranchDialog } from './BranchDialog';

/** The salons and vans of a business: what each has, who belongs to it, and how one is added or closed. */
export function BranchesScreen() {
  const may = useMay('keep branches');
  const whoMay = useWhoMay('keep branches');
  const [adding, setAdding] = useState(false);
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4 max-w-4xl">
      <header className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Salons and vans</h1>
          <p className="text-soft max-w-xl">
            Each has its own day, weeks and shelf. {whoMay ?? 'A dog, a person and a bottle belong to one of them.'}
          </p>
        </div>
        <div className="flex flex-wrap gap-3">
          <ButtonLink to="/house" look="quiet">
            House ways
          </ButtonLink>
          {may && (
            <Button look="main" onClick={() => setAdding(true)}>
              Add one
            </Button>
          )}
        </div>
      </header>
      <Waiting query={useBranches()} what="Salons and vans">
        {(view) => (
          <>
            <ul className="grid grid-cols-2 max-md:grid-cols-1 gap-3.5">
              {view.items.map((its) => (
                <li key={its.id}>
                  <BranchCard its={its} />
                </li>
              ))}
            </ul>
            <Belonging view={view} />
          </>
        )}
      </Waiting>
      {adding && <BranchDialog onClose={() => setAdding(false)} />}
    </div>
  );
}

function BranchCard({ its }: { readonly its: BranchView }) {
  const may = useMay('keep branches');
  // Until it is known which is the first, none can be closed.
  const firstId = useSession().data?.business.id;
  const mayClose = firstId !== undefined && firstId !== its.id;
  const [changing, setChanging] = useState(false);
  const isOpen = its.closedOn === null;
  const open = useWrite('PUT /api/branches/:id/open', {
    write: () => call('PUT /api/branches/:id/open', { id: its.id, body: { version: its.version, open: !isOpen } }),
    onSuccess: () => tell(isOpen ? `${its.name} is closed. What was done there stays.` : `${its.name} is open again.`),
    tells: true,
  });
  const Icon = its.kind === 'van' ? Truck : Store;
  return (
    <Card
      title={
        <>
          <Icon size={20} aria-hidden className="inline -mt-1 mr-2 text-pond" />
          {its.name}
        </>
      }
      aside={isOpen ? its.kind : 'closed'}
      className="h-full"
    >
      <dl className="grid grid-cols-3 gap-2">
        <Count what="Dogs" count={its.dogs} />
        <Count what="People" count={its.people} />
        <Count what="Products there" count={its.products} />
      </dl>
      {may && (
        <div className="flex flex-wrap gap-3 mt-3">
          <Button onClick={() => setChanging(true)}>Name and kind</Button>
          {mayClose && (
            <Button look="quiet" disabled={open.isPending} onClick={() => open.mutate()}>
              {isOpen ? 'Close it' : 'Open it again'}
            </Button>
          )}
        </div>
      )}
      {changing && <BranchDialog its={its} onClose={() => setChanging(false)} />}
    </Card>
  );
}

const Count = ({ what, count }: { readonly what: string; readonly count: number }) => (
  <div>
    <dt className="text-sm text-soft">{what}</dt>
    <dd className="text-xl font-bold tabular-nums">{count}</dd>
  </div>
);

/** Who belongs where. An hour at another one is said in the hours. */
function Belonging({ view }: { readonly view: BranchesView }) {
  const may = useMay('say hours');
  const people = useMembers().data ?? [];
  const firstId = useSession().data?.business.id ?? '';
  const open = view.items.filter(({ closedOn }) => closedOn === null);
  const put = useWrite('PUT /api/members/:id/branch', {
    write: (_, { id, branchId }: { id: string; branchId: string }) =>
      call('PUT /api/members/:id/branch', { id, body: { branchId } }),
    onSuccess: () => tell('Kept. Hours that name no other place are there from now on.'),
    tells: true,
  });
  if (open.length < 2) return null;
  const example = open.find(({ id }) => id !== firstId)?.name ?? '';
  return (
    <Card title="Who belongs where" aside={people.length === 1 ? 'one person' : `${people.length} people`}>
      <p className="text-soft mb-3">
        Whoever works at two of them says so in the <a href="/hours">hours</a>: “9-12, 13-17 {example}”.
      </p>
      <ul className="grid grid-cols-2 max-md:grid-cols-1 gap-3">
        {people.map(({ id, name }) => (
          <li key={id}>
            <SelectField
              label={name}
              value={view.people[id] ?? firstId}
              disabled={!may || put.isPending}
              onChange={({ target }) => put.mutate({ id, branchId: target.value })}
            >
              {open.map((each) => (
                <option key={each.id} value={each.id}>
                  {each.name}
                </option>
              ))}
            </SelectField>
          </li>
        ))}
      </ul>
    </Card>
  );
}
