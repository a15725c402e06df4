import { Button } from '../../ui/Button';
import type { TableWork } from './useTable';
import { record } from './visitLog';
import { showDay } from '../../browser/times';

/** The dog went home before the end: when it comes back to be finished, one tap goes on where it was left. */
export function Away({ table }: { readonly table: TableWork }) {
  const { away, closed } = table.state;
  if (!away || closed !== null) return null;
  return (
    <section className="flex flex-wrap items-center gap-3 rounded-xl border border-watch bg-watch-pale px-4 py-3 mb-3 max-w-3xl">
      <p className="flex-1 min-w-60">
        <b>Went home:</b> {away.because.words}.{' '}
        {away.back !== null && `Comes back ${showDay(away.back)} to be finished.`}
      </p>
      <Button look="main" className="min-h-14!" onClick={() => record({ type: 'came back' })}>
        It is back: go on
      </Button>
    </section>
  );
}
