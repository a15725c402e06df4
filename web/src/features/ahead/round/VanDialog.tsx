import type { RoundView } from '@dewpond/contract';
import { readMatrix, type VanWays } from '@dewpond/core/route';
import { useState } from 'react';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { TimeField } from '../../../forms/TimeField';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { LongField, TextField } from '../../../ui/Field';
import { tell } from '../../../ui/tell';
import { asTyped, readVan, type TypedVan, type VanFaults } from './typedVan';

/** How the van works: where it starts, when, lunch, water, battery, roads. */
export function VanDialog({ view, onClose }: { readonly view: RoundView; readonly onClose: () => void }) {
  const [typed, setTyped] = useState(() => asTyped(view.van));
  const [table, setTable] = useState(view.van.table);
  const [tableTrouble, setTableTrouble] = useState<string | null>(null);
  const [tried, setTried] = useState(false);
  const read = readVan(typed, view.van, table);
  const faults: VanFaults = tried && !('roads' in read) ? read : {};
  const save = useWrite('PUT /api/van', {
    write: (_, van: VanWays) => call('PUT /api/van', { body: { version: view.version, van } }),
    onSuccess: () => {
      tell('How the van works is kept.');
      onClose();
    },
    tells: true,
  });
  const field = (name: keyof TypedVan) => ({
    value: typed[name],
    onChange: ({ target }: { readonly target: { readonly value: string } }) =>
      setTyped({ ...typed, [name]: target.value }),
    error: faults[name],
  });
  const take = async (file: File | undefined) => {
    if (!file) return;
    const its = readMatrix(await file.text());
    setTableTrouble('trouble' in its ? its.trouble : null);
    if (!('trouble' in its)) setTable(its);
  };
  return (
    <Dialog open onClose={onClose} tall title="The van" says="What its round is planned with.">
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          setTried(true);
          if ('roads' in read) save.mutate(read);
        }}
      >
        <TextField
          label="Starts and comes home at, latitude and longitude"
          placeholder="50.34, -4.11"
          {...field('home')}
        />
        <TimeField label="Leaves at" {...field('leaves')} />
        <div className="grid grid-cols-3 gap-3 items-start">
          <TimeField label="Lunch begins from" {...field('lunchFrom')} />
          <TimeField label="and by" {...field('lunchTo')} />
          <TextField label="Lunch, min" inputMode="numeric" {...field('lunch')} />
        </div>
        <div className="grid grid-cols-2 gap-3 items-start">
          <TextField
            label="Tank, litres"
            hint="The smaller of fresh water and waste. Empty: water comes from the house."
            inputMode="decimal"
            {...field('tank')}
          />
          <TextField
            label="Battery for the dryer, Wh"
            hint="Empty: the dryer is plugged in."
            inputMode="decimal"
            {...field('battery')}
          />
        </div>
        <LongField
          label="Where water is taken and waste let off"
          placeholder="Quay tap; 50.34, -4.11; 10"
          rows={3}
          {...field('refills')}
        />
        <TextField label="Kilometres of road for one as the crow flies" inputMode="decimal" {...field('factor')} />
        <div>
          <p className="text-sm font-semibold mb-1">Driving times from a file (CSV, minutes)</p>
          <p className="text-sm text-soft mb-2">
            {table
              ? `A table of ${table.names.length} places is in use where it knows all stops.`
              : 'None: driven as the crow flies, with a share for the roads.'}{' '}
            The round’s own button “Driving times” makes one to fill in.
          </p>
          <div className="flex flex-wrap gap-2 items-center">
            <input
              type="file"
              accept=".csv,text/csv,text/plain"
              aria-label="Driving times from a file"
              onChange={({ target }) => void take(target.files?.[0])}
            />
            {table && (
              <Button look="quiet" onClick={() => setTable(null)}>
                Without a table
              </Button>
            )}
          </div>
          {tableTrouble && (
            <p role="alert" className="text-sm text-stop font-semibold mt-1">
              {tableTrouble}
            </p>
          )}
        </div>
        <Button type="submit" look="main" disabled={save.isPending}>
          Keep
        </Button>
      </form>
    </Dialog>
  );
}
