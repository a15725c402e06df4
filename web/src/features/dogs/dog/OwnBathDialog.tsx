import type { DogView } from '@dewpond/contract';
import { makePlan } from '@dewpond/core/careplan';
import { BODY_WASHES, type ProductKind } from '@dewpond/core/dilution';
import type { BathTask } from '@dewpond/core/dog';
import { againstProduct } from '@dewpond/core/needs';
import { useState } from 'react';
import { useBusiness } from '../../../data/queries';
import { SelectField } from '../../../ui/SelectField';
import { BATH_PARTS } from './bathParts';
import { OwnChoice, useOwnChoice } from './OwnChoice';

const KINDS: Readonly<Record<BathTask, readonly ProductKind[]>> = {
  bath: BODY_WASHES,
  'second wash': BODY_WASHES,
  'face wash': ['face', ...BODY_WASHES],
  conditioner: ['conditioner'],
};
const BY_TABLE = 'by the table';
const NONE = 'none';

interface OwnBathProps {
  readonly dog: DogView;
  readonly task: BathTask;
  readonly onClose: () => void;
}

/** This dog's own product for a part of its bath; or the business's way again. */
export function OwnBathDialog({ dog, task, onClose }: OwnBathProps) {
  const { [task]: own, ...others } = dog.profile.ownBath;
  const [chosen, setChosen] = useState(own === undefined ? BY_TABLE : (own.productId ?? NONE));
  const keep = useOwnChoice(dog, onClose);
  const products = (useBusiness().data?.products ?? []).filter(
    ({ kind, suppliedBy }) => KINDS[task].includes(kind) && suppliedBy === 'house',
  );
  const { facts } = dog;
  const plan = makePlan(facts);
  const isUsual = chosen === BY_TABLE;
  return (
    <OwnChoice
      title={`${BATH_PARTS[task]} for ${dog.profile.name}`}
      says="A vet’s word goes before it. What this dog must not have, or what must not come there, cannot be chosen."
      example="scratched after the other one"
      because={own?.because ?? ''}
      isUsual={isUsual}
      pending={keep.isPending}
      onKeep={(because) =>
        keep.mutate({
          ownBath: isUsual ? others : { ...others, [task]: { productId: chosen === NONE ? null : chosen, because } },
        })
      }
      onClose={onClose}
    >
      <SelectField label="Product" value={chosen} onChange={(event) => setChosen(event.target.value)}>
        <option value={BY_TABLE}>as the house ways say</option>
        {(task === 'conditioner' || task === 'second wash') && <option value={NONE}>none for this dog</option>}
        {products.map((product) => {
          const against = againstProduct(product, [task], facts, plan);
          return (
            <option key={product.id} value={product.id} disabled={against !== null}>
              {product.name} ({against ?? product.kind})
            </option>
          );
        })}
      </SelectField>
    </OwnChoice>
  );
}
