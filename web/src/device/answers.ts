import type { DeviceStorage } from './storage';

/** Answers of the server, cached on the device. */
export interface AnswerCache {
  /**
   * Asks the server, and caches its answer; where it cannot be reached or hangs, the answer cached on this device, if it
   * is not older than a day. Once the server has answered on this page, what is on the screen is newer than the cache, and
   * a failure is a failure. A refusal is an answer and is passed on. A full disk caches nothing, and loses nothing.
   */
  orCached<T>(question: string, ask: () => Promise<T>): Promise<T>;
  put(question: string, answer: unknown): Promise<void>;
  /** What the server said to a question within the last day, or undefined. */
  get<T>(question: string): Promise<T | undefined>;
  /** Nothing is on the screen any more, as after a reload: what is cached counts again. */
  beginAnew(): void;
  /** Whoever signs out leaves no answers behind. What has not reached the server yet stays. */
  forget(): Promise<void>;
}

interface DeviceParts {
  readonly storage: DeviceStorage;
  /** Milliseconds since 1970. */
  readonly now: () => number;
  /** An error that is an answer: the server was there, and said no. */
  readonly isRefusal: (error: unknown) => boolean;
}

const SHAPE = 6;
/** Visits and their events are brought up to date as they are read: those of an older version are not lost to an update. */
const OF_ANY_SHAPE = /^(visit|events|prefetch)( |$)/;
const DAY_MS = 86_400_000;
/** A server that says nothing for so long is taken as away, where the device knows an answer. */
const PATIENCE_MS = 4000;

export function answerCache({ storage, now, isRefusal }: DeviceParts): AnswerCache {
  /** Questions the server has answered since this page was opened. */
  const answered = new Set<string>();

  const put = (question: string, answer: unknown): Promise<void> =>
    storage.answers.put(question, { answer, at: now(), shape: SHAPE }).catch(() => undefined);

  async function get<T>(question: string): Promise<T | undefined> {
    const row = await storage.answers.get(question).catch(() => undefined);
    const isRead = row !== undefined && (row.shape === SHAPE || OF_ANY_SHAPE.test(question));
    return isRead && now() - row.at < DAY_MS ? (row.answer as T) : undefined;
  }

  return {
    put,
    get,
    async orCached<T>(question: string, ask: () => Promise<T>): Promise<T> {
      const asked = ask().then((answer) => {
        answered.add(question);
        void put(question, answer);
        return answer;
      });
      // Refused before the device was asked: still this function's answer, only later.
      asked.catch(() => undefined);
      const known = answered.has(question) ? undefined : await get<T>(question);
      if (known === undefined) return asked;
      const patience = new Promise<T>((resolve) => setTimeout(() => resolve(known), PATIENCE_MS));
      return Promise.race([asked, patience]).catch((error: unknown) => {
        if (isRefusal(error)) throw error;
        return known;
      });
    },
    beginAnew: () => answered.clear(),
    forget() {
      answered.clear();
      return storage.answers.clear().catch(() => undefined);
    },
  };
}
