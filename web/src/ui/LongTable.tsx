import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, type ReactNode } from 'react';
import { classes } from './classes';

/** From which width a column is shown; its cells bear the same class. */
export const SHOWN_FROM = { tablet: 'max-md:hidden', desk: 'max-lg:hidden' } as const;
/** A column, or one that narrow screens leave out. */
export type Head = string | { readonly name: string; readonly from: keyof typeof SHOWN_FROM };
const nameOf = (head: Head): string => (typeof head === 'string' ? head : head.name);

interface LongTableProps<T> {
  readonly heads: readonly Head[];
  readonly rows: readonly T[];
  readonly keyOf: (row: T) => string;
  /** The cells of a row, `<td>`s. */
  readonly cells: (row: T) => ReactNode;
  /** About how high a row is, pixels. */
  readonly rowHeight: number;
}

/** Fewer rows than this are simply all there: find-in-page and print see them. */
const ALL_THERE = 150;

/** A table of any length: of a long one only the rows in view exist, and it scrolls as if all did. */
export function LongTable<T>({ heads, rows, keyOf, cells, rowHeight }: LongTableProps<T>) {
  const long = rows.length > ALL_THERE;
  return (
    <div className="overflow-x-auto rounded-card border border-line bg-surface">
      <table className="w-full text-left" aria-rowcount={rows.length + 1}>
        <thead className="text-sm text-soft border-b border-line">
          <tr>
            {heads.map((head) => (
              <th
                key={nameOf(head)}
                className={classes('px-4 py-2.5 font-semibold', typeof head !== 'string' && SHOWN_FROM[head.from])}
              >
                {nameOf(head)}
              </th>
            ))}
          </tr>
        </thead>
        {long ? (
          <RowsInView heads={heads} rows={rows} keyOf={keyOf} cells={cells} rowHeight={rowHeight} />
        ) : (
          <tbody>
            {rows.map((row) => (
              <tr key={keyOf(row)} className={ROW}>
                {cells(row)}
              </tr>
            ))}
          </tbody>
        )}
      </table>
    </div>
  );
}

const ROW = 'border-b border-line last:border-0 hover:bg-pond-pale/40';

function RowsInView<T>({ heads, rows, keyOf, cells, rowHeight }: LongTableProps<T>) {
  const body = useRef<HTMLTableSectionElement>(null);
  const scroller = () => body.current?.closest('main') ?? null;
  // eslint-disable-next-line react-hooks/incompatible-library -- the compiler leaves this small component as it is
  const virtualizer = useVirtualizer({
    count: rows.length,
    getScrollElement: scroller,
    estimateSize: () => rowHeight,
    overscan: 8,
    getItemKey: (at) => {
      const row = rows[at];
      return row === undefined ? at : keyOf(row);
    },
    scrollMargin: body.current?.offsetTop ?? 0,
  });
  const inView = virtualizer.getVirtualItems();
  const { scrollMargin } = virtualizer.options;
  const before = (inView[0]?.start ?? scrollMargin) - scrollMargin;
  const after = virtualizer.getTotalSize() - ((inView.at(-1)?.end ?? scrollMargin) - scrollMargin);
  return (
    <tbody ref={body}>
      <Spacer height={before} across={heads.length} />
      {inView.map(({ index, key }) => {
        const row = rows[index];
        return row === undefined ? null : (
          <tr
            key={String(key)}
            ref={virtualizer.measureElement}
            data-index={index}
            aria-rowindex={index + 2}
            className={ROW}
          >
            {cells(row)}
          </tr>
        );
      })}
      <Spacer height={after} across={heads.length} />
    </tbody>
  );
}

const Spacer = ({ height, across }: { readonly height: number; readonly across: number }) =>
  height > 0 ? (
    <tr aria-hidden>
      <td colSpan={across} style={{ height, padding: 0 }} />
    </tr>
  ) : null;
