import type { TodayView } from '@dewpond/contract';
import { useQuery } from '@tanstack/react-query';
import { useOwnWork } from '../../data/device';
import { begunHere } from '../../data/prefetch';
import { ButtonLink } from '../../ui/ButtonLink';

/** Visits begun without a booking, those that only this device knows of among them: nobody loses the way back to one. */
export function OpenVisits({ begun }: { readonly begun: TodayView['unbooked'] }) {
  const waiting = useOwnWork((work) => work.waiting);
  const here = useQuery({ queryKey: ['begun here', waiting], queryFn: begunHere, networkMode: 'always' }).data ?? [];
  const all = [...begun, ...here.filter(({ visitId }) => !begun.some((each) => each.visitId === visitId))];
  if (all.length === 0) return null;
  return (
    <ul aria-label="At the table without a booking" className="flex flex-col gap-2">
      {all.map(({ visitId, dog }) => (
        <li
          key={visitId}
          className="flex flex-wrap items-center gap-3 rounded-card border border-line bg-surface px-4 py-2.5"
        >
          <span className="flex-1 min-w-60">
            <b>{dog}</b> is at the table, not booked.
          </span>
          <ButtonLink to={`/visits/${visitId}`} look="main" aria-label={`${dog}: go on`}>
            Go on
          </ButtonLink>
        </li>
      ))}
    </ul>
  );
}
