import type { BusinessView } from '@dewpond/contract';
import { HOUSE_VALUE } from '@dewpond/core/provenance';
import { millilitres, showProduct, showVolume } from '@dewpond/core/units';
import { useState } from 'react';
import { useUnits } from '../../../data/useUnits';
import { Card } from '../../../ui/Card';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import { SourceMark } from '../../../ui/SourceMark';
import { VolumeField } from '../../../forms/VolumeField';
import { MixingAnswer, Figure, Refusal } from './MixingAnswer';
import { readRatio, toppingUp } from '@dewpond/core/mixing';

/** A left-over of another strength made into a full bottle of the right one. */
export function TopUpPanel({ business }: { readonly business: BusinessView }) {
  const units = useUnits();
  const [left, setLeft] = useState(200);
  const [now, setNow] = useState('32:1');
  const [madeToday, setMadeToday] = useState(true);
  const [total, setTotal] = useState(500);
  const [wanted, setWanted] = useState('50:1');
  const context = { medicated: false, oneToN: business.ways.readsOneTo };
  const [is, shouldBe] = [readRatio(now, context), readRatio(wanted, context)];
  const sum = toppingUp({ volume: left, strength: is, madeToday }, total, shouldBe);
  const show = (ml: number) => showVolume(millilitres(ml), units);
  return (
    <div className="grid grid-cols-[380px_1fr] max-lg:grid-cols-1 gap-3.5">
      <Card title="What is left, what you want">
        <div className="grid grid-cols-2 gap-3">
          <VolumeField label="Left in the bottle" ml={left} onMl={setLeft} autoFocus />
          <TextField
            label="It is"
            value={now}
            onChange={(event) => setNow(event.target.value)}
            error={is.kind === 'no answer' ? is.why : undefined}
            hint="32:1, 1 in 32"
          />
          <div className="col-span-2">
            <SelectField
              label="Mixed"
              value={madeToday ? 'today' : 'before'}
              onChange={(event) => setMadeToday(event.target.value === 'today')}
            >
              <option value="today">today</option>
              <option value="before">before today</option>
            </SelectField>
          </div>
          <VolumeField label="Wanted in all" ml={total} onMl={setTotal} />
          <TextField
            label="It should be"
            value={wanted}
            onChange={(event) => setWanted(event.target.value)}
            error={shouldBe.kind === 'no answer' ? shouldBe.why : undefined}
          />
        </div>
      </Card>
      {sum.kind === 'no answer' ? (
        <MixingAnswer title="Not yet">
          <Refusal why={sum.why} />
        </MixingAnswer>
      ) : sum.topUp.kind === 'refused' ? (
        <MixingAnswer title="That cannot be">
          <Refusal why={sum.topUp.why} />
        </MixingAnswer>
      ) : (
        <MixingAnswer
          title={`${show(total)} at ${wanted}`}
          bottle={{ below: left, above: total - left, label: 'dark: the left-over; pale: what is added' }}
        >
          <Figure big={show(sum.topUp.add.water)} words="of warm water to the left-over" />
          <Figure big={showProduct(sum.topUp.add.product, units)} words="of product, then turn" />
          <p className="text-soft">
            It keeps the older mixed-at time, so all of it goes at the end of the day.{' '}
            <SourceMark source={HOUSE_VALUE} because="A made-up mix holds no preservative." />
          </p>
        </MixingAnswer>
      )}
    </div>
  );
}
