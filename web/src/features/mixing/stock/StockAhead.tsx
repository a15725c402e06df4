import type { StockLine } from '@dewpond/contract';
import { HOUSE_VALUE } from '@dewpond/core/provenance';
import type { Day } from '@dewpond/core/units';
import { useState } from 'react';
import { Link } from 'react-router';
import { useLedger } from '../../../data/queries';
import { useBranch } from '../../../data/useBranch';
import { useUnits } from '../../../data/useUnits';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { SourceMark } from '../../../ui/SourceMark';
import { Waiting } from '../../../ui/Waiting';
import { LedgerTable } from './LedgerTable';
import { StockChart } from './StockChart';
import { StockEntryDialog } from './StockEntryDialog';
import { MoveStockDialog } from './MoveStockDialog';
import { showStock } from './stockWords';
import { showDay } from '../../../browser/times';

/** One product: the coming twelve weeks, and its ledger. */
export function StockAhead({ line, today }: { readonly line: StockLine; readonly today: Day }) {
  const units = useUnits();
  const [entering, setEntering] = useState<'delivery' | 'count' | 'waste' | null>(null);
  const [moving, setMoving] = useState(false);
  const branch = useBranch();
  const query = useLedger(line.productId);
  const product = { id: line.productId, name: line.name, containerMl: line.containerMl };
  return (
    <Card
      title={
        <Link to={`/mixing/products/${line.productId}`} className="text-pond underline">
          {line.name}
        </Link>
      }
      aside={`12 weeks take ${showStock(line.takes, units)}`}
    >
      {line.stock === null ? (
        <p className="text-soft mb-3">
          Nobody has counted it yet. The ledger opens with the first delivery or count; from then on visits and mixes
          draw it down by themselves.
        </p>
      ) : (
        <>
          <StockChart line={line} today={today} />
          <p className="text-sm text-soft mt-1 mb-3">
            {line.runsOut ? (
              <>
                Expected to run out on <b className="text-ink">{showDay(line.runsOut as Day)}</b>
                {line.runsOutAtWorst && line.runsOutAtWorst < line.runsOut && (
                  <>, one time in ten already on {showDay(line.runsOutAtWorst as Day)}</>
                )}
                .{' '}
              </>
            ) : (
              'Expected to last the twelve weeks. '
            )}
            {line.orderBy && (
              <>
                Last day to order <b className="text-ink">{showDay(line.orderBy as Day)}</b>: then only the{' '}
                {showStock(line.safetyMl, units)} of safety stock are left {line.leadDays} days later.{' '}
              </>
            )}
            <SourceMark
              source={HOUSE_VALUE}
              because="From booked and due visits with each dog's learned amounts. Shaded: four outcomes in five; a booked visit's use strays by a quarter, a due one's by 60 %."
            />
          </p>
        </>
      )}
      <div className="flex flex-wrap gap-2 mb-3">
        <Button onClick={() => setEntering('delivery')}>Delivery</Button>
        <Button look="quiet" onClick={() => setEntering('count')}>
          Count
        </Button>
        {branch && (line.stock ?? 0) > 0 && (
          <Button look="quiet" onClick={() => setMoving(true)}>
            To another branch
          </Button>
        )}
        <Button look="quiet" onClick={() => setEntering('waste')}>
          Waste or correction
        </Button>
      </div>
      <Waiting query={query} what="The ledger">
        {({ entries }) => <LedgerTable entries={entries} />}
      </Waiting>
      {moving && <MoveStockDialog product={product} stock={line.stock ?? 0} onClose={() => setMoving(false)} />}
      {entering && <StockEntryDialog product={product} kind={entering} onClose={() => setEntering(null)} />}
    </Card>
  );
}
