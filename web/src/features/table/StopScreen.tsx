import { LEVEL_WORDS, countsAt } from '@dewpond/core/findings';
import { placeKey } from '@dewpond/core/places';
import { reasonKey } from '@dewpond/core/reasons';
import { todoAt, type BarAt } from '@dewpond/core/stops';
import { barTold } from '@dewpond/core/wording';
import { Button } from '../../ui/Button';
import type { TableWork } from './useTable';
import { record } from './visitLog';

/** A sign that ends the visit takes the whole screen. */
export function StopScreen({
  table,
  ending,
  onLeave,
  onGoOn,
}: {
  readonly table: TableWork;
  /** What ends it, the worst first; never empty. */
  readonly ending: readonly BarAt[];
  /** Either way out: whatever panel the sign was marked in is closed. */
  readonly onLeave: () => void;
  readonly onGoOn: () => void;
}) {
  const takeBack = () => {
    onLeave();
    for (const { place, sign } of table.state.findings)
      if (
        ending.some(
          ({ reason }) =>
            reason.kind === 'signs' && countsAt(place, reason.place) && reason.seen.some((seen) => seen.sign === sign),
        )
      )
        record({ type: 'taken back', place, sign });
  };
  const todo = ending.flatMap(({ at }) => {
    const seen = at && table.judged[placeKey(at)];
    return seen ? todoAt(table.bars, seen) : [];
  });
  return (
    <div role="alert" className="h-full flex flex-col justify-center items-start gap-5 px-[8vw] bg-stop-pale">
      <p className="text-stop font-bold text-2xl">Stop the visit.</p>
      {ending.map((bar) => (
        <h1 key={reasonKey(bar.reason)} className="text-[52px]! max-md:text-[34px]! max-w-4xl first-letter:uppercase">
          {barTold(bar, bar.at ? [bar.at] : [])}
        </h1>
      ))}
      <p className="text-2xl max-w-3xl">
        {LEVEL_WORDS[ending[0]?.level ?? 'vet today'].replace(/^./, (letter) => letter.toUpperCase())}.{' '}
        {[...new Set(todo)].join(' ')}
      </p>
      <p className="text-xl max-w-3xl">
        Before handing over: plugs out, product rinsed off, dried. If that cannot be, tell the vet what is still on or
        in the dog.
      </p>
      <div className="flex flex-wrap gap-3">
        <Button
          look="main"
          className="min-h-16! text-xl px-8!"
          onClick={() => {
            onLeave();
            onGoOn();
          }}
        >
          Understood: show what is left
        </Button>
        <Button look="quiet" className="min-h-16! text-xl px-8!" onClick={takeBack}>
          Marked by mistake
        </Button>
      </div>
    </div>
  );
}
