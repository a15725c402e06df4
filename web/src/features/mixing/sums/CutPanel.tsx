import type { BusinessView } from '@dewpond/contract';
import { millilitres, showVolume } from '@dewpond/core/units';
import { useState } from 'react';
import { useUnits } from '../../../data/useUnits';
import { Card } from '../../../ui/Card';
import { TextField } from '../../../ui/Field';
import { VolumeField } from '../../../forms/VolumeField';
import { MixingAnswer, Figure, Refusal } from './MixingAnswer';
import { cutting, readRatio } from '@dewpond/core/mixing';

/** Water that weakens a mix that is already made. */
export function CutPanel({ business }: { readonly business: BusinessView }) {
  const units = useUnits();
  const [volume, setVolume] = useState(300);
  const [now, setNow] = useState('10:1');
  const [wanted, setWanted] = useState('50:1');
  const context = { medicated: false, oneToN: business.ways.readsOneTo };
  const strengths = [readRatio(now, context), readRatio(wanted, context)] as const;
  const sum = cutting(volume, ...strengths);
  const show = (ml: number) => showVolume(millilitres(ml), units);
  const problem = (i: 0 | 1) => (strengths[i].kind === 'no answer' ? strengths[i].why : undefined);
  return (
    <div className="grid grid-cols-[380px_1fr] max-lg:grid-cols-1 gap-3.5">
      <Card title="What is in the bottle">
        <div className="grid grid-cols-2 gap-3">
          <VolumeField label="Mix in it" ml={volume} onMl={setVolume} autoFocus />
          <TextField
            label="It is"
            value={now}
            onChange={(event) => setNow(event.target.value)}
            error={problem(0)}
            hint="10:1, 1 in 10"
          />
          <div className="col-span-2">
            <TextField
              label="It should be"
              value={wanted}
              onChange={(event) => setWanted(event.target.value)}
              error={problem(1)}
              hint="Weaker only: water makes nothing stronger."
            />
          </div>
        </div>
      </Card>
      {sum.kind === 'no answer' ? (
        <MixingAnswer title="Not yet">
          <Refusal why={sum.why} />
        </MixingAnswer>
      ) : sum.cut.kind === 'refused' ? (
        <MixingAnswer title="That cannot be">
          <Refusal why={sum.cut.why} />
        </MixingAnswer>
      ) : (
        <MixingAnswer
          title={`Cut to ${wanted}`}
          bottle={{ below: volume, above: sum.cut.water, label: 'dark: the mix as it is; pale: water added' }}
        >
          <Figure big={show(sum.cut.water)} words="of warm water more" />
          <Figure big={show(sum.cut.total)} words="in all: see that the bottle takes it" />
          <p className="text-soft">Strength × volume stays the same. It keeps its discard time.</p>
        </MixingAnswer>
      )}
    </div>
  );
}
