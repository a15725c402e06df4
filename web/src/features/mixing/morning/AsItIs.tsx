import type { AsItIsView } from '@dewpond/contract';
import { millilitres, showVolume } from '@dewpond/core/units';
import { useUnits } from '../../../data/useUnits';
import { Card } from '../../../ui/Card';
import { PourList } from './PourList';

/** Products that are used as they come: have so much at hand. */
export function AsItIs({ list }: { readonly list: readonly AsItIsView[] }) {
  const units = useUnits();
  return (
    <Card title="As it is, never diluted" aside="have at hand">
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(260px,1fr))] gap-x-6 gap-y-3">
        {list.map(({ product, need, dogs }) => (
          <li key={product.id}>
            <p>
              <b>{product.name}</b>, {showVolume(millilitres(need), units)} in all
            </p>
            <PourList pours={dogs} />
          </li>
        ))}
      </ul>
    </Card>
  );
}
