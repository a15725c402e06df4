import type { DogView, MixView } from '@dewpond/contract';
import { BATH_TASKS, type BathTask } from '@dewpond/core/dog';
import { millilitres, showVolume } from '@dewpond/core/units';
import { reasonsTold } from '@dewpond/core/wording';
import { PencilLine } from 'lucide-react';
import { useState } from 'react';
import { useDogMix } from '../../../data/queries';
import { useUnits } from '../../../data/useUnits';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { SourceMark } from '../../../ui/SourceMark';
import { BathTrouble } from '../../../parts/mixing/BathTrouble';
import { BATH_PARTS } from './bathParts';
import { MixPicture } from './MixPicture';
import { OwnBathDialog } from './OwnBathDialog';

/** What this dog's next bath takes: which product for which part and why, and the bottles to scale with the working. */
export function BathCard({ dog }: { readonly dog: DogView }) {
  const { data } = useDogMix(dog.id);
  const [changing, setChanging] = useState<BathTask | null>(null);
  const mixes = data?.mixes ?? [];
  return (
    <Card title="The next bath">
      {dog.bath === null || dog.bath.bath === null ? (
        <p className="text-soft">No bath in the plan, or no wash on the shelf.</p>
      ) : (
        <ul className="mb-4">
          {BATH_TASKS.map((task) => (
            <Part key={task} dog={dog} task={task} mixes={mixes} onChange={() => setChanging(task)} />
          ))}
        </ul>
      )}
      <BathTrouble bath={dog.bath} />
      <div className="flex flex-col gap-5">
        {mixes.map((view) => (
          <MixPicture key={view.product.id} view={view} />
        ))}
      </div>
      {changing && <OwnBathDialog dog={dog} task={changing} onClose={() => setChanging(null)} />}
    </Card>
  );
}

/** What a part takes of its mix, ml: the second wash is reckoned apart. */
const partOf = ({ tasks, mix, working }: MixView, task: BathTask): number =>
  task === 'second wash' ? working.wash2 : tasks.length === 1 ? mix.need : working.wash1;

interface PartProps {
  readonly dog: DogView;
  readonly task: BathTask;
  readonly mixes: readonly MixView[];
  readonly onChange: () => void;
}

/** One part of the bath: its product, how much, and why this one or why none. */
function Part({ dog: { bath, profile, due }, task, mixes, onChange }: PartProps) {
  const units = useUnits();
  if (!bath) return null;
  const chosen = bath[task];
  const none = task === 'conditioner' ? bath.conditioned : null;
  // A face that is done with water or pads, and a second wash that this business does not do, are no part of this bath.
  if (!chosen && !none) return null;
  const mix = chosen && mixes.find(({ tasks }) => tasks.includes(task));
  // Asked for, and forbidden: the bar is the reason.
  const bars = none?.wanted ? (due.find(({ line }) => line.task === task)?.line.bars ?? []) : [];
  const why =
    chosen ?? (bars[0] ? { because: reasonsTold(bars.map(({ reason }) => reason)), source: bars[0].source } : none);
  const own = profile.ownBath[task];
  // Where its own must not be taken, what stands here is the house's.
  const isOwn = own !== undefined && own.productId === (chosen?.productId ?? null);
  const isAsked = chosen?.source.kind === 'vet instruction' || chosen?.source.kind === 'owner instruction';
  return (
    <li className="grid grid-cols-[1fr_auto] gap-x-2 border-t border-line first:border-0 py-1.5">
      <span className="min-w-0">
        <span className="block text-sm text-soft leading-tight">
          {BATH_PARTS[task]}
          {isOwn && ' · this dog’s own'}
        </span>
        <b className="font-semibold">{chosen ? chosen.name : 'none'}</b>
        {chosen?.strength && ` ${chosen.strength}`}
        {mix && `, ${showVolume(millilitres(partOf(mix, task)), units)}`}
        <span className="block text-sm text-soft leading-snug">
          {why?.because} {why && <SourceMark source={why.source} />}
        </span>
      </span>
      {!isAsked && bars.length === 0 && (
        <Button
          look="quiet"
          className="self-center"
          aria-label={`Another product: ${BATH_PARTS[task].toLowerCase()}`}
          onClick={onChange}
        >
          <PencilLine size={18} aria-hidden />
        </Button>
      )}
    </li>
  );
}
