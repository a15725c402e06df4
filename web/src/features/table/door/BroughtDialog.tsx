import { readingsOf, sayReading, type LabelReading } from '@dewpond/core/dilution';
import { namePlace, placeKey } from '@dewpond/core/places';
import { useState } from 'react';
import { v7 } from 'uuid';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Dialog } from '../../../ui/Dialog';
import { TextField } from '../../../ui/Field';
import type { TableWork } from '../useTable';
import { record } from '../visitLog';
import {
  BROUGHT_FOR,
  NO_BOTTLE,
  UNTIL,
  missingIn,
  nameOfUse,
  placesOf,
  readBottle,
  taken,
  type BroughtForm,
  type Until,
} from './broughtForm';
import { DayField } from '../../../forms/DayField';

interface BroughtDialogProps {
  readonly table: TableWork;
  readonly onClose: () => void;
}

/** A product of an owner or a vet, read off its label and taken in here: for what, where, until when. */
export function BroughtDialog({ table, onClose }: BroughtDialogProps) {
  const [form, setForm] = useState(NO_BOTTLE);
  const [asked, setAsked] = useState(false);
  const set = (change: Partial<BroughtForm>) => setForm((before) => ({ ...before, ...change }));
  const { today, ways } = table.facts;
  const owner = table.visit.owner.name;
  const missing = missingIn(form, ways, today);
  const keep = () => {
    setAsked(true);
    if (Object.keys(missing).length > 0) return;
    record(...taken(form, { ways, today, owner, places: table.places, newId: () => v7() }));
    onClose();
  };
  const fields = { form, set, missing: asked ? missing : {} };
  return (
    <Dialog
      open
      onClose={onClose}
      title="A bottle was brought"
      says="Read it off its label. It bears this dog’s name."
      tall
    >
      <form
        className="flex flex-col gap-4"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <WhoseAndWhat {...fields} table={table} />
        <Label {...fields} read={readBottle(form, ways)} />
        <TextField
          className="min-h-14 text-lg"
          label={form.by === 'vet' ? 'Which vet' : 'Who says so'}
          placeholder={form.by === 'owner' ? owner : ''}
          value={form.who}
          maxLength={120}
          onChange={(event) => set({ who: event.target.value })}
        />
        <HowLong {...fields} today={today} />
        <Button type="submit" look="main" className="min-h-16! text-lg">
          Take it
        </Button>
      </form>
    </Dialog>
  );
}

interface BroughtFields {
  readonly form: BroughtForm;
  readonly set: (change: Partial<BroughtForm>) => void;
  readonly missing: ReturnType<typeof missingIn>;
}

function WhoseAndWhat({ form, set, table }: BroughtFields & { readonly table: TableWork }) {
  const places = placesOf(form, table.places);
  return (
    <>
      <div role="group" aria-label="Whose" className="flex gap-2">
        {(['owner', 'vet'] as const).map((by) => (
          <Choice key={by} chosen={form.by === by} className="flex-1 text-lg" onClick={() => set({ by })}>
            {by === 'owner' ? 'the owner’s' : 'a vet’s'}
          </Choice>
        ))}
      </div>
      <div role="group" aria-label="For what" className="grid grid-cols-3 max-md:grid-cols-2 gap-2">
        {BROUGHT_FOR.map((use) => (
          <Choice key={use} chosen={form.use === use} onClick={() => set({ use, place: null })}>
            {nameOfUse(use)}
          </Choice>
        ))}
      </div>
      {places.length > 0 && (
        <div role="group" aria-label="Where" className="flex flex-wrap gap-2">
          <Choice chosen={form.place === null} onClick={() => set({ place: null })}>
            everywhere
          </Choice>
          {places.map((place) => (
            <Choice
              key={placeKey(place)}
              chosen={form.place !== null && placeKey(form.place) === placeKey(place)}
              onClick={() => set({ place })}
            >
              {namePlace(place)}
            </Choice>
          ))}
        </div>
      )}
    </>
  );
}

/** What stands on it: name, ratio, minutes, ingredients. */
function Label({ form, set, missing, read }: BroughtFields & { readonly read: LabelReading }) {
  return (
    <>
      <TextField
        className="min-h-14 text-lg"
        label="Name on the bottle"
        value={form.name}
        maxLength={120}
        error={missing.name}
        onChange={(event) => set({ name: event.target.value })}
      />
      <TextField
        className="min-h-14 text-lg"
        label="Ratio on the label"
        placeholder="10:1, 1 in 50, ready to use"
        value={form.label}
        maxLength={60}
        error={missing.label}
        onChange={(event) => set({ label: event.target.value, said: null })}
      />
      <Readings form={form} set={set} read={read} />
      {form.use === 'bath' && (
        <div className="flex items-end gap-2 max-md:flex-col max-md:items-stretch">
          <div className="flex-1">
            <TextField
              className="min-h-14 text-lg"
              label="Minutes it must stay on (empty: none)"
              inputMode="numeric"
              value={form.minutes}
              maxLength={2}
              onChange={(event) => set({ minutes: event.target.value.replaceAll(/\D/g, '') })}
            />
          </div>
          <Choice chosen={form.nothingElse} onClick={() => set({ nothingElse: !form.nothingElse })}>
            Nothing else on the skin
          </Choice>
        </div>
      )}
      <TextField
        className="min-h-14 text-lg"
        label="Ingredients that matter (may stay empty)"
        placeholder="oat, tea tree"
        value={form.ingredients}
        maxLength={200}
        onChange={(event) => set({ ingredients: event.target.value })}
      />
    </>
  );
}

/** Where a label can be read in several ways a person says which; a percentage takes parts of water. */
function Readings({ form, set, read }: Pick<BroughtFields, 'form' | 'set'> & { readonly read: LabelReading }) {
  if (read.kind === 'ask for the dilution')
    return (
      <TextField
        className="min-h-14 text-lg"
        label="Parts of water to one of it"
        hint={read.why}
        inputMode="decimal"
        value={form.said?.waterParts ?? ''}
        maxLength={6}
        onChange={(event) => set({ said: { waterParts: event.target.value.replace(',', '.'), range: null } })}
      />
    );
  const readings = readingsOf(read);
  if (readings.length < 2) return readings[0] && <p className="text-soft -mt-2">{readings[0].words}</p>;
  return (
    <div role="group" aria-label="Which does it mean?" className="flex flex-col gap-2">
      {readings.map((reading) => {
        const said = sayReading(reading);
        return (
          <Choice
            key={reading.words}
            chosen={form.said?.waterParts === said.waterParts}
            className="text-left py-2"
            onClick={() => set({ said })}
          >
            {reading.words}
          </Choice>
        );
      })}
    </div>
  );
}

function HowLong({ form, set, missing, today }: BroughtFields & { readonly today: string }) {
  return (
    <>
      <div role="group" aria-label="Until" className="flex flex-wrap gap-2">
        {(Object.keys(UNTIL) as Until[]).map((until) => (
          <Choice key={until} chosen={form.until === until} className="flex-1" onClick={() => set({ until })}>
            {UNTIL[until]}
          </Choice>
        ))}
      </div>
      {form.until === 'day' && (
        <DayField
          className="min-h-14 text-lg"
          label="Last day"
          min={today}
          value={form.lastDay}
          error={missing.lastDay}
          onChange={(event) => set({ lastDay: event.target.value })}
        />
      )}
    </>
  );
}
