import type { Measuring } from '@dewpond/core/dilution';
import { COMMON_PRACTICE, HOUSE_VALUE } from '@dewpond/core/provenance';
import { millilitres, showProduct, showVolume } from '@dewpond/core/units';
import { useUnits } from '../../../data/useUnits';
import { Button } from '../../../ui/Button';
import { SourceMark } from '../../../ui/SourceMark';
import type { MixAnswer } from '@dewpond/core/mixing';

interface OrderProps {
  readonly answer: MixAnswer;
  readonly how: Measuring;
  readonly strokeMl: number;
  readonly onTidy: (total: number) => void;
}

/** The order of the hands: warm water, product, turn; and what is to be known of this batch. */
export function MixOrder({ answer, how, strokeMl, onTidy }: OrderProps) {
  const units = useUnits();
  const volume = (ml: number) => showVolume(millilitres(ml), units);
  const product = (ml: number) => showProduct(millilitres(ml), units);
  const { tidy, warning } = answer;
  return (
    <div className="mt-4 pt-3 border-t border-line flex flex-col gap-2.5">
      <ol className="flex flex-wrap gap-x-6 gap-y-2">
        <Hand n={1} words={`${volume(how.water)} of warm water`} />
        <Hand
          n={2}
          words={
            how.by === 'millilitres'
              ? `${product(how.product)} of product, measured`
              : `${how.strokes} ${how.strokes === 1 ? 'stroke' : 'strokes'} of ${product(strokeMl)}`
          }
        />
        <Hand n={3} words="turn it, do not shake: less foam" />
      </ol>
      {tidy && Math.abs(tidy.total - how.total) > 0.5 && (
        <p className="flex flex-wrap items-center gap-3">
          <Button onClick={() => onTidy(tidy.total)}>Tidy: {volume(tidy.total)}</Button>
          <span className="text-soft">
            on a mark, {tidy.strokes} whole {tidy.strokes === 1 ? 'stroke' : 'strokes'} within 2 %
          </span>
        </p>
      )}
      {how.by === 'strokes, water fitted' && (
        <p className="text-soft">
          The water was fitted to whole strokes: {volume(how.total)} instead of what was asked.
        </p>
      )}
      {how.by === 'millilitres' && strokeMl > 0 && (
        <p className="text-soft">No whole number of strokes comes within the limits here: measure the product.</p>
      )}
      {warning && (
        <p role="alert" className="rounded-xl bg-watch-pale text-watch font-semibold px-4 py-2">
          {warning}
        </p>
      )}
      <p className="text-sm text-soft">
        Accepted from 10 % weaker to 5 % stronger than the label, medicated within 2 %.{' '}
        <SourceMark source={HOUSE_VALUE} /> Thrown away at the end of the day.{' '}
        <SourceMark source={COMMON_PRACTICE} because="A made-up mix holds no preservative." />
      </p>
    </div>
  );
}

const Hand = ({ n, words }: { readonly n: number; readonly words: string }) => (
  <li className="flex items-center gap-2">
    <span className="grid place-items-center size-8 rounded-full bg-pond-pale text-pond font-bold shrink-0">{n}</span>
    <span className="font-semibold">{words}</span>
  </li>
);
