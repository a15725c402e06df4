import type { HouseView } from '@dewpond/contract';
import type { Bottle } from '@dewpond/core/dilution';
import { showStrength } from '@dewpond/core/dilution';
import { COMMON_PRACTICE, HOUSE_VALUE } from '@dewpond/core/provenance';
import { millilitres, showVolume } from '@dewpond/core/units';
import { useMemo, useState } from 'react';
import { useUnits } from '../../app/useUnits';
import { useHouse, useToday } from '../../api/queries';
import { BottleDrawing } from '../../drawings/BottleDrawing';
import { Card } from '../../ui/Card';
import { SelectField, TextField } from '../../ui/Field';
import { SourceMark } from '../../ui/SourceMark';
import { Empty, Waiting } from '../../ui/Waiting';
import { classes } from '../../ui/classes';
import { MixPicture } from './MixPicture';
import { reckon, type Answer } from './reckon';

export function MixingScreen() {
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-3.5">
      <h1>Mixing bench</h1>
      <Waiting query={useHouse()} what="The bench">
        {(house) =>
          house.bottles.length === 0 ? <Empty words="The house has no bottles yet." /> : <Calculator house={house} />
        }
      </Waiting>
      <TodaysMixes />
    </div>
  );
}

const asBottle = (each: HouseView['bottles'][number]): Bottle => ({
  ...each,
  brim: millilitres(each.brim),
  line: millilitres(each.line),
  graduation: each.graduation === null ? null : millilitres(each.graduation),
});

function Calculator({ house }: { readonly house: HouseView }) {
  const units = useUnits();
  const bottles = useMemo(() => house.bottles.map(asBottle), [house.bottles]);
  const [productId, setProductId] = useState(house.products.find((each) => each.strength !== null)?.id ?? '');
  const product = house.products.find((each) => each.id === productId);
  const [label, setLabel] = useState(product?.label ?? '50:1');
  const [reading, setReading] = useState<0 | 1>(0);
  const [bottleId, setBottleId] = useState(bottles[1]?.id ?? bottles[0]?.id ?? '');
  const bottle = bottles.find((each) => each.id === bottleId) ?? bottles[0];
  const [total, setTotal] = useState('500');
  const [stroke, setStroke] = useState(String(product?.strokeMl ?? 5));
  const medicated = product?.kind === 'medicated';
  const answer = useMemo(
    () =>
      bottle &&
      reckon({
        label,
        medicated,
        oneToN: house.ways.readsOneTo,
        reading,
        total: Number(total),
        stroke: Number(stroke),
        bottle,
      }),
    [label, medicated, house.ways.readsOneTo, reading, total, stroke, bottle],
  );
  if (!bottle || !answer) return null;
  const choose = (id: string) => {
    const next = house.products.find((each) => each.id === id);
    setProductId(id);
    if (next) {
      setLabel(next.label);
      setStroke(String(next.strokeMl ?? 0));
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
          <TextField
            label="Mix wanted, ml"
            type="number"
            min={1}
            max={bottle.brim}
            value={total}
            onChange={(event) => setTotal(event.target.value)}
          />
          <TextField
            label="One stroke, ml"
            type="number"
            min={0}
            step={0.1}
            value={stroke}
            onChange={(event) => setStroke(event.target.value)}
            hint="0 = measured"
          />
          {answer.tidy && answer.tidy.total !== Number(total) && (
            <button
              type="button"
              onClick={() => setTotal(String(answer.tidy?.total))}
              className="self-start mt-6 rounded-xl border border-pond text-pond font-semibold px-3 min-h-11"
            >
              Tidy: {showVolume(answer.tidy.total, units)}
            </button>
          )}
        </div>
      </Card>
      <Result answer={answer} bottle={bottle} strokeMl={Number(stroke)} />
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

function Result({
  answer,
  bottle,
  strokeMl,
}: {
  readonly answer: Answer;
  readonly bottle: Bottle;
  readonly strokeMl: number;
}) {
  const units = useUnits();
  const { how } = answer;
  const volume = (ml: number) => showVolume(millilitres(ml), units);
  if (answer.label.kind === 'ready to use') return <Card title="Ready to use">Never diluted: use it as it is.</Card>;
  if (!how) return <Card title="Not yet">{answer.problem ?? 'Fill in the label.'}</Card>;
  const strokes = how.by === 'millilitres' ? null : how.strokes;
  return (
    <Card
      title={bottle.name}
      aside={`comes to ${showStrength(how.realised)}, ${how.error === 0 ? 'exactly the label' : `${Math.abs(how.error * 100).toFixed(1)} % ${how.error > 0 ? 'stronger' : 'weaker'} than the label`}`}
    >
      <div className="flex flex-wrap gap-8 items-center">
        <BottleDrawing
          product={how.product}
          water={how.water}
          brim={bottle.brim}
          graduation={bottle.graduation}
          height={300}
          label={`${bottle.name}: ${volume(how.product)} product, ${volume(how.water)} water`}
        />
        <ol className="flex flex-col gap-4">
          <Line n={1} big={volume(how.water)} words="warm water, late" />
          <Line
            n={2}
            big={strokes === null ? volume(how.product) : `${strokes} × ${strokeMl} ml`}
            words={strokes === null ? 'of product, by measure' : `strokes of product, ${volume(how.product)}`}
          />
          <Line n={3} big="Turn" words={`the bottle, do not shake: less foam. ${volume(how.total)} in all.`} />
        </ol>
      </div>
      {how.by === 'strokes, water fitted' && (
        <p className="mt-3 text-soft">
          The water was fitted to whole strokes: {volume(how.total)} instead of what was asked.
        </p>
      )}
      {how.by === 'millilitres' && strokeMl > 0 && (
        <p className="mt-3 text-soft">No whole number of strokes comes within the limits here: measure the product.</p>
      )}
      {answer.warning && (
        <p role="alert" className="mt-3 rounded-xl bg-watch-pale text-watch font-semibold px-4 py-2">
          {answer.warning}
        </p>
      )}
      <p className="mt-3 text-sm text-soft">
        Accepted from 10 % weaker to 5 % stronger than the label, medicated within 2 %.{' '}
        <SourceMark source={HOUSE_VALUE} /> A made-up mix is thrown away at the end of the day.{' '}
        <SourceMark source={COMMON_PRACTICE} because="It holds no preservative." />
      </p>
    </Card>
  );
}

function Line({ n, big, words }: { readonly n: number; readonly big: string; readonly words: string }) {
  return (
    <li className="flex items-baseline gap-3">
      <span className="grid place-items-center size-8 rounded-full bg-pond-pale text-pond font-bold shrink-0 self-center">
        {n}
      </span>
      <span>
        <span className="block text-[32px] font-bold leading-none">{big}</span>
        <span className="text-soft">{words}</span>
      </span>
    </li>
  );
}

function TodaysMixes() {
  const today = useToday();
  const all = today.data?.mixes.filter(({ mixes }) => mixes.length > 0) ?? [];
  if (all.length === 0) return null;
  return (
    <>
      <h2 className="mt-2">Today’s dogs</h2>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(330px,1fr))] gap-3.5">
        {all.map(({ appointmentId, dog, mixes }) => (
          <Card key={appointmentId} title={dog}>
            <div className="flex flex-col gap-4">
              {mixes.map((view) => (
                <MixPicture key={view.product.id} view={view} />
              ))}
            </div>
          </Card>
        ))}
      </div>
    </>
  );
}
