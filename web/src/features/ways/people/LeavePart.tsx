import type { Handover, PersonView } from '@dewpond/contract';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../../../api/call';
import { moment } from '../../../browser/times';
import { useSession } from '../../../data/queries';
import { useWrite } from '../../../data/useWrite';
import { Button } from '../../../ui/Button';
import { SelectField } from '../../../ui/SelectField';
import { tell } from '../../../ui/tell';
import { Waiting } from '../../../ui/Waiting';

interface LeaveProps {
  readonly its: PersonView;
  /** The others who are here. */
  readonly people: readonly PersonView[];
  readonly onDone: () => void;
}

/** What somebody who leaves hands over, booking by booking; whoever is free is proposed. */
export function LeavePart({ its, people, onDone }: LeaveProps) {
  const query = useQuery({
    queryKey: ['handover', its.id],
    queryFn: () => call('GET /api/people/:id/handover', { id: its.id }),
  });
  return (
    <Waiting query={query} what="What is booked">
      {({ items }) => <Leave its={its} people={people} onDone={onDone} ahead={items} />}
    </Waiting>
  );
}

const CANCEL = 'cancel';

/** Bookings shared out evenly among those who are free, the same trade first; those that nobody can take are cancelled. */
export function proposed(ahead: readonly Handover[], isSame: (memberId: string) => boolean): Record<string, string> {
  const load = new Map<string, number>();
  const taken: { readonly who: string; readonly from: number; readonly to: number }[] = [];
  const chosen: Record<string, string> = {};
  for (const { appointmentId, free, startsAt, minutes } of ahead) {
    const from = Date.parse(startsAt);
    const to = from + minutes * 60_000;
    const [who] = free
      .filter((each) => !taken.some((time) => time.who === each && time.from < to && time.to > from))
      .toSorted((a, b) => Number(isSame(b)) - Number(isSame(a)) || (load.get(a) ?? 0) - (load.get(b) ?? 0));
    chosen[appointmentId] = who ?? CANCEL;
    if (who === undefined) continue;
    taken.push({ who, from, to });
    load.set(who, (load.get(who) ?? 0) + 1);
  }
  return chosen;
}

function Leave({ its, people, onDone, ahead }: LeaveProps & { readonly ahead: readonly Handover[] }) {
  const zone = useSession().data?.business.zone ?? 'UTC';
  const [set, setSet] = useState<Readonly<Record<string, string>>>({});
  const roles = new Map(people.map(({ id, role }) => [id, role]));
  const chosen = { ...proposed(ahead, (id) => roles.get(id) === its.role), ...set };
  const cancelled = ahead.filter(({ appointmentId }) => chosen[appointmentId] === CANCEL).length;
  const leave = useWrite('POST /api/people/:id/left', {
    write: () =>
      call('POST /api/people/:id/left', {
        id: its.id,
        body: {
          bookings: ahead.map(({ appointmentId: id }) => {
            const to = chosen[id] ?? CANCEL;
            return { id, to: to === CANCEL ? null : to };
          }),
        },
      }),
    onSuccess: () => {
      tell(`${its.name} has left and is signed out. What they did keeps their name.`);
      onDone();
    },
    tells: true,
  });
  return (
    <div className="flex flex-col gap-4">
      <p>
        {its.name} is signed out at once and cannot sign in any more. Records keep their name; they can come back.
        {ahead.length === 0 && ' Nothing is booked with them.'}
      </p>
      {ahead.length > 0 && (
        <ul className="flex flex-col gap-2.5" aria-label="Bookings ahead">
          {ahead.map(({ appointmentId, dog, startsAt, free }) => (
            <li key={appointmentId} className="grid grid-cols-[1fr_13rem] max-md:grid-cols-1 items-center gap-x-3">
              <span>
                <b>{dog}</b> <span className="text-soft">{moment(startsAt, zone)}</span>
              </span>
              <SelectField
                label={`${dog}, ${moment(startsAt, zone)}: goes to`}
                labelHidden
                value={chosen[appointmentId] ?? CANCEL}
                onChange={({ target }) => setSet({ ...set, [appointmentId]: target.value })}
              >
                {people
                  .filter(({ id }) => free.includes(id))
                  .map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                <option value={CANCEL}>{free.length === 0 ? 'nobody is free: cancel' : 'cancel'}</option>
              </SelectField>
            </li>
          ))}
        </ul>
      )}
      {cancelled > 0 && (
        <p className="rounded-xl bg-watch-pale text-watch font-semibold px-4 py-3">
          {cancelled === 1 ? 'One booking is cancelled' : `${cancelled} bookings are cancelled`}. Tell those owners:
          Dewpond writes to nobody by itself about it.
        </p>
      )}
      <Button look="stop" className="self-end" disabled={leave.isPending} onClick={() => leave.mutate()}>
        {its.name} leaves now
      </Button>
    </div>
  );
}
