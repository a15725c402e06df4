import { namePlace, placeOf } from '@dewpond/core/places';
import { NEXT_STEPS } from '@dewpond/core/referral';

import { Link } from 'react-router';
import { useReferrals } from '../../data/queries';
import { showDay } from '../../browser/times';

/** Places of a dog that wait for a vet: said wherever somebody decides about it. */
export function OpenReferrals({ dogId }: { readonly dogId: string }) {
  const open = (useReferrals(dogId).data ?? []).filter(({ end }) => end === null);
  if (open.length === 0) return null;
  return (
    <div role="status" className="rounded-xl bg-stop-pale text-stop px-4 py-2.5">
      {open.map(({ id, place, vetBy, next }) => (
        <p key={id}>
          <b className="first-letter:uppercase inline-block">{namePlace(placeOf(place))}</b>: a vet should look by{' '}
          {showDay(vetBy)}
          {next !== null && `; next: ${NEXT_STEPS[next].toLowerCase()}`}.
        </p>
      ))}
      <Link to="/watch" className="underline font-semibold">
        On the Watch list
      </Link>
    </div>
  );
}
