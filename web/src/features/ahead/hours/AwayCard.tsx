import type { AwayView, HoursView } from '@dewpond/contract';
import { isDay, type Day } from '@dewpond/core/units';
import { useState } from 'react';
import { call } from '../../../api/call';
import { dayOf, showDay } from '../../../browser/times';
import { useNow } from '../../../browser/useNow';
import { useZone } from '../../../data/useUnits';
import { useWrite } from '../../../data/useWrite';
import { DayField } from '../../../forms/DayField';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { TextField } from '../../../ui/Field';
import { tell } from '../../../ui/tell';
import { AwayFromFile } from './AwayFromFile';
import { EVERYBODY, WhoseField, whoseWords } from './whose';

const NOTHING = { whose: EVERYBODY, from: '', to: '', name: '' };

/** Who is away, and when the business is closed: bookings of those days stay, and are told. */
export function AwayCard({ view }: { readonly view: HoursView }) {
  const [form, setForm] = useState(NOTHING);
  const today = dayOf(useNow(60_000), useZone()) as Day;
  const set = (change: Partial<typeof form>) => setForm({ ...form, ...change });
  const add = useWrite('POST /api/away', {
    write: (id) => {
      const { whose, from, to, name } = form;
      return call('POST /api/away', { body: { id, ...whose, from, to: to || from, name } });
    },
    onSuccess: () => setForm(NOTHING),
    tells: true,
  });
  const end = useWrite('POST /api/away/:id/ended', {
    write: (_, { id }: AwayView) => call('POST /api/away/:id/ended', { id, body: {} }),
    onSuccess: (_, { name }) => tell(`${name}: taken back.`),
    tells: true,
  });
  return (
    <Card title="Away and closed" aside={`${view.away.length}`}>
      {view.away.length === 0 && <p className="text-soft">Nobody is away, no day is closed.</p>}
      <ul className="flex flex-col divide-y divide-line">
        {view.away.map((each) => (
          <li key={each.id} className="flex flex-wrap items-center justify-between gap-2 py-2">
            <span>
              <b>{whoseWords(each)}</b>, {showDay(each.from)}
              {each.to !== each.from && ` to ${showDay(each.to)}`}: {each.name}
            </span>
            {view.mayEdit && (
              <Button look="quiet" disabled={end.isPending} onClick={() => end.mutate(each)}>
                Take back
              </Button>
            )}
          </li>
        ))}
      </ul>
      {view.mayEdit && (
        <form
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            add.mutate();
          }}
          className="mt-3 grid grid-cols-[1fr_1fr_1fr_1.4fr_auto] max-lg:grid-cols-2 gap-3 items-start"
        >
          <div className="max-sm:col-span-full">
            <WhoseField label="Who" people={view.people} value={form.whose} onChange={(whose) => set({ whose })} />
          </div>
          <DayField label="From" value={form.from} onChange={({ target }) => set({ from: target.value })} />
          <DayField
            label="Until, that day too"
            value={form.to}
            min={isDay(form.from) ? form.from : undefined}
            onChange={({ target }) => set({ to: target.value })}
          />
          <div className="max-sm:col-span-full">
            <TextField
              label="Why"
              maxLength={80}
              placeholder="holiday"
              value={form.name}
              onChange={({ target }) => set({ name: target.value })}
            />
          </div>
          <Button
            type="submit"
            look="main"
            className="mt-6 max-sm:mt-0 max-sm:col-span-full"
            disabled={add.isPending || !isDay(form.from) || form.name.trim() === ''}
          >
            Add
          </Button>
        </form>
      )}
      {view.mayEdit && <AwayFromFile view={view} today={today} />}
    </Card>
  );
}
