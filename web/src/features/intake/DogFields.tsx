import { BREEDS, composeTraits } from '@dewpond/core/catalogue';
import { SKIN, type Skin } from '@dewpond/core/careplan';
import { kilograms, showWeight } from '@dewpond/core/units';
import { useUnits } from '../../app/useUnits';
import { SelectField, TextField } from '../../ui/Field';
import type { DogForm, FieldErrors } from './dogForm';

interface DogFieldsProps {
  readonly form: DogForm;
  readonly errors: FieldErrors;
  readonly set: (change: Partial<DogForm>) => void;
}

/** Name, breed, weight, and only the questions this breed and coat raise. */
export function DogFields({ form, errors, set }: DogFieldsProps) {
  const units = useUnits();
  const { traits, breeds } = composeTraits([form.breed, form.secondBreed].filter(Boolean), {});
  const [least, most] = breeds.length === 1 ? (breeds[0]?.weightKg ?? []) : [];
  const weightHint =
    least && most
      ? `${breeds[0]?.name ?? ''}: mostly ${showWeight(kilograms(least), units).split(' ')[0]}–${showWeight(kilograms(most), units)}`
      : undefined;
  const text = (key: 'name' | 'weight' | 'born' | 'handling') => ({
    value: form[key],
    error: errors[key],
    onChange: (event: { target: { value: string } }) => set({ [key]: event.target.value }),
  });
  return (
    <>
      <TextField label="Dog’s name" autoComplete="off" {...text('name')} />
      <TextField
        label={units === 'US' ? 'Weight, lb' : 'Weight, kg'}
        inputMode="decimal"
        autoComplete="off"
        hint={weightHint}
        {...text('weight')}
      />
      <BreedSelect
        label="Breed"
        none="mixed, by looks"
        value={form.breed}
        error={errors.breed}
        onChange={(breed) => set({ breed })}
      />
      <BreedSelect
        label="Crossed with"
        none="nothing"
        value={form.secondBreed}
        onChange={(secondBreed) => set({ secondBreed })}
      />
      <TextField label="Born" type="date" hint="empty if nobody knows" {...text('born')} />
      <SelectField label="Skin" value={form.skin} onChange={(event) => set({ skin: event.target.value as Skin })}>
        {SKIN.map((skin) => (
          <option key={skin}>{skin}</option>
        ))}
      </SelectField>
      <div className="col-span-2 grid grid-cols-2 max-md:grid-cols-1 gap-x-4">
        {traits.canalHair !== 'none' && (
          <Tick
            label="Owner agrees to plucking ears"
            checked={form.pluckingConsent}
            onChange={(pluckingConsent) => set({ pluckingConsent })}
          />
        )}
        {traits.tearing !== 'none' && (
          <Tick
            label="A vet has seen why the eyes water"
            checked={form.tearingSeenByVet}
            onChange={(tearingSeenByVet) => set({ tearingSeenByVet })}
          />
        )}
        <Tick
          label="Cannot stand through a bath"
          checked={form.cannotStand}
          onChange={(cannotStand) => set({ cannotStand })}
        />
        <Tick label="Swims" checked={form.swims} onChange={(swims) => set({ swims })} />
        <Tick
          label="Nails overgrown"
          checked={form.nailsOvergrown}
          onChange={(nailsOvergrown) => set({ nailsOvergrown })}
        />
      </div>
      <div className="col-span-2">
        <TextField
          label="To mind"
          placeholder="front feet, dryer, own towel"
          hint="short marks, parted by commas; they stay in sight"
          {...text('handling')}
        />
      </div>
    </>
  );
}

interface BreedSelectProps {
  readonly label: string;
  readonly none: string;
  readonly value: string;
  readonly error?: string | undefined;
  readonly onChange: (breed: string) => void;
}

function BreedSelect({ label, none, value, error, onChange }: BreedSelectProps) {
  return (
    <SelectField label={label} value={value} error={error} onChange={(event) => onChange(event.target.value)}>
      <option value="">{none}</option>
      {BREEDS.toSorted((a, b) => a.name.localeCompare(b.name)).map((breed) => (
        <option key={breed.id} value={breed.id}>
          {breed.name}
        </option>
      ))}
    </SelectField>
  );
}

function Tick({
  label,
  checked,
  onChange,
}: {
  readonly label: string;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
}) {
  return (
    <label className="flex items-center gap-3 min-h-11 cursor-pointer">
      <input
        type="checkbox"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
        className="size-5 accent-pond"
      />
      {label}
    </label>
  );
}
