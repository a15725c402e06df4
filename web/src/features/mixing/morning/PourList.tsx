import type { PourView } from '@dewpond/contract';
import { millilitres, showVolume } from '@dewpond/core/units';
import { useUnits } from '../../../data/useUnits';

/** Who gets how much of a bottle. */
export function PourList({ pours }: { readonly pours: readonly PourView[] }) {
  const units = useUnits();
  if (pours.length === 0) return <p className="text-sm text-soft mt-1">for no dog any more today</p>;
  return (
    <ul className="text-sm mt-1 flex flex-wrap gap-x-3">
      {pours.map(({ dogId, dog, ml }, i) => (
        <li key={`${dogId} ${i}`}>
          <b>{dog}</b> {showVolume(millilitres(ml), units)}
        </li>
      ))}
    </ul>
  );
}
