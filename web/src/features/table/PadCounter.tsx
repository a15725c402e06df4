import { finding, PAD_COLOURS, type PadColour } from '@dewpond/core/findings';
import { namePlace, type Side } from '@dewpond/core/places';
import type { Step } from '@dewpond/core/steps';
import { afterBrownPads } from '@dewpond/core/visit';
import { Button } from '../../ui/Button';
import type { TableWork } from './useTable';
import { record } from './visitLog';

const PAD_SWATCH: Readonly<Record<PadColour, string>> = {
  pale: '#e8d9b0',
  brown: '#8a5a2b',
  yellow: '#e3c22f',
  'white or green': '#c9d8b0',
  black: '#26221f',
  blood: '#a02c22',
};

interface PadCounterProps {
  readonly table: TableWork;
  readonly step: Step;
  readonly side: Side;
}

/** "One more dirty", by colour, the worst kept; then "clean, done". */
export function PadCounter({ table, step, side }: PadCounterProps) {
  const pads = table.state.pads[side];
  const next = afterBrownPads(table, step, side);
  return (
    <section aria-label={`Pads, ${side} ear`} className="mt-4">
      <div className="flex items-baseline gap-3 mb-2">
        <span className="text-[44px] font-bold leading-none">{pads.dirty}</span>
        <span className="text-lg">
          dirty {pads.dirty === 1 ? 'pad' : 'pads'}, {namePlace({ site: 'ear', side })}
          {pads.worst && <span className="text-soft">, worst {pads.worst}</span>}
          {pads.rounds > 1 && <span className="text-soft">, round {pads.rounds}</span>}
        </span>
      </div>
      <div className="grid grid-cols-3 max-md:grid-cols-2 gap-2">
        {PAD_COLOURS.map((colour) => (
          <button
            key={colour}
            type="button"
            onClick={() => record({ type: 'pad dirty', side, colour })}
            className="flex items-center gap-3 rounded-xl border border-line bg-surface px-3 min-h-15 text-lg font-semibold hover:bg-pond-pale"
          >
            <span
              aria-hidden
              className="size-7 rounded-full border border-line shrink-0"
              style={{ background: PAD_SWATCH[colour] }}
            />
            {colour}
          </button>
        ))}
      </div>
      <Button
        look={pads.clean ? 'main' : 'plain'}
        className="w-full min-h-16! text-xl mt-2"
        aria-pressed={pads.clean}
        onClick={() => record({ type: 'pad clean', side })}
      >
        {pads.clean ? 'Clean pad: this ear is done' : 'This one came out clean'}
      </Button>
      {next === 'fill again' && (
        <Button
          className="w-full min-h-14! text-lg mt-2"
          onClick={() =>
            record(
              { type: 'ear filled again', side },
              {
                type: 'timer started',
                timer: `massage again ${side}`,
                step: step.id,
                seconds: step.dwell?.seconds ?? 30,
              },
            )
          }
        >
          Still brown: fill and massage once more
        </Button>
      )}
      {next === 'go deeper' && (
        <Button
          className="w-full min-h-14! text-lg mt-2"
          onClick={() => record({ type: 'found', finding: finding({ site: 'ear', side }, 'ear dark wax', 2) })}
        >
          Dirtier than it looked: drops and massage
        </Button>
      )}
      {next === 'leave and tell' && (
        <Button
          look="stop"
          className="w-full min-h-14! text-lg mt-2"
          onClick={() => record({ type: 'found', finding: finding({ site: 'ear', side }, 'ear still brown', 1) })}
        >
          Still brown after {pads.rounds} rounds: leave it and tell
        </Button>
      )}
    </section>
  );
}
