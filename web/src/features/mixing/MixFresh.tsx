import type { HouseView } from '@dewpond/contract';
import { showStrength, type Bottle } from '@dewpond/core/dilution';
import { millilitres, showVolume } from '@dewpond/core/units';
import { useMemo, useState } from 'react';
import { useUnits } from '../../app/useUnits';
import { Card } from '../../ui/Card';
import { SelectField, TextField } from '../../ui/Field';
import { VolumeField } from '../../ui/VolumeField';
import { classes } from '../../ui/classes';
import { MixResult } from './MixResult';
import { reckon, type Answer } from './reckon';

const asBottle = (each: HouseView['bottles'][number]): Bottle => ({
  ...each,
  brim: millilitres(each.brim),
  line: millilitres(each.line),
  graduation: each.graduation === null ? null : millilitres(each.graduation),
});

/** A fresh batch: product, ratio, bottle and volume in; strokes, water and the bottle to scale out. */
export function MixFresh({ house }: { readonly house: HouseView }) {
  const units = useUnits();
  const bottles = useMemo(() => house.bottles.map(asBottle), [house.bottles]);
  const [productId, setProductId] = useState(house.products.find((each) => each.strength !== null)?.id ?? '');
  const product = house.products.find((each) => each.id === productId);
  const [label, setLabel] = useState(product?.label ?? '50:1');
  const [reading, setReading] = useState<0 | 1>(0);
  const [bottleId, setBottleId] = useState(bottles[1]?.id ?? bottles[0]?.id ?? '');
  const bottle = bottles.find((each) => each.id === bottleId) ?? bottles[0];
  const [total, setTotal] = useState(500);
  const [stroke, setStroke] = useState(product?.strokeMl ?? 5);
  const medicated = product?.kind === 'medicated';
  const answer = useMemo(
    () =>
      bottle &&
      reckon({
        label,
        medicated,
        oneToN: house.ways.readsOneTo,
        reading,
        total,
        stroke,
        bottle,
        units,
      }),
    [label, medicated, house.ways.readsOneTo, reading, total, stroke, bottle, units],
  );
  if (!bottle || !answer) return null;
  const choose = (id: string) => {
    const next = house.products.find((each) => each.id === id);
    setProductId(id);
    if (next) {
      setLabel(next.label);
      setStroke(next.strokeMl ?? 0);
    }
  };
  return (
    <div className="grid grid-cols-[380px_1fr] max-lg:grid-cols-1 gap-3.5">
      <Card title="What goes in">
        <div className="grid grid-cols-2 gap-3">
          <div className="col-span-2">
            <SelectField label="Product" value={productId} onChange={(event) => choose(event.target.value)}>
              {house.products.map((each) => (
                <option key={each.id} value={each.id}>
                  {each.name}
                </option>
              ))}
            </SelectField>
          </div>
          <div className="col-span-2">
            <TextField
              label="Ratio, as printed on the label"
              value={label}
              onChange={(event) => setLabel(event.target.value)}
              error={answer.problem ?? undefined}
              hint="50:1, 1 in 50, 1:50, 2 %, 20 ml/l"
              autoFocus
            />
          </div>
          {answer.label.kind === 'ask which' && <Readings answer={answer} chosen={reading} onChoose={setReading} />}
          <SelectField label="Bottle" value={bottle.id} onChange={(event) => setBottleId(event.target.value)}>
            {bottles.map((each) => (
              <option key={each.id} value={each.id}>
                {each.name}
              </option>
            ))}
          </SelectField>
          <VolumeField label="Mix wanted" ml={total} onMl={setTotal} />
          <VolumeField label="One stroke" ml={stroke} onMl={setStroke} hint="0 = measured" />
          {answer.tidy && answer.tidy.total !== total && (
            <button
              type="button"
              onClick={() => setTotal(answer.tidy?.total ?? total)}
              className="self-start mt-6 rounded-xl border border-pond text-pond font-semibold px-3 min-h-11"
            >
              Tidy: {showVolume(answer.tidy.total, units)}
            </button>
          )}
        </div>
      </Card>
      <MixResult answer={answer} bottle={bottle} strokeMl={stroke} />
    </div>
  );
}

function Readings({
  answer,
  chosen,
  onChoose,
}: {
  readonly answer: Answer;
  readonly chosen: 0 | 1;
  readonly onChoose: (reading: 0 | 1) => void;
}) {
  if (answer.label.kind !== 'ask which') return null;
  return (
    <div role="radiogroup" aria-label="Two ways to read it" className="col-span-2 grid grid-cols-2 gap-2">
      {answer.label.readings.map((reading, i) => (
        <button
          key={reading.words}
          type="button"
          role="radio"
          aria-checked={chosen === i}
          onClick={() => onChoose(i as 0 | 1)}
          className={classes(
            'rounded-xl border p-2.5 text-left text-sm leading-snug',
            chosen === i ? 'border-pond bg-pond-pale' : 'border-line',
          )}
        >
          <b className="block text-base">{showStrength(reading.strength)}</b>
          {reading.words}
        </button>
      ))}
    </div>
  );
}
