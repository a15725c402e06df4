import type { Day } from '../units';

/** A mix whose bottle was emptied: what it held of the product as bought, and what of that was thrown away. */
export interface EndedMix {
  readonly productId: string;
  readonly day: Day;
  /** Concentrate mixed, ml. */
  readonly mixed: number;
  /** Concentrate thrown away with what was left, ml. */
  readonly thrown: number;
  /** Money thrown away; null: cost not known. */
  readonly cost: number | null;
}

export interface WasteMonth {
  /** "2026-11" */
  readonly month: string;
  readonly mixed: number;
  readonly thrown: number;
  /** thrown / mixed; 0 when nothing was mixed. */
  readonly share: number;
  readonly cost: number;
}

/** Mixed and thrown away, month by month, oldest first. A mix of unknown cost adds nothing to the money. */
export function wasteByMonth(mixes: readonly EndedMix[]): WasteMonth[] {
  const months = [...new Set(mixes.map(monthOf))].toSorted();
  return months.map((month) => {
    const list = mixes.filter((each) => monthOf(each) === month);
    const sum = (of: (mix: EndedMix) => number) => list.reduce((all, each) => all + of(each), 0);
    const mixed = sum((each) => each.mixed);
    const thrown = sum((each) => each.thrown);
    return { month, mixed, thrown, share: mixed > 0 ? thrown / mixed : 0, cost: sum((each) => each.cost ?? 0) };
  });
}

const monthOf = ({ day }: EndedMix): string => day.slice(0, 7);
