import type { BusinessView } from '@dewpond/contract';
import { toppingUp } from '@dewpond/core/mixing';
import { HOUSE_VALUE } from '@dewpond/core/provenance';
import { millilitres, showProduct, showVolume } from '@dewpond/core/units';
import { useState } from 'react';
import { useUnits } from '../../../data/useUnits';
import { VolumeField } from '../../../forms/VolumeField';
import { SelectField } from '../../../ui/SelectField';
import { SourceMark } from '../../../ui/SourceMark';
import { Figure, MixingAnswer } from './MixingAnswer';
import { RatioField, useRatio } from './RatioField';
import { SumPanel } from './SumPanel';

/** A left-over of another strength made into a full bottle of the right one. */
export function TopUpPanel({ business }: { readonly business: BusinessView }) {
  const units = useUnits();
  const [left, setLeft] = useState(200);
  const [madeToday, setMadeToday] = useState(true);
  const [total, setTotal] = useState(500);
  const now = useRatio('32:1', business);
  const wanted = useRatio('50:1', business);
  const sum = toppingUp({ volume: left, strength: now.read, madeToday }, total, wanted.read);
  const topUp = sum.kind === 'answer' ? sum.topUp : null;
  const show = (ml: number) => showVolume(millilitres(ml), units);
  return (
    <SumPanel
      title="What is left, what you want"
      fields={
        <>
          <VolumeField label="Left in the bottle" ml={left} onMl={setLeft} autoFocus />
          <RatioField label="It is" ratio={now} hint="32:1, 1 in 32" />
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
          <RatioField label="It should be" ratio={wanted} />
        </>
      }
      refused={
        sum.kind === 'no answer'
          ? { title: 'Not yet', why: sum.why }
          : sum.topUp.kind === 'refused'
            ? { title: 'That cannot be', why: sum.topUp.why }
            : null
      }
    >
      {topUp && topUp.kind !== 'refused' && (
        <MixingAnswer
          title={`${show(total)} at ${wanted.text}`}
          bottle={{ below: left, above: total - left, label: 'dark: the left-over; pale: what is added' }}
        >
          <Figure big={show(topUp.add.water)} words="of warm water to the left-over" />
          <Figure big={showProduct(topUp.add.product, units)} words="of product, then turn" />
          <p className="text-soft">
            It keeps the older mixed-at time, so all of it goes at the end of the day.{' '}
            <SourceMark source={HOUSE_VALUE} because="A made-up mix holds no preservative." />
          </p>
        </MixingAnswer>
      )}
    </SumPanel>
  );
}
