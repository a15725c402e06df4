import { ownBreed } from '@dewpond/contract';
import { HANDLING, SHIPPED, type Breed, type Handling, type PlainTrait, type Traits } from '@dewpond/core/catalogue';
import { FOLD_SITES, type FoldSite } from '@dewpond/core/places';
import { Toggle } from 'radix-ui';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { z } from 'zod';
import { typedNumber } from '../../../forms/typedNumber';
import { useDraft } from '../../../forms/useDraft';
import { Conflict } from '../../../forms/Conflict';
import { Dialog } from '../../../ui/Dialog';
import { TextField } from '../../../ui/Field';
import { FormFoot } from '../../../forms/FormFoot';
import { tell } from '../../../ui/tell';
import { TraitSelects } from '../../../parts/dogs/TraitSelects';
import { PLAIN_TRAITS, TRAIT_CHOICES, foldWords } from '../../../parts/dogs/traitWords';
import { ownId } from './ownBreed';

interface BreedDialogProps {
  readonly breed: Breed;
  readonly version: number;
  readonly onClose: () => void;
}

/** A breed as typed, each trait a field of its own: two people who see two of them otherwise do not meet. */
type BreedForm = Traits & {
  readonly name: string;
  readonly also: string;
  readonly weights: readonly [least: string, most: string];
  readonly handling: readonly Handling[];
  readonly why: string;
};
const traitName = (trait: PlainTrait) => (trait === 'coatLength' ? 'Usual length' : TRAIT_CHOICES[trait].name);
const BREED_FIELDS = {
  name: 'Name',
  also: 'Also called',
  weights: 'Grown, kg',
  folds: 'Folds',
  handling: 'To mind with most of them',
  why: 'Why',
  ...Object.fromEntries(PLAIN_TRAITS.map((trait) => [trait, traitName(trait)])),
} as Readonly<Record<keyof BreedForm, string>>;
const formOf = (breed: Breed): BreedForm => ({
  ...breed.traits,
  name: breed.name,
  also: breed.alsoCalled.join(', '),
  weights: [String(breed.weightKg[0]), String(breed.weightKg[1])],
  handling: breed.handling,
  why: breed.why ?? '',
});

const bodyOf = ({ name, also, weights, handling, why, ...traits }: BreedForm, id: string) => ({
  id: id === 'own-' ? ownId(name) : id,
  name,
  alsoCalled: also
    .split(',')
    .map((each) => each.trim())
    .filter(Boolean),
  weightKg: [typedNumber(weights[0]), typedNumber(weights[1])] as [number, number],
  traits,
  handling: [...handling],
  why,
});

function showField(field: keyof BreedForm, form: BreedForm): string {
  if (field === 'weights') return form.weights.join(' to ');
  if (field === 'handling') return form.handling.join(', ');
  if (field === 'folds') return foldWords(form.folds);
  return form[field];
}

/** What ships, where this business sees it otherwise. */
const ships = (own: string, was: string | undefined) =>
  was !== undefined && was !== own ? `ships as ${was}` : undefined;

const shippedTrait = ({ traits }: Breed, of: PlainTrait | FoldSite): string =>
  isFold(of) ? (traits.folds[of] ?? 'none') : traits[of];
const isFold = (of: PlainTrait | FoldSite): of is FoldSite => FOLD_SITES.some((site) => site === of);

/** A breed as this business sees it; what ships is named at each field that differs. */
export function BreedDialog({ breed, version, onClose }: BreedDialogProps) {
  const shipped = SHIPPED.find(breed.id);
  const draft = useDraft(
    { version, form: formOf(breed) },
    { as: (form) => ({ breed: bodyOf(form, breed.id) }), fits: z.object({ breed: ownBreed }) },
  );
  const { set, at } = draft;
  const { name, weights, handling } = draft.form;
  const save = useWrite('PUT /api/breeds', {
    form: draft,
    write: (_, body: { breed: ReturnType<typeof bodyOf> }) =>
      call('PUT /api/breeds', { body: { ...body, version: draft.version } }),
    onSuccess: () => {
      tell(`${name} is as this business sees it. Plans of its dogs follow.`);
      onClose();
    },
  });
  return (
    <Dialog
      open
      onClose={onClose}
      title={breed.name || 'A breed of this business'}
      says="What ships stays beside it, and comes back with one tap."
      tall
    >
      <form onSubmit={draft.submit((body) => save.mutate(body))} noValidate className="grid grid-cols-2 gap-4">
        <div className="col-span-2 empty:hidden">
          <Conflict draft={draft} what="this breed" names={BREED_FIELDS} show={showField} />
        </div>
        <TextField label="Name" {...draft.field('name', 'breed.name')} />
        <TextField
          label="Also called"
          hint="parted by commas"
          {...draft.field('also')}
          error={draft.within('breed.alsoCalled')}
        />
        {([0, 1] as const).map((end) => (
          <TextField
            key={end}
            label={end === 0 ? 'Grown, from kg' : 'Grown, to kg'}
            inputMode="decimal"
            value={weights[end]}
            hint={ships(weights[end], shipped && String(shipped.weightKg[end]))}
            error={at(`breed.weightKg.${end}`) ?? (end === 1 ? at('breed.weightKg') : undefined)}
            onChange={(event) =>
              set({ weights: end === 0 ? [event.target.value, weights[1]] : [weights[0], event.target.value] })
            }
          />
        ))}
        <TraitSelects
          traits={draft.form}
          onChange={draft.set}
          names={{ coatLength: traitName('coatLength') }}
          hint={(of, now) => ships(now, shipped && shippedTrait(shipped, of))}
          error={(trait) => draft.at(trait)}
        />
        <Minds handling={handling} onChange={(next) => set({ handling: next })} />
        <div className="col-span-2">
          <TextField label="Why" hint="one line, for whoever reads it next year" {...draft.field('why', 'breed.why')} />
        </div>
        <FormFoot draft={draft} disabled={save.isPending} />
      </form>
    </Dialog>
  );
}

interface MindsProps {
  readonly handling: readonly Handling[];
  readonly onChange: (handling: readonly Handling[]) => void;
}

const Minds = ({ handling, onChange }: MindsProps) => (
  <div role="group" aria-label="To mind with most of them" className="col-span-2">
    <p className="text-sm font-semibold mb-1.5">To mind with most of them</p>
    <div className="flex flex-wrap gap-1.5">
      {(Object.keys(HANDLING) as Handling[]).map((matter) => (
        <Toggle.Root
          key={matter}
          title={HANDLING[matter]}
          pressed={handling.includes(matter)}
          onPressedChange={(on) => onChange(on ? [...handling, matter] : handling.filter((each) => each !== matter))}
          className="rounded-full border border-line px-3.5 min-h-11 text-[15px] text-soft data-[state=on]:bg-pond-pale data-[state=on]:text-pond data-[state=on]:border-pond data-[state=on]:font-semibold"
        >
          {matter}
        </Toggle.Root>
      ))}
    </div>
  </div>
);
