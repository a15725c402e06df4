import type { StockLine } from '@dewpond/contract';
import { millilitres, showInColumn, type UnitSystem } from '@dewpond/core/units';
import type { Tone } from '../../../ui/Chip';
import { locale } from '../../../browser/locale';

/** How urgent an order is, in words. */
export const STATES: Readonly<Record<StockLine['state'], { readonly words: string; readonly tone: Tone }>> = {
  late: { words: 'order now: late', tone: 'stop' },
  'this week': { words: 'order this week', tone: 'watch' },
  later: { words: 'there is time', tone: 'pond' },
  enough: { words: 'lasts 12 weeks', tone: 'good' },
  'not counted': { words: 'not counted', tone: 'plain' },
};

/** "1.2 l"; a debt with its sign. */
export const showStock = (ml: number, units: UnitSystem): string =>
  `${ml < 0 ? '−' : ''}${showInColumn(millilitres(Math.abs(ml)), units)}`;

/** "2026-11" as "Nov 2026". */
export const showMonth = (month: string): string =>
  new Intl.DateTimeFormat(locale(), { month: 'short', year: 'numeric', timeZone: 'UTC' }).format(
    new Date(`${month}-15T00:00:00Z`),
  );
