import type { FOR_PERSON } from '@dewpond/contract';

const HEADER: typeof FOR_PERSON = 'x-dewpond-person';

let person: string | null = null;
let first: (() => Promise<void>) | null = null;
let running: Promise<void> | null = null;

/** For whom this page asks from now on. The server answers nobody else's session. */
export function askFor(personId: string | null): void {
  person = personId;
}
/** To be put into what is asked in somebody's name. */
export const forWhom = (): Record<string, string> => (person === null ? {} : { [HEADER]: person });

/** Something that has to be done before anything else is asked: whoever came without a network shows who they are. */
export function askFirst(does: (() => Promise<void>) | null): void {
  first = does;
}
/** Done once, however many ask at the same moment; tried again by whoever asks next where it failed. */
export async function askedFirst(): Promise<void> {
  if (first === null) return;
  running ??= first().finally(() => (running = null));
  await running;
}
