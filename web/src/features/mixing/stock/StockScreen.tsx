import type { StockLine, StockView } from '@dewpond/contract';
import type { Day } from '@dewpond/core/units';
import { useState } from 'react';
import { May } from '../../../parts/May';
import { ExportLink } from '../../../parts/ExportLink';
import { useStock } from '../../../data/queries';
import { useUnits } from '../../../data/useUnits';
import { ButtonLink } from '../../../ui/ButtonLink';
import { Chip } from '../../../ui/Chip';
import { Empty, Waiting } from '../../../ui/Waiting';
import { classes } from '../../../ui/classes';
import { MixingTabs } from '../MixingTabs';
import { useReckoning } from '../../../parts/dogs/useReckoning';
import { LongAway } from './LongAway';
import { OrderList } from './OrderList';
import { StockAhead } from './StockAhead';
import { STATES, showStock } from './stockWords';
import { showDay } from '../../../browser/times';

/** What is on the shelf, when it runs out, what to order by when. */
export function StockScreen() {
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4">
      <header className="flex flex-wrap items-center justify-between gap-3">
        <h1>Stock</h1>
        <ExportLink file="stock.csv">Ledger as CSV</ExportLink>
      </header>
      <MixingTabs />
      <Waiting query={useStock()} what="The stock">
        {(view) => <Stock view={view} />}
      </Waiting>
    </div>
  );
}

function Stock({ view }: { readonly view: StockView }) {
  const [chosen, setChosen] = useState(view.lines[0]?.productId ?? '');
  const left = useReckoning(view.waiting, 'stock');
  const line = view.lines.find((each) => each.productId === chosen) ?? view.lines[0];
  if (!line)
    return (
      <Empty words="No product yet: its stock stands here once it is delivered or counted.">
        <May deed="say dilutions">
          <ButtonLink to="/mixing/products/new" look="main">
            Add a product
          </ButtonLink>
        </May>
      </Empty>
    );
  return (
    <>
      {left > 0 && (
        <p role="status" className="rounded-xl bg-watch-pale text-watch font-semibold px-4 py-2">
          {left} of {view.dogs + view.waiting} dogs are still being worked out: what is ahead lacks their visits.
        </p>
      )}
      <div className="no-print grid grid-cols-[minmax(360px,1fr)_1.5fr] max-lg:grid-cols-1 gap-3.5 items-start">
        <ul aria-label="Products" className="flex flex-col gap-2">
          {view.lines.map((each) => (
            <li key={each.productId}>
              <StockRow line={each} chosen={each === line} onChoose={() => setChosen(each.productId)} />
            </li>
          ))}
        </ul>
        <StockAhead line={line} today={view.today} />
      </div>
      <OrderList view={view} />
      <LongAway dogs={view.longAway} />
    </>
  );
}

interface StockRowProps {
  readonly line: StockLine;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}

function StockRow({ line, chosen, onChoose }: StockRowProps) {
  const units = useUnits();
  const { words, tone } = STATES[line.state];
  return (
    <button
      type="button"
      aria-pressed={chosen}
      onClick={onChoose}
      className={classes(
        'w-full text-left rounded-card border px-4 py-2.5 flex items-center justify-between gap-3',
        chosen ? 'border-pond bg-pond-pale' : 'border-line bg-surface hover:bg-pond-pale/40',
      )}
    >
      <span className="min-w-0">
        <b className="block">{line.name}</b>
        <span className="text-sm text-soft">
          {line.stock === null ? 'enter a delivery or a count' : `${showStock(line.stock, units)} there`}
          {line.inOpenMixes > 0.5 && `, ${showStock(line.inOpenMixes, units)} mixed at the bench`}
          {line.runsOut && `, out on ${showDay(line.runsOut as Day)}`}
        </span>
        {line.expired.length > 0 && (
          <span className="block text-sm text-stop font-semibold">lot {line.expired.join(', ')} expired</span>
        )}
      </span>
      <span className="text-right shrink-0">
        <Chip tone={tone}>{words}</Chip>
        {line.orderBy && line.state === 'later' && (
          <span className="block text-sm text-soft mt-0.5">by {showDay(line.orderBy as Day)}</span>
        )}
      </span>
    </button>
  );
}
