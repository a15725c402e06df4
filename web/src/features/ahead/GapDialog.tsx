import type { GapView } from '@dewpond/contract';
import type { Day } from '@dewpond/core/units';
import { call } from '../../api/call';
import { clock, dayOf, fieldTime, minuteOf, showDay } from '../../browser/times';
import { useState } from 'react';
import { v7 } from 'uuid';
import { useGap } from '../../data/queries';
import { useZone } from '../../data/useUnits';
import { useWrite } from '../../data/useWrite';
import { MessageDialog, type MessageAbout } from '../../parts/messages/MessageDialog';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Waiting } from '../../ui/Waiting';
import { tell } from '../../ui/tell';
import type { TimeGivenUp } from '../../parts/answers/AnswersCard';

type Gainer = GapView['gains'][number];

/** A time that came free: who gains most from it, with the telephone; the first yes takes it. */
export function GapDialog({
  appointment,
  onClose,
}: {
  readonly appointment: TimeGivenUp;
  readonly onClose: () => void;
}) {
  const gap = useGap(appointment.id);
  const zone = useZone();
  /** Who is written to, with the time to say yes to. */
  const [asked, setAsked] = useState<Pick<MessageAbout, 'dogId' | 'offers'> | null>(null);
  const ends = clock(appointment.endsAt, zone);
  if (asked !== null)
    return (
      <MessageDialog
        about={{
          kind: 'a gap',
          ...asked,
          visitId: null,
          day: dayOf(appointment.startsAt, zone) as Day,
          time: fieldTime(minuteOf(appointment.startsAt, zone)),
        }}
        onClose={() => setAsked(null)}
      />
    );
  return (
    <Dialog
      open
      onClose={onClose}
      title={`${showDay(dayOf(appointment.startsAt, zone) as Day)}, ${clock(appointment.startsAt, zone)}–${ends} is free`}
      says="Who gains most stands first. The first yes takes it."
    >
      <Waiting query={gap} what="Who gains">
        {(view) => (
          <Gainers
            view={view}
            onClose={onClose}
            onWrite={(gainer) => setAsked({ dogId: gainer.dogId, offers: offerTo(gainer, view) })}
          />
        )}
      </Waiting>
    </Dialog>
  );
}

interface GainersProps {
  readonly view: GapView;
  readonly onClose: () => void;
  readonly onWrite: (gainer: Gainer) => void;
}

function Gainers({ view, onClose, onWrite }: GainersProps) {
  const take = useWrite(['POST /api/appointments', 'PUT /api/appointments/:id'], {
    write: async (id, { dogId, kind, minutes }: Gainer) => {
      const { memberId, startsAt } = view;
      const body = {
        id,
        dogId,
        memberId,
        kind,
        startsAt,
        minutes: Math.min(minutes, view.minutes),
        agreed: null,
        note: '',
      };
      await call('POST /api/appointments', { body });
    },
    onSuccess: (_, { dog, insteadOf }) => {
      const rest = insteadOf ? ` Its booking on ${showDay(insteadOf.day)} still stands: move or cancel it.` : '';
      tell(`${dog} has that time.${rest}`);
      onClose();
    },
    tells: true,
  });
  if (!view.isFree) return <p>Somebody has that time already.</p>;
  if (view.gains.length === 0) return <p>Nobody would gain: no dog that fits is due by then.</p>;
  return (
    <ol className="flex flex-col divide-y divide-line">
      {view.gains.map((each) => (
        <li key={each.dogId} className="flex items-center justify-between gap-3 py-2">
          <span className="min-w-0">
            <b>{each.dog}</b> {each.owner}{' '}
            {each.phone && (
              <a href={`tel:${each.phone.replaceAll(' ', '')}`} className="text-pond underline whitespace-nowrap">
                {each.phone}
              </a>
            )}
            <span className="block text-sm text-soft">{reasonOf(each)}</span>
          </span>
          <span className="flex gap-2 shrink-0">
            <Button look="quiet" aria-label={`Write to ${each.owner} about ${each.dog}`} onClick={() => onWrite(each)}>
              Write
            </Button>
            <Button disabled={take.isPending} onClick={() => take.mutate(each)}>
              Said yes
            </Button>
          </span>
        </li>
      ))}
    </ol>
  );
}

/** The time that came free, to say yes to; what it replaces is given up then. */
const offerTo = ({ dogId, kind, minutes, insteadOf }: Gainer, { memberId, startsAt, minutes: free }: GapView) =>
  kind === 'as agreed'
    ? []
    : [
        {
          ...{ id: v7(), setId: v7(), dogId, memberId, kind, startsAt },
          minutes: Math.min(minutes, free),
          insteadOf: insteadOf?.id ?? null,
        },
      ];

function reasonOf({ kind, minutes, lateBy, gain, insteadOf }: Gainer): string {
  const late = lateBy > 0 ? `${lateBy} ${lateBy === 1 ? 'day' : 'days'} late by then` : 'due by then';
  const booked = insteadOf ? `, booked on ${showDay(insteadOf.day)}` : '';
  return `${kind}, ${minutes} min; ${late}${booked}; saves ${gain.toFixed(1)}`;
}
