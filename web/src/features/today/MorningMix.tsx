import type { MixingView, FillView } from '@dewpond/contract';
import { millilitres, showProduct, showVolume } from '@dewpond/core/units';
import { counted } from '../../browser/counted';
import { useMixing } from '../../data/queries';
import { useUnits } from '../../data/useUnits';
import { BottleDrawing } from '../../drawings/BottleDrawing';
import { ButtonLink } from '../../ui/ButtonLink';
import { Card } from '../../ui/Card';
import { Waiting } from '../../ui/Waiting';

/** What to make up before the first dog, and what stands that may no longer be used. */
export function MorningMix() {
  return (
    <Card title="Mix this morning" aside="thrown away at the end of the day">
      <Waiting query={useMixing()} what="The morning mix">
        {(mixing) => <Bottles mixing={mixing} />}
      </Waiting>
    </Card>
  );
}

function Bottles({ mixing }: { readonly mixing: MixingView }) {
  const units = useUnits();
  const fills = mixing.batches.flatMap((batch) => batch.bottles.map((fill) => ({ batch, fill })));
  const past = mixing.openMixes.filter(({ discardAt }) => mixing.serverNow >= Date.parse(discardAt));
  const open = mixing.openMixes.length - past.length;
  return (
    <>
      {past.map((mix) => (
        <p key={mix.id} className="mb-2 text-stop font-semibold">
          <s>
            {mix.bottle.name}: {mix.product.name}
          </s>{' '}
          is past its time: pour it away.
        </p>
      ))}
      {fills.length === 0 && <p className="text-soft">{open > 0 ? 'All is mixed.' : 'Nothing to mix today.'}</p>}
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(190px,1fr))] gap-x-3 gap-y-4">
        {fills.map(({ batch, fill }, i) => (
          <li key={`${batch.product.id} ${fill.bottle.id} ${i}`}>
            <SmallBottle batch={batch} fill={fill} />
          </li>
        ))}
      </ul>
      {mixing.asItIs.map(({ product, need, dogs }) => (
        <p key={product.id} className="mt-2 text-sm">
          <b>{product.name}</b>, as it is: {showVolume(millilitres(need), units)} in all, for{' '}
          {dogs.map(({ dog }) => dog).join(', ')}.
        </p>
      ))}
      <p className="mt-3 flex flex-wrap items-center gap-3">
        <ButtonLink to="/mixing/morning" look={fills.length > 0 ? 'main' : 'plain'}>
          Open the morning mix
        </ButtonLink>
        {open > 0 && (
          <span className="text-soft">
            {open} {open === 1 ? 'bottle stands' : 'bottles stand'} at the bench
          </span>
        )}
      </p>
    </>
  );
}

function SmallBottle({ batch, fill }: { readonly batch: MixingView['batches'][number]; readonly fill: FillView }) {
  const units = useUnits();
  const volume = (ml: number) => showVolume(millilitres(ml), units);
  return (
    <div className="flex gap-2.5">
      <BottleDrawing
        product={fill.product}
        water={fill.water}
        brim={fill.bottle.brim}
        graduation={fill.bottle.graduation}
        height={104}
        label={`${fill.bottle.name} of ${batch.product.name}`}
      />
      <div className="min-w-0 text-sm leading-snug">
        <p className={batch.forDog ? 'text-watch font-bold' : 'font-bold'}>
          {batch.product.name} {batch.strength}
        </p>
        <p className="text-xl font-bold leading-tight mt-1">
          {fill.strokes === null ? showProduct(millilitres(fill.product), units) : counted(fill.strokes, 'stroke')}
        </p>
        <p className="text-soft">
          to {volume(fill.total)}, {fill.bottle.name.toLowerCase()}
        </p>
        <p>{[...new Set(fill.pours.map(({ dog }) => dog))].join(', ')}</p>
      </div>
    </div>
  );
}
