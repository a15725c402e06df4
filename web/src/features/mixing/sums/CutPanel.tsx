import type { BusinessView } from '@dewpond/contract';
import { cutting } from '@dewpond/core/mixing';
import { millilitres, showVolume } from '@dewpond/core/units';
import { useState } from 'react';
import { useUnits } from '../../../data/useUnits';
import { VolumeField } from '../../../forms/VolumeField';
import { Figure, MixingAnswer } from './MixingAnswer';
import { RatioField, useRatio } from './RatioField';
import { SumPanel } from './SumPanel';

/** Water that weakens a mix that is already made. */
export function CutPanel({ business }: { readonly business: BusinessView }) {
  const units = useUnits();
  const [volume, setVolume] = useState(300);
  const now = useRatio('10:1', business);
  const wanted = useRatio('50:1', business);
  const sum = cutting(volume, now.read, wanted.read);
  const cut = sum.kind === 'answer' ? sum.cut : null;
  const show = (ml: number) => showVolume(millilitres(ml), units);
  return (
    <SumPanel
      title="What is in the bottle"
      fields={
        <>
          <VolumeField label="Mix in it" ml={volume} onMl={setVolume} autoFocus />
          <RatioField label="It is" ratio={now} hint="10:1, 1 in 10" />
          <div className="col-span-2">
            <RatioField label="It should be" ratio={wanted} hint="Weaker only: water makes nothing stronger." />
          </div>
        </>
      }
      refused={
        sum.kind === 'no answer'
          ? { title: 'Not yet', why: sum.why }
          : sum.cut.kind === 'refused'
            ? { title: 'That cannot be', why: sum.cut.why }
            : null
      }
    >
      {cut && cut.kind !== 'refused' && (
        <MixingAnswer
          title={`Cut to ${wanted.text}`}
          bottle={{ below: volume, above: cut.water, label: 'dark: the mix as it is; pale: water added' }}
        >
          <Figure big={show(cut.water)} words="of warm water more" />
          <Figure big={show(cut.total)} words="in all: see that the bottle takes it" />
          <p className="text-soft">Strength × volume stays the same. It keeps its discard time.</p>
        </MixingAnswer>
      )}
    </SumPanel>
  );
}
