import type { TodayView } from '@dewpond/contract';
import type { SetByHand } from '@dewpond/core/lineup';
import { call } from '../../../api/call';
import { makeStale } from '../../../data/stale';
import { useWrite } from '../../../data/useWrite';
import { tell } from '../../../ui/tell';
import { dogOf } from './dayOfWork';

interface Setting {
  readonly id: string;
  readonly byHand: SetByHand | null;
}

/** One of these, as the booking was seen. */
const send = (version: number, { id, byHand }: Setting) =>
  call('PUT /api/appointments/:id', { id, body: { change: 'line up', version, byHand } });

/** Keeps where dogs stand in their day; the one notice has the way back for all of them. */
export function useSetByHand(today: TodayView) {
  return useWrite(['PUT /api/appointments/:id'], {
    write: (_, settings: readonly Setting[]) =>
      Promise.all(settings.map((each) => send(dogOf(today, each.id)?.appointment.version ?? 1, each))),
    onSuccess: (kept, settings) => {
      const before = settings.map(({ id }) => ({ id, byHand: dogOf(today, id)?.byHand ?? null }));
      const undo = () =>
        void Promise.all(before.map((each, i) => send(kept[i]?.version ?? 1, each))).then(
          () => makeStale(['PUT /api/appointments/:id']),
          (error: Error) => tell(error.message, { tone: 'stop' }),
        );
      tell(wordsFor(today, settings), { undo });
    },
    tells: true,
  });
}

function wordsFor(today: TodayView, [first, ...more]: readonly Setting[]): string {
  if (more.length > 0) return `${more.length + 1} dogs stand wherever they fit best.`;
  const name = (first && dogOf(today, first.id)?.appointment.dogName) ?? 'The dog';
  return first?.byHand ? `${name} is set by hand; the rest makes room.` : `${name} stands wherever it fits best.`;
}
