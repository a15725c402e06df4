import type { MixView } from '@dewpond/contract';
import { millilitres, showProduct, showVolume } from '@dewpond/core/units';
import { useState } from 'react';
import { counted } from '../../browser/counted';
import { useNow } from '../../browser/useNow';
import { useUnits } from '../../data/useUnits';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { classes } from '../../ui/classes';
import { mixChoices, type MixChoice } from './mixChoices';
import type { TableWork } from './useTable';
import { record, useVisitLog } from './visitLog';

interface OpenMixesProps {
  readonly view: MixView;
  readonly table: TableWork;
}

/** Which bottle of the bench this dog gets. What is past its time is struck out; taking it all the same asks why. */
export function OpenMixes({ view, table }: OpenMixesProps) {
  const offset = useVisitLog((log) => log.offset) ?? 0;
  const now = useNow(30_000) + offset;
  const [asking, setAsking] = useState<MixChoice | null>(null);
  const choices = mixChoices(table.visit, view.product, now);
  const units = useUnits();
  const { made } = view.mix;
  if (choices.length === 0)
    return made ? (
      <p className="text-soft">
        Nothing of it stands at the bench: {made.bottle.name.toLowerCase()},{' '}
        {made.strokes === null ? showProduct(millilitres(made.product), units) : counted(made.strokes, 'stroke')}, water
        to {showVolume(millilitres(made.total), units)}.
      </p>
    ) : null;
  const taken = new Map(table.state.mixes.map((each) => [each.mix, each]));
  const choose = (choice: MixChoice) => {
    if (taken.has(choice.mix.id)) record({ type: 'mix put back', mix: choice.mix.id });
    else if (choice.may.kind === 'yes') take(choice, null);
    else setAsking(choice);
  };
  const take = ({ mix }: MixChoice, override: string | null) =>
    record({ type: 'mix taken', mix: mix.id, product: mix.productId, override });
  return (
    <div className="flex flex-col gap-2 mt-1.5">
      {choices.map((choice) => (
        <Choice key={choice.mix.id} choice={choice} taken={taken.has(choice.mix.id)} onChoose={() => choose(choice)} />
      ))}
      {asking && (
        <Override
          choice={asking}
          onTake={(because) => {
            take(asking, because);
            setAsking(null);
          }}
          onClose={() => setAsking(null)}
        />
      )}
    </div>
  );
}

interface ChoiceProps {
  readonly choice: MixChoice;
  readonly taken: boolean;
  readonly onChoose: () => void;
}

function Choice({ choice: { mix, may }, taken, onChoose }: ChoiceProps) {
  const units = useUnits();
  return (
    <button
      type="button"
      aria-pressed={taken}
      disabled={may.kind === 'no' && !taken}
      onClick={onChoose}
      className={classes(
        'text-left rounded-xl border px-4 py-2 min-h-14 disabled:opacity-80',
        taken
          ? 'border-pond bg-pond-pale'
          : may.kind === 'yes'
            ? 'border-line bg-surface hover:bg-pond-pale'
            : 'border-stop bg-surface',
      )}
    >
      <span className={classes('font-semibold text-lg', may.kind !== 'yes' && 'line-through')}>
        {mix.bottle}, {showVolume(millilitres(mix.leftMl), units)} left at {mix.strength}
        {mix.meant && <span className="font-normal"> · meant for this dog</span>}
      </span>
      {taken && <span className="font-bold text-pond"> · taken</span>}
      {may.kind !== 'yes' && <span className="block text-stop font-semibold">{may.why}</span>}
      {may.kind === 'yes' && !mix.watered && (
        <span className="block text-watch font-semibold">No water is ticked in yet: warm water to its mark first.</span>
      )}
    </button>
  );
}

interface OverrideProps {
  readonly choice: MixChoice;
  readonly onTake: (because: string) => void;
  readonly onClose: () => void;
}

const REASONS = ['mixed by mistake for tomorrow', 'nothing else left, dog is wet'] as const;

function Override({ choice, onTake, onClose }: OverrideProps) {
  const [because, setBecause] = useState('');
  const said = because.trim();
  return (
    <Dialog
      open
      onClose={onClose}
      title={`Take ${choice.mix.bottle} all the same?`}
      says={choice.may.kind === 'yes' ? undefined : choice.may.why}
    >
      <div className="flex flex-col gap-3">
        <p>Your name and the reason are kept with the visit; the reason stands wherever this mix is traced.</p>
        <div className="flex flex-wrap gap-2">
          {REASONS.map((reason) => (
            <Button
              key={reason}
              look={because === reason ? 'main' : 'quiet'}
              className="min-h-14!"
              onClick={() => setBecause(reason)}
            >
              {reason}
            </Button>
          ))}
        </div>
        <label className="flex flex-col gap-1">
          <span className="text-sm font-semibold">Why</span>
          <input
            value={because}
            maxLength={200}
            onChange={(event) => setBecause(event.target.value)}
            className="rounded-xl border border-line bg-surface px-3 min-h-14"
          />
        </label>
        <div className="flex gap-2">
          <Button look="main" className="flex-1 min-h-14!" onClick={onClose}>
            No, mix afresh
          </Button>
          <Button look="stop" className="flex-1 min-h-14!" disabled={said === ''} onClick={() => onTake(said)}>
            Take it
          </Button>
        </div>
      </div>
    </Dialog>
  );
}
