import type { StockLine, StockView } from '@dewpond/contract';
import type { Day } from '@dewpond/core/units';
import { group } from 'd3-array';
import { Printer } from 'lucide-react';
import { useMoney } from '../../../data/useMoney';
import { useUnits } from '../../../data/useUnits';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { Chip } from '../../../ui/Chip';
import { STATES, showStock } from './stockWords';
import { showDay } from '../../../browser/times';

/** What to order, by supplier: containers that cover twelve weeks and the safety stock. */
export function OrderList({ view }: { readonly view: StockView }) {
  const wanted = view.lines.filter(({ state, containers }) => containers > 0 && state !== 'enough');
  const bySupplier = [...group(wanted, ({ supplier }) => supplier || 'Supplier not written down')];
  return (
    <Card
      title="Order list"
      aside={
        wanted.length > 0 && (
          <Button look="quiet" className="no-print" onClick={() => window.print()}>
            <Printer size={18} aria-hidden /> Print
          </Button>
        )
      }
    >
      {wanted.length === 0 ? (
        <p className="text-soft">Nothing to order: what is counted lasts twelve weeks.</p>
      ) : (
        bySupplier.map(([supplier, lines]) => (
          <section key={supplier} className="mb-3 last:mb-0">
            <h3 className="font-bold">{supplier}</h3>
            <ul>
              {lines.map((line) => (
                <OrderLine key={line.productId} line={line} />
              ))}
            </ul>
            <Sum lines={lines} />
          </section>
        ))
      )}
    </Card>
  );
}

function OrderLine({ line }: { readonly line: StockLine }) {
  const units = useUnits();
  const money = useMoney();
  return (
    <li className="flex flex-wrap items-center gap-x-3 border-t border-line py-1.5 first:border-0">
      <span className="text-xl font-bold">{line.containers} ×</span>
      <span className="min-w-52">
        {line.name}
        {line.containerMl !== null && `, ${showStock(line.containerMl, units)}`}
      </span>
      <Chip tone={STATES[line.state].tone}>
        {line.orderBy && line.state !== 'late' ? `by ${showDay(line.orderBy as Day)}` : STATES[line.state].words}
      </Chip>
      {line.price !== null && <span className="ml-auto">{money(line.price * line.containers)}</span>}
    </li>
  );
}

function Sum({ lines }: { readonly lines: readonly StockLine[] }) {
  const money = useMoney();
  const priced = lines.filter(({ price }) => price !== null);
  if (priced.length === 0) return null;
  const sum = priced.reduce((all, { price, containers }) => all + (price ?? 0) * containers, 0);
  return (
    <p className="text-right font-bold border-t border-line pt-1.5">
      {money(sum)}
      {priced.length < lines.length && ', those without a price not counted'}
    </p>
  );
}
