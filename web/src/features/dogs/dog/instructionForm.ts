import type { BodyOf } from '@dewpond/contract';
import { BODY_WASHES, type ProductKind } from '@dewpond/core/dilution';
import {
  ASKED_AT_HOME,
  PRODUCT_TASKS,
  USES,
  type AskedAtHome,
  type EarHairWay,
  type ProductTask,
  type UseKind,
} from '@dewpond/core/dog';
import { ALL_TASKS, TASKS, VET_TASKS, type Task, type VetTask } from '@dewpond/core/tasks';
import {
  CONDITIONS,
  PROCEDURES,
  isKnownSign,
  knowsRefused,
  signWords,
  signsAt,
  type Condition,
  type Procedure,
  type Sign,
} from '@dewpond/core/findings';
import { liftRefused } from '@dewpond/core/stops';
import { placeKey, placeOf, type Place } from '@dewpond/core/places';
import { typedNumber } from '../../../forms/typedNumber';

export type InstructionBody = Omit<BodyOf<'POST /api/dogs/:id/instructions'>, 'id'>;
export type SayingKind = InstructionBody['says']['kind'];

/** What an instruction may say, in the words of the form. Only a vet lifts a stop or knows a sign. */
export const SAYINGS: Readonly<Record<SayingKind, string>> = {
  'bath product': 'Use this product for the bath',
  product: 'Use this product for other care',
  'vet saw': 'A vet has seen it',
  uses: 'It gets this, or it is used at home',
  avoid: 'Nothing with this in it',
  bar: 'Do not do this',
  interval: 'Do this every so many days',
  'at home': 'The owner does this at home, so many times a day',
  'ear hair': 'Hair in the ear',
  lift: 'May be done in spite of a sign',
  knows: 'Knows a slight sign: as always',
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
  readonly timesADay: 1 | 2 | 3;
  readonly productId: string;
  readonly contactMinutes: string;
  readonly nothingElse: boolean;
  readonly ingredient: string;
  readonly what: UseKind;
  /** What it is called. */
  readonly called: string;
  readonly way: EarHairWay;
  /** What is lifted, or the sign that is known. */
  readonly lifts: Sign | Condition;
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
  timesADay: 2,
  productId: '',
  contactMinutes: '10',
  nothingElse: false,
  ingredient: '',
  what: 'eye drops',
  called: '',
  way: 'leave',
  lifts: 'ear pale wax',
  upToGrade: 1,
  procedure: 'clean',
  from: today,
  until: '',
});

/** At one place, and only a vet's. */
export const isVets = (kind: SayingKind): boolean => kind === 'lift' || kind === 'knows';

/** Places of this dog where the instruction can apply: those of the task, or for hair in the ear, the ears. */
export function placesFor(
  { kind, task, what }: Pick<InstructionForm, 'kind' | 'task' | 'what'>,
  dogsPlaces: readonly Place[],
): Place[] {
  if (kind === 'bath product' || kind === 'avoid' || kind === 'vet saw') return [];
  if (kind === 'product' && TASKS[task].sites === 'none') return [];
  const used = USES[what].at;
  if (kind === 'uses') return dogsPlaces.filter(({ site }) => used !== null && site.startsWith(used));
  const its = kind === 'at home' ? taskAtHome(task) : task;
  const sites = isVets(kind) ? '' : kind === 'ear hair' ? 'ear' : TASKS[its].sites;
  return dogsPlaces.filter(({ site }) => sites !== 'none' && site.startsWith(sites));
}

interface Choosable {
  readonly id: Sign | Condition;
  readonly name: string;
}

/** What of a place a word can be about: signs and known conditions whose stop a vet may lift, or signs a vet may know. */
export function choosable(kind: SayingKind, place: string): readonly Choosable[] {
  if (place === '' || !isVets(kind)) return [];
  const at = placeOf(place);
  const signs = signsAt(at.site).map((id): Choosable => ({ id, name: signWords(id).name }));
  if (kind === 'knows') return signs.filter(({ id }) => isKnownSign(id) && knowsRefused(id, at) === null);
  const conditions = (Object.keys(CONDITIONS) as Condition[]).map((id): Choosable => ({ id, name: id }));
  return [...signs, ...conditions].filter(({ id }) => liftableFor(place, id).length > 0);
}

/** Looking through all signs of a place takes a moment; places of one kind are alike. */
const LIFTABLE = new Map<string, readonly Procedure[]>();

/** Procedures that a sign takes away at a place and a vet may give back. */
export function liftableFor(place: string, lifts: Sign | Condition): readonly Procedure[] {
  if (place === '') return [];
  const key = `${place} ${lifts}`;
  const known = LIFTABLE.get(key);
  if (known) return known;
  const found = PROCEDURES.filter(
    (procedure) => liftRefused({ place: placeOf(place), lifts, procedure, upToGrade: 3 }) === null,
  );
  LIFTABLE.set(key, found);
  return found;
}

/** The body to send. What does not fit is told by the server, at the field. */
export function instructionOf(form: InstructionForm): InstructionBody {
  return {
    by: form.by,
    who: form.who,
    place: form.kind === 'bath product' || form.kind === 'avoid' || form.place === '' ? null : placeOf(form.place),
    says: sayingOf(form),
    from: form.from,
    until: form.until === '' ? null : form.until,
  };
}

function sayingOf(form: InstructionForm): InstructionBody['says'] {
  const { kind, task, productId, nothingElse, way, lifts, upToGrade, procedure } = form;
  switch (kind) {
    case 'bar':
      return { kind, task };
    case 'interval':
      return { kind, task, days: typedNumber(form.days) };
    case 'at home':
      return { kind, task: taskAtHome(task), timesADay: form.timesADay };
    case 'bath product':
      return { kind, productId, contactMinutes: typedNumber(form.contactMinutes), nothingElse };
    case 'product':
      return { kind, task: productTask(task), productId };
    case 'vet saw':
      return { kind, task: vetTask(task), on: form.from };
    case 'uses':
      return { kind, what: form.what, name: form.called };
    case 'avoid':
      return { kind, ingredient: form.ingredient };
    case 'ear hair':
      return { kind, way };
    case 'lift':
      return { kind, lifts, upToGrade, procedure };
    case 'knows':
      return { kind, sign: lifts as Sign };
  }
}

/** A look that only a vet has; of other work the first. */
export const vetTask = (task: Task): VetTask => VET_TASKS.find((each) => each === task) ?? 'eye check';

/** Care that an owner can be asked for several times a day; of other work the face. */
export const taskAtHome = (task: Task): AskedAtHome => ASKED_AT_HOME.find((each) => each === task) ?? 'eyes and face';

/** Work that a product can be named for; of other work the nearest. */
export const productTask = (task: Task): ProductTask => PRODUCT_TASKS.find((each) => each === task) ?? 'ear cleaning';

/** Kinds of product for work of each kind. */
export const KINDS_FOR: Readonly<Record<ProductTask, readonly ProductKind[]>> = {
  'second wash': BODY_WASHES,
  'face wash': ['face', 'eye and face cleaner', ...BODY_WASHES],
  conditioner: ['conditioner'],
  'ear cleaning': ['ear cleaner'],
  'eyes and face': ['eye and face cleaner'],
  'fold care': ['fold care', 'powder'],
};

/** Products that the word may name. */
export const productsFor = <P extends { readonly kind: ProductKind }>(
  { kind, task }: Pick<InstructionForm, 'kind' | 'task'>,
  products: readonly P[],
): readonly P[] => {
  const kinds: readonly ProductKind[] =
    kind === 'product' ? KINDS_FOR[productTask(task)] : [...BODY_WASHES, 'medicated'];
  return products.filter((each) => kinds.includes(each.kind));
};

/** A change of the form with what follows from it: a place that no longer fits is dropped. */
export function changed(
  form: InstructionForm,
  change: Partial<InstructionForm>,
  places: readonly Place[],
): InstructionForm {
  const next = { ...form, ...change };
  const by = isVets(next.kind) ? 'vet' : next.by;
  const fitting = placesFor(next, places).map(placeKey);
  const first = isVets(next.kind) ? (fitting[0] ?? '') : '';
  const place = fitting.some((key) => key === next.place) ? next.place : first;
  const signs = choosable(next.kind, place);
  const lifts = signs.some(({ id }) => id === next.lifts) ? next.lifts : (signs[0]?.id ?? next.lifts);
  const may = next.kind === 'lift' ? liftableFor(place, lifts) : [];
  const procedure = may.includes(next.procedure) ? next.procedure : (may[0] ?? next.procedure);
  return { ...next, by, place, lifts, procedure };
}

export const TASK_CHOICES = ALL_TASKS.map((id) => ({ id, name: TASKS[id].name }));
