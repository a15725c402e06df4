import { finishing, type Finish } from '@dewpond/core/visit';
import type { Step } from '@dewpond/core/steps';
import { COMMON_PRACTICE } from '@dewpond/core/provenance';
import { millilitres, showVolume } from '@dewpond/core/units';
import { Check } from 'lucide-react';
import { useBusiness } from '../../data/queries';
import { useUnits } from '../../data/useUnits';
import { SourceMark } from '../../ui/SourceMark';
import { classes } from '../../ui/classes';
import type { TableWork } from './useTable';
import { record } from './visitLog';

/** Products of the shelf that can finish this step; what must not come onto this dog stands there with why. */
export function FinishWith({ table, step }: { readonly table: TableWork; readonly step: Step }) {
  const products = (useBusiness().data?.products ?? []).filter(({ archivedOn }) => archivedOn === null);
  const list = finishing(table, step, products);
  if (list.length === 0) return null;
  return (
    <section aria-label="To finish" className="mt-4 max-w-3xl">
      <h2 className="mb-1.5">To finish, if at all</h2>
      <ul className="flex flex-col gap-1.5">
        {list.map((each) => (
          <Row key={each.product.id} table={table} finish={each} />
        ))}
      </ul>
    </section>
  );
}

function Row({
  table,
  finish: { product, ml, mind, against },
}: {
  readonly table: TableWork;
  readonly finish: Finish;
}) {
  const units = useUnits();
  const isUsed = table.state.used.some((each) => each.product === product.id && each.ml > 0);
  const tell = (amount: number) =>
    record({
      type: 'used',
      product: product.id,
      name: product.name,
      ml: amount,
      planned: ml,
      how: amount === ml ? 'as planned' : 'measured',
      tasks: [],
    });
  return (
    <li className="flex items-stretch rounded-xl border border-line bg-surface overflow-hidden">
      <span className="flex-1 min-w-0 px-3 py-2">
        <span className="block font-semibold leading-tight">{product.name}</span>
        <span className={classes('block text-sm leading-snug', against ? 'text-watch font-semibold' : 'text-soft')}>
          {against ? `Not today: it ${against}.` : `${showVolume(millilitres(ml), units)}. ${mind}`}{' '}
          <SourceMark source={COMMON_PRACTICE} />
        </span>
      </span>
      <button
        type="button"
        aria-pressed={isUsed}
        aria-label={`${isUsed ? 'Not used after all' : 'Used'}: ${product.name}`}
        disabled={against !== null && !isUsed}
        onClick={() => tell(isUsed ? 0 : ml)}
        className={classes(
          'grid place-items-center w-20 min-h-15 border-l border-line font-semibold disabled:text-soft disabled:opacity-60',
          isUsed ? 'bg-reed-pale text-reed' : 'hover:bg-pond-pale',
        )}
      >
        {isUsed ? <Check size={24} aria-hidden /> : 'Used'}
      </button>
    </li>
  );
}
