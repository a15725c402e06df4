import type { TodayView } from '@dewpond/contract';
import { Link } from 'react-router';
import { clock } from '../../browser/times';
import { BeginVisit } from '../../parts/visits/BeginVisit';
import { Card } from '../../ui/Card';

/** The day without what the van goes to: that is no matter of tables and tubs. */
export const atSalon = (today: TodayView): TodayView => ({ ...today, dogs: today.dogs.filter(({ isOut }) => !isOut) });

/** Who is out with the van, and where they are when; nothing where nobody is. */
export function OutWithVan({ today }: { readonly today: TodayView }) {
  const out = today.dogs.filter(({ isOut }) => isOut);
  const people = [...new Map(out.map(({ appointment }) => [appointment.memberId, appointment.memberName]))];
  return people.map(([id, name]) => (
    <Card key={id} title={`${name} is out with the van`} className="flex flex-col">
      <ul className="flex flex-col divide-y divide-line">
        {out
          .filter(({ appointment }) => appointment.memberId === id)
          .map(({ appointment }) => (
            <li key={appointment.id} className="flex items-center justify-between gap-3 py-1.5">
              <span className="min-w-0">
                <span className="tabular-nums text-soft">{clock(appointment.startsAt, today.zone)}</span>{' '}
                <Link to={`/dogs/${appointment.dogId}`} className="font-bold hover:underline">
                  {appointment.dogName}
                </Link>{' '}
                <span className="text-soft">{appointment.ownerName}</span>
              </span>
              <span className="w-30 shrink-0">
                <BeginVisit
                  dogId={appointment.dogId}
                  appointmentId={appointment.id}
                  visitId={appointment.visitId}
                  done={appointment.state === 'done'}
                  dog={appointment.dogName}
                  small
                />
              </span>
            </li>
          ))}
      </ul>
      <Link to={`/round?day=${today.day}&member=${id}`} className="self-start text-pond underline font-semibold pt-2">
        The round
      </Link>
    </Card>
  ));
}
