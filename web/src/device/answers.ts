import { Refused } from '../api/call';
import { device } from './database';

/** An answer of the office as it was, and when it was given, ms since 1970. */
export interface KeptAnswer {
  readonly answer: unknown;
  readonly at: number;
  /** Of which shape the answers of this version are: an update does not read what it cannot. */
  readonly shape: number;
}

const SHAPE = 2;
/** Visits and their events are brought up to date as they are read: those of an older version are not lost to an update. */
const OF_ANY_SHAPE = /^(visit|events|carry)( |$)/;
const DAY_MS = 86_400_000;
/** An office that says nothing for so long is taken as away, where the device knows an answer. */
const PATIENCE_MS = 4000;

/** Questions the office has answered since this page was opened. */
const answered = new Set<string>();

/**
 * Asks the office, and keeps its answer; where it cannot be reached or hangs, the answer kept on this device, if it
 * is not older than a day. Once the office has answered on this page, what is on the screen is newer than what was
 * kept, and a failure is a failure. A refusal is an answer and is passed on. A full disk keeps nothing, and loses nothing.
 */
export async function orKept<T>(question: string, ask: () => Promise<T>): Promise<T> {
  const asked = ask().then((answer) => {
    answered.add(question);
    void keepAnswer(question, answer);
    return answer;
  });
  // Refused before the device was asked: still this function's answer, only later.
  asked.catch(() => undefined);
  const known = answered.has(question) ? undefined : await remembered<T>(question);
  if (known === undefined) return asked;
  const patience = new Promise<T>((resolve) => setTimeout(() => resolve(known), PATIENCE_MS));
  return Promise.race([asked, patience]).catch((error: unknown) => {
    if (error instanceof Refused && error.status < 500) throw error;
    return known;
  });
}

/** A full disk keeps nothing, and loses nothing. */
export const keepAnswer = (question: string, answer: unknown): Promise<unknown> =>
  device.answers.put({ answer, at: Date.now(), shape: SHAPE }, question).catch(() => undefined);

/** What the office said to a question within the last day, or undefined. */
export async function remembered<T>(question: string): Promise<T | undefined> {
  const row = await device.answers.get(question).catch(() => undefined);
  const isRead = row !== undefined && (row.shape === SHAPE || OF_ANY_SHAPE.test(question));
  return isRead && Date.now() - row.at < DAY_MS ? (row.answer as T) : undefined;
}

/** Whoever signs out leaves no answers behind. What has not reached the office yet stays. */
export function forgetAnswers(): Promise<void> {
  answered.clear();
  return device.answers.clear().catch(() => undefined);
}
