import type { FromLost as Taken } from '@dewpond/contract';
import { moment } from '../../browser/times';
import { useSession } from '../../data/queries';

const NAMES = new Intl.ListFormat('en-GB');

/** Says what of a visit came from a tablet that was reported lost: whoever reads it knows whose word it rests on. */
export function FromLost({ its, className = '' }: { readonly its: Taken | null; readonly className?: string }) {
  const zone = useSession().data?.business.zone ?? 'UTC';
  if (!its) return null;
  const { entries, people, takenBy, at } = its;
  return (
    <p
      role="note"
      className={`no-print max-w-[880px] mb-4 rounded-xl bg-watch-pale text-watch font-semibold px-4 py-3 ${className}`}
    >
      {entries === 1 ? 'One entry' : `${entries} entries`} of {NAMES.format(people)} came from a tablet that was
      reported lost. {takenBy} took {entries === 1 ? 'it' : 'them'} in, {moment(at, zone)}.
    </p>
  );
}
