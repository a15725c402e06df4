import { DEWCLAW_LENGTHS, TOE_LENGTHS, type NailLength } from '@dewpond/core/events';
import { FEET, SIDES, namePlace, placeKey, type Place } from '@dewpond/core/places';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import type { TableWork } from './useTable';
import { record } from './visitLog';

const PAWS: readonly Place[] = FEET.flatMap((foot) => SIDES.map((side): Place => ({ site: `paw ${foot}`, side })));
const DEWCLAWS: readonly Place[] = SIDES.map((side) => ({ site: 'nail front 1', side }));

const WORDS: Readonly<Record<NailLength, string>> = {
  short: 'short',
  'at the floor': 'at the floor',
  clicks: 'click',
  long: 'long',
  curled: 'curled',
};

/** How long the nails are before they are clipped: all feet in one tap, or each foot; dewclaws by themselves. */
export function NailLengths({ table }: { readonly table: TableWork }) {
  const [apart, setApart] = useState(false);
  const groups = apart
    ? [...PAWS, ...DEWCLAWS].map((place) => ({ name: namePlace(place), places: [place] }))
    : [
        { name: 'toes', places: PAWS },
        { name: 'dewclaws', places: DEWCLAWS },
      ];
  return (
    <section aria-label="How long the nails are" className="mb-4">
      <div className="flex items-center justify-between gap-3 mb-1.5">
        <h2>On the hard floor, before they are clipped</h2>
        <Button look="quiet" className="min-h-14!" onClick={() => setApart(!apart)}>
          {apart ? 'All feet alike' : 'Foot by foot'}
        </Button>
      </div>
      <div className={apart ? 'grid grid-cols-2 max-md:grid-cols-1 gap-x-6 gap-y-3' : 'flex flex-col gap-3'}>
        {groups.map(({ name, places }) => (
          <OneLength key={name} name={name} places={places} table={table} />
        ))}
      </div>
    </section>
  );
}

interface OneLengthProps {
  readonly name: string;
  readonly places: readonly Place[];
  readonly table: TableWork;
}

function OneLength({ name, places, table }: OneLengthProps) {
  const lengths = places.some(({ site }) => site.startsWith('nail')) ? DEWCLAW_LENGTHS : TOE_LENGTHS;
  return (
    <div role="group" aria-label={`Nails, ${name}`}>
      <p className="font-semibold first-letter:uppercase mb-1">{name}</p>
      <div className="grid grid-cols-4 gap-1.5">
        {lengths.map((length) => (
          <Choice
            key={length}
            className="px-1!"
            chosen={places.every((place) => table.state.nails[placeKey(place)] === length)}
            onClick={() => record(...places.map((place) => ({ type: 'nails judged' as const, place, length })))}
          >
            {WORDS[length]}
          </Choice>
        ))}
      </div>
    </div>
  );
}
