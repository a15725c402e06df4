import { knownClients, mergeCards, plainWords, clientKeys, type ClientCard } from '../clients';
import type { ReadDog, ReadRow } from './readRows';

/** What of the book is needed to see doubles. */
export interface BookClient {
  readonly id: string;
  readonly name: string;
  readonly card: Pick<ClientCard, 'phones' | 'emails'>;
  readonly dogs: readonly { readonly name: string; readonly chip: string }[];
}

export type Verdict =
  /** Owner and dog are new. */
  | 'new'
  /** The owner is in the book already; the dog is added to them. */
  | 'new dog'
  /** Both are there: nothing to import. */
  | 'in the book'
  /** Cannot be taken. */
  | 'wrong';

/** A row with where it goes. */
export interface MatchedRow extends ReadRow {
  readonly verdict: Verdict;
  /** The client of the book it belongs to; null = a new one. */
  readonly known: { readonly id: string; readonly name: string } | null;
}

/** Holds rows against the book, and against each other: two rows with one chip, one dog twice. */
export function matchBook(rows: readonly ReadRow[], book: readonly BookClient[]): MatchedRow[] {
  const find = knownClients(book);
  const byId = new Map(book.map((client) => [client.id, client]));
  const chips = new Map(
    book.flatMap((client) =>
      client.dogs
        .filter(({ chip }) => chip)
        .map(({ chip, name }): [string, string] => [chip, `${name}, of ${client.name}`]),
    ),
  );
  const seen = new Map<string, number>();
  return rows.map((row): MatchedRow => {
    const known = row.owner.name === '' ? null : find(row.owner.name, row.owner.card);
    const wrong = [...row.wrong];
    const notes = [...row.notes];
    const already =
      known &&
      row.dog &&
      byId.get(known.id)?.dogs.some(({ name }) => plainWords(name) === plainWords(row.dog?.name ?? ''));
    if (row.dog?.chip && !already) {
      const other = chips.get(row.dog.chip);
      if (other) wrong.push(`That chip is ${other}’s.`);
      else chips.set(row.dog.chip, `${row.dog.name}, in row ${row.row}`);
    }
    const key = `${clientKeys(row.owner.name, row.owner.card)[0] ?? ''} ${plainWords(row.dog?.name ?? '')}`;
    const before = seen.get(key);
    if (before !== undefined) wrong.push(`The same as row ${before}.`);
    else seen.set(key, row.row);
    const verdict =
      wrong.length > 0 ? 'wrong' : already || (known && !row.dog) ? 'in the book' : known ? 'new dog' : 'new';
    if (verdict === 'in the book') notes.push(`In the book already: ${known?.name ?? row.owner.name}.`);
    return { ...row, wrong, notes, verdict, known: known && { id: known.id, name: known.name } };
  });
}

/** A client with dogs, ready to be written. */
export interface ToWrite {
  readonly line: number;
  readonly client:
    | { readonly kind: 'known'; readonly id: string }
    | { readonly kind: 'new'; readonly name: string; readonly card: ClientCard };
  readonly dogs: readonly ReadDog[];
}

/** Chosen rows as clients: rows of one owner become one client with several dogs, their cards joined. */
export function gather(rows: readonly MatchedRow[]): ToWrite[] {
  const gathered: { write: ToWrite; keys: readonly string[] }[] = [];
  const byKey = new Map<string, number>();
  for (const row of rows) {
    const keys = row.known ? [`known ${row.known.id}`] : clientKeys(row.owner.name, row.owner.card);
    const at = keys.flatMap((key) => byKey.get(key) ?? [])[0];
    const dogs = row.dog ? [row.dog] : [];
    const before = at === undefined ? undefined : gathered[at];
    if (at !== undefined && before) {
      const { client } = before.write;
      const joined = client.kind === 'new' ? { ...client, card: mergeCards(client.card, row.owner.card) } : client;
      gathered[at] = { ...before, write: { ...before.write, client: joined, dogs: [...before.write.dogs, ...dogs] } };
    } else {
      const client = row.known
        ? ({ kind: 'known', id: row.known.id } as const)
        : ({ kind: 'new', ...row.owner } as const);
      gathered.push({ write: { line: row.row, client, dogs }, keys });
    }
    for (const key of keys) byKey.set(key, at ?? gathered.length - 1);
  }
  return gathered.map(({ write }) => write);
}
