import { conflict, notFound } from './problem';

interface Guarded {
  /** "dog": what there is none of, and what someone else changed. */
  readonly what: string;
  /** How it stands now, as the one who asked may see it; undefined: it is gone. */
  readonly current: () => Promise<unknown>;
  /** What was sent. */
  readonly yours: unknown;
}

/**
 * The one way to change a row that someone saw: `write` names the version that was seen and returns what it wrote. Nothing
 * written is never success: the row is gone (404), or someone was faster (409, with both versions).
 */
export async function updateGuarded(
  write: PromiseLike<readonly { readonly version: number }[]>,
  { what, current, yours }: Guarded,
): Promise<{ version: number }> {
  const [written] = await write;
  if (written) return { version: written.version };
  const now = await current();
  if (now === undefined || now === null) throw notFound(what);
  throw conflict(`Someone else changed this ${what} meanwhile.`, now, yours);
}
