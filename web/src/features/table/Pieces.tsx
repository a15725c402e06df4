import { PIECE_OUTCOMES, tapped, type Because, type PieceOutcome } from '@dewpond/core/events';
import { CHOICES, SKIP_CHOICES } from '@dewpond/core/reasons';
import type { Step } from '@dewpond/core/steps';
import { Choice } from '../../ui/Choice';
import type { TableWork } from './useTable';
import { record } from './visitLog';

const WORDS: Readonly<Record<PieceOutcome, string>> = {
  done: 'done',
  'not needed': 'nothing needed',
  left: 'left',
  'handed on': 'later',
};
/** Clipping has no later step that would take it over. */
const HERE = PIECE_OUTCOMES.filter((each) => each !== 'handed on');
/** Why a piece is left; that it needed nothing is an answer of its own. */
const LEFT_BECAUSE = SKIP_CHOICES.filter((choice) => choice !== 'not needed');

/** A step of several pieces: each is done with the step, unless one says what else became of it. */
export function Pieces({ table, step }: { readonly table: TableWork; readonly step: Step }) {
  const marks = table.state.pieces[step.id] ?? {};
  const settle = (piece: string, how: PieceOutcome, because: Because | null = null) =>
    record({ type: 'piece settled', step: step.id, piece, how, because });
  return (
    <section aria-label="Piece by piece" className="mb-4">
      <ul className="flex flex-col">
        {step.pieces.map(({ id, name }) => {
          const mark = marks[id];
          const how = mark?.how ?? 'done';
          return (
            <li key={id} role="group" aria-label={name} className="border-t border-line first:border-0 py-1.5">
              <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
                <span className="flex-1 min-w-40 text-lg font-semibold first-letter:uppercase">{name}</span>
                <span className="flex gap-1.5">
                  {HERE.map((each) => (
                    <Choice key={each} chosen={how === each} onClick={() => settle(id, each)}>
                      {WORDS[each]}
                    </Choice>
                  ))}
                </span>
              </div>
              {how === 'left' && (
                <div role="group" aria-label={`Why ${name} is left`} className="flex flex-wrap gap-1.5 mt-1.5">
                  {LEFT_BECAUSE.map((choice) => (
                    <Choice
                      key={choice}
                      chosen={mark?.because?.kind === 'choice' && mark.because.choice === choice}
                      onClick={() => settle(id, 'left', tapped(choice))}
                    >
                      {CHOICES[choice]}
                    </Choice>
                  ))}
                </div>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
