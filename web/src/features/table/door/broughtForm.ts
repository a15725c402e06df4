import { exactParts, labelMeaning, readLabel, type ProductKind, type RatioSaid } from '@dewpond/core/dilution';
import { PRODUCT_TASKS, type ProductTask } from '@dewpond/core/dog';
import type { Happening } from '@dewpond/core/events';
import type { Place } from '@dewpond/core/places';
import { TASKS } from '@dewpond/core/tasks';
import { isDay, type Day } from '@dewpond/core/units';
import type { HouseWays } from '@dewpond/core/ways';

/** What a bottle can be for: the whole bath, or one kind of work. */
export type BroughtFor = 'bath' | ProductTask;
export const BROUGHT_FOR: readonly BroughtFor[] = ['bath', ...PRODUCT_TASKS];
export const nameOfUse = (use: BroughtFor): string => (use === 'bath' ? 'Both washes' : TASKS[use].name);

export const UNTIL = { today: 'this visit', day: 'until a day', open: 'until it is ended' } as const;
export type Until = keyof typeof UNTIL;

/** A bottle as it is read off and typed. */
export interface BroughtForm {
  readonly by: 'vet' | 'owner';
  readonly who: string;
  readonly use: BroughtFor;
  /** Null: everywhere that the work is done. */
  readonly place: Place | null;
  readonly name: string;
  readonly label: string;
  /** Which of the label's readings it is, where a person had to say. */
  readonly said: RatioSaid | null;
  readonly minutes: string;
  readonly nothingElse: boolean;
  readonly ingredients: string;
  readonly until: Until;
  readonly lastDay: string;
}

export const NO_BOTTLE: BroughtForm = {
  by: 'owner',
  who: '',
  use: 'bath',
  place: null,
  name: '',
  label: '',
  said: null,
  minutes: '',
  nothingElse: false,
  ingredients: '',
  until: 'today',
  lastDay: '',
};

const KIND_OF: Readonly<Record<ProductTask, ProductKind>> = {
  'second wash': 'cleansing',
  'face wash': 'face',
  conditioner: 'conditioner',
  'ear cleaning': 'ear cleaner',
  'eyes and face': 'eye and face cleaner',
  'fold care': 'fold care',
};
const kindOf = ({ use, by }: BroughtForm): ProductKind =>
  use === 'bath' ? (by === 'vet' ? 'medicated' : 'cleansing') : KIND_OF[use];

/** What is printed, as this business reads it. */
export const readBottle = (form: BroughtForm, { readsOneTo }: Pick<HouseWays, 'readsOneTo'>) =>
  readLabel(form.label, { medicated: kindOf(form) === 'medicated', oneToN: readsOneTo });

/** Places of this dog where such a bottle can be for one alone. */
export const placesOf = ({ use }: BroughtForm, places: readonly Place[]): readonly Place[] => {
  const sites = use === 'bath' ? 'none' : TASKS[use].sites;
  return sites === 'none' ? [] : places.filter(({ site }) => site.startsWith(sites));
};

/** What is still to be said, by field; empty when it can be taken. */
export function missingIn(
  form: BroughtForm,
  ways: Pick<HouseWays, 'readsOneTo'>,
  today: Day,
): Partial<Record<'name' | 'label' | 'lastDay', string>> {
  const meaning = labelMeaning(readBottle(form, ways), form.said);
  return {
    ...(form.name.trim() === '' ? { name: 'What stands on the bottle?' } : {}),
    ...(form.label.trim() === ''
      ? { label: 'The ratio as printed, or “ready to use”.' }
      : 'why' in meaning
        ? { label: meaning.why }
        : {}),
    ...(form.until === 'day' && !(isDay(form.lastDay) && form.lastDay >= today)
      ? { lastDay: 'A day from today on.' }
      : {}),
  };
}

const MOST_MINUTES = 60;

/** What is written down once nothing is missing: the bottle, and the word it came with. */
export function taken(
  form: BroughtForm,
  about: {
    readonly ways: Pick<HouseWays, 'readsOneTo'>;
    readonly today: Day;
    readonly owner: string;
    readonly places: readonly Place[];
    readonly newId: () => string;
  },
): Happening[] {
  const meaning = labelMeaning(readBottle(form, about.ways), form.said);
  const productId = about.newId();
  const { by, use, nothingElse } = form;
  return [
    {
      type: 'bottle brought',
      bottle: {
        id: productId,
        name: form.name.trim(),
        kind: kindOf(form),
        label: form.label.trim(),
        waterParts: meaning.kind === 'diluted' ? exactParts(meaning.dilution.strength) : null,
        ingredients: form.ingredients.split(/[,;]/).flatMap((each) => each.trim() || []),
        suppliedBy: by,
      },
    },
    {
      type: 'word told',
      word: {
        id: about.newId(),
        by,
        who: form.who.trim() || (by === 'owner' ? about.owner : 'the vet'),
        place: placesOf(form, about.places).length > 0 ? form.place : null,
        says:
          use === 'bath'
            ? {
                kind: 'bath product',
                productId,
                contactMinutes: Math.min(MOST_MINUTES, Number(form.minutes) || 0),
                nothingElse,
              }
            : { kind: 'product', task: use, productId },
        until: form.until === 'today' ? about.today : form.until === 'day' ? (form.lastDay as Day) : null,
      },
    },
  ];
}
