import type { ProductView } from '@dewpond/contract';
import { exactParts, isForOneDog, type Bottle, type Measuring, type Strength } from '@dewpond/core/dilution';
import { useState } from 'react';
import { Link } from 'react-router';
import { Refused, call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { useDogs, useLedger } from '../../../data/queries';
import { Button } from '../../../ui/Button';
import { SelectField } from '../../../ui/SelectField';
import { tell } from '../../../ui/tell';
import { May } from '../../../parts/May';

interface OntoProps {
  readonly product: ProductView;
  readonly strength: Strength;
  readonly how: Measuring;
  readonly bottle: Bottle;
  /** Strength and amounts are of what is chosen now. */
  readonly isNow: boolean;
}

/** A mix beside the morning's list, for a dog that walked in: kept like the others, so that it can be taken and traced. */
export function WriteDownMix({ product, strength, how, bottle, isNow }: OntoProps) {
  const [dogId, setDogId] = useState('');
  const [lotId, setLotId] = useState('');
  const alone = isForOneDog(product);
  const open = useLedger(product.id).data?.lots.filter((lot) => lot.openedOn !== null && lot.emptiedOn === null) ?? [];
  const make = useWrite(['POST /api/mixes', 'PUT /api/mixes/:id'], {
    write: async (id) => {
      const made = await call('POST /api/mixes', {
        body: {
          id,
          productId: product.id,
          waterParts: exactParts(strength),
          bottleId: bottle.id,
          strokes: how.by === 'millilitres' ? null : how.strokes,
          productMl: how.product,
          totalMl: how.total,
          forDogId: alone ? dogId : null,
          lotIds: lotId === '' ? [] : [lotId],
        },
      });
      // Here water comes first, as the picture says: nothing is left for later.
      await call('PUT /api/mixes/:id', { id, body: { version: 1, step: 'watered' } }).catch((error: unknown) => {
        // Sent again after an answer that never came: it is watered already.
        if (!(error instanceof Refused && error.status === 409)) throw error;
      });
      return made;
    },
    onSuccess: ({ no }) => {
      tell(`${bottle.name} ${no} stands at the bench.`);
    },
    tells: true,
  });
  return (
    <div className="flex flex-wrap items-end gap-3 mt-3 pt-3 border-t border-line">
      {alone && <ForDog dogId={dogId} onDog={setDogId} />}
      {open.length > 1 && (
        <SelectField label="From which lot?" value={lotId} onChange={(event) => setLotId(event.target.value)}>
          <option value="">choose</option>
          {open.map(({ id, number }) => (
            <option key={id} value={id}>
              {number}
            </option>
          ))}
        </SelectField>
      )}
      <May deed="mix">
        <Button
          look="main"
          disabled={!isNow || make.isPending || (alone && dogId === '') || (open.length > 1 && lotId === '')}
          onClick={() => make.mutate()}
        >
          It is mixed: onto the bench
        </Button>
      </May>
      <Link to="/mixing/morning" className="text-pond underline inline-flex items-center min-h-11">
        What stands there
      </Link>
    </div>
  );
}

/** Whose mix it is: the book is asked for only where a mix bears a name. */
function ForDog({ dogId, onDog }: { readonly dogId: string; readonly onDog: (id: string) => void }) {
  const dogs = useDogs().data?.filter((dog) => !dog.archived) ?? [];
  return (
    <SelectField label="Only for" value={dogId} onChange={(event) => onDog(event.target.value)}>
      <option value="">choose its dog</option>
      {dogs.map(({ id, name, owner }) => (
        <option key={id} value={id}>
          {name}, {owner}
        </option>
      ))}
    </SelectField>
  );
}
