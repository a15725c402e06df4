import type { DogView } from '@dewpond/contract';
import { barsOf } from '@dewpond/core/careplan';
import type { Procedure } from '@dewpond/core/findings';
import { GRADE_WORDS, namePlace, placeKey, placeOf, type Place } from '@dewpond/core/places';
import { standsAt } from '@dewpond/core/stops';
import { placesToLookAt } from '@dewpond/core/visit';
import { useMemo, useState, type FormEvent } from 'react';
import { Refused, call } from '../../api/call';
import { useWrite } from '../../api/useWrite';
import { useHouse } from '../../api/queries';
import { Button } from '../../ui/Button';
import { SelectField, TextField } from '../../ui/Field';
import { classes } from '../../ui/classes';
import { tell } from '../../ui/toasts';
import { SayingFields } from './SayingFields';
import {
  SAYINGS,
  changed,
  emptyForm,
  instructionOf,
  isVets,
  liftableFor,
  placesFor,
  type InstructionForm,
  type SayingKind,
} from './instructionForm';

/** Who said it, what, where, from when until when. */
export function InstructionFields({ dog, onDone }: { readonly dog: DogView; readonly onDone: () => void }) {
  const house = useHouse().data;
  const places = useMemo(() => placesOfDog(dog), [dog]);
  const washes = house?.products.filter(({ kind }) => kind === 'cleansing' || kind === 'medicated') ?? [];
  const [form, setForm] = useState<InstructionForm>(() => emptyForm(dog.today));
  const filled = form.productId === '' ? { ...form, productId: washes[0]?.id ?? '' } : form;
  const set = (change: Partial<InstructionForm>) => setForm((before) => changed(before, change, places));
  const save = useWrite('POST /api/dogs/:id/instructions', {
    write: (id) => call('POST /api/dogs/:id/instructions', { id: dog.id, body: instructionOf(filled, id) }),
    onSuccess: () => {
      tell('Written down. The plan follows it.');
      onDone();
    },
  });
  const refused = save.error instanceof Refused ? save.error : null;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    save.mutate();
  };
  const fitting = placesFor(filled, places);
  const nothingToLift =
    form.kind === 'lift' && form.place !== '' && !standsAt(barsOf(dog.facts), placeOf(form.place), form.lifts);
  const kinds = (Object.keys(SAYINGS) as SayingKind[]).filter((kind) => !isVets(kind) || form.by === 'vet');
  const where = fitting.length > 0 && (
    <SelectField
      label="Where"
      value={form.place}
      onChange={(event) => set({ place: event.target.value })}
      error={refused?.at('place')}
    >
      {!isVets(form.kind) && <option value="">everywhere</option>}
      {fitting.map((place) => (
        <option key={placeKey(place)} value={placeKey(place)}>
          {namePlace(place)}
        </option>
      ))}
    </SelectField>
  );
  return (
    <form
      onSubmit={submit}
      noValidate
      className={classes('grid grid-cols-2 gap-4', dog.instructions.length > 0 && 'mt-4 pt-4 border-t border-line')}
    >
      <SelectField
        label="Whose word"
        value={form.by}
        onChange={(event) => set({ by: event.target.value as InstructionForm['by'] })}
      >
        <option value="vet">a vet’s</option>
        <option value="owner">the owner’s</option>
      </SelectField>
      <TextField
        label="Who said it"
        value={form.who}
        onChange={(event) => set({ who: event.target.value })}
        error={refused?.at('who')}
        autoComplete="off"
      />
      <div className="col-span-2">
        <SelectField
          label="What"
          value={form.kind}
          onChange={(event) => set({ kind: event.target.value as SayingKind })}
          error={refused?.at('says')}
        >
          {kinds.map((kind) => (
            <option key={kind} value={kind}>
              {SAYINGS[kind]}
            </option>
          ))}
        </SelectField>
      </div>
      {isVets(form.kind) && where}
      <SayingFields form={filled} set={set} products={washes} at={(path) => refused?.at(path)} />
      {!isVets(form.kind) && where}
      {form.kind === 'lift' && (
        <>
          <SelectField
            label="May be done"
            value={form.procedure}
            onChange={(event) => set({ procedure: event.target.value as Procedure })}
          >
            {liftableFor(form.place, form.lifts).map((procedure) => (
              <option key={procedure}>{procedure}</option>
            ))}
          </SelectField>
          <SelectField
            label="Up to"
            value={form.upToGrade}
            onChange={(event) => set({ upToGrade: Number(event.target.value) as 1 | 2 | 3 })}
            hint="a worse one stops again"
          >
            {([1, 2, 3] as const).map((grade) => (
              <option key={grade} value={grade}>
                {GRADE_WORDS[grade]}
              </option>
            ))}
          </SelectField>
          {nothingToLift && (
            <p role="status" className="col-span-2 rounded-xl bg-watch-pale px-3 py-2">
              Nothing of that stands at the {namePlace(placeOf(form.place))} today. The word is kept, and counts when it
              is found there.
            </p>
          )}
        </>
      )}
      <div className="col-start-1">
        <TextField
          label="From"
          type="date"
          value={form.from}
          onChange={(event) => set({ from: event.target.value })}
          error={refused?.at('from')}
        />
      </div>
      <TextField
        label="Until, that day too"
        type="date"
        value={form.until}
        onChange={(event) => set({ until: event.target.value })}
        error={refused?.at('until')}
        hint={form.kind === 'lift' ? 'a lift always ends' : 'empty: until it is ended'}
      />
      {save.error && !refused?.problem.fields && (
        <p role="alert" className="col-span-2 text-stop font-semibold">
          {save.error.message}
        </p>
      )}
      <div className="col-span-2 flex justify-end">
        <Button type="submit" look="main" disabled={save.isPending}>
          Write it down
        </Button>
      </div>
    </form>
  );
}

/** Every place of this dog that a word can be about, once: those of its plan, then the rest that is looked at. */
function placesOfDog(dog: DogView): Place[] {
  const planned = dog.due.flatMap(({ line: { place } }) => (place ? [place] : []));
  return [...new Map([...planned, ...placesToLookAt(dog.facts)].map((place) => [placeKey(place), place])).values()];
}
