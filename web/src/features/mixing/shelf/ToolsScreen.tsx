import type { BottleView, BusinessView, PumpView } from '@dewpond/contract';
import { everyMark } from '@dewpond/core/dilution';
import { millilitres, showProduct, showVolume } from '@dewpond/core/units';
import { useState } from 'react';
import { useBusiness } from '../../../data/queries';
import { useUnits } from '../../../data/useUnits';
import { BottleDrawing } from '../../../drawings/BottleDrawing';
import { Button } from '../../../ui/Button';
import { Chip } from '../../../ui/Chip';
import { Empty, Waiting } from '../../../ui/Waiting';
import { MixingTabs } from '../MixingTabs';
import { BottleDialog } from './BottleDialog';
import { PumpDialog } from './PumpDialog';
import { StrokeDots } from './StrokeDots';
import { showDay } from '../../../browser/times';

/** What one mixes with: bottles and buckets by kind, pumps with what a stroke gives. */
export function ToolsScreen() {
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4">
      <h1>Bottles and pumps</h1>
      <MixingTabs />
      <Waiting query={useBusiness()} what="The tools">
        {(business) => <Tools business={business} />}
      </Waiting>
    </div>
  );
}

type Editing = { of: 'bottle'; bottle: BottleView | null } | { of: 'pump'; pump: PumpView | null } | null;

function Tools({ business }: { readonly business: BusinessView }) {
  const [editing, setEditing] = useState<Editing>(null);
  const largest = Math.max(1, ...business.bottles.map(({ brim }) => brim));
  return (
    <>
      <section aria-label="Bottles">
        <header className="flex items-center justify-between gap-3 mb-2">
          <h2>Bottles and buckets</h2>
          <Button look="main" onClick={() => setEditing({ of: 'bottle', bottle: null })}>
            New bottle
          </Button>
        </header>
        {business.bottles.length === 0 ? (
          <Empty words="No bottle yet. Its line, its marks and how many there are decide how far a mix is filled." />
        ) : (
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(255px,1fr))] gap-3.5">
            {business.bottles.map((bottle) => (
              <BottleItem
                key={bottle.id}
                bottle={bottle}
                largest={largest}
                onEdit={() => setEditing({ of: 'bottle', bottle })}
              />
            ))}
          </ul>
        )}
      </section>
      <section aria-label="Pumps">
        <header className="flex items-center justify-between gap-3 mb-2 mt-2">
          <h2>Pumps</h2>
          <Button look="main" onClick={() => setEditing({ of: 'pump', pump: null })}>
            New pump
          </Button>
        </header>
        {business.pumps.length === 0 ? (
          <Empty words="No pump yet. Ten strokes into a jug say what one gives; until then product is measured in ml." />
        ) : (
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(290px,1fr))] gap-3.5">
            {business.pumps.map((pump) => (
              <PumpItem key={pump.id} pump={pump} onEdit={() => setEditing({ of: 'pump', pump })} />
            ))}
          </ul>
        )}
      </section>
      {editing?.of === 'bottle' && (
        <BottleDialog bottle={asNow(business.bottles, editing.bottle)} onClose={() => setEditing(null)} />
      )}
      {editing?.of === 'pump' && (
        <PumpDialog pump={asNow(business.pumps, editing.pump)} onClose={() => setEditing(null)} />
      )}
    </>
  );
}

/** How its marks are read; finer ones than one can fill to are read coarser, and that is told. */
function marksOf({ line, graduation }: BottleView, volume: (ml: number) => string): string {
  if (graduation === null) return 'no marks: to its line';
  const every = everyMark({ line: millilitres(line), graduation: millilitres(graduation) });
  const read = every === 1 ? '' : `, finer than one fills to: read every ${volume(graduation * every)}`;
  return `marks every ${volume(graduation)}${read}`;
}

interface BottleItemProps {
  readonly bottle: BottleView;
  /** Brim of the largest, so that all are drawn to one scale. */
  readonly largest: number;
  readonly onEdit: () => void;
}

function BottleItem({ bottle, largest, onEdit }: BottleItemProps) {
  const units = useUnits();
  const volume = (ml: number) => showVolume(millilitres(ml), units);
  return (
    <li className="bg-surface border border-line rounded-card px-4 py-3.5 flex gap-3.5 items-end">
      <BottleDrawing
        product={0}
        water={bottle.line}
        brim={bottle.brim}
        graduation={bottle.graduation}
        height={16 + 140 * Math.cbrt(bottle.brim / largest)}
        label={`${bottle.name}, to its line`}
      />
      <div>
        <p className="font-bold">
          {bottle.count} × {bottle.name}
        </p>
        <p className="text-sm text-soft">
          line {volume(bottle.line)}, brim {volume(bottle.brim)}
          <br />
          {marksOf(bottle, volume)}
        </p>
        <Button look="quiet" className="mt-2" onClick={onEdit} aria-label={`Change ${bottle.name}`}>
          Change
        </Button>
      </div>
    </li>
  );
}

function PumpItem({ pump, onEdit }: { readonly pump: PumpView; readonly onEdit: () => void }) {
  const units = useUnits();
  const { strokeMl, scatter } = pump;
  return (
    <li className="bg-surface border border-line rounded-card px-4 py-3.5">
      <div className="flex items-start justify-between gap-3">
        <div>
          <p className="font-bold">{pump.name}</p>
          <p className="text-sm text-soft">
            {pump.products.length > 0 ? `on ${pump.products.join(', ')}` : 'on nothing'}
          </p>
        </div>
        <Button look="quiet" onClick={onEdit} aria-label={`Change ${pump.name}`}>
          {strokeMl === null ? 'Calibrate' : 'Change'}
        </Button>
      </div>
      {strokeMl === null ? (
        <Chip tone="watch">not calibrated: measured in ml</Chip>
      ) : (
        <>
          <p className="text-[28px] font-bold leading-tight">{showProduct(millilitres(strokeMl), units)} a stroke</p>
          <StrokeDots strokes={pump.strokes} />
          <p className="text-sm text-soft">
            {scatter === null ? 'known, not calibrated here' : `scatters ${(scatter * 100).toFixed(1)} %`}
            {pump.calibratedOn && `, ${showDay(pump.calibratedOn)} by ${pump.calibratedBy}`}
          </p>
        </>
      )}
    </li>
  );
}

/** As it stands now: somebody else may change it while its form is open. */
const asNow = <T extends { readonly id: string }>(all: readonly T[], opened: T | null): T | null =>
  all.find(({ id }) => id === opened?.id) ?? opened;
