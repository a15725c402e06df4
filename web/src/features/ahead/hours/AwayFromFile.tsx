import type { AwayView, HoursView } from '@dewpond/contract';
import { readAbsences, type AbsencesRead, type ReadAbsence } from '@dewpond/core/bookings';
import type { Day } from '@dewpond/core/units';
import { useRef, useState } from 'react';
import { v7 } from 'uuid';
import { call } from '../../../api/call';
import { showDay } from '../../../browser/times';
import { useWrite } from '../../../data/useWrite';
import { Button } from '../../../ui/Button';
import { FileInput } from '../../../ui/FileInput';
import { tell } from '../../../ui/tell';
import { EVERYBODY, WhoseField, type WhoseDays } from './whose';

/** Closures, holidays and absences from a calendar file: read here, looked at, taken. */
export function AwayFromFile({ view, today }: { readonly view: HoursView; readonly today: Day }) {
  const [read, setRead] = useState<AbsencesRead | null>(null);
  const [whose, setWhose] = useState(EVERYBODY);
  const [without, setWithout] = useState<ReadonlySet<string>>(new Set());
  // An entry has its id from when it was read: sent again, it is kept once.
  const ids = useRef(new Map<string, string>());
  const idOf = (each: ReadAbsence): string => {
    const key = `${whose.memberId ?? whose.branchId ?? ''} ${keyOf(each)}`;
    const id = ids.current.get(key) ?? v7();
    ids.current.set(key, id);
    return id;
  };
  const known = read && 'found' in read ? read.found.filter((each) => isThere(view.away, each, whose)) : [];
  const fresh = read && 'found' in read ? read.found.filter((each) => !known.includes(each)) : [];
  const chosen = fresh.filter((each) => !without.has(keyOf(each)));
  const take = useWrite('POST /api/absences', {
    write: (_, absences: readonly ReadAbsence[]) => {
      const body = { absences: absences.map((each) => ({ id: idOf(each), ...whose, ...each })) };
      return call('POST /api/absences', { body });
    },
    onSuccess: (_, absences) => {
      tell(absences.length === 1 ? 'One entry is taken.' : `${absences.length} entries are taken.`);
      setRead(null);
    },
    tells: true,
  });
  const open = async (file: File) => {
    setWithout(new Set());
    setRead(readAbsences(await file.text(), today));
  };
  return (
    <div className="mt-4 border-t border-line pt-3">
      <label className="inline-flex flex-wrap items-center gap-3">
        <span className="font-semibold">From a calendar file (.ics)</span>
        <FileInput accept=".ics,text/calendar" onFile={(file) => void open(file)} />
      </label>
      {read && 'trouble' in read && (
        <p role="alert" className="text-stop font-semibold mt-1">
          {read.trouble}
        </p>
      )}
      {read && 'found' in read && (
        <div className="mt-3 flex flex-col gap-2">
          <div className="max-w-60">
            <WhoseField label="Whose days are these" people={view.people} value={whose} onChange={setWhose} />
          </div>
          <ul aria-label="Days in the file" className="flex flex-col">
            {fresh.map((each) => (
              <li key={keyOf(each)}>
                <label className="flex items-center gap-3 min-h-11">
                  <input
                    type="checkbox"
                    className="size-5 accent-pond"
                    checked={!without.has(keyOf(each))}
                    onChange={() => setWithout(toggled(without, keyOf(each)))}
                  />
                  <span>
                    <b>{showDay(each.from)}</b>
                    {each.to !== each.from && ` to ${showDay(each.to)}`}: {each.name}
                  </span>
                </label>
              </li>
            ))}
          </ul>
          {fresh.length === 0 && <p className="text-soft">Nothing in it is new: no whole days from today on.</p>}
          {known.length > 0 && <p className="text-soft">{known.length} stand here already.</p>}
          {read.left.length > 0 && (
            <details>
              <summary className="cursor-pointer py-2 font-semibold">{read.left.length} left out, and why</summary>
              <ul>
                {read.left.map(({ name, why }, i) => (
                  <li key={`${name} ${i}`} className="text-sm">
                    <b>{name}</b>: {why}
                  </li>
                ))}
              </ul>
            </details>
          )}
          <div className="flex gap-2">
            <Button look="main" disabled={chosen.length === 0 || take.isPending} onClick={() => take.mutate(chosen)}>
              {chosen.length === 1 ? 'Take one entry' : `Take ${chosen.length} entries`}
            </Button>
            <Button look="quiet" onClick={() => setRead(null)}>
              Leave it
            </Button>
          </div>
        </div>
      )}
    </div>
  );
}

const keyOf = ({ from, to, name }: ReadAbsence): string => `${from} ${to} ${name}`;

const isThere = (
  away: readonly AwayView[],
  { from, to, name }: ReadAbsence,
  { memberId, branchId }: WhoseDays,
): boolean =>
  away.some(
    (each) =>
      each.memberId === memberId &&
      each.branchId === branchId &&
      each.from === from &&
      each.to === to &&
      each.name === name,
  );

function toggled(set: ReadonlySet<string>, key: string): ReadonlySet<string> {
  const next = new Set(set);
  if (!next.delete(key)) next.add(key);
  return next;
}
