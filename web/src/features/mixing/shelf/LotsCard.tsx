import type { LotView, ProductView } from '@dewpond/contract';
import { millilitres, showVolume } from '@dewpond/core/units';
import { Link } from 'react-router';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { useLedger, useSession } from '../../../data/queries';
import { useUnits } from '../../../data/useUnits';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { Chip } from '../../../ui/Chip';
import { Waiting } from '../../../ui/Waiting';
import { StockEntryDialog } from '../stock/StockEntryDialog';
import { useState } from 'react';
import { showDay } from '../../../browser/times';

/** What is on the shelf of a product: its stock, its lots, and the dogs kept from it. */
export function LotsCard({ product }: { readonly product: ProductView }) {
  const units = useUnits();
  const [entering, setEntering] = useState<'delivery' | 'count' | null>(null);
  return (
    <Card title="On the shelf">
      <Waiting query={useLedger(product.id)} what="The shelf">
        {({ stock, lots, keptFrom }) => (
          <div className="flex flex-col gap-3">
            <p>
              <span className="block text-[32px] font-bold leading-none">
                {stock === null ? 'Not counted' : showVolume(millilitres(Math.max(0, stock)), units)}
              </span>
              {stock !== null && stock < 0 && (
                <span className="text-watch font-semibold">
                  {showVolume(millilitres(-stock), units)} more went out than the ledger knew: count it.
                </span>
              )}
              {stock === null && <span className="text-soft">The ledger opens with a delivery or a count.</span>}
            </p>
            <div className="flex flex-wrap gap-2">
              <Button onClick={() => setEntering('delivery')}>Delivery</Button>
              <Button look="quiet" onClick={() => setEntering('count')}>
                Count
              </Button>
            </div>
            <h3 className="font-bold">Lots</h3>
            {lots.length === 0 && <p className="text-soft">No lot yet: enter its number with the delivery.</p>}
            <ul className="flex flex-col gap-2.5">
              {lots.map((lot) => (
                <Lot key={lot.id} lot={lot} />
              ))}
            </ul>
            {keptFrom.length > 0 && (
              <>
                <h3 className="font-bold">Kept from it</h3>
                <ul>
                  {keptFrom.map(({ dogId, dog, lists }) => (
                    <li key={dogId}>
                      <Link to={`/dogs/${dogId}`} className="text-pond underline font-semibold">
                        {dog}
                      </Link>
                      : it lists {lists}
                    </li>
                  ))}
                </ul>
              </>
            )}
          </div>
        )}
      </Waiting>
      {entering && <StockEntryDialog product={product} kind={entering} onClose={() => setEntering(null)} />}
    </Card>
  );
}

function Lot({ lot }: { readonly lot: LotView }) {
  const today = useSession().data?.today ?? lot.deliveredOn;
  const change = useWrite('PUT /api/lots/:id', {
    write: (_, more: Partial<Pick<LotView, 'openedOn' | 'emptiedOn'>>) =>
      call('PUT /api/lots/:id', {
        id: lot.id,
        body: {
          version: lot.version,
          number: lot.number,
          expires: lot.expires,
          openedOn: lot.openedOn,
          emptiedOn: lot.emptiedOn,
          ...more,
        },
      }),
    tells: true,
  });
  const expired = lot.expires !== null && lot.expires < today;
  return (
    <li className="border-t border-line pt-2">
      <p className="flex flex-wrap items-center gap-2">
        <b>{lot.number}</b>
        {lot.emptiedOn ? (
          <Chip>empty</Chip>
        ) : expired ? (
          <Chip tone="stop">expired</Chip>
        ) : lot.openedOn ? (
          <Chip tone="good">open</Chip>
        ) : (
          <Chip>unopened</Chip>
        )}
      </p>
      <p className="text-sm text-soft">
        delivered {showDay(lot.deliveredOn)}
        {lot.openedOn && `, opened ${showDay(lot.openedOn)}`}
        {lot.expires && `, ${expired ? 'expired' : 'good until'} ${showDay(lot.expires)} ${lot.expires.slice(0, 4)}`}
        {lot.emptiedOn && `, emptied ${showDay(lot.emptiedOn)}`}
      </p>
      <div className="flex flex-wrap gap-x-4">
        {!lot.openedOn && !expired && (
          <TextButton onClick={() => change.mutate({ openedOn: today })}>Opened today</TextButton>
        )}
        {!lot.emptiedOn && <TextButton onClick={() => change.mutate({ emptiedOn: today })}>It is empty</TextButton>}
        {lot.emptiedOn && (
          <TextButton onClick={() => change.mutate({ emptiedOn: null })}>Not empty after all</TextButton>
        )}
        <Link
          to={`/mixing/trace?of=lot&id=${lot.id}`}
          className="text-pond underline inline-flex items-center min-h-11"
        >
          Who had it
        </Link>
      </div>
    </li>
  );
}

const TextButton = (props: { readonly onClick: () => void; readonly children: string }) => (
  <button type="button" className="text-pond underline min-h-11" {...props} />
);
