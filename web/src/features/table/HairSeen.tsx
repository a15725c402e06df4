import { CANAL_HAIR } from '@dewpond/core/catalogue';
import type { Side } from '@dewpond/core/places';
import { Choice } from '../../ui/Choice';
import type { TableWork } from './useTable';
import { record } from './visitLog';

/** Whether hair grows in this canal: seen once, it stands in the place of the breed's guess. */
export function HairSeen({ table, side }: { readonly table: TableWork; readonly side: Side }) {
  const known = table.facts.ears[side].hair;
  const { canalHair } = table.facts.traits;
  return (
    <div role="group" aria-label="Hair in the canal" className="flex flex-wrap items-center gap-x-3 gap-y-1 mb-3">
      <span className="flex-1 min-w-40">
        <b>Hair in the canal</b>
        <span className="text-soft block text-sm">
          {known === null ? `${canalHair}, by its breed: part the hair and see` : 'as seen on this dog'}
        </span>
      </span>
      <span className="flex gap-1.5">
        {CANAL_HAIR.map((hair) => (
          <Choice key={hair} chosen={known === hair} onClick={() => record({ type: 'ear hair seen', side, hair })}>
            {hair}
          </Choice>
        ))}
      </span>
    </div>
  );
}
