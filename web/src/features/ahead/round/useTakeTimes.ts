import type { BodyOf, RoundView } from '@dewpond/contract';
import type { PlannedRound } from '@dewpond/core/route';
import { call } from '../../../api/call';
import { makeStale } from '../../../data/stale';
import { useWrite } from '../../../data/useWrite';
import { minutesOf } from '../../../browser/times';
import { instantAt } from '../../../browser/wallClock';
import { tell } from '../../../ui/tell';
import type { RoundStop } from './stopsOf';

type Times = BodyOf<'PUT /api/round'>['visits'];

/** Bookings are told in these minutes. */
const TOLD_IN = 5;

/** Gives the bookings of a round the times of its plan, all or none; the notice has the way back. */
export function useTakeTimes(view: RoundView) {
  const write = useWrite('PUT /api/round', {
    write: (_, visits: Times) => call('PUT /api/round', { body: { visits } }),
    onSuccess: (_, visits) => {
      const before = visits.flatMap(({ id, version }) => {
        const booked = view.visits.find(({ appointment }) => appointment.id === id);
        return booked ? [{ id, version: version + 1, startsAt: booked.appointment.startsAt }] : [];
      });
      const undo = () =>
        void call('PUT /api/round', { body: { visits: before } }).then(
          () => makeStale(['PUT /api/round']),
          (error: Error) => tell(error.message, { tone: 'stop' }),
        );
      tell(visits.length === 1 ? 'One booking has its new time.' : `${visits.length} bookings have their new times.`, {
        undo,
      });
    },
    tells: true,
  });

  /** Bookings that get another time by a plan. */
  const changesOf = (stops: readonly RoundStop[], { steps }: PlannedRound): Times =>
    steps.flatMap((step) => {
      if (step.kind !== 'stop') return [];
      const { stop: its, visits } = stops[step.stop]!;
      // Who keeps its time is told another one only where that cannot be kept.
      if (its?.window && step.begins <= its.window.to) return [];
      let minute = TOLD_IN * Math.ceil(step.begins / TOLD_IN - 1e-6);
      return visits.flatMap((visit) => {
        const { id, version, startsAt, state } = visit.appointment;
        const instant = new Date(instantAt(view.day, minute, view.zone)).toISOString();
        minute += minutesOf(visit.appointment);
        return state === 'booked' && Date.parse(instant) !== Date.parse(startsAt)
          ? [{ id, version, startsAt: instant }]
          : [];
      });
    });
  return { ...write, changesOf };
}
