import { finding } from '@dewpond/core/findings';
import { placeKey, type Place, type Side } from '@dewpond/core/places';
import { COMMON_PRACTICE } from '@dewpond/core/provenance';
import type { Step } from '@dewpond/core/steps';
import { tapped } from '@dewpond/core/events';
import { Choice } from '../../ui/Choice';
import { SourceMark } from '../../ui/SourceMark';
import type { TableWork } from './useTable';
import { record } from './visitLog';

interface CrustProps {
  readonly table: TableWork;
  readonly step: Step;
  readonly side: Side;
}

/** Crust that was found: softened, then whether it lifted; more soaking in the tub, else it is left and told. */
export function Crust({ table, step, side }: CrustProps) {
  const place: Place = { site: 'eye', side };
  const found = table.state.findings.find(
    (each) => each.sign === 'eye crust' && placeKey(each.place) === placeKey(place),
  );
  const piece = `eye crust ${placeKey(place)}`;
  const onTheTable = table.steps.find(({ id }) => id === `eyes, on the table ${side}`);
  const isHanded = onTheTable && table.state.pieces[onTheTable.id]?.[piece]?.how === 'handed on';
  // In the tub it is asked where the tub has it: handed on, or by the business's way.
  if (!found || (step.stage === 'face' && onTheTable && !isHanded)) return null;
  const how = table.state.pieces[step.id]?.[piece]?.how ?? null;
  const tub = table.steps.find(({ stage }) => stage === 'face');
  const mayWait = step.stage !== 'face' && tub?.barred === null && table.state.steps[tub.id] === undefined;
  const tell = (lifted: boolean) =>
    record(
      { type: 'found', finding: finding(place, 'eye crust', found.grade, lifted) },
      lifted
        ? { type: 'piece settled', step: step.id, piece, how: 'done', because: null }
        : { type: 'piece settled', step: step.id, piece, how: 'left', because: tapped('did not lift') },
    );
  return (
    <section aria-label={`Crust, ${side} eye`} className="mt-4">
      <p className="text-lg font-semibold mb-2">
        Softened: did the crust at the {side} eye lift?{' '}
        <SourceMark
          source={COMMON_PRACTICE}
          because="A free piece first, then water and time; what does not lift is never picked."
        />
      </p>
      <div className="flex flex-wrap gap-2">
        <Choice chosen={found.answer === true && how === null} onClick={() => tell(true)}>
          All of it
        </Choice>
        {mayWait && (
          <Choice
            chosen={how === 'handed on'}
            onClick={() => record({ type: 'piece settled', step: step.id, piece, how: 'handed on', because: null })}
          >
            The rest in the tub
          </Choice>
        )}
        <Choice chosen={how === 'left'} onClick={() => tell(false)}>
          No: leave it and tell
        </Choice>
      </div>
    </section>
  );
}
