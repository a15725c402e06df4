import type { HouseView } from '@dewpond/contract';
import { showStrength, strengthOf, type Lead } from '@dewpond/core/dilution';
import { useMemo, useState } from 'react';
import { Card } from '../../ui/Card';
import { SelectField, TextField } from '../../ui/Field';
import { VolumeField } from '../../ui/VolumeField';
import { classes } from '../../ui/classes';
import { freeBottles } from './bottles';
import { mixOfDog, reckon, type DogLike } from './calculator';
import { LeadPicture } from './LeadPicture';
import { MixOrder } from './MixOrder';
import { OntoBench } from './OntoBench';
import { Readings } from './Readings';
import { SplitOver } from './SplitOver';
import { useUnits } from '../../app/useUnits';

/** A fresh batch: product, ratio and bottle at the left; the picture at the right, where any one number leads. */
export function MixFresh({ house }: { readonly house: HouseView }) {
  const units = useUnits();
  const bottles = useMemo(() => freeBottles(house.bottles), [house.bottles]);
  const [productId, setProductId] = useState(house.products.find((each) => each.strength !== null)?.id ?? '');
  const product = house.products.find((each) => each.id === productId);
  const [label, setLabel] = useState(product?.label ?? '50:1');
  const [reading, setReading] = useState<0 | 1>(0);
  const [within, setWithin] = useState<string | null>(product?.waterParts ?? null);
  const [bottleId, setBottleId] = useState(bottles[1]?.bottle.id ?? bottles[0]?.bottle.id ?? '');
  const bottle = (bottles.find((each) => each.bottle.id === bottleId) ?? bottles[0])?.bottle;
  const [lead, setLead] = useState<Lead>({ by: 'total', ml: 500 });
  const [stroke, setStroke] = useState(product?.strokeMl ?? 0);
  const [like, setLike] = useState<DogLike>('middle, half-length, 15 kg');
  const each = mixOfDog(like, house.ways.washes === 'two' ? 2 : 1);
  const medicated = product?.kind === 'medicated';
  const answer = useMemo(
    () =>
      bottle &&
      reckon({
        label,
        medicated,
        oneToN: house.ways.readsOneTo,
        reading,
        within,
        lead,
        stroke,
        bottle,
        bottles,
        units,
      }),
    [label, medicated, house.ways.readsOneTo, reading, within, lead, stroke, bottle, bottles, units],
  );
  if (!bottle || !answer) return null;
  const misread =
    answer.label.kind === 'unreadable' || answer.label.kind === 'ask for the dilution' ? answer.label.why : undefined;
  const choose = (id: string) => {
    const next = house.products.find((one) => one.id === id);
    setProductId(id);
    if (!next) return;
    setLabel(next.label);
    setStroke(next.strokeMl ?? 0);
    setWithin(next.waterParts);
    setReading(0);
  };
  const changeLike = (next: DogLike) => {
    setLike(next);
    if (lead.by === 'dogs') setLead({ ...lead, each: mixOfDog(next, house.ways.washes === 'two' ? 2 : 1) });
  };
  return (
    <div className="grid grid-cols-[340px_1fr] max-lg:grid-cols-1 gap-3.5 items-start">
      <Card title="What goes in">
        <div className="grid grid-cols-2 gap-3">
          <div className="col-span-2">
            <SelectField label="Product" value={productId} onChange={(event) => choose(event.target.value)}>
              {house.products.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </SelectField>
          </div>
          <div className="col-span-2">
            <TextField
              label="Ratio, as printed on the label"
              value={label}
              onChange={(event) => setLabel(event.target.value)}
              error={misread}
              hint="50:1, 1 in 50, 1:50, 2 %, 20 ml/l, 10:1 to 32:1"
            />
          </div>
          {answer.label.kind === 'ask which' && <Readings answer={answer} chosen={reading} onChoose={setReading} />}
          {answer.label.kind === 'range' && (
            <Purposes purposes={product?.purposes ?? []} ends={answer.label} chosen={within} onChoose={setWithin} />
          )}
          <div className="col-span-2">
            <SelectField label="Bottle" value={bottle.id} onChange={(event) => setBottleId(event.target.value)}>
              {bottles.map(({ bottle: one }) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </SelectField>
          </div>
          <div className="col-span-2">
            <VolumeField
              label="One stroke of its pump"
              ml={stroke}
              onMl={setStroke}
              hint={stroke > 0 ? 'From ten strokes, see Bottles and pumps.' : 'Not calibrated: measure the product.'}
            />
          </div>
        </div>
      </Card>
      {answer.label.kind === 'ready to use' ? (
        <Card title="Ready to use">Never diluted: use it as it is.</Card>
      ) : (
        <Card title={`${product?.name ?? 'Mix'}, any number leads`}>
          <LeadPicture
            answer={answer}
            bottle={bottle}
            lead={lead}
            onLead={setLead}
            strokeMl={stroke}
            like={like}
            onLike={changeLike}
            each={each}
          />
          {answer.problem && !misread && (
            <p role="alert" className="mt-3 rounded-xl bg-watch-pale text-watch font-semibold px-4 py-2">
              {answer.problem}
            </p>
          )}
          {answer.split && <SplitOver split={answer.split} strokeMl={stroke} />}
          {answer.how && !answer.split && (
            <MixOrder
              answer={answer}
              how={answer.how}
              strokeMl={stroke}
              onTidy={(total) => setLead({ by: 'total', ml: total })}
            />
          )}
          {answer.how && !answer.split && answer.strength && product && (
            <OntoBench product={product} strength={answer.strength} how={answer.how} bottle={bottle} />
          )}
        </Card>
      )}
    </div>
  );
}

interface PurposesProps {
  readonly purposes: HouseView['products'][number]['purposes'];
  readonly ends: {
    readonly strongest: { readonly strength: ReturnType<typeof strengthOf> };
    readonly weakest: { readonly strength: ReturnType<typeof strengthOf> };
  };
  readonly chosen: string | null;
  readonly onChoose: (waterParts: string) => void;
}

/** A label that gives a range: its purposes, else its two ends. */
function Purposes({ purposes, ends, chosen, onChoose }: PurposesProps) {
  const list =
    purposes.length > 0
      ? purposes
      : [
          { purpose: 'strongest', waterParts: ends.strongest.strength.water.toFraction() },
          { purpose: 'gentlest', waterParts: ends.weakest.strength.water.toFraction() },
        ];
  const now = chosen ?? ends.weakest.strength.water.toFraction();
  return (
    <div role="radiogroup" aria-label="For what" className="col-span-2 flex flex-wrap gap-2">
      {list.map(({ purpose, waterParts }) => (
        <button
          key={purpose}
          type="button"
          role="radio"
          aria-checked={now === waterParts}
          onClick={() => onChoose(waterParts)}
          className={classes(
            'rounded-xl border px-3 py-1.5 text-left text-sm leading-snug min-h-11',
            now === waterParts ? 'border-pond bg-pond-pale' : 'border-line',
          )}
        >
          <b className="block text-base">{showStrength(strengthOf(waterParts))}</b>
          {purpose}
        </button>
      ))}
    </div>
  );
}
