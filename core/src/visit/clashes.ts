import { placeKey } from '../places';
import { madeApart, saw, type Happening, type VisitEvent } from '../events';
import type { Clash } from './state';

type MarkKind =
  | 'step'
  | 'piece'
  | 'nails'
  | 'hair seen'
  | 'hair went'
  | 'place'
  | 'plug'
  | 'handover'
  | 'shows'
  | 'cleaned'
  | 'close';

/**
 * What a mark is about: two marks of the same thing that say different things clash when their makers did not know of
 * each other. Null for what only adds up, such as pads and notes.
 */
function aboutOf(what: Happening): readonly [MarkKind, string] | null {
  switch (what.type) {
    case 'step done':
    case 'step skipped':
      return ['step', what.step];
    case 'piece settled':
      return ['piece', `${what.step} ${what.piece}`];
    case 'nails judged':
      return ['nails', placeKey(what.place)];
    case 'ear hair seen':
      return ['hair seen', what.side];
    case 'ear hair went':
      return ['hair went', what.side];
    case 'looked clear':
      return ['place', placeKey(what.place)];
    case 'found':
      return ['place', placeKey(what.finding.place)];
    case 'plug out':
    case 'plug not found':
      return ['plug', what.side];
    case 'answered':
      return ['handover', what.question];
    case 'shows today':
      return ['shows', what.what];
    case 'cleaned with':
      return ['cleaned', ''];
    case 'closed':
      return ['close', ''];
    default:
      return null;
  }
}

/** What a mark says of it. */
function says(what: Happening): string {
  switch (what.type) {
    case 'found':
      return `${what.finding.sign} ${what.finding.grade} ${what.finding.answer}`;
    case 'piece settled':
      return what.how;
    case 'nails judged':
      return what.length;
    case 'ear hair seen':
      return what.hair;
    case 'ear hair went':
      return `${what.came} ${what.borne} ${what.left}`;
    case 'plug out':
      return what.came;
    case 'answered':
      return String(what.answer);
    case 'shows today':
      return String(what.yes);
    case 'cleaned with':
      return what.product;
    case 'closed':
      return what.how;
    default:
      return what.type;
  }
}

/** Two different signs at one place add up; the same sign with two grades, or a sign against "clear", do not. */
function differ(a: Happening, b: Happening): boolean {
  if (a.type === 'found' && b.type === 'found' && a.finding.sign !== b.finding.sign) return false;
  return says(a) !== says(b);
}

/**
 * What two devices marked apart and differently, and nobody has settled since by marking it again with both in sight.
 * @param events all events in order.
 */
export function clashesOf(events: readonly VisitEvent[]): Clash[] {
  const devices = new Set(events.map((event) => event.device));
  if (devices.size < 2) return [];
  const standing: StandingMarks[] = [];
  // A map a kind: one key for both would be put together and hashed for every mark, at every tap.
  const known: Partial<Record<MarkKind, Map<string, StandingMarks>>> = {};
  for (const event of events) {
    const about = aboutOf(event.what);
    if (about === null) continue;
    const [kind, key] = about;
    const ofKind = (known[kind] ??= new Map<string, StandingMarks>());
    const before = ofKind.get(key);
    if (before) putBeside(before.marks, event);
    else {
      const made = { kind, key, marks: [event] };
      ofKind.set(key, made);
      standing.push(made);
    }
  }
  return standing.flatMap(({ kind, key, marks }) => {
    if (marks.length < 2) return [];
    const clashing = marks.filter((one) =>
      marks.some((other) => one !== other && madeApart(one, other) && differ(one.what, other.what)),
    );
    return clashing.length > 0 ? [{ about: `${kind} ${key}`.trimEnd(), marks: clashing }] : [];
  });
}

/** Marks of one thing of which none was made with the others in sight. */
interface StandingMarks {
  readonly kind: MarkKind;
  readonly key: string;
  readonly marks: VisitEvent[];
}

/** Only what the newcomer had not seen still stands beside it. In place: this runs for every mark at every tap. */
function putBeside(marks: VisitEvent[], event: VisitEvent): void {
  let left = 0;
  for (const earlier of marks) if (!saw(event, earlier) || addsTo(event.what, earlier.what)) marks[left++] = earlier;
  marks.length = left;
  marks.push(event);
}

/** A second sign at a place says nothing about the first. */
const addsTo = (later: Happening, earlier: Happening): boolean =>
  later.type === 'found' && earlier.type === 'found' && later.finding.sign !== earlier.finding.sign;
