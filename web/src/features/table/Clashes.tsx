import { placeOf, type Place } from '@dewpond/core/places';
import type { Clash } from '@dewpond/core/visit';
import { useMembers } from '../../data/queries';
import { Button } from '../../ui/Button';
import { inWords } from './SendState';
import type { TableWork } from './useTable';
import { record } from './visitLog';

/** What two people marked apart and differently: both marks are shown, and one look or one tap settles it. */
export function Clashes({ table, onPlace }: { readonly table: TableWork; readonly onPlace: (place: Place) => void }) {
  const { clashes } = table.state;
  if (clashes.length === 0) return null;
  return (
    <section role="alert" className="rounded-xl border border-watch bg-watch-pale px-4 py-3 mb-3 max-w-3xl">
      <h2 className="text-watch mb-1">Two of you marked this differently</h2>
      <ul className="flex flex-col gap-2">
        {clashes.map((clash) => (
          <OneClash key={clash.about} clash={clash} onPlace={onPlace} />
        ))}
      </ul>
    </section>
  );
}

/** What a newer Dewpond wrote stands in the record and is not read here: nobody shall think that nothing was written. */
export function WrittenByNewer({ table }: { readonly table: TableWork }) {
  const count = table.state.newer.length;
  if (count === 0) return null;
  return (
    <p role="alert" className="rounded-xl bg-watch-pale text-watch font-semibold px-4 py-3 mb-3 max-w-3xl">
      {count === 1 ? 'One entry' : `${count} entries`} of this visit came from a newer Dewpond and cannot be read here.
      Nothing is lost: look at it on that device before you work on.
    </p>
  );
}

function OneClash({ clash, onPlace }: { readonly clash: Clash; readonly onPlace: (place: Place) => void }) {
  const members = useMembers().data ?? [];
  const nameOf = (person: string) => members.find((each) => each.personId === person)?.name ?? 'another device';
  const place = clash.about.startsWith('place ') ? placeOf(clash.about.slice('place '.length)) : null;
  return (
    <li className="flex flex-wrap items-center gap-2">
      <span className="flex-1 min-w-60">
        {clash.marks.map((mark) => (
          <span key={mark.id} className="block">
            <b>{nameOf(mark.person)}</b>: {inWords(mark.what)}
          </span>
        ))}
      </span>
      {place ? (
        <Button className="min-h-14!" onClick={() => onPlace(place)}>
          Look again
        </Button>
      ) : (
        clash.marks.map((mark) => (
          <Button key={mark.id} look="quiet" className="min-h-14!" onClick={() => record(mark.what)}>
            {inWords(mark.what)} holds
          </Button>
        ))
      )}
    </li>
  );
}
