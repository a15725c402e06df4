import { createHash } from 'node:crypto';
import { buffer } from 'node:stream/consumers';
import type { Readable } from 'node:stream';
import yauzl from 'yauzl';
import { MANIFEST, houseManifest, pathOfTable, type HouseManifest } from './manifest';

/** A file that is no house, or no whole one; its words are for whoever looks after the installation. */
export class NoHouse extends Error {}

const CUT_SHORT = 'It is cut short or was changed. Take it out anew.';

/** The opened file of a house. Files in it are read in any order, and held against the manifest as they are. */
export interface HouseFile {
  readonly manifest: HouseManifest;
  /** Rows of a table, so many at a time, each as JSON. */
  readonly lines: (table: string) => AsyncIterable<readonly string[]>;
  /** Bytes at a path; null: there are none. */
  readonly bytes: (path: string) => Promise<Buffer | null>;
  readonly close: () => void;
}

const LINES_AT_ONCE = 200;
const LONGEST_MANIFEST = 256 * 1024 * 1024;

/** Opens it. Throws {@link NoHouse}. */
export async function openHouse(path: string): Promise<HouseFile> {
  const zip = await open(path);
  const entries = new Map<string, yauzl.Entry>();
  try {
    for await (const entry of zip.eachEntry()) entries.set(entry.fileName, entry);
    const stream = async (at: string): Promise<Readable | null> => {
      const entry = entries.get(at);
      return entry ? zip.openReadStreamPromise(entry) : null;
    };
    const manifest = await manifestIn(entries.get(MANIFEST), await stream(MANIFEST));
    return {
      manifest,
      lines: (table) => linesIn(stream, pathOfTable(table), manifest),
      bytes: async (at) => {
        const found = await stream(at);
        if (found === null && !Object.hasOwn(manifest.files, at)) return null;
        const bytes = found && (await buffer(found));
        if (!bytes || createHash('sha256').update(bytes).digest('hex') !== manifest.files[at])
          throw new NoHouse(`${at}: ${CUT_SHORT}`);
        return bytes;
      },
      close: () => zip.close(),
    };
  } catch (error) {
    zip.close();
    throw error instanceof NoHouse ? error : new NoHouse(`This file cannot be read. ${CUT_SHORT}`);
  }
}

async function open(path: string): Promise<yauzl.ZipFile> {
  try {
    return await yauzl.openPromise(path, { lazyEntries: true, autoClose: false });
  } catch (error) {
    if ((error as { readonly code?: string }).code === 'ENOENT') throw new NoHouse(`There is no ${path}.`);
    throw new NoHouse(`This is no zip, or no whole one. ${CUT_SHORT}`);
  }
}

async function manifestIn(entry: yauzl.Entry | undefined, stream: Readable | null): Promise<HouseManifest> {
  if (!entry || !stream || entry.uncompressedSize > LONGEST_MANIFEST)
    throw new NoHouse('This zip holds no business of Dewpond.');
  const parsed = houseManifest.safeParse(JSON.parse((await buffer(stream)).toString('utf8')) as unknown);
  if (!parsed.success) throw new NoHouse(`What it says of itself is not understood. ${CUT_SHORT}`);
  return parsed.data;
}

async function* linesIn(
  stream: (at: string) => Promise<Readable | null>,
  path: string,
  { files }: HouseManifest,
): AsyncGenerator<readonly string[]> {
  const found = await stream(path);
  if (!found) throw new NoHouse(`${path} is missing. ${CUT_SHORT}`);
  const hash = createHash('sha256');
  const decoder = new TextDecoder();
  let rest = '';
  let lines: string[] = [];
  for await (const piece of found as AsyncIterable<Buffer>) {
    hash.update(piece);
    const parts = (rest + decoder.decode(piece, { stream: true })).split('\n');
    rest = parts.pop() ?? '';
    lines.push(...parts);
    if (lines.length < LINES_AT_ONCE) continue;
    yield lines;
    lines = [];
  }
  // The last line ends as all do: what stands after it was cut off.
  if (rest !== '' || hash.digest('hex') !== files[path]) throw new NoHouse(`${path}: ${CUT_SHORT}`);
  if (lines.length > 0) yield lines;
}
