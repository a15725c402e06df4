import { millilitres, showProduct, showVolume } from '@dewpond/core/units';
import { useUnits } from '../../../data/useUnits';
import { BottleDrawing } from '../../../drawings/BottleDrawing';
import type { SplitBottle } from '@dewpond/core/mixing';

/** One batch over several bottles of the business: each to its own mark, with its own strokes. */
export function SplitOver({ split, strokeMl }: { readonly split: readonly SplitBottle[]; readonly strokeMl: number }) {
  const units = useUnits();
  const volume = (ml: number) => showVolume(millilitres(ml), units);
  const product = (ml: number) => showProduct(millilitres(ml), units);
  const sum = split.reduce((all, { total }) => all + total, 0);
  return (
    <section aria-label="Split over bottles" className="mt-4 pt-3 border-t border-line">
      <p className="font-semibold mb-2">
        {split.length === 1
          ? `Another bottle takes it whole, ${volume(sum)} in all.`
          : `Over ${split.length} bottles, ${volume(sum)} in all: fewest bottles with little left over.`}
      </p>
      <ul className="flex flex-wrap gap-x-6 gap-y-4">
        {split.map(({ bottle, total, how }, i) => (
          <li key={`${bottle.id} ${i}`} className="flex gap-2.5 items-end">
            <BottleDrawing
              product={how.product}
              water={how.water}
              brim={bottle.brim}
              graduation={bottle.graduation}
              height={110}
              label={`${bottle.name} to ${volume(total)}`}
            />
            <span className="text-sm leading-snug">
              <b className="block text-base">{bottle.name}</b>
              to {volume(total)}
              <span className="block">
                {how.by === 'millilitres'
                  ? `${product(how.product)} product`
                  : `${how.strokes} × ${product(strokeMl)} product`}
              </span>
              <span className="block">{volume(how.water)} water</span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
