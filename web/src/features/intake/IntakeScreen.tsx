import { useState, type FormEvent } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { v7 } from 'uuid';
import { Refused, call } from '../../api/call';
import { useWrite } from '../../api/useWrite';
import { useSession } from '../../api/queries';
import { useUnits } from '../../app/useUnits';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { TextField } from '../../ui/Field';
import { tell } from '../../ui/toasts';
import { DogFields } from './DogFields';
import { PlanPreview } from './PlanPreview';
import { ClientFinder } from './ClientFinder';
import { EMPTY_FORM, cardOf, checkForm, fieldErrors, profileOf, type DogForm, type FieldErrors } from './dogForm';

/** A first visit in under two minutes: owner, dog, and what the breed raises. */
export function IntakeScreen() {
  const [search] = useSearchParams();
  const [form, setForm] = useState<DogForm>({ ...EMPTY_FORM, clientId: search.get('owner') ?? '' });
  const [errors, setErrors] = useState<FieldErrors>({});
  const [ids] = useState(() => ({ client: v7(), dog: v7() }));
  const units = useUnits();
  const today = useSession().data?.today ?? '9999-12-31';
  const navigate = useNavigate();
  const set = (change: Partial<DogForm>) => {
    setForm((before) => ({ ...before, ...change }));
    setErrors((before) => ({ ...before, ...Object.fromEntries(Object.keys(change).map((key) => [key, undefined])) }));
  };
  const save = useWrite(['POST /api/clients', 'POST /api/dogs'], {
    write: async () => {
      const clientId =
        form.clientId ||
        (
          await call('POST /api/clients', {
            body: { id: ids.client, name: form.owner, card: cardOf(form) },
          })
        ).id;
      return call('POST /api/dogs', { body: { id: ids.dog, clientId, profile: profileOf(form, units) } });
    },
    onSuccess: ({ id }) => {
      tell(`${form.name} is in the book.`);
      void navigate(`/dogs/${id}`);
    },
    onError: (error) => {
      if (error instanceof Refused && error.problem.fields) setErrors(fieldErrors(error.problem.fields));
      tell(error.message, { tone: 'stop' });
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const found = checkForm(form, units, today);
    setErrors(found);
    if (Object.values(found).some(Boolean)) tell('Some fields want mending; what you typed is kept.', { tone: 'stop' });
    else save.mutate();
  };
  return (
    <form onSubmit={submit} noValidate className="px-7 py-5 max-md:px-3 flex flex-col gap-3.5">
      <header className="flex items-center justify-between">
        <h1>New dog</h1>
        <Button type="submit" look="main" disabled={save.isPending}>
          Add to the book
        </Button>
      </header>
      <div className="grid grid-cols-[1fr_400px] max-lg:grid-cols-1 gap-3.5 items-start">
        <div className="flex flex-col gap-3.5">
          <OwnerCard form={form} errors={errors} set={set} />
          <Card title="Dog">
            <div className="grid grid-cols-2 gap-4">
              <DogFields form={form} errors={errors} today={today} ask="what is raised" set={set} />
            </div>
          </Card>
        </div>
        <PlanPreview form={form} />
      </div>
    </form>
  );
}

function OwnerCard({
  form,
  errors,
  set,
}: {
  readonly form: DogForm;
  readonly errors: FieldErrors;
  readonly set: (change: Partial<DogForm>) => void;
}) {
  return (
    <Card title="Owner">
      <div className="grid grid-cols-2 gap-4">
        <div className="col-span-2">
          <ClientFinder value={form.clientId} onChange={(clientId) => set({ clientId })} />
        </div>
        {form.clientId === '' && (
          <>
            <div className="col-span-2">
              <TextField
                label="Owner’s name"
                autoComplete="off"
                value={form.owner}
                error={errors.owner}
                onChange={(event) => set({ owner: event.target.value })}
              />
            </div>
            <TextField
              label="Phone"
              type="tel"
              autoComplete="off"
              value={form.phone}
              error={errors.phone}
              onChange={(event) => set({ phone: event.target.value })}
            />
            <TextField
              label="E-mail"
              autoComplete="off"
              value={form.email}
              error={errors.email}
              onChange={(event) => set({ email: event.target.value })}
            />
          </>
        )}
      </div>
    </Card>
  );
}
