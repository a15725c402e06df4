import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';
import { passed, toPass } from '@dewpond/core/threads';
import { busy } from '../http/problem';
import { asBuffer } from './bytes';
import type { RoomName, ThreadWork } from './work';

/**
 * Rooms of their own, so that a visit that is opened never waits for papers: threads beside the one that serves, and how much may
 * wait for them before "not now" is the better answer.
 */
const ROOMS: Readonly<Record<RoomName, { readonly threads: number; readonly waiting: number; readonly full: string }>> =
  {
    planning: { threads: 1, waiting: 400, full: 'Much is being planned just now. Try again in a moment.' },
    night: { threads: 1, waiting: 50, full: 'Weeks are being planned already. Try again later.' },
    drawing: { threads: 2, waiting: 40, full: 'Much is being drawn just now. Try again in a moment.' },
  };

/** A thread runs the built file: beside the built server, or where the source is run from, in the folder of builds. */
const workerFile = (): string => {
  const beside = fileURLToPath(new URL('./worker.js', import.meta.url));
  return existsSync(beside) ? beside : fileURLToPath(new URL('../../../dist/worker.js', import.meta.url));
};

const pools = new Map<RoomName, Piscina>();

function open(room: RoomName): Piscina {
  const known = pools.get(room);
  if (known) return known;
  const { threads, waiting } = ROOMS[room];
  const made = new Piscina({
    filename: workerFile(),
    minThreads: 0,
    maxThreads: threads,
    maxQueue: waiting,
    idleTimeout: 60_000,
    resourceLimits: { maxOldGenerationSizeMb: 512 },
  });
  pools.set(room, made);
  return made;
}

/** Does one piece of work in a thread of its own. Throws 503 when too much waits already. */
export async function inThread<Given, Made>({ name, room }: ThreadWork<Given, Made>, given: Given): Promise<Made> {
  const threads = open(room);
  if (threads.queueSize >= ROOMS[room].waiting) throw busy(ROOMS[room].full);
  return passed(await threads.run({ name, given: toPass(given) }), asBuffer) as Made;
}

export async function closePools(): Promise<void> {
  const closing = [...pools.values()];
  pools.clear();
  await Promise.all(closing.map((each) => each.destroy()));
}
