import type { CachedAnswer, DeviceStorage, OwnEvent, WaitingPhoto, WaitingVisit } from './storage';

/** A device without a disk: what it holds goes with the page. Tests run on it as on the browser's own. */
export function memoryStorage(): DeviceStorage {
  const answers = new Map<string, CachedAnswer>();
  const events = new Map<string, OwnEvent>();
  const visits = new Map<string, WaitingVisit>();
  const photos = new Map<string, WaitingPhoto>();
  const moved = new Map<string, string>();
  const now = <T>(value: T): Promise<T> => Promise.resolve(value);
  const refuse = <Row extends { readonly refused: string | null }>(
    rows: Map<string, Row>,
    id: string,
    words: string,
  ) => {
    const row = rows.get(id);
    if (row) rows.set(id, { ...row, refused: words });
    return now(undefined);
  };
  const rowsOf = <Row extends { readonly id: string; readonly refused: string | null }>(rows: Map<string, Row>) => ({
    get: (id: string) => now(rows.get(id)),
    all: () => now([...rows.values()]),
    put: (row: Row) => now(void rows.set(row.id, row)),
    refuse: (id: string, words: string) => refuse(rows, id, words),
    remove: (id: string) => now(void rows.delete(id)),
  });
  const moveAll = <Row extends { readonly id: string; readonly visitId: string }>(
    rows: Map<string, Row>,
    from: string,
    to: string,
  ) => {
    for (const row of rows.values()) if (row.visitId === from) rows.set(row.id, { ...row, visitId: to });
  };
  return {
    answers: {
      get: (question) => now(answers.get(question)),
      put: (question, row) => now(void answers.set(question, row)),
      clear: () => {
        answers.clear();
        return now(undefined);
      },
      forgetBefore: (at) => {
        for (const [question, row] of answers) if (row.at < at) answers.delete(question);
        return now(undefined);
      },
    },
    events: {
      get: (id) => now(events.get(id)),
      unsent: () => now([...events.values()].filter(({ sentAt }) => sentAt === null)),
      ofVisit: (visitId) => now([...events.values()].filter((row) => row.visitId === visitId)),
      putAll: (rows) => {
        for (const row of rows) events.set(row.id, row);
        return now(undefined);
      },
      refuse: (id, words) => refuse(events, id, words),
      acknowledge: (ids, at) => {
        for (const id of ids) {
          const row = events.get(id);
          if (row) events.set(id, { ...row, sentAt: at });
        }
        return now(undefined);
      },
      removeAll: (ids) => {
        for (const id of ids) events.delete(id);
        return now(undefined);
      },
      forgetBefore: (at) => {
        for (const { id, sentAt } of events.values()) if (sentAt !== null && sentAt < at) events.delete(id);
        return now(undefined);
      },
    },
    visits: rowsOf(visits),
    photos: rowsOf(photos),
    movedTo: (visitId) => now(moved.get(visitId)),
    move: (from, to) => {
      moveAll(events, from, to);
      moveAll(photos, from, to);
      moved.set(from, to);
      visits.delete(from);
      return now(undefined);
    },
    clear: () => {
      for (const rows of [answers, events, visits, photos, moved]) rows.clear();
      return now(undefined);
    },
  };
}
