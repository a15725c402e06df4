import type { Task } from '../tasks';
import { placeKey, type Grade, type PlaceKey } from '../places';
import type { Day } from '../units';
import { ALL_SECTIONS, type OwnerSheet, type Section, type SheetFrame, type SheetLine } from './sheet';

/** What a groomer made of one made sentence. Kept with the words it was made from: one sees when those have changed. */
export interface LineEdit {
  readonly section: Section;
  readonly made: string;
  /** Null: left out. */
  readonly words: string | null;
}

/** A groomer's hand on a sheet, apart from what is made from the visit: making it again loses none of it. */
export interface SheetEdits {
  readonly lines: Readonly<Record<string, LineEdit>>;
  readonly added: readonly { readonly id: string; readonly section: Section; readonly words: string }[];
  /** Pictures the owner may see; none unless chosen. */
  readonly photos: readonly string[];
}
export const NO_EDITS: SheetEdits = { lines: {}, added: [], photos: [] };

/** A sentence as it stands on the page, and what a hand has to do with it. */
export interface PageLine extends SheetLine {
  readonly grade: Grade | null;
  readonly task: Task | null;
  /** As made from the visit; null: added by hand, or the visit no longer says it. */
  readonly made: string | null;
  readonly by: 'made' | 'changed' | 'left out' | 'added';
  /** The visit says something else, or nothing, since the hand was on it. */
  readonly stale: boolean;
}
export type SheetPage = Readonly<Record<Section, readonly PageLine[]>>;

type MadeLine = SheetLine & { readonly grade?: Grade; readonly task?: Task };

const madeLines = (sheet: OwnerSheet): Record<Section, MadeLine[]> => ({
  saw: [...sheet.saw.filter(({ grade }) => grade > 0), ...(sheet.clear ? [{ ...sheet.clear, grade: 0 as const }] : [])],
  suggest: [...sheet.suggest],
  care: [...sheet.care],
  did: [...sheet.did],
  home: [...sheet.homeCare],
});

/** The sheet with a groomer's edits over it. An edit whose sentence is no longer made stays where it was, and says so. */
export function pageOf(sheet: OwnerSheet, edits: SheetEdits): SheetPage {
  const made = madeLines(sheet);
  const joined = sheet.together.filter(({ of }) => of.every((key) => !(key in edits.lines)));
  const known = new Set([...Object.values(made).flat(), ...joined].map(({ key }) => key));
  const section = (name: Section): PageLine[] => [
    ...joinedIn(made[name], joined).map((line) => withEdits(line, edits.lines[line.key])),
    ...Object.entries(edits.lines).flatMap(([key, edit]) =>
      edit.section === name && !known.has(key) && edit.words !== null
        ? [{ key, words: edit.words, grade: null, task: null, made: null, by: 'changed' as const, stale: true }]
        : [],
    ),
    ...edits.added.flatMap(({ id, section: at, words }) =>
      at === name ? [{ key: id, words, grade: null, task: null, made: null, by: 'added' as const, stale: false }] : [],
    ),
  ];
  return {
    saw: section('saw'),
    suggest: section('suggest'),
    care: section('care'),
    did: section('did'),
    home: section('home'),
  };
}

/** The lines with those told together in the place of the first of them. */
function joinedIn(lines: readonly MadeLine[], joined: OwnerSheet['together']): MadeLine[] {
  return lines.flatMap((line): MadeLine[] => {
    const at = joined.find(({ of }) => of.includes(line.key));
    if (!at) return [line];
    return at.of[0] === line.key ? [{ ...line, key: at.key, words: at.words }] : [];
  });
}

function withEdits(made: MadeLine, edit: LineEdit | undefined): PageLine {
  const { key, words } = made;
  const line = { key, grade: made.grade ?? null, task: made.task ?? null, made: words };
  if (!edit) return { ...line, words, by: 'made', stale: false };
  const stale = edit.made !== words;
  return edit.words === null
    ? { ...line, words, by: 'left out', stale }
    : { ...line, words: edit.words, by: 'changed', stale };
}

/** A sentence as an owner gets it: nothing of how it came about. */
export type ReadLine = Pick<PageLine, 'key' | 'words' | 'grade' | 'task'>;

/** What an owner reads: without what was left out, and no part that says nothing. */
export interface ReadSheet {
  readonly dog: string;
  readonly day: Day;
  readonly language: string;
  readonly frame: SheetFrame;
  /** For the drawing: places that are told of, and no others. */
  readonly grades: Readonly<Partial<Record<PlaceKey, Grade>>>;
  readonly parts: readonly { readonly section: Section; readonly lines: readonly ReadLine[] }[];
}

export function readSheet(sheet: OwnerSheet, edits: SheetEdits): ReadSheet {
  const page = pageOf(sheet, edits);
  const parts = ALL_SECTIONS.map((section) => ({
    section,
    lines: page[section]
      .filter(({ by }) => by !== 'left out')
      .map(({ key, words, grade, task }): ReadLine => ({ key, words, grade, task })),
  }));
  const standsFor = (key: string) => sheet.together.find((each) => each.key === key)?.of ?? [key];
  const told = new Set(parts.flatMap(({ lines }) => lines.flatMap(({ key }) => standsFor(key))));
  const grades = sheet.saw
    .filter(({ key, grade }) => told.has(grade === 0 ? 'clear' : key))
    .map(({ place, grade }): [PlaceKey, Grade] => [placeKey(place), grade]);
  return {
    dog: sheet.dog,
    day: sheet.day,
    language: sheet.language,
    frame: sheet.frame,
    grades: Object.fromEntries(grades),
    parts: parts.filter(({ lines }) => lines.length > 0),
  };
}

/** The edits with one sentence said otherwise, left out (null), or as made again. */
export function editLine(edits: SheetEdits, section: Section, line: PageLine, words: string | null): SheetEdits {
  if (line.by === 'added') {
    const said = words?.trim() ?? '';
    return {
      ...edits,
      added: edits.added.flatMap((each) =>
        each.id !== line.key ? [each] : said === '' ? [] : [{ ...each, words: said }],
      ),
    };
  }
  const { [line.key]: _, ...others } = edits.lines;
  const asMade = words !== null && words.trim() === line.made;
  if (asMade) return { ...edits, lines: others };
  const said = words === null || words.trim() === '' ? null : words.trim();
  // Nothing is made for it any more: left out means gone.
  if (said === null && line.made === null) return { ...edits, lines: others };
  return { ...edits, lines: { ...others, [line.key]: { section, made: line.made ?? '', words: said } } };
}
