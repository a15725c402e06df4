import { usedMillilitres } from '@dewpond/core/dilution';
import { millilitres, showVolume } from '@dewpond/core/units';
import { useUnits } from '../../app/useUnits';
import { classes } from '../../ui/classes';
import type { Table } from './useTable';
import { record } from './visitLog';

const TAPS = ['as planned', 'a bit more', 'double'] as const;

/** What to take (at the first wash) and what was used (at the last rinse): one tap, and the dog's factor learns. */
export function UsedMix({ table, asks }: { readonly table: Table; readonly asks: boolean }) {
  const units = useUnits();
  return (
    <div className="flex flex-col gap-4 mt-2">
      {table.visit.mixes.map(({ product, mix }) => {
        const planned = millilitres(mix.need);
        const used = table.state.used.find((each) => each.product === product.id);
        return (
          <section key={product.id} aria-label={product.name}>
            <p className="text-lg">
              <b>{product.name}</b>
              {product.strength && ` ${product.strength}`}: {showVolume(planned, units)} of mix
              {asks ? ' planned. Used?' : ' for the bath'}
              {!asks && mix.made && `, ${mix.made.bottle.name.toLowerCase()}`}
            </p>
            {asks && (
              <div className="flex gap-2 mt-1.5">
                {TAPS.map((how) => (
                  <button
                    key={how}
                    type="button"
                    aria-pressed={used?.how === how}
                    onClick={() =>
                      record({
                        type: 'used',
                        product: product.id,
                        name: product.name,
                        ml: Math.round(usedMillilitres(how, planned)),
                        planned: Math.round(planned),
                        how,
                      })
                    }
                    className={classes(
                      'flex-1 rounded-xl border min-h-15 font-semibold',
                      used?.how === how
                        ? 'bg-pond text-on-pond border-pond'
                        : 'border-line bg-surface hover:bg-pond-pale',
                    )}
                  >
                    <span className="block first-letter:uppercase">{how}</span>
                    <span className="block text-sm font-normal">
                      {showVolume(usedMillilitres(how, planned), units)}
                    </span>
                  </button>
                ))}
              </div>
            )}
          </section>
        );
      })}
    </div>
  );
}
