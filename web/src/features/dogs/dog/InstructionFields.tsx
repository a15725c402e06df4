import { instructionFields, type DogView } from '@dewpond/contract';
import { barsOf } from '@dewpond/core/careplan';
import type { Procedure } from '@dewpond/core/findings';
import { GRADE_WORDS, namePlace, placeKey, placeOf, type Place } from '@dewpond/core/places';
import { standsAt } from '@dewpond/core/stops';
import { placesToLookAt } from '@dewpond/core/visit';
import { useMemo } from 'react';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { useBusiness } from '../../../data/queries';
import { fresh, useDraft } from '../../../forms/useDraft';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import { FormFoot } from '../../../forms/FormFoot';
import { classes } from '../../../ui/classes';
import { tell } from '../../../ui/tell';
import { SayingFields } from './SayingFields';
import {
  SAYINGS,
  changed,
  emptyForm,
  instructionOf,
  isVets,
  liftableFor,
  placesFor,
  productTask,
  productsFor,
  type InstructionBody,
  type InstructionForm,
  type SayingKind,
} from './instructionForm';
import { useMay } from '../../../data/useMay';
import { DayField } from '../../../forms/DayField';

/** Who said it, what, where, from when until when. */
export function InstructionFields({ dog, onDone }: { readonly dog: DogView; readonly onDone: () => void }) {
  const business = useBusiness().data;
  const places = useMemo(() => placesOfDog(dog), [dog]);
  const fitting = (typed: InstructionForm) => productsFor(typed, business?.products ?? []);
  /** A product that no longer fits what is asked gives way to the first that does. */
  const fill = (typed: InstructionForm): InstructionForm => {
    const may = fitting(typed);
    const productId = may.some(({ id }) => id === typed.productId) ? typed.productId : (may[0]?.id ?? '');
    return { ...typed, task: typed.kind === 'product' ? productTask(typed.task) : typed.task, productId };
  };
  const mayVets = useMay('vet words');
  const draft = useDraft(
    fresh(mayVets ? emptyForm(dog.today) : changed(emptyForm(dog.today), { by: 'owner' }, places)),
    {
      as: (typed) => instructionOf(fill(typed)),
      fits: instructionFields,
    },
  );
  const { form, field, at } = draft;
  const filled = fill(form);
  const set = (change: Partial<InstructionForm>) => draft.set(changed(form, change, places));
  const save = useWrite('POST /api/dogs/:id/instructions', {
    form: draft,
    write: (id, body: InstructionBody) =>
      call('POST /api/dogs/:id/instructions', { id: dog.id, body: { ...body, id } }),
    onSuccess: () => {
      tell('Written down. The plan follows it.');
      onDone();
    },
  });
  const where = placesFor(filled, places);
  const nothingToLift =
    form.kind === 'lift' && form.place !== '' && !standsAt(barsOf(dog.facts), placeOf(form.place), form.lifts);
  const kinds = (Object.keys(SAYINGS) as SayingKind[]).filter((kind) => !isVets(kind) || form.by === 'vet');
  const whereField = where.length > 0 && (
    <SelectField
      label="Where"
      value={form.place}
      onChange={(event) => set({ place: event.target.value })}
      error={draft.within('place')}
    >
      {!isVets(form.kind) && <option value="">everywhere</option>}
      {where.map((place) => (
        <option key={placeKey(place)} value={placeKey(place)}>
          {namePlace(place)}
        </option>
      ))}
    </SelectField>
  );
  return (
    <form
      onSubmit={draft.submit((body) => save.mutate(body))}
      noValidate
      className={classes('grid grid-cols-2 gap-4', dog.instructions.length > 0 && 'mt-4 pt-4 border-t border-line')}
    >
      <SelectField
        label="Whose word"
        value={form.by}
        onChange={(event) => set({ by: event.target.value as InstructionForm['by'] })}
      >
        {mayVets && <option value="vet">a vet’s</option>}
        <option value="owner">the owner’s</option>
      </SelectField>
      <TextField label="Who said it" autoComplete="off" {...field('who')} />
      <div className="col-span-2">
        <SelectField
          label="What"
          value={form.kind}
          onChange={(event) => set({ kind: event.target.value as SayingKind })}
          error={at('says')}
        >
          {kinds.map((kind) => (
            <option key={kind} value={kind}>
              {SAYINGS[kind]}
            </option>
          ))}
        </SelectField>
      </div>
      {isVets(form.kind) && whereField}
      <SayingFields form={filled} set={set} products={fitting(filled)} at={at} />
      {!isVets(form.kind) && whereField}
      {form.kind === 'lift' && <LiftFields form={form} set={set} isNothing={nothingToLift} />}
      <div className="col-start-1">
        <DayField label="From" {...field('from')} />
      </div>
      <DayField
        label="Until, that day too"
        {...field('until')}
        hint={form.kind === 'lift' ? 'a lift always ends' : 'empty: until it is ended'}
      />
      <FormFoot draft={draft} disabled={save.isPending} does="Write it down" />
    </form>
  );
}

interface LiftFieldsProps {
  readonly form: InstructionForm;
  readonly set: (change: Partial<InstructionForm>) => void;
  /** Nothing that it would lift stands at the place today. */
  readonly isNothing: boolean;
}

/** What a lift allows, and up to which grade. */
function LiftFields({ form, set, isNothing }: LiftFieldsProps) {
  return (
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
      {isNothing && (
        <p role="status" className="col-span-2 rounded-xl bg-watch-pale px-3 py-2">
          There is no such sign at the {namePlace(placeOf(form.place))} today. The instruction is kept, and counts once
          the sign is found there.
        </p>
      )}
    </>
  );
}

/** Every place of this dog that a word can be about, once: those of its plan, then the rest that is looked at. */
function placesOfDog(dog: DogView): Place[] {
  const planned = dog.due.flatMap(({ line: { place } }) => (place ? [place] : []));
  return [...new Map([...planned, ...placesToLookAt(dog.facts)].map((place) => [placeKey(place), place])).values()];
}
