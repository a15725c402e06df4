import { composeTraits, nameBreeds, usualWeight } from '@dewpond/core/catalogue';
import { SKIN, type Skin } from '@dewpond/core/careplan';
import { kilograms, showWeight } from '@dewpond/core/units';
import { useUnits } from '../../app/useUnits';
import { SelectField, TextField } from '../../ui/Field';
import { BreedPicker } from './BreedPicker';
import type { DogForm, FieldErrors } from './dogForm';

interface DogFieldsProps {
  readonly form: DogForm;
  readonly errors: FieldErrors;
  readonly set: (change: Partial<DogForm>) => void;
}

/** Name, breed, weight, and only the questions this breed and coat raise. */
export function DogFields({ form, errors, set }: DogFieldsProps) {
  const units = useUnits();
  const { traits } = composeTraits(form.breeds, {});
  const range = usualWeight(form.breeds);
  const kilos = (end: number) => showWeight(kilograms(end), units);
  const weightHint =
    range === null
      ? undefined
      : `${nameBreeds(form.breeds)}: mostly ${kilos(range[0]).split(' ')[0]}–${kilos(range[1])}`;
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
      <div className="col-span-2">
        <BreedPicker value={form.breeds} error={errors.breeds} onChange={(breeds) => set({ breeds })} />
      </div>
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
