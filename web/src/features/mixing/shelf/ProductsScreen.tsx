import type { BusinessView, ProductView } from '@dewpond/contract';
import { millilitres, showProduct } from '@dewpond/core/units';
import { Link } from 'react-router';
import { May } from '../../../parts/May';
import { useBusiness } from '../../../data/queries';
import { useMoney } from '../../../data/useMoney';
import { useUnits } from '../../../data/useUnits';
import { ButtonLink } from '../../../ui/ButtonLink';
import { Chip } from '../../../ui/Chip';
import { LongTable, SHOWN_FROM } from '../../../ui/LongTable';
import { Empty, Waiting } from '../../../ui/Waiting';
import { MixingTabs } from '../MixingTabs';

/** All products: what they are for, how they are mixed, what a litre of mix costs. */
export function ProductsScreen() {
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4">
      <header className="flex flex-wrap items-center justify-between gap-3">
        <h1>Products</h1>
        <May deed="say dilutions">
          <ButtonLink to="/mixing/products/new" look="main">
            New product
          </ButtonLink>
        </May>
      </header>
      <MixingTabs />
      <Waiting query={useBusiness()} what="Products">
        {(business) => <Products business={business} />}
      </Waiting>
    </div>
  );
}

function Products({ business }: { readonly business: BusinessView }) {
  if (business.products.length + business.putAway.length === 0)
    return (
      <Empty words="No product yet. Start with the wash you use most: its ratio as printed, and a pump if it has one.">
        <ButtonLink to="/mixing/products/new" look="main">
          Add the first product
        </ButtonLink>
      </Empty>
    );
  return (
    <>
      <LongTable
        heads={[
          'Product',
          { name: 'Kind', from: 'tablet' },
          'Mixed',
          { name: 'Stroke', from: 'tablet' },
          { name: 'A litre of mix', from: 'desk' },
          { name: 'Lists', from: 'desk' },
        ]}
        rows={business.products}
        keyOf={({ id }) => id}
        rowHeight={57}
        cells={(product) => <Cells product={product} />}
      />
      {business.putAway.length > 0 && (
        <details>
          <summary className="cursor-pointer font-semibold min-h-11 flex items-center">
            {business.putAway.length} archived
          </summary>
          <ul className="flex flex-wrap gap-x-5 gap-y-1">
            {business.putAway.map(({ id, name }) => (
              <li key={id}>
                <Link to={`/mixing/products/${id}`} className="underline text-pond inline-flex items-center min-h-11">
                  {name}
                </Link>
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

function Cells({ product }: { readonly product: ProductView }) {
  const units = useUnits();
  const money = useMoney();
  const { waterParts, costPerMl } = product;
  const litre = costPerMl === null ? null : (costPerMl * 1000) / (waterParts === null ? 1 : partsOf(waterParts) + 1);
  return (
    <>
      <td className="px-4 py-2.5">
        <Link to={`/mixing/products/${product.id}`} className="font-bold text-pond underline">
          {product.name}
        </Link>{' '}
        {product.usual && <Chip tone="good">usual</Chip>}
        {product.suppliedBy !== 'house' && <Chip tone="watch">from the {product.suppliedBy}</Chip>}
      </td>
      <td className={`px-4 py-2.5 ${SHOWN_FROM.tablet}`}>{product.kind}</td>
      <td className="px-4 py-2.5">
        {product.strength === null ? (
          'as it is'
        ) : (
          <>
            <b>{product.strength}</b>
            {product.label !== product.strength && (
              <span className="text-soft block text-sm">label {product.label}</span>
            )}
          </>
        )}
      </td>
      <td className={`px-4 py-2.5 ${SHOWN_FROM.tablet}`}>
        {product.strokeMl === null ? (
          <span className="text-soft">{product.pumpId === null ? 'no pump' : 'not calibrated'}</span>
        ) : (
          showProduct(millilitres(product.strokeMl), units)
        )}
      </td>
      <td className={`px-4 py-2.5 ${SHOWN_FROM.desk}`}>
        {litre === null ? <span className="text-soft">no price</span> : money(litre)}
      </td>
      <td className={`px-4 py-2.5 text-soft text-sm ${SHOWN_FROM.desk}`}>
        {product.ingredients.length === 0 ? 'not written down' : product.ingredients.slice(0, 3).join(', ')}
        {product.ingredients.length > 3 && ` and ${product.ingredients.length - 3} more`}
      </td>
    </>
  );
}

/** "97/3" as a number. */
function partsOf(waterParts: string): number {
  const [over = '0', under = '1'] = waterParts.split('/');
  return Number(over) / Number(under);
}
