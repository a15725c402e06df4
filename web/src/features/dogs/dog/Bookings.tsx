import type { Appointment, DogView } from '@dewpond/contract';
import { visitName } from '@dewpond/core/steps';
import type { Day } from '@dewpond/core/units';
import { CalendarPlus } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { showDay, clock, dayOf } from '../../../browser/times';
import { useZone } from '../../../data/useUnits';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { BookDialog } from '../../../parts/booking/BookDialog';
import { useCancel } from '../../../parts/booking/useCancel';
import { May } from '../../../parts/May';

/** Bookings to come, to move or cancel, and past visits with their sheets. */
export function Bookings({ dog }: { readonly dog: DogView }) {
  const zone = useZone();
  const [moving, setMoving] = useState<Appointment | null>(null);
  const cancel = useCancel();
  const coming = dog.appointments.filter((each) => each.state === 'booked');
  const past = dog.visits.toReversed().slice(0, 6);
  return (
    <Card title="Bookings and visits">
      {coming.length === 0 && <p className="text-soft">Nothing booked.</p>}
      <ul className="flex flex-col gap-2">
        {coming.map((each) => (
          <li key={each.id} className="flex flex-wrap items-center justify-between gap-2">
            <span>
              <b>
                {showDay(dayOf(each.startsAt, zone) as Day)}, {clock(each.startsAt, zone)}
              </b>
              <span className="block text-sm text-soft">
                {visitName(each)}, {each.memberName}
              </span>
            </span>
            <span className="flex gap-1.5">
              <a
                href={`/api/appointments/${each.id}/booking.ics`}
                download
                aria-label="This booking as a calendar file"
                className="grid place-items-center size-11 rounded-xl text-soft hover:text-pond hover:bg-pond-pale"
              >
                <CalendarPlus size={18} aria-hidden />
              </a>
              <May deed="book">
                <Button look="quiet" onClick={() => setMoving(each)}>
                  Move
                </Button>
              </May>
              <May deed="book">
                <Button
                  look="quiet"
                  onClick={() => cancel.mutate({ booking: each, by: 'owner' })}
                  disabled={cancel.isPending}
                >
                  Cancel
                </Button>
              </May>
            </span>
          </li>
        ))}
      </ul>
      {past.length > 0 && (
        <>
          <p className="font-semibold text-sm text-soft mt-3 mb-1">Past visits</p>
          <ul className="flex flex-wrap gap-x-4 gap-y-1">
            {past.map((visit) => (
              <li key={visit.visitId}>
                <Link to={`/visits/${visit.visitId}/sheet`} className="text-pond underline inline-block py-1">
                  {showDay(visit.day)}
                </Link>
              </li>
            ))}
          </ul>
        </>
      )}
      <Link to={`/dogs/${dog.id}/history`} className="text-pond underline font-semibold inline-block py-2">
        The whole record
      </Link>
      {moving && (
        <BookDialog
          open
          onClose={() => setMoving(null)}
          moving={moving}
          dog={{ id: dog.id, name: dog.profile.name, suggested: dog.nextVisit?.day ?? null }}
        />
      )}
    </Card>
  );
}
