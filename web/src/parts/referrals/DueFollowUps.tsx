import { NEXT_STEPS } from '@dewpond/core/referral';
import { daysBetween, type Day } from '@dewpond/core/units';
import { Link } from 'react-router';
import { useReferrals } from '../../data/queries';
import { Chip } from '../../ui/Chip';
import { lateWords } from './lateWords';

const SHOWN = 3;

/** Places for a vet whose next step is due: said first thing in the day, since nobody opens a list to be reminded. */
export function DueFollowUps({ today }: { readonly today: Day }) {
  const due = (useReferrals().data ?? [])
    .flatMap(({ next, dueOn, ...each }) =>
      next !== null && dueOn !== null && dueOn <= today ? [{ ...each, next, on: dueOn }] : [],
    )
    .toSorted((a, b) => (a.on < b.on ? -1 : 1));
  if (due.length === 0) return null;
  return (
    <section aria-label="To follow up" className="mb-2">
      <ul className="flex flex-col gap-2">
        {due.slice(0, SHOWN).map(({ id, dog, placeName, next, on }) => (
          <li key={id} className="grid grid-cols-[64px_1fr] gap-2 items-start">
            <span className="text-right">
              <Chip tone="stop">vet</Chip>
            </span>
            <span>
              <b>{dog}</b>, {placeName}:{' '}
              <Link to="/watch" className="text-stop font-semibold underline">
                {NEXT_STEPS[next].toLowerCase()}
                {lateWords(daysBetween(on, today))}
              </Link>
            </span>
          </li>
        ))}
      </ul>
      {due.length > SHOWN && (
        <Link to="/watch" className="text-stop font-semibold underline inline-flex items-center min-h-11 ml-18">
          {due.length - SHOWN} more on the Watch list
        </Link>
      )}
    </section>
  );
}
