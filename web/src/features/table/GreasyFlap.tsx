import { COMMON_PRACTICE } from '@dewpond/core/provenance';
import type { Step } from '@dewpond/core/steps';
import { SIDES, type Side } from '@dewpond/core/places';
import { useState } from 'react';
import { Choice } from '../../ui/Choice';
import { SourceMark } from '../../ui/SourceMark';
import type { TableWork } from './useTable';
import { record } from './visitLog';

/** A greasy flap: a pad of its own, and what that does not take off is washed off in the bath, where it is asked again. */
export function GreasyFlap({ table, step }: { readonly table: TableWork; readonly step: Step }) {
  const sides = SIDES.filter((side) => pieceOf(step, side) !== undefined || wasHandedOn(table, step, side));
  return sides.map((side) => <Flap key={side} table={table} step={step} side={side} />);
}

const TABLE = 'greasy flap';
const TUB = 'flap washed';
const named = (piece: string, side: Side): string => `${piece} ear/${side}`;
const pieceOf = (step: Step, side: Side): string | undefined =>
  step.pieces.find(({ id }) => id === named(TABLE, side) || id === named(TUB, side))?.id;
const wasHandedOn = ({ state }: TableWork, step: Step, side: Side): boolean =>
  state.pieces[step.id]?.[named(TABLE, side)]?.how === 'handed on';

function Flap({ table, step, side }: { readonly table: TableWork; readonly step: Step; readonly side: Side }) {
  const piece = pieceOf(step, side) ?? named(TABLE, side);
  const how = table.state.pieces[step.id]?.[piece]?.how ?? null;
  // A piece that was done is as the step: that somebody said so stands here only.
  const [said, setSaid] = useState(false);
  const wash = table.steps.find(({ stage }) => stage === 'wash 1');
  const mayWait =
    step.stage !== 'wash 1' &&
    wash?.barred === null &&
    table.state.steps[wash.id] === undefined &&
    wash.pieces.some(({ id }) => id.startsWith('wash head'));
  const settle = (to: 'done' | 'handed on' | 'left') => {
    setSaid(true);
    record({ type: 'piece settled', step: step.id, piece, how: to, because: null });
  };
  return (
    <section aria-label={`Greasy flap, ${side} ear`} className="mt-4">
      <p className="text-lg font-semibold mb-2">
        {step.stage === 'wash 1' ? `Washed: is the ${side} flap clean?` : `Is the ${side} flap clean with its own pad?`}{' '}
        <SourceMark
          source={COMMON_PRACTICE}
          because="Grease of the flap is not rubbed inwards: a pad of its own, the rest goes in the bath."
        />
      </p>
      <div className="flex flex-wrap gap-2">
        <Choice chosen={how === null && said} onClick={() => settle('done')}>
          Clean
        </Choice>
        {mayWait && (
          <Choice chosen={how === 'handed on'} onClick={() => settle('handed on')}>
            The rest in the bath
          </Choice>
        )}
        <Choice chosen={how === 'left'} onClick={() => settle('left')}>
          No: leave it and tell
        </Choice>
      </div>
    </section>
  );
}
