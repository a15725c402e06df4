import { answers, outbox } from '../data/device';
import { visitEvent, type BusinessView, type VisitView } from '@dewpond/contract';
import { upToDate, type Happening, type VisitEvent } from '@dewpond/core/events';
import { screen } from '@testing-library/react';
import type { UserEvent } from '@testing-library/user-event';
import { TableScreen } from '../features/table/TableScreen';
import { useVisitLog } from '../features/table/visitLog';
import { MEMBER, business, session, visitView } from './demoDog';
import { openServer, show } from './server';
import { v7 } from 'uuid';

/**
 * A dog on the table and somebody signed in. The server takes every event once and remembers it, as the real one does;
 * `sent` is what reached it, in order. Its clock may be ahead of the device's, ms. A visit may be there as it was cached on
 * this device, of whatever version.
 */
export async function standAtTable(
  given: VisitView = visitView(),
  serverAhead = 0,
  visitIs: 'at the server' | 'on this device' = 'at the server',
  its: BusinessView = business(),
) {
  // A visit of its own: what an earlier test still writes goes to another.
  const visit = { ...given, id: v7() };
  const sent: Happening[] = [];
  const known: VisitEvent[] = [...visit.events];
  const server = openServer({
    'GET /api/session': () => session(),
    'GET /api/business': () => its,
    'GET /api/members': () => ({ items: [MEMBER] }),
    'GET /api/visits/:id': () => {
      if (visitIs === 'on this device') throw new Error('no network');
      return { ...visit, events: known };
    },
    'GET /api/visits/:id/events': () => ({ events: known, serverNow: Date.now() + serverAhead }),
    'POST /api/visits/:id/events': ({ body }) => {
      const events = body.events.map((each) => visitEvent.parse(each));
      const fresh = events.filter((event) => !known.some(({ id }) => id === event.id));
      known.push(...fresh.map((event): VisitEvent => upToDate({ ...event, person: MEMBER.personId })));
      sent.push(...fresh.map((event) => upToDate({ ...event, person: MEMBER.personId }).what));
      return {
        taken: fresh.map(({ id }) => id),
        known: events.filter((event) => !fresh.includes(event)).map(({ id }) => id),
        refused: [],
        serverNow: Date.now() + serverAhead,
      };
    },
  });
  useVisitLog.setState(useVisitLog.getInitialState(), true);
  if (visitIs === 'on this device') await answers.put(`visit ${visit.id}`, visit);
  await outbox.open(MEMBER.personId);
  const shown = show(<TableScreen />, { path: '/visits/:id', at: `/visits/${visit.id}` });
  await screen.findByText(/step \d+ of/);
  /** What this device has written down, in order; it may not have reached the server yet. */
  const happened = () => useVisitLog.getState().own.map(({ what }) => what);
  return { ...shown, sent, happened, server, known };
}

/** Every place of the look-over that is still open is touched as clear, view by view. */
export async function lookAllClear(person: UserEvent): Promise<void> {
  for (let view = 0; view < 4; view++) {
    for (const name of [/parted: no flinch/, /here are clear/]) {
      const rest = screen.queryByRole('button', { name });
      if (rest) await person.click(rest);
    }
  }
  const manner = screen.queryByRole('button', { name: 'breathing, gait and manner clear' });
  if (manner) await person.click(manner);
}
