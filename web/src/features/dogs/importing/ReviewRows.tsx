import { lacking, type MatchedRow, type Verdict } from '@dewpond/core/importing';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { v7 } from 'uuid';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { useClients, useDogs, useBusiness, useSession } from '../../../data/queries';
import { useUnits } from '../../../data/useUnits';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { ColumnMapping } from './ColumnMapping';
import type { ChosenFile } from './readFile';
import { RowTable } from './RowTable';
import { rowsToSend } from './readFile';
import type { useImportReader } from './useImportReader';
import { locale } from '../../../browser/locale';

interface ReviewRowsProps {
  readonly file: ChosenFile;
  readonly reader: ReturnType<typeof useImportReader>;
  readonly onDone: () => void;
}

const TAKEN: readonly Verdict[] = ['new', 'new dog'];

/** What the columns hold, and what becomes of every row; then the chosen ones go in. */
export function ReviewRows({ file, reader, onDone }: ReviewRowsProps) {
  const { opened } = file;
  const units = useUnits();
  const [mapping, setMapping] = useState(opened.kind === 'table' ? opened.mapping : []);
  const [weightUnit, setWeightUnit] = useState<'kg' | 'lb'>(units === 'US' ? 'lb' : 'kg');
  const [dayOrder, setDayOrder] = useState<'day first' | 'month first'>(units === 'US' ? 'month first' : 'day first');
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const wants = opened.kind === 'table' ? lacking(mapping) : null;
  const book = useBook();
  const today = useSession().data?.today;
  const ownBreeds = useBusiness().data?.ownBreeds;
  const preview = useQuery({
    queryKey: ['import preview', file.name, mapping, weightUnit, dayOrder, book?.length, today],
    queryFn: () =>
      reader.preview({
        mapping,
        weightUnit,
        dayOrder,
        today: today ?? '2026-01-01',
        ownBreeds: (ownBreeds ?? []).map(({ breed }) => breed),
        book: book ?? [],
      } as Parameters<typeof reader.preview>[0]),
    enabled: wants === null && book !== undefined && today !== undefined,
    gcTime: 0,
  });
  const rows = preview.data ?? NONE;
  const chosen = useMemo(() => rows.filter((row) => TAKEN.includes(row.verdict) && !left.has(row.row)), [rows, left]);
  const send = useSend(file.name, onDone);
  return (
    <>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <p>
          <b>{file.name}</b>
          {opened.kind === 'table' && (
            <span className="text-soft">
              , {opened.table.rows.length.toLocaleString(locale())} rows, {opened.encoding}, parted by{' '}
              {DELIMITER_WORDS[opened.table.delimiter] ?? opened.table.delimiter}
            </span>
          )}
        </p>
        <div className="flex gap-2">
          <Button look="quiet" onClick={onDone}>
            Another file
          </Button>
          <Button look="main" disabled={chosen.length === 0 || send.isPending} onClick={() => send.mutate(chosen)}>
            {send.isPending ? 'Sending…' : importWords(chosen)}
          </Button>
        </div>
      </div>
      {opened.kind === 'table' && (
        <ColumnMapping
          table={opened.table}
          mapping={mapping}
          onMapping={setMapping}
          weightUnit={weightUnit}
          onWeightUnit={setWeightUnit}
          dayOrder={dayOrder}
          onDayOrder={setDayOrder}
        />
      )}
      {wants ? (
        <p role="alert" className="font-semibold text-watch">
          {wants}
        </p>
      ) : preview.error ? (
        <p role="alert" className="font-semibold text-stop">
          {preview.error.message}
        </p>
      ) : preview.data ? (
        <RowTable rows={rows} left={left} onLeft={setLeft} />
      ) : (
        <Card>
          <p role="status" className="text-soft">
            Looking at every row…
          </p>
        </Card>
      )}
    </>
  );
}

const DELIMITER_WORDS: Readonly<Record<string, string>> = {
  ',': 'commas',
  ';': 'semicolons',
  '\t': 'tabs',
  '|': 'bars',
};

/** "Bring in 12 dogs", "Bring in 3 owners" */
function importWords(rows: readonly MatchedRow[]): string {
  const dogs = rows.filter((row) => row.dog !== null).length;
  const count = (n: number, one: string) => `${n.toLocaleString(locale())} ${one}${n === 1 ? '' : 's'}`;
  return `Bring in ${dogs > 0 ? count(dogs, 'dog') : count(rows.length, 'owner')}`;
}

/** What of the book is needed to see doubles; undefined until it is known. */
function useBook() {
  const clients = useClients().data;
  const dogs = useDogs().data;
  return useMemo(() => {
    if (!clients || !dogs) return undefined;
    const byOwner = new Map<string, { name: string; chip: string }[]>();
    for (const dog of dogs)
      byOwner.set(dog.ownerId, [...(byOwner.get(dog.ownerId) ?? []), { name: dog.name, chip: dog.chip }]);
    return clients
      .filter((client) => client.archivedOn === null)
      .map(({ id, name, card }) => ({ id, name, card, dogs: byOwner.get(id) ?? [] }));
  }, [clients, dogs]);
}

const NONE: readonly MatchedRow[] = [];

/** Rows get their ids once: sent again after an answer that never came, they are the same rows. */
const GIVEN_IDS = new WeakMap<readonly MatchedRow[], ReturnType<typeof rowsToSend>>();
function withIds(rows: readonly MatchedRow[]): ReturnType<typeof rowsToSend> {
  const made = GIVEN_IDS.get(rows) ?? rowsToSend(rows, () => v7());
  GIVEN_IDS.set(rows, made);
  return made;
}

function useSend(fileName: string, onDone: () => void) {
  return useWrite('POST /api/imports', {
    write: (id, rows: readonly MatchedRow[]) =>
      call('POST /api/imports', { body: { id, fileName: fileName.slice(0, 200), rows: withIds(rows) } }),
    onSuccess: () => {
      onDone();
    },
    tells: true,
  });
}
