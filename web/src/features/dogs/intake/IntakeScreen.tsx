import type { Day } from '@dewpond/core/units';
import { useState, type FormEvent } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { v7 } from 'uuid';
import { call, refusedUnder } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { useBusiness, useClients, useSession } from '../../../data/queries';
import { useCatalogue } from '../../../data/useCatalogue';
import { showDay, dayOf } from '../../../browser/times';
import { useOnline } from '../../../browser/useOnline';
import { beginNewDog } from '../../../parts/visits/beginNewDog';
import { fresh, useDraft, type Fields } from '../../../forms/useDraft';
import { useUnits } from '../../../data/useUnits';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { TextField } from '../../../ui/Field';
import { tell } from '../../../ui/tell';
import { DogFields } from './DogFields';
import { PlanPreview } from './PlanPreview';
import { ClientFinder } from '../../../parts/clients/ClientFinder';
import { EMPTY_FORM, intakeFits, intakeOf, type DogForm, type Intake } from './dogForm';

/** A first visit in under two minutes: owner, dog, and what the breed raises. */
export function IntakeScreen() {
  const [search] = useSearchParams();
  const [ids] = useState(() => ({ client: v7(), dog: v7() }));
  const units = useUnits();
  const session = useSession().data;
  const today = session?.today ?? ('9999-12-31' as Day);
  const navigate = useNavigate();
  const online = useOnline();
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
  const business = useBusiness().data;
  const clients = useClients().data;
  const catalogue = useCatalogue();
  // One tap begins one visit, however often the button is hit.
  const [beginning, setBeginning] = useState(false);
  const begin = async ({ owner, profile }: Intake) => {
    if (!session || !business || beginning) return;
    setBeginning(true);
    const { clientId } = form;
    const clientName = clients?.find(({ id }) => id === clientId)?.name ?? '';
    const day = dayOf(Date.now(), session.business.zone) as Day;
    const id = await beginNewDog(
      { ids, owner, clientId, clientName, profile: { ...profile, note: profile.note || toComplete(day) } },
      business,
      { day, person: session.person.id, units, catalogue },
    );
    void navigate(`/visits/${id}`);
  };
  const notBegun = (error: unknown) => {
    setBeginning(false);
    tell(error instanceof Error ? error.message : 'It could not be begun on this device.', { tone: 'stop' });
  };
  return (
    <form
      onSubmit={(event) =>
        draft.submit((body) => (isBegun(event) ? void begin(body).catch(notBegun) : save.mutate(body)))(event)
      }
      noValidate
      className="px-7 py-5 max-md:px-3 flex flex-col gap-3.5"
    >
      <header className="flex items-center justify-between">
        <h1>New dog</h1>
        {/* What the Enter key does comes first in the form, and stands last on the screen. */}
        <div className="flex flex-wrap flex-row-reverse gap-2">
          <Button type="submit" look="main" disabled={save.isPending}>
            Add to the book
          </Button>
          <Button type="submit" value={BEGIN} disabled={!business || save.isPending || beginning}>
            It is here: begin its visit
          </Button>
        </div>
      </header>
      {!online && (
        <p role="status" className="rounded-xl bg-watch-pale text-watch font-semibold px-4 py-2.5">
          No network: it cannot be added to the book now, but its visit can begin. It is written there when the network
          is back.
        </p>
      )}
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

const BEGIN = 'begin';
/** Whether the form was sent by the button that begins a visit. */
const isBegun = ({ nativeEvent }: FormEvent): boolean =>
  nativeEvent instanceof SubmitEvent && nativeEvent.submitter?.getAttribute('value') === BEGIN;

/** Stands on the dog, and at its next handover, until somebody has done it. */
const toComplete = (day: Day): string =>
  `Taken in at the table on ${showDay(day)}: ask for the rest of its card, its past and its owner’s consents.`;

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
