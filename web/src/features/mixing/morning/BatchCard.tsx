import type { BatchView, FillView } from '@dewpond/contract';
import { PRODUCT_LABEL } from '@dewpond/core/provenance';
import { millilitres, showProduct, showVolume, type Day } from '@dewpond/core/units';
import { useState } from 'react';
import { counted } from '../../../browser/counted';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { makeStale } from '../../../data/stale';
import { useMoney } from '../../../data/useMoney';
import { useUnits } from '../../../data/useUnits';
import { BottleDrawing } from '../../../drawings/BottleDrawing';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { Chip } from '../../../ui/Chip';
import { SelectField } from '../../../ui/SelectField';
import { SourceMark } from '../../../ui/SourceMark';
import { tell } from '../../../ui/tell';
import { PourList } from './PourList';
import { TickBox } from './TickBox';
import { showDay } from '../../../browser/times';
import { May } from '../../../parts/May';

/** One product at one strength: its bottles, what goes into each, and who gets them. */
export function BatchCard({ batch }: { readonly batch: BatchView }) {
  const units = useUnits();
  const money = useMoney();
  const volume = (ml: number) => showVolume(millilitres(ml), units);
  const usable = batch.lots.filter(({ expired }) => !expired);
  const open = usable.filter((lot) => lot.open);
  const [lotId, setLotId] = useState(open.length === 1 ? (open[0]?.id ?? '') : '');
  const mustChoose = open.length > 1 && lotId === '';
  return (
    <Card
      title={
        <span className="flex flex-wrap items-center gap-x-2.5 gap-y-1">
          {batch.product.name} {batch.strength}
          {batch.forDog && <Chip tone="watch">only for {batch.forDog.name}</Chip>}
        </span>
      }
    >
      <p className="text-sm text-soft -mt-1.5 mb-2.5">
        {batch.openMixes.length > 0
          ? `${volume(batch.need)} needed in all, ${volume(batch.wanted)} still to mix, a tenth of it reserve`
          : `${volume(batch.need)} needed, ${volume(batch.wanted)} with a tenth in reserve`}
        {batch.cost !== null && batch.bottles.length > 0 && `, ${money(batch.cost)} of product`}. {batch.product.hazard}{' '}
        <SourceMark source={PRODUCT_LABEL} because="What its label warns of, then what holds for every mix." />
      </p>
      {open.length > 1 && (
        <div className="max-w-72 mb-3">
          <SelectField
            label="From which lot? Two are open."
            value={lotId}
            onChange={(event) => setLotId(event.target.value)}
          >
            <option value="">choose</option>
            {usable.map((lot) => (
              <option key={lot.id} value={lot.id}>
                {lot.number}
                {lot.expires ? `, until ${showDay(lot.expires as Day)}` : ''}
              </option>
            ))}
          </SelectField>
        </div>
      )}
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(270px,1fr))] gap-x-5 gap-y-4">
        {batch.bottles.map((fill, i) => (
          <Fill
            key={`${fill.bottle.id} ${i}`}
            fill={fill}
            batch={batch}
            lotIds={lotId === '' ? [] : [lotId]}
            blocked={mustChoose ? 'Say first from which lot.' : null}
          />
        ))}
      </ul>
      {batch.atMostAbove > 0 && (
        <p className="mt-3 text-sm text-soft">
          The best bottles found in the time there is: the best of all would make at most{' '}
          {(batch.atMostAbove * 100).toFixed(1)} % less mix.
        </p>
      )}
      {batch.unbottled > 0 && (
        <p role="alert" className="mt-3 rounded-xl bg-watch-pale text-watch font-semibold px-4 py-2">
          No bottle is left for {volume(batch.unbottled)}
          {batch.unserved.length > 0 && `, so ${batch.unserved.map(({ dog }) => dog).join(', ')} would go short`}: wash
          one, and it stands here.
        </p>
      )}
    </Card>
  );
}

interface FillProps {
  readonly fill: FillView;
  readonly batch: BatchView;
  readonly lotIds: string[];
  readonly blocked: string | null;
}

function Fill({ fill, batch, lotIds, blocked }: FillProps) {
  const units = useUnits();
  const volume = (ml: number) => showVolume(millilitres(ml), units);
  const product = (ml: number) => showProduct(millilitres(ml), units);
  const made = useMadeMix(batch.product.name);
  return (
    <li className="flex gap-3.5 break-inside-avoid">
      <BottleDrawing
        product={fill.product}
        water={fill.water}
        brim={fill.bottle.brim}
        graduation={fill.bottle.graduation}
        height={128}
        label={`${fill.bottle.name} to ${volume(fill.total)}`}
      />
      <div className="min-w-0 flex-1">
        <p className="font-bold">{fill.bottle.name}</p>
        <p className="text-[28px] font-bold leading-tight">
          {fill.strokes === null ? product(fill.product) : counted(fill.strokes, 'stroke')}
        </p>
        <p className="text-soft text-sm">
          {fill.strokes === null
            ? 'of product, measured'
            : `of ${product(batch.strokeMl ?? 0)}, ${product(fill.product)} of product`}
          <br />
          later water to {volume(fill.total)}, comes to {fill.realised}
        </p>
        <PourList pours={fill.pours} />
        {blocked ? (
          <p className="text-watch font-semibold mt-2">{blocked}</p>
        ) : (
          <May deed="mix">
            <Button
              look="main"
              className="no-print mt-2 w-full"
              disabled={made.isPending}
              onClick={() =>
                made.mutate({
                  productId: batch.product.id,
                  waterParts: batch.waterParts,
                  bottleId: fill.bottle.id,
                  strokes: fill.strokes,
                  productMl: fill.product,
                  totalMl: fill.total,
                  forDogId: batch.forDog?.id ?? null,
                  lotIds,
                })
              }
            >
              Product is in
            </Button>
          </May>
        )}
        <TickBox />
      </div>
    </li>
  );
}

/** Puts a mix on the bench; what was ticked by mistake is taken back. */
function useMadeMix(name: string) {
  return useWrite('POST /api/mixes', {
    write: async (id, body: Omit<Parameters<typeof makeMix>[0], 'id'>) => ({ ...(await makeMix({ ...body, id })), id }),
    onSuccess: ({ id }) => {
      tell(`${name} is in its bottle.`, { undo: () => void takeBack(id) });
    },
    tells: true,
  });
}

const makeMix = (body: NonNullable<NonNullable<Parameters<typeof call<'POST /api/mixes'>>[1]>['body']>) =>
  call('POST /api/mixes', { body });

async function takeBack(id: string): Promise<void> {
  await call('PUT /api/mixes/:id', { id, body: { version: 1, step: 'taken back' } })
    .then(() => tell('Taken back: the stock has it again.'))
    .catch((error: Error) => tell(error.message, { tone: 'stop' }));
  await makeStale(['PUT /api/mixes/:id']);
}
