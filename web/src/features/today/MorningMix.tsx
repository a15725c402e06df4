import type { MixView, TodayView } from '@dewpond/contract';
import { millilitres, showVolume, type UnitSystem } from '@dewpond/core/units';
import { group } from 'd3-array';
import { Link } from 'react-router';
import { useUnits } from '../../app/useUnits';
import { BottleDrawing } from '../../drawings/BottleDrawing';
import { Card } from '../../ui/Card';

/** What to make up before the first dog. */
export function MorningMix({ today }: { readonly today: TodayView }) {
  const units = useUnits();
  const each = today.mixes.flatMap(({ dog, appointmentId, mixes }) =>
    mixes.map((mix) => ({ dog, appointmentId, mix })),
  );
  const made = each.filter(({ mix }) => mix.mix.made !== null);
  const asIs = [
    ...group(
      each.filter(({ mix }) => mix.mix.made === null),
      ({ mix }) => mix.product.name,
    ),
  ];
  return (
    <Card title="Mix this morning" aside="thrown away at the end of the day">
      {made.length === 0 && <p className="text-soft">Nothing to mix today.</p>}
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(180px,1fr))] gap-x-3 gap-y-4">
        {made.map(({ dog, appointmentId, mix }) => (
          <li key={appointmentId + mix.product.id}>
            <SmallBottle dog={dog} view={mix} units={units} />
          </li>
        ))}
      </ul>
      {asIs.map(([name, list]) => (
        <p key={name} className="mt-3 text-sm">
          <b>{name}</b>, as it is:{' '}
          {showVolume(millilitres(list.reduce((sum, { mix }) => sum + mix.mix.need, 0)), units)} in all, for{' '}
          {list.map(({ dog }) => dog).join(', ')}.
        </p>
      ))}
      <p className="mt-3">
        <Link to="/mixing" className="text-pond font-semibold underline">
          Open the mixing bench
        </Link>
      </p>
    </Card>
  );
}

function SmallBottle({
  dog,
  view,
  units,
}: {
  readonly dog: string;
  readonly view: MixView;
  readonly units: UnitSystem;
}) {
  const { made } = view.mix;
  if (!made) return null;
  const vet = view.product.kind === 'medicated';
  return (
    <div className="flex gap-2.5">
      <BottleDrawing
        product={made.product}
        water={made.water}
        brim={made.bottle.brim}
        graduation={made.bottle.graduation}
        height={104}
        label={`${made.bottle.name} for ${dog}`}
      />
      <div className="min-w-0 text-sm leading-snug">
        <p className="font-bold text-base">{dog}</p>
        <p className={vet ? 'text-watch font-semibold' : ''}>{view.product.name}</p>
        <p className="text-xl font-bold leading-tight mt-1">{showVolume(millilitres(made.product), units)}</p>
        <p>{made.strokes === null ? 'by measure' : `${made.strokes} ${made.strokes === 1 ? 'stroke' : 'strokes'}`}</p>
        <p className="text-soft">
          to {showVolume(millilitres(made.total), units)}, {made.bottle.name.toLowerCase()}
          {made.batches > 1 ? `, ${made.batches} times` : ''}
        </p>
      </div>
    </div>
  );
}
