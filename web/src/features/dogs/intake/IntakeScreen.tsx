import type { Day } from '@dewpond/core/units';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { v7 } from 'uuid';
import { call, refusedUnder } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { useSession } from '../../../data/queries';
import { fresh, useDraft, type Fields } from '../../../forms/useDraft';
import { useUnits } from '../../../data/useUnits';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { TextField } from '../../../ui/Field';
import { tell } from '../../../ui/toasts';
import { DogFields } from './DogFields';
import { PlanPreview } from './PlanPreview';
import { ClientFinder } from '../../../parts/clients/ClientFinder';
import { EMPTY_FORM, intakeFits, intakeOf, type DogForm, type Intake } from './dogForm';

/** A first visit in under two minutes: owner, dog, and what the breed raises. */
export function IntakeScreen() {
  const [search] = useSearchParams();
  const [ids] = useState(() => ({ client: v7(), dog: v7() }));
  const units = useUnits();
  const today = useSession().data?.today ?? ('9999-12-31' as Day);
  const navigate = useNavigate();
  const draft = useDraft(fresh<DogForm>({ ...EMPTY_FORM, clientId: search.get('owner') ?? '' }), {
    as: (typed) => intakeOf(typed, units),
    fits: intakeFits(today),
  });
  const { form } = draft;
  const save = useWrite(['POST /api/clients', 'POST /api/dogs'], {
    form: draft,
    write: async (_, { owner, profile }: Intake) => {
      if (owner) await call('POST /api/clients', { body: { ...owner, id: ids.client } }).catch(refusedUnder('owner'));
      return call('POST /api/dogs', {
        body: { id: ids.dog, clientId: owner ? ids.client : form.clientId, profile },
      });
    },
    onSuccess: ({ id }) => {
      tell(`${form.name} is in the book.`);
      void navigate(`/dogs/${id}`);
    },
    tells: true,
  });
  return (
    <form
      onSubmit={draft.submit((body) => save.mutate(body))}
      noValidate
      className="px-7 py-5 max-md:px-3 flex flex-col gap-3.5"
    >
      <header className="flex items-center justify-between">
        <h1>New dog</h1>
        <Button type="submit" look="main" disabled={save.isPending}>
          Add to the book
        </Button>
      </header>
      <div className="grid grid-cols-[1fr_400px] max-lg:grid-cols-1 gap-3.5 items-start">
        <div className="flex flex-col gap-3.5">
          <OwnerCard draft={draft} />
          <Card title="Dog">
            <div className="grid grid-cols-2 gap-4">
              <DogFields draft={draft} today={today} ask="what is raised" />
            </div>
          </Card>
        </div>
        <PlanPreview form={form} />
      </div>
    </form>
  );
}

function OwnerCard({ draft: { form, set, field, within } }: { readonly draft: Fields<DogForm> }) {
  return (
    <Card title="Owner">
      <div className="grid grid-cols-2 gap-4">
        <div className="col-span-2">
          <ClientFinder value={form.clientId} onChange={(clientId) => set({ clientId })} />
        </div>
        {form.clientId === '' && (
          <>
            <div className="col-span-2">
              <TextField label="Owner’s name" autoComplete="off" {...field('owner', 'owner.name')} />
            </div>
            <TextField
              label="Phone"
              type="tel"
              autoComplete="off"
              {...field('phone')}
              error={within('owner.card.phones')}
            />
            <TextField label="E-mail" autoComplete="off" {...field('email')} error={within('owner.card.emails')} />
          </>
        )}
      </div>
    </Card>
  );
}
