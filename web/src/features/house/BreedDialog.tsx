import { HANDLING, SHIPPED, type Breed, type Handling, type Traits } from '@dewpond/core/catalogue';
import { FOLD_SITES } from '@dewpond/core/places';
import { Toggle } from 'radix-ui';
import { useState, type FormEvent } from 'react';
import { Refused, call } from '../../api/call';
import { useWrite } from '../../api/useWrite';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { SelectField, TextField } from '../../ui/Field';
import { tell } from '../../ui/toasts';
import { PLAIN_TRAITS, TRAIT_CHOICES } from '../dog/traitWords';
import { ownId } from './ownBreed';

interface BreedDialogProps {
  readonly breed: Breed;
  readonly version: number;
  readonly onClose: () => void;
}

/** A breed as this house sees it; what ships is named at each field that differs. */
export function BreedDialog({ breed, version, onClose }: BreedDialogProps) {
  const shipped = SHIPPED.find(breed.id);
  const [name, setName] = useState(breed.name);
  const [also, setAlso] = useState(breed.alsoCalled.join(', '));
  const [weights, setWeights] = useState([String(breed.weightKg[0]), String(breed.weightKg[1])] as const);
  const [traits, setTraits] = useState<Traits>(breed.traits);
  const [handling, setHandling] = useState<readonly Handling[]>(breed.handling);
  const [why, setWhy] = useState(breed.why ?? '');
  const save = useWrite('PUT /api/breeds', {
    write: () =>
      call('PUT /api/breeds', {
        body: {
          version,
          breed: {
            id: breed.id === 'own-' ? ownId(name) : breed.id,
            name,
            alsoCalled: also
              .split(',')
              .map((each) => each.trim())
              .filter(Boolean),
            weightKg: [Number(weights[0].replace(',', '.')), Number(weights[1].replace(',', '.'))],
            traits,
            handling: [...handling],
            why,
          },
        },
      }),
    onSuccess: () => {
      tell(`${name} is as this house sees it. Plans of its dogs follow.`);
      onClose();
    },
  });
  const refused = save.error instanceof Refused ? save.error : null;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    save.mutate();
  };
  const ships = (own: string, was: string | undefined) =>
    was !== undefined && was !== own ? `ships as ${was}` : undefined;
  return (
    <Dialog
      open
      onClose={onClose}
      title={breed.name || 'A breed of this house'}
      says="What ships stays beside it, and comes back with one tap."
      tall
    >
      <form onSubmit={submit} noValidate className="grid grid-cols-2 gap-4">
        <TextField
          label="Name"
          value={name}
          error={refused?.at('breed.name')}
          onChange={(event) => setName(event.target.value)}
        />
        <TextField
          label="Also called"
          hint="parted by commas"
          value={also}
          onChange={(event) => setAlso(event.target.value)}
        />
        {([0, 1] as const).map((end) => (
          <TextField
            key={end}
            label={end === 0 ? 'Grown, from kg' : 'Grown, to kg'}
            inputMode="decimal"
            value={weights[end]}
            hint={ships(weights[end], shipped && String(shipped.weightKg[end]))}
            error={refused?.at(`breed.weightKg.${end}`) ?? (end === 1 ? refused?.at('breed.weightKg') : undefined)}
            onChange={(event) =>
              setWeights(end === 0 ? [event.target.value, weights[1]] : [weights[0], event.target.value])
            }
          />
        ))}
        {PLAIN_TRAITS.map((key) => (
          <SelectField
            key={key}
            label={key === 'coatLength' ? 'Usual length' : TRAIT_CHOICES[key].name}
            value={traits[key]}
            hint={ships(traits[key], shipped?.traits[key])}
            onChange={(event) => setTraits({ ...traits, [key]: event.target.value })}
          >
            {TRAIT_CHOICES[key].values.map((value) => (
              <option key={value}>{value}</option>
            ))}
          </SelectField>
        ))}
        {FOLD_SITES.map((site) => (
          <SelectField
            key={site}
            label={`Fold: ${site}`}
            value={traits.folds[site] ?? 'none'}
            hint={ships(traits.folds[site] ?? 'none', shipped && (shipped.traits.folds[site] ?? 'none'))}
            onChange={(event) => {
              const { [site]: _, ...others } = traits.folds;
              const depth = event.target.value;
              setTraits({
                ...traits,
                folds: depth === 'light' || depth === 'deep' ? { ...others, [site]: depth } : others,
              });
            }}
          >
            {['none', 'light', 'deep'].map((depth) => (
              <option key={depth}>{depth}</option>
            ))}
          </SelectField>
        ))}
        <div role="group" aria-label="To mind with most of them" className="col-span-2">
          <p className="text-sm font-semibold mb-1.5">To mind with most of them</p>
          <div className="flex flex-wrap gap-1.5">
            {(Object.keys(HANDLING) as Handling[]).map((matter) => (
              <Toggle.Root
                key={matter}
                title={HANDLING[matter]}
                pressed={handling.includes(matter)}
                onPressedChange={(on) =>
                  setHandling(on ? [...handling, matter] : handling.filter((each) => each !== matter))
                }
                className="rounded-full border border-line px-3.5 min-h-11 text-[15px] text-soft data-[state=on]:bg-pond-pale data-[state=on]:text-pond data-[state=on]:border-pond data-[state=on]:font-semibold"
              >
                {matter}
              </Toggle.Root>
            ))}
          </div>
        </div>
        <div className="col-span-2">
          <TextField
            label="Why"
            hint="one line, for whoever reads it next year"
            value={why}
            onChange={(event) => setWhy(event.target.value)}
          />
        </div>
        {save.error && !refused?.problem.fields && (
          <p role="alert" className="col-span-2 text-stop font-semibold">
            {save.error.message}
          </p>
        )}
        <div className="col-span-2 flex justify-end">
          <Button type="submit" look="main" disabled={save.isPending}>
            Keep
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
