import type { BodyOf } from '@dewpond/contract';
import { type EarHairWay } from '@dewpond/core/careplan';
import { ALL_TASKS, TASKS, type Task } from '@dewpond/core/tasks';
import { EAR_CONDITIONS, SIGNS, signsAt, type EarCondition, type Procedure, type Sign } from '@dewpond/core/findings';
import { placeKey, placeOf, type Place } from '@dewpond/core/places';

type NewInstruction = BodyOf<'POST /api/dogs/:id/instructions'>;
export type SayingKind = NewInstruction['says']['kind'];

/** What an instruction may say, in the words of the form. Only a vet lifts a stop. */
export const SAYINGS: Readonly<Record<SayingKind, string>> = {
  'bath product': 'Use this product for the bath',
  avoid: 'Nothing with this in it',
  bar: 'Do not do this',
  interval: 'Do this every so many days',
  'ear hair': 'Hair in the ear',
  lift: 'May be done in spite of a sign',
};

/** The form as typed; what a kind does not ask keeps its value, so that going back loses nothing. */
export interface InstructionForm {
  readonly by: 'vet' | 'owner';
  readonly who: string;
  readonly kind: SayingKind;
  readonly task: Task;
  /** A place key, or empty for everywhere. */
  readonly place: string;
  readonly days: string;
  readonly productId: string;
  readonly contactMinutes: string;
  readonly nothingElse: boolean;
  readonly ingredient: string;
  readonly way: EarHairWay;
  readonly lifts: Sign | EarCondition;
  readonly upToGrade: 1 | 2 | 3;
  readonly procedure: Procedure;
  readonly from: string;
  readonly until: string;
}

export const emptyForm = (today: string): InstructionForm => ({
  by: 'vet',
  who: '',
  kind: 'bath product',
  task: 'bath',
  place: '',
  days: '14',
  productId: '',
  contactMinutes: '10',
  nothingElse: false,
  ingredient: '',
  way: 'leave',
  lifts: 'ear pale wax',
  upToGrade: 1,
  procedure: 'clean',
  from: today,
  until: '',
});

/** Places of this dog where the instruction can apply: those of the task, or for hair in the ear, the ears. */
export function placesFor(
  { kind, task }: Pick<InstructionForm, 'kind' | 'task'>,
  dogsPlaces: readonly Place[],
): Place[] {
  if (kind === 'bath product' || kind === 'avoid') return [];
  const sites = kind === 'lift' ? '' : kind === 'ear hair' ? 'ear' : TASKS[task].sites;
  return dogsPlaces.filter(({ site }) => sites !== 'none' && site.startsWith(sites));
}

/** Signs and known conditions whose stop a vet may lift at a place. */
export function liftable(place: string): readonly { readonly id: Sign | EarCondition; readonly name: string }[] {
  if (place === '') return [];
  const { site } = placeOf(place);
  const signs = signsAt(site).map((id) => ({ id, name: SIGNS[id].name }));
  return site === 'ear' ? [...signs, ...EAR_CONDITIONS.map((id) => ({ id, name: id }))] : signs;
}

/** The body to send. What does not fit is told by the office, at the field. */
export function instructionOf(form: InstructionForm, id: string): NewInstruction {
  return {
    id,
    by: form.by,
    who: form.who,
    place: form.kind === 'bath product' || form.kind === 'avoid' || form.place === '' ? null : placeOf(form.place),
    says: sayingOf(form),
    from: form.from,
    until: form.until === '' ? null : form.until,
  };
}

function sayingOf(form: InstructionForm): NewInstruction['says'] {
  const { kind, task, productId, nothingElse, way, lifts, upToGrade, procedure } = form;
  switch (kind) {
    case 'bar':
      return { kind, task };
    case 'interval':
      return { kind, task, days: Number(form.days) };
    case 'bath product':
      return { kind, productId, contactMinutes: Number(form.contactMinutes), nothingElse };
    case 'avoid':
      return { kind, ingredient: form.ingredient };
    case 'ear hair':
      return { kind, way };
    case 'lift':
      return { kind, lifts, upToGrade, procedure };
  }
}

/** A change of the form with what follows from it: a place that no longer fits is dropped. */
export function changed(
  form: InstructionForm,
  change: Partial<InstructionForm>,
  places: readonly Place[],
): InstructionForm {
  const next = { ...form, ...change };
  const by = next.kind === 'lift' ? 'vet' : next.by;
  const fitting = placesFor(next, places).map(placeKey);
  const first = next.kind === 'lift' ? (fitting[0] ?? '') : '';
  const place = fitting.some((key) => key === next.place) ? next.place : first;
  const signs = liftable(place);
  const lifts = signs.some(({ id }) => id === next.lifts) ? next.lifts : (signs[0]?.id ?? next.lifts);
  return { ...next, by, place, lifts };
}

export const TASK_CHOICES = ALL_TASKS.map((id) => ({ id, name: TASKS[id].name }));
