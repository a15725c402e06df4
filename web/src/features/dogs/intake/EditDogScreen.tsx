import { dogEdit, type BodyOf, type DogView } from '@dewpond/contract';
import { HOUSE_VALUE } from '@dewpond/core/provenance';
import { RHYTHM } from '@dewpond/core/rhythm';
import { KG_PER_POUND, type UnitSystem } from '@dewpond/core/units';
import { useMemo } from 'react';
import { useNavigate, useParams } from 'react-router';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { useDog, useVets } from '../../../data/queries';
import { useDraft } from '../../../forms/useDraft';
import { useUnits } from '../../../data/useUnits';
import { Button } from '../../../ui/Button';
import { ButtonLink } from '../../../ui/ButtonLink';
import { Card } from '../../../ui/Card';
import { Conflict } from '../../../forms/Conflict';
import { SelectField } from '../../../ui/SelectField';
import { SourceMark } from '../../../ui/SourceMark';
import { tell } from '../../../ui/tell';
import { Waiting } from '../../../ui/Waiting';
import { DogFields } from './DogFields';
import { HistoryFields } from './HistoryFields';
import { PlanPreview } from './PlanPreview';
import { EMPTY_FORM, bornBy, profileOf } from './dogForm';
import { FIELD_NAMES, showField, type EditedDog } from './dogFieldWords';
import { DayField } from '../../../forms/DayField';

export function EditDogScreen() {
  const { id = '' } = useParams();
  return (
    <Waiting query={useDog(id)} what="This dog">
      {(dog) => <Edit key={dog.id} dog={dog} />}
    </Waiting>
  );
}

function formOf({ profile, client, vet, homeCareChangedOn }: DogView, units: UnitSystem): EditedDog {
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
    hardGround: profile.hardGround,
    whiteCoat: profile.whiteCoat,
    stiffJoints: profile.stiffJoints,
    tightBreathing: profile.tightBreathing,
    vetId: vet?.id ?? '',
    homeCareChangedOn: homeCareChangedOn ?? '',
  };
}

function Edit({ dog }: { readonly dog: DogView }) {
  const units = useUnits();
  const navigate = useNavigate();
  const seen = useMemo(() => ({ version: dog.version, form: formOf(dog, units) }), [dog, units]);
  const draft = useDraft(seen, {
    as: ({ vetId, homeCareChangedOn, ...form }) => ({
      profile: profileOf(form, units, dog.profile),
      homeCareChangedOn: homeCareChangedOn === '' ? null : homeCareChangedOn,
      vetId: vetId === '' ? null : vetId,
    }),
    fits: dogEdit.omit({ version: true }).extend({ profile: bornBy(dog.today) }),
  });
  const { form, field } = draft;
  const { vetId } = form;
  const vets = useVets().data ?? [];
  const save = useWrite('PUT /api/dogs/:id', {
    form: draft,
    write: (_, body: Omit<BodyOf<'PUT /api/dogs/:id'>, 'version'>) =>
      call('PUT /api/dogs/:id', { id: dog.id, body: { ...body, version: draft.version } }),
    onSuccess: () => {
      tell(`${form.name} is changed.`);
      void navigate(`/dogs/${dog.id}`);
    },
    tells: true,
  });
  return (
    <form
      onSubmit={draft.submit((body) => save.mutate(body))}
      noValidate
      className="px-7 py-5 max-md:px-3 flex flex-col gap-3.5"
    >
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
      <Conflict
        draft={draft}
        what="this dog"
        names={FIELD_NAMES}
        show={(field, of) => showField(field, of, { vets, unit: units === 'US' ? 'lb' : 'kg' })}
      />
      <div className="grid grid-cols-[1fr_400px] max-lg:grid-cols-1 gap-3.5 items-start">
        <Card title="Dog">
          <div className="grid grid-cols-2 gap-4">
            <DogFields draft={draft} today={dog.today} ask="everything" />
            <SelectField
              label="Vet"
              {...field('vetId')}
              hint={vets.length === 0 ? 'vets are kept under Dogs, Vets' : undefined}
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
            <DayField
              label="Home care last changed on"
              max={dog.today}
              {...field('homeCareChangedOn')}
              hint={
                <>
                  when the owner began, stopped or did it differently; findings from before count less{' '}
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
          <HistoryFields draft={draft} />
        </div>
      </div>
    </form>
  );
}
