import type { VisitEvent } from '@dewpond/core/events';
import type { OwnEvent } from './storage';

const PREFIX = 'dewpond-waiting-';

/** Events as the version before wrote them: in localStorage, one list a visit, without what their device had seen. */
type OldEvent = Omit<VisitEvent, 'seen'> & { readonly seen?: VisitEvent['seen'] };

/** Events an older Dewpond left waiting on this device are taken over once they are safe in the new place. */
export async function takeOverOldQueue(who: string, save: (rows: readonly OwnEvent[]) => Promise<void>): Promise<void> {
  const keys = Object.keys(localStorage).filter((key) => key.startsWith(PREFIX));
  for (const key of keys) {
    const events = read(localStorage.getItem(key));
    if (events === null) continue;
    await save(
      events.map(({ seen, ...event }) => ({
        id: event.id,
        visitId: key.slice(PREFIX.length),
        person: event.person === '' ? who : event.person,
        event: { ...event, seen: seen ?? null },
        sentAt: null,
        refused: null,
      })),
    );
    localStorage.removeItem(key);
  }
}

/** Null where it is not a list of events: left as it is, rather than lost. */
function read(text: string | null): OldEvent[] | null {
  try {
    const parsed: unknown = JSON.parse(text ?? 'null');
    return Array.isArray(parsed) ? (parsed as OldEvent[]) : null;
  } catch {
    return null;
  }
}
