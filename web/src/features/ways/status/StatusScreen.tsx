import type { StatusView } from '@dewpond/contract';
import { useQuery } from '@tanstack/react-query';
import { call } from '../../../api/call';
import { moment } from '../../../browser/times';
import { useSession } from '../../../data/queries';
import { useMay, useWhoMay } from '../../../data/useMay';
import { ButtonLink } from '../../../ui/ButtonLink';
import { Card } from '../../../ui/Card';
import { classes } from '../../../ui/classes';
import { Waiting } from '../../../ui/Waiting';
import { linesOf, type StatusLine } from './statusLines';

/** How the installation is, in plain words: what is well, and what to do where it is not. */
export function StatusScreen() {
  const may = useMay('see the status');
  const whoMay = useWhoMay('see the status');
  const query = useQuery({
    queryKey: ['status'],
    queryFn: async () => ({ status: await call('GET /api/status'), here: Date.now() }),
    enabled: may,
    refetchInterval: 30_000,
  });
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4 max-w-4xl">
      <header className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Status</h1>
          <p className="text-soft">
            {whoMay ?? 'How this installation of Dewpond is. It looks again every half minute.'}
          </p>
        </div>
        <ButtonLink to="/house" look="quiet">
          House ways
        </ButtonLink>
      </header>
      {may && (
        <Waiting query={query} what="The status">
          {({ status, here }) => <Status status={status} here={here} />}
        </Waiting>
      )}
    </div>
  );
}

function Status({ status, here }: { readonly status: StatusView; readonly here: number }) {
  const zone = useSession().data?.business.zone ?? 'UTC';
  const lines = linesOf(status, here, (instant) => moment(instant, zone));
  const wrong = lines.filter(({ isWell }) => !isWell).length;
  return (
    <Card
      title={wrong === 0 ? 'All is well' : wrong === 1 ? 'One thing to look at' : `${wrong} things to look at`}
      aside={`version ${status.version}, tables ${status.changes}`}
    >
      <dl className="divide-y divide-line">
        {lines
          .toSorted((a, b) => Number(a.isWell) - Number(b.isWell))
          .map((line) => (
            <Line key={line.about} line={line} />
          ))}
      </dl>
    </Card>
  );
}

const Line = ({ line: { about, says, isWell, todo } }: { readonly line: StatusLine }) => (
  <div className="grid grid-cols-[12rem_1fr] max-md:grid-cols-1 gap-x-4 py-2.5">
    <dt className="font-semibold">{about}</dt>
    <dd>
      <span className={classes(!isWell && 'text-watch font-semibold')}>{says}</span>
      {todo && <span className="block text-sm text-soft">{todo}</span>}
    </dd>
  </div>
);
