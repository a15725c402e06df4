import type { CostsView } from '@dewpond/contract';
import { addDays, type Day } from '@dewpond/core/units';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { ExportLink } from '../../../parts/ExportLink';
import { useCosts, useSession } from '../../../data/queries';
import { useMoney } from '../../../data/useMoney';
import { useUnits } from '../../../data/useUnits';
import { Card } from '../../../ui/Card';
import { SelectField } from '../../../ui/SelectField';
import { Empty, Waiting } from '../../../ui/Waiting';
import { MixingTabs } from '../MixingTabs';
import { showMonth, showStock } from './stockWords';
import { WasteChart } from './WasteChart';
import { showDay } from '../../../browser/times';

/** Spans one asks about; days back from today. */
const SPANS = { 'last 4 weeks': 28, 'last 3 months': 92, 'last 6 months': 183, 'last 12 months': 365 } as const;
type CostSpan = keyof typeof SPANS;

/** What product costs, by visit, dog, product and month; and what was mixed and thrown away. */
export function CostsScreen() {
  const today = useSession().data?.today;
  const [span, setSpan] = useState<CostSpan>('last 6 months');
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4">
      <header className="flex flex-wrap items-end justify-between gap-3">
        <h1>Cost and waste</h1>
        <div className="flex flex-wrap items-end gap-3">
          <SelectField label="Over" value={span} onChange={(event) => setSpan(event.target.value as CostSpan)}>
            {Object.keys(SPANS).map((each) => (
              <option key={each} value={each}>
                {each}
              </option>
            ))}
          </SelectField>
          <ExportLink file="product-use.csv">Uses as CSV</ExportLink>
        </div>
      </header>
      <MixingTabs />
      {today && <Asked from={addDays(today, -SPANS[span])} to={today} />}
    </div>
  );
}

const Asked = ({ from, to }: { readonly from: Day; readonly to: Day }) => (
  <Waiting query={useCosts(from, to)} what="The costs">
    {(costs) => <Costs costs={costs} />}
  </Waiting>
);

function Costs({ costs }: { readonly costs: CostsView }) {
  const money = useMoney();
  const units = useUnits();
  const total = costs.months.reduce((sum, { cost }) => sum + cost, 0);
  const visits = costs.months.reduce((sum, each) => sum + each.visits, 0);
  const thrown = costs.waste.reduce((sum, { cost }) => sum + cost, 0);
  if (visits === 0 && costs.waste.length === 0)
    return <Empty words="No visit used a product in that time. What is tapped as used at the table stands here." />;
  return (
    <>
      <div className="grid grid-cols-3 max-md:grid-cols-1 gap-3.5">
        <Big big={money(total)} words={`of product in ${visits} ${visits === 1 ? 'visit' : 'visits'}`} />
        <Big big={visits > 0 ? money(total / visits) : '–'} words="a visit" />
        <Big big={money(thrown)} words="mixed and poured away" tone="watch" />
      </div>
      {costs.unpriced > 0 && (
        <p className="text-watch font-semibold">
          {costs.unpriced} uses are of products without a price: they are not in these sums.
        </p>
      )}
      {costs.waste.length > 0 && (
        <Card title="Mixed and thrown away" aside="product poured down the drain, as a share of what was mixed">
          <WasteChart waste={costs.waste} />
        </Card>
      )}
      <div className="grid grid-cols-2 max-lg:grid-cols-1 gap-3.5 items-start">
        <Card title="By product">
          <Rows
            rows={costs.products.map(({ id, name, cost, ml }) => ({
              key: id,
              name: (
                <Link to={`/mixing/products/${id}`} className="text-pond underline">
                  {name}
                </Link>
              ),
              more: showStock(ml, units),
              cost,
            }))}
          />
        </Card>
        <Card title="By dog">
          <Rows
            rows={costs.dogs.map(({ id, name, cost, visits: times }) => ({
              key: id,
              name: (
                <Link to={`/dogs/${id}`} className="text-pond underline">
                  {name}
                </Link>
              ),
              more: `${times} × ${money(cost / times)}`,
              cost,
            }))}
          />
        </Card>
        <Card title="By month">
          <Rows
            rows={costs.months.toReversed().map(({ month, cost, visits: times }) => ({
              key: month,
              name: showMonth(month),
              more: `${times} ${times === 1 ? 'visit' : 'visits'}`,
              cost,
            }))}
          />
        </Card>
        <Card title="By visit">
          <Rows
            rows={costs.visits.map(({ visitId, dog, day, cost }) => ({
              key: visitId,
              name: (
                <Link to={`/visits/${visitId}/sheet`} className="text-pond underline">
                  {dog}
                </Link>
              ),
              more: showDay(day),
              cost,
            }))}
          />
        </Card>
      </div>
    </>
  );
}

interface BigProps {
  readonly big: string;
  readonly words: string;
  readonly tone?: 'plain' | 'watch';
}

const Big = ({ big, words, tone = 'plain' }: BigProps) => (
  <p className="bg-surface border border-line rounded-card px-4.5 py-3.5">
    <span className={`block text-[34px] font-bold leading-none ${tone === 'watch' ? 'text-watch' : ''}`}>{big}</span>
    <span className="text-soft">{words}</span>
  </p>
);

interface CostRow {
  readonly key: string;
  readonly name: ReactNode;
  readonly more: string;
  readonly cost: number;
}

/** Rows with a bar as long as the cost; the first ones, and the rest on asking. */
function Rows({ rows }: { readonly rows: readonly CostRow[] }) {
  const money = useMoney();
  const [all, setAll] = useState(false);
  const most = Math.max(...rows.map(({ cost }) => cost), 0.001);
  const shown = all ? rows : rows.slice(0, 8);
  return (
    <>
      <table className="w-full">
        <tbody>
          {shown.map(({ key, name, more, cost }) => (
            <tr key={key} className="border-t border-line first:border-0">
              <td className="py-1.5 pr-3">{name}</td>
              <td className="text-sm text-soft whitespace-nowrap pr-3">{more}</td>
              <td className="w-1/3">
                <span
                  aria-hidden
                  className="block h-2.5 rounded-full bg-pond"
                  style={{ width: `${(100 * cost) / most}%` }}
                />
              </td>
              <td className="text-right whitespace-nowrap pl-3 font-semibold">{money(cost)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length > shown.length && (
        <button type="button" className="text-pond underline min-h-11" onClick={() => setAll(true)}>
          {rows.length - shown.length} more
        </button>
      )}
    </>
  );
}
