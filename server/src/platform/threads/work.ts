export type RoomName = 'planning' | 'drawing' | 'night';

/**
 * Something that takes long and needs no database, by name: the thread that serves asks for it (`inThread`), the thread
 * beside it does it (`doing`). What is asked for and what comes back have the same types on both sides.
 */
export interface ThreadWork<Given, Made> {
  readonly name: string;
  readonly room: RoomName;
  /** Holds the two types together; never there. */
  readonly types?: (given: Given) => Made;
}

/** A piece of work that threads know how to do. */
export interface Doing {
  readonly name: string;
  readonly does: (given: unknown) => unknown;
}

export const doing = <Given, Made>(
  { name }: ThreadWork<Given, Made>,
  does: (given: Given) => Made | Promise<Made>,
): Doing => ({ name, does: does as Doing['does'] });
