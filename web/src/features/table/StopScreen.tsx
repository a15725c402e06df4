import { LEVEL_WORDS } from '@dewpond/core/findings';
import { Button } from '../../ui/Button';
import type { Table } from './useTable';
import { record } from './visitLog';

/** A sign that ends the visit takes the whole screen. */
export function StopScreen({
  table,
  because,
  onLeave,
  onGoOn,
}: {
  readonly table: Table;
  readonly because: string;
  /** Either way out: whatever panel the sign was marked in is closed. */
  readonly onLeave: () => void;
  readonly onGoOn: () => void;
}) {
  const ending = Object.values(table.judged).find((each) => each.bars.some((bar) => bar.stop === 'S3'));
  const takeBack = () => {
    onLeave();
    for (const found of table.state.findings) {
      if (ending?.rows.some((row) => row.stop === 'S3' && row.signs.includes(found.sign)))
        record({ type: 'taken back', place: found.place, sign: found.sign });
    }
  };
  return (
    <div role="alert" className="h-full flex flex-col justify-center items-start gap-5 px-[8vw] bg-stop-pale">
      <p className="text-stop font-bold text-2xl">Stop the visit.</p>
      <h1 className="text-[52px]! max-md:text-[34px]! max-w-4xl first-letter:uppercase">{because}</h1>
      <p className="text-2xl max-w-3xl">
        {LEVEL_WORDS[ending?.level ?? 'vet today'].replace(/^./, (letter) => letter.toUpperCase())}.{' '}
        {ending?.todo.join(' ')}
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
