import { STAGE_MINUTES, type Stage } from './steps';

/** What a visit can contain, each with its stages. Making ready, asking, looking and the record belong to every visit. */
export const VISIT_PARTS = {
  bath: {
    name: 'bath',
    stages: [
      'wet',
      'plugs',
      'wash 1',
      'contact',
      'face',
      'rinse 1',
      'wash 2',
      'contact 2',
      'last rinse',
      'conditioner',
      'plugs out',
      'water off',
      'dry',
    ],
  },
  'brush-out': { name: 'brush-out', stages: ['brush-out'] },
  cut: { name: 'cut and tidy', stages: ['first clip', 'comb and tidy'] },
  ears: { name: 'ears', stages: ['ears, first pass', 'ears, second pass'] },
  'eyes and folds': { name: 'eyes and folds', stages: ['eyes, on the table', 'folds'] },
  nails: { name: 'nails', stages: ['nails'] },
  teeth: { name: 'teeth', stages: ['teeth'] },
} as const satisfies Record<string, { readonly name: string; readonly stages: readonly Stage[] }>;
export type VisitPart = keyof typeof VISIT_PARTS;
/** Stages in the tub, with the hands on the dog or waiting: a bath but for its drying. */
export const IN_THE_TUB: ReadonlySet<Stage> = new Set<Stage>(
  VISIT_PARTS.bath.stages.filter((stage) => stage !== 'dry'),
);
export const ALL_PARTS = Object.keys(VISIT_PARTS) as readonly VisitPart[];

/** Kinds of visit by name. A lesson is a young or nervous dog's short visit with one goal; "as agreed" says what is in it. */
export const VISIT_KINDS = ['full visit', 'bath only', 'ears and nails', 'lesson', 'as agreed'] as const;
export type VisitKind = (typeof VISIT_KINDS)[number];

/** What was agreed for one booking, and what the business calls it; the name may be empty. */
export interface AgreedVisit {
  readonly name: string;
  readonly parts: readonly VisitPart[];
}

/** A kind of visit of the business's own, to book from. */
export interface OwnVisitKind extends AgreedVisit {
  readonly id: string;
  readonly minutes: number;
}

/** What is booked: a kind by name, or what was agreed. */
export interface VisitContents {
  readonly kind: VisitKind;
  readonly agreed?: AgreedVisit | null;
}

const PARTS_OF: Readonly<Record<VisitKind, readonly VisitPart[]>> = {
  'full visit': ALL_PARTS,
  'bath only': ALL_PARTS.filter((part) => part !== 'cut' && part !== 'nails'),
  'ears and nails': ['ears', 'eyes and folds', 'nails', 'teeth'],
  lesson: [],
  'as agreed': ALL_PARTS,
};

export const partsOf = ({ kind, agreed }: VisitContents): readonly VisitPart[] => agreed?.parts ?? PARTS_OF[kind];

/** A lesson ends where the dog says so: nothing is decided, nothing is wet. */
const NOT_IN_A_LESSON: readonly Stage[] = ['decide', 'clean-down'];

/** Stages that a visit leaves out; the owner asked for less, so nothing is recorded as skipped. */
export function leftOut(contents: VisitContents): ReadonlySet<Stage> {
  const parts = partsOf(contents);
  const stages = ALL_PARTS.filter((part) => !parts.includes(part)).flatMap(
    (part): readonly Stage[] => VISIT_PARTS[part].stages,
  );
  return new Set([...stages, ...(contents.kind === 'lesson' ? NOT_IN_A_LESSON : [])]);
}

/** "full visit", "Summer wash", "bath, nails and teeth": what one calls it. */
export function visitName({ kind, agreed }: VisitContents): string {
  if (!agreed) return kind;
  return agreed.name === '' ? agreed.parts.map((part) => VISIT_PARTS[part].name).join(', ') : agreed.name;
}

/** Bookings are made in quarters of an hour. */
const QUARTER = 15;

/** How long such a visit is booked for, until someone says otherwise, min: the business's hands-on minutes, in quarters. */
export function usualMinutes(contents: VisitContents): number {
  const gone = leftOut(contents);
  const minutes = (Object.keys(STAGE_MINUTES) as Stage[]).reduce(
    (sum, stage) => sum + (gone.has(stage) ? 0 : STAGE_MINUTES[stage]),
    0,
  );
  return QUARTER * Math.ceil(minutes / QUARTER);
}
