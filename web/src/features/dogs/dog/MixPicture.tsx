import type { MixView } from '@dewpond/contract';
import { HOUSE_VALUE, DOGS_RECORD } from '@dewpond/core/provenance';
import { millilitres, showProduct, showVolume } from '@dewpond/core/units';
import { counted } from '../../../browser/counted';
import { useUnits } from '../../../data/useUnits';
import { BottleDrawing } from '../../../drawings/BottleDrawing';
import { SourceMark } from '../../../ui/SourceMark';

const percent = (share: number): string =>
  `${share > 0 ? '+' : share < 0 ? '−' : '±'}${Math.abs(share * 100).toFixed(1)} %`;

/** One product of a bath: product, ratio, bottle, millilitres, strokes, and how the amount was reckoned. */
export function MixPicture({ view }: { readonly view: MixView }) {
  const units = useUnits();
  const { product, mix, strokeMl, working, note } = view;
  const volume = (ml: number) => showVolume(millilitres(ml), units);
  const fine = (ml: number) => showProduct(millilitres(ml), units);
  const { made } = mix;
  return (
    <div>
      <p className="font-bold">{product.name}</p>
      <p className="text-sm text-soft mb-2">
        label {product.label}
        {product.strength && product.strength !== product.label && `, read as ${product.strength}`}
        {note && ` · ${note}`}
      </p>
      {made ? (
        <div className="flex gap-4">
          <BottleDrawing
            product={made.product}
            water={made.water}
            brim={made.bottle.brim}
            graduation={made.bottle.graduation}
            height={170}
            label={`${made.bottle.name}: ${fine(made.product)} product, ${volume(made.water)} water`}
          />
          <dl className="grid grid-cols-[auto_auto] content-start gap-x-3 gap-y-0.5 justify-start">
            <dt className="text-soft">product</dt>
            <dd className="font-bold text-xl leading-tight">
              {fine(made.product)}
              {made.strokes !== null && (
                <span className="block text-base font-semibold text-pond">
                  {counted(made.strokes, 'stroke')}
                  {strokeMl !== null && ` of ${fine(strokeMl)}`}
                </span>
              )}
            </dd>
            <dt className="text-soft">water</dt>
            <dd>{volume(made.water)}</dd>
            <dt className="text-soft">to mark</dt>
            <dd className="font-semibold">{volume(made.total)}</dd>
            <dt className="text-soft">bottle</dt>
            <dd>
              {made.bottle.name}
              {made.batches > 1 ? `, ${made.batches} times` : ''}
            </dd>
            <dt className="text-soft">comes to</dt>
            <dd>
              {made.realised} ({percent(made.error)})
            </dd>
          </dl>
        </div>
      ) : (
        <p>
          <b>{volume(mix.need)}</b>
          {mix.kind === 'no bottle' ? ': the business has no bottle to mix it in.' : ', as it is: never diluted.'}
        </p>
      )}
      <p className="text-sm text-soft mt-2">
        {working.area.toFixed(2)} m² of skin
        {working.wash1 > 0 &&
          working.wash2 > 0 &&
          `: ${volume(working.wash1)} for wash 1, ${volume(working.wash2)} for wash 2`}
        {made && `, ${Math.round(working.reserve * 100)} % reserve`}.{' '}
        <SourceMark
          source={HOUSE_VALUE}
          because="Skin area × house amount per m² × coat length × density. The second wash takes half of that."
        />
        {Math.abs(working.factor - 1) > 0.01 && (
          <>
            {' '}
            This dog’s own factor {working.factor.toFixed(2)}.{' '}
            <SourceMark source={DOGS_RECORD} because="Learned from what was used, slowly." />
          </>
        )}
      </p>
    </div>
  );
}
