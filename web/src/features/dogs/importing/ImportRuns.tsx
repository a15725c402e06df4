import type { ImportView } from '@dewpond/contract';
import type { Day } from '@dewpond/core/units';
import { Progress } from 'radix-ui';
import { useEffect } from 'react';
import { counted } from '../../../browser/counted';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { useImports } from '../../../data/queries';
import { makeStale } from '../../../data/stale';
import { showDay, dayOf } from '../../../browser/times';
import { useZone } from '../../../data/useUnits';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { Chip, type Tone } from '../../../ui/Chip';
import { tell } from '../../../ui/tell';

const TONES: Readonly<Record<ImportView['state'], Tone>> = {
  waiting: 'pond',
  running: 'pond',
  done: 'good',
  cancelled: 'plain',
  failed: 'stop',
  undone: 'plain',
};
const goesOn = ({ state }: ImportView) => state === 'waiting' || state === 'running';

/** Imports of late: how far one is, and taking one back whole. */
export function ImportRuns() {
  const { data: runs = [], refetch } = useImports();
  const going = runs.filter(goesOn).length;
  useEffect(() => {
    if (going === 0) return;
    const timer = setInterval(() => void refetch(), 700);
    return () => {
      clearInterval(timer);
      // The last one has ended: the book is another.
      void makeStale(['POST /api/imports']);
    };
  }, [going, refetch]);
  if (runs.length === 0) return null;
  return (
    <Card title="Imports of late">
      <ul className="divide-y divide-line">
        {runs.map((run) => (
          <Run key={run.id} run={run} />
        ))}
      </ul>
    </Card>
  );
}

function Run({ run }: { readonly run: ImportView }) {
  const zone = useZone();
  const step = useWrite('PUT /api/imports/:id', {
    write: (_, what: 'cancel' | 'undo') => call('PUT /api/imports/:id', { id: run.id, body: { step: what } }),
    onSuccess: ({ state }) => {
      tell(state === 'undone' ? 'All of that import is taken back.' : 'It stops, and nothing of it is kept.');
    },
    tells: true,
  });
  return (
    <li className="py-2.5 flex flex-wrap items-center justify-between gap-3">
      <div className="min-w-0 flex-1 basis-64">
        <p className="font-semibold truncate">
          {run.fileName} <Chip tone={TONES[run.state]}>{run.state}</Chip>
        </p>
        <p className="text-sm text-soft">
          {showDay(dayOf(run.at, zone) as Day)}, {run.by}
          {run.state === 'done' &&
            run.report &&
            `: ${counted(run.report.clients, 'owner')}, ${counted(run.report.dogs, 'dog')}`}
          {run.report?.words && <span className="block text-ink">{run.report.words}</span>}
        </p>
        {goesOn(run) && (
          <Progress.Root
            value={run.done}
            max={run.total}
            aria-label={`${run.done} of ${run.total} owners written`}
            className="mt-1.5 h-3 rounded-full bg-line overflow-hidden"
          >
            <Progress.Indicator
              className="h-full bg-pond transition-[width] motion-reduce:transition-none"
              style={{ width: `${(100 * run.done) / run.total}%` }}
            />
          </Progress.Root>
        )}
      </div>
      {goesOn(run) && (
        <Button look="stop" disabled={step.isPending} onClick={() => step.mutate('cancel')}>
          Cancel
        </Button>
      )}
      {run.state === 'done' && (
        <Button look="quiet" disabled={step.isPending} onClick={() => step.mutate('undo')}>
          Take it back
        </Button>
      )}
    </li>
  );
}
