import { CHOICES, SKIP_CHOICES } from '@dewpond/core/reasons';
import { cautionsNow, notLookedAt, waitsFor, type Caution } from '@dewpond/core/visit';
import { tapped, type Because } from '@dewpond/core/events';
import { mayNeedNothing, titleWords, type Step } from '@dewpond/core/steps';
import { useState } from 'react';
import { usePreferences } from '../../browser/preferences';
import { useKeys } from '../../browser/keys';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { classes } from '../../ui/classes';
import { CautionDialog } from './CautionDialog';
import type { TableWork } from './useTable';
import { clockNow, record } from './visitLog';

interface FootProps {
  readonly table: TableWork;
  readonly step: Step;
  readonly go: (step: Step | null) => void;
  /** Opens the look-over, as a held pedal does. */
  readonly onFound: () => void;
}

/** Back, skip, and the one big button that a thumb finds without looking; space does the same. */
export function Foot({ table, step, go, onFound }: FootProps) {
  const [skipping, setSkipping] = useState(false);
  const open = table.steps.filter((each) => each.barred === null);
  const before = open[open.indexOf(step) - 1];
  const next = open.slice(open.indexOf(step) + 1).find((each) => table.state.steps[each.id] === undefined);
  const hinder = blocker(table, step);
  const [cautions, setCautions] = useState<readonly Caution[]>([]);
  const handedness = usePreferences((own) => own.handedness);
  const finish = () => {
    record({ type: 'step done', step: step.id });
    setCautions([]);
    go(null);
  };
  const done = () => {
    if (hinder) return;
    const against = cautionsNow(table.state, step, clockNow());
    if (against.length === 0) finish();
    else setCautions(against);
  };
  const goOn = (because: Because, who: string) => {
    record(
      ...cautions.map(({ id }) => ({ type: 'caution overridden' as const, caution: id, step: step.id, because, who })),
    );
    finish();
  };
  const back = () => {
    if (!before) return;
    record({ type: 'step undone', step: before.id });
    go(before);
  };
  /** The other good end of a step: looked at, and left as it is. It is told, and sets the next due day. */
  const nothingNeeded = () => {
    record({ type: 'step skipped', step: step.id, because: tapped('not needed') });
    go(null);
  };
  const mayBeSpared = mayNeedNothing(step) && hinder === null;
  useKeys([
    ...(mayBeSpared ? [{ keys: 'n', does: 'Looked at: nothing needed', run: nothingNeeded }] : []),
    { keys: ' ', does: 'Step done', run: done },
    { keys: 'PageDown', does: 'Step done (foot switch)', run: done, held: { does: 'Found something', run: onFound } },
    { keys: 'PageUp', does: 'Back one step (foot switch)', run: back },
    { keys: 'Enter', does: 'Step done', run: done },
    { keys: 'Backspace', does: 'Back one step', run: back },
    { keys: 'k', does: 'Skip, because…', run: () => setSkipping(true) },
  ]);
  return (
    <footer
      className={classes(
        'flex h-[96px] max-md:h-[80px] border-t border-line shrink-0',
        handedness === 'left' && 'flex-row-reverse',
      )}
    >
      <button
        type="button"
        disabled={!before}
        onClick={back}
        className="w-[14%] text-xl max-md:text-base text-soft hover:text-ink disabled:opacity-40"
      >
        Back
      </button>
      <button
        type="button"
        onClick={() => setSkipping(true)}
        aria-label="Skip, because…"
        className="w-[16%] text-xl max-md:text-base text-soft hover:text-ink border-x border-line"
      >
        Skip<span className="max-lg:hidden">, because</span>…
      </button>
      {mayBeSpared && (
        <button
          type="button"
          onClick={nothingNeeded}
          aria-label="Looked at: nothing needed"
          className="w-[20%] px-1 text-xl max-lg:text-base leading-tight font-semibold text-pond hover:bg-pond-pale"
        >
          Nothing needed
        </button>
      )}
      <button
        type="button"
        onClick={done}
        disabled={hinder !== null}
        className="flex-1 bg-pond text-on-pond text-[26px] max-md:text-xl font-bold px-4 leading-tight disabled:bg-line disabled:text-soft"
      >
        {hinder ?? (next ? `Done: next, ${titleWords(next.title).toLowerCase()}` : 'Done: all steps')}
      </button>
      <CautionDialog cautions={cautions} onWait={() => setCautions([])} onGoOn={goOn} />
      <Dialog
        open={skipping}
        onClose={() => setSkipping(false)}
        title={`Skip: ${titleWords(step.title)}`}
        says="The reason stands on the owner sheet."
      >
        <div className="flex flex-col gap-2">
          {SKIP_CHOICES.map((choice) => (
            <Button
              key={choice}
              className="min-h-15! text-lg"
              onClick={() => {
                record({ type: 'step skipped', step: step.id, because: tapped(choice) });
                setSkipping(false);
                go(null);
              }}
            >
              {CHOICES[choice]}
            </Button>
          ))}
        </div>
      </Dialog>
    </footer>
  );
}

/** What must be said before this step counts as done, as the button's own words; null when nothing. */
function blocker({ state, steps, places }: TableWork, step: Step): string | null {
  if (step.id === 'look-over') {
    const missing = notLookedAt(state, places).length;
    return missing > 0 ? `${missing} ${missing === 1 ? 'place' : 'places'} still to look at` : null;
  }
  if (step.counts === 'plugs in')
    return step.sides.some((side) => state.plugs[side] === 'none') ? 'Count the plugs in first' : null;
  if (step.counts === 'plugs out')
    return step.sides.some((side) => state.plugs[side] === 'in') ? 'A plug is still in' : null;
  const waits = waitsFor(state, steps, step);
  return waits[0] ? `First: ${titleWords(waits[0].title).toLowerCase()}` : null;
}
