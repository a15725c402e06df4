import type { DogView } from '@dewpond/contract';
import { HOUSE_VALUE } from '@dewpond/core/provenance';
import { RHYTHM } from '@dewpond/core/rhythm';
import { KG_PER_POUND, type UnitSystem } from '@dewpond/core/units';
import { useState, type FormEvent } from 'react';
import { useNavigate, useParams } from 'react-router';
import { Refused, call } from '../../api/call';
import { useWrite } from '../../api/useWrite';
import { useDog, useVets } from '../../api/queries';
import { useUnits } from '../../app/useUnits';
import { Button, ButtonLink } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { SelectField, TextField } from '../../ui/Field';
import { SourceMark } from '../../ui/SourceMark';
import { tell } from '../../ui/toasts';
import { Waiting } from '../../ui/Waiting';
import { DogFields } from './DogFields';
import { HistoryFields } from './HistoryFields';
import { PlanPreview } from './PlanPreview';
import { EMPTY_FORM, checkForm, fieldErrors, profileOf, type DogForm, type FieldErrors } from './dogForm';

export function EditDogScreen() {
  const { id = '' } = useParams();
  return (
    <Waiting query={useDog(id)} what="This dog">
      {(dog) => <Edit key={dog.id} dog={dog} />}
    </Waiting>
  );
}

function formOf({ profile, client }: DogView, units: UnitSystem): DogForm {
  const weight = units === 'US' ? Math.round((profile.weightKg / KG_PER_POUND) * 10) / 10 : profile.weightKg;
  return {
    ...EMPTY_FORM,
    clientId: client.id,
    name: profile.name,
    breeds: profile.breeds,
    weight: String(weight),
    born: profile.born ?? '',
    skin: profile.skin,
    coatCondition: profile.coatCondition,
    tearingSeenByVet: profile.tearingSeenByVet,
    pluckingConsent: profile.pluckingConsent,
    cannotStand: !profile.canStandThroughBath,
    swims: profile.swims,
    nailsOvergrown: profile.nailsOvergrown,
    earTrouble: profile.earTrouble,
    seen: profile.seen,
    sex: profile.sex,
    chip: profile.chip,
    handling: profile.handling,
    marks: profile.handling.marks.join(', '),
    note: profile.note,
    nailBled: profile.nailBled,
    reactions: profile.reactions,
    hazeKnown: profile.hazeKnown,
    ears: profile.ears,
    pluckingStress: profile.pluckingStress,
    grassSeedMonths: profile.grassSeedMonths,
    hayFeverMonths: profile.hayFeverMonths,
    dirtyWork: profile.dirtyWork,
    stiffJoints: profile.stiffJoints,
    tightBreathing: profile.tightBreathing,
  };
}

function Edit({ dog }: { readonly dog: DogView }) {
  const units = useUnits();
  const navigate = useNavigate();
  const [form, setForm] = useState(() => formOf(dog, units));
  const [errors, setErrors] = useState<FieldErrors>({});
  const [version] = useState(dog.version);
  const [homeCareChangedOn, setHomeCareChangedOn] = useState(dog.homeCareChangedOn ?? '');
  const [homeCareError, setHomeCareError] = useState<string>();
  const [vetId, setVetId] = useState(dog.vet?.id ?? '');
  const vets = useVets().data ?? [];
  const set = (change: Partial<DogForm>) => setForm((before) => ({ ...before, ...change }));
  const save = useWrite('PUT /api/dogs/:id', {
    write: () =>
      call('PUT /api/dogs/:id', {
        id: dog.id,
        body: {
          version,
          profile: profileOf(form, units, dog.profile),
          homeCareChangedOn: homeCareChangedOn === '' ? null : homeCareChangedOn,
          vetId: vetId === '' ? null : vetId,
        },
      }),
    onSuccess: () => {
      tell(`${form.name} is changed.`);
      void navigate(`/dogs/${dog.id}`);
    },
    onError: (error) => {
      if (error instanceof Refused && error.problem.fields) setErrors(fieldErrors(error.problem.fields));
      if (error instanceof Refused) setHomeCareError(error.at('homeCareChangedOn'));
      tell(
        error instanceof Refused && error.status === 409
          ? 'Someone else changed this dog meanwhile. Yours is still here; open the dog anew to see theirs.'
          : error.message,
        { tone: 'stop' },
      );
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const found = checkForm(form, units, dog.today);
    setErrors(found);
    if (!Object.values(found).some(Boolean)) save.mutate();
  };
  return (
    <form onSubmit={submit} noValidate className="px-7 py-5 max-md:px-3 flex flex-col gap-3.5">
      <header className="flex items-center justify-between gap-3">
        <h1>{dog.profile.name}</h1>
        <div className="flex gap-2">
          <ButtonLink to={`/dogs/${dog.id}`} look="quiet">
            Leave as it was
          </ButtonLink>
          <Button type="submit" look="main" disabled={save.isPending}>
            Save
          </Button>
        </div>
      </header>
      <div className="grid grid-cols-[1fr_400px] max-lg:grid-cols-1 gap-3.5 items-start">
        <Card title="Dog">
          <div className="grid grid-cols-2 gap-4">
            <DogFields form={form} errors={errors} today={dog.today} ask="everything" set={set} />
            <SelectField
              label="Vet"
              value={vetId}
              hint={vets.length === 0 ? 'vets are kept under Dogs, Vets' : undefined}
              onChange={(event) => setVetId(event.target.value)}
            >
              <option value="">not known</option>
              {vets
                .filter((vet) => vet.archivedOn === null || vet.id === vetId)
                .map((vet) => (
                  <option key={vet.id} value={vet.id}>
                    {[vet.name, vet.practice].filter(Boolean).join(', ')}
                  </option>
                ))}
            </SelectField>
            <TextField
              label="Home care last changed on"
              type="date"
              max={dog.today}
              value={homeCareChangedOn}
              onChange={(event) => setHomeCareChangedOn(event.target.value)}
              error={homeCareError}
              hint={
                <>
                  when the owner began, stopped or did it otherwise; findings from before count less{' '}
                  <SourceMark
                    source={HOUSE_VALUE}
                    because={`Evidence from before the latest change of home care counts × ${RHYTHM.beforeHomeCareChange}, so the interval is learned anew.`}
                  />
                </>
              }
            />
          </div>
        </Card>
        <div className="flex flex-col gap-3.5">
          <PlanPreview form={form} />
          <HistoryFields form={form} errors={errors} set={set} />
        </div>
      </div>
    </form>
  );
}
