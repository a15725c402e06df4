import type { BusinessView } from '@dewpond/contract';
import { SHIPPED, type Breed } from '@dewpond/core/catalogue';
import { useState } from 'react';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { useCatalogue } from '../../../data/useCatalogue';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { SelectField } from '../../../ui/SelectField';
import { tell } from '../../../ui/tell';
import { traitWords } from '../../../parts/dogs/traitWords';
import { BreedDialog } from './BreedDialog';
import { differences, newBreed } from './ownBreed';

/** Breeds the business added or sees otherwise; the shipped value stays beside each. */
export function BreedsCard({ business }: { readonly business: BusinessView }) {
  const [editing, setEditing] = useState<Breed | null>(null);
  const catalogue = useCatalogue();
  return (
    <Card
      title="Breeds of this business"
      aside={`${SHIPPED.breeds.length} ship with Dewpond, from memory of breed standards`}
    >
      {business.ownBreeds.length === 0 && (
        <p className="text-soft mb-3">None yet: every breed is as it ships. Adjust one where your dogs differ.</p>
      )}
      <ul className="divide-y divide-line mb-3">
        {business.ownBreeds.map(({ breed }) => (
          <OwnBreedRow key={breed.id} breed={breed} mayEdit={business.mayEdit} onEdit={() => setEditing(breed)} />
        ))}
      </ul>
      {business.mayEdit && (
        <div className="flex flex-wrap gap-2 items-end">
          <div className="w-72">
            <SelectField
              label="Adjust a breed"
              value=""
              onChange={(event) => setEditing(catalogue.find(event.target.value) ?? null)}
            >
              <option value="">choose…</option>
              {catalogue.breeds
                .filter((breed) => breed.parents.length === 0)
                .map((breed) => (
                  <option key={breed.id} value={breed.id}>
                    {breed.name}
                  </option>
                ))}
            </SelectField>
          </div>
          <Button onClick={() => setEditing(newBreed(catalogue))}>Add a breed</Button>
        </div>
      )}
      {editing && (
        <BreedDialog
          key={editing.id}
          breed={business.ownBreeds.find(({ breed }) => breed.id === editing.id)?.breed ?? editing}
          version={business.ownBreeds.find(({ breed }) => breed.id === editing.id)?.version ?? 0}
          onClose={() => setEditing(null)}
        />
      )}
    </Card>
  );
}

function OwnBreedRow({ breed, mayEdit, onEdit }: { breed: Breed; mayEdit: boolean; onEdit: () => void }) {
  const shipped = SHIPPED.find(breed.id);
  const reset = useWrite('POST /api/breeds/reset', {
    write: () => call('POST /api/breeds/reset', { body: { id: breed.id } }),
    onSuccess: () => {
      tell(shipped ? `${breed.name} is as it shipped.` : `${breed.name} is taken off.`);
    },
    tells: true,
  });
  return (
    <li className="py-2 flex flex-wrap items-start justify-between gap-3">
      <div className="min-w-0">
        <p className="font-semibold">{breed.name}</p>
        <p className="text-sm text-soft">
          {shipped
            ? differences(breed, shipped)
                .map(({ name, own, was }) => `${name}: ${own} (ships as ${was})`)
                .join('; ') || 'the same as shipped'
            : `added here: ${traitWords(breed.traits, 'coat')} coat, ${breed.weightKg[0]}–${breed.weightKg[1]} kg`}
          {breed.why && ` · ${breed.why}`}
        </p>
      </div>
      {mayEdit && (
        <div className="flex gap-2">
          <Button look="quiet" onClick={onEdit}>
            Change
          </Button>
          <Button look="quiet" disabled={reset.isPending} onClick={() => reset.mutate()}>
            {shipped ? 'As shipped' : 'Take off'}
          </Button>
        </div>
      )}
    </li>
  );
}
