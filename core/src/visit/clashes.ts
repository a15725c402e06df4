import { placeKey } from '../places';
import { madeApart, saw, type Happening, type VisitEvent } from '../events';
import type { Clash } from './state';

/**
 * What a mark is about: two marks of the same thing that say different things clash when their makers did not know of
 * each other. Null for what only adds up, such as pads and notes.
 */
function aboutOf(what: Happening): string | null {
  switch (what.type) {
    case 'step done':
    case 'step skipped':
      return `step ${what.step}`;
    case 'looked clear':
      return `place ${placeKey(what.place)}`;
    case 'found':
      return `place ${placeKey(what.finding.place)}`;
    case 'plug out':
    case 'plug not found':
      return `plug ${what.side}`;
    case 'answered':
      return `handover ${what.question}`;
    case 'closed':
      return 'close';
    default:
      return null;
  }
}

/** What a mark says of it. */
function says(what: Happening): string {
  switch (what.type) {
    case 'found':
      return `${what.finding.sign} ${what.finding.grade} ${what.finding.answer}`;
    case 'plug out':
      return what.came;
    case 'answered':
      return String(what.answer);
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
  const marks = new Map<string, VisitEvent[]>();
  for (const event of events) {
    const about = aboutOf(event.what);
    if (about === null) continue;
    // Only what the newcomer had not seen still stands beside it.
    const unseen = (marks.get(about) ?? []).filter(
      (earlier) => !saw(event, earlier) || addsTo(event.what, earlier.what),
    );
    marks.set(about, [...unseen, event]);
  }
  return [...marks].flatMap(([about, unseen]) => {
    const clashing = unseen.filter((one) =>
      unseen.some((other) => one !== other && madeApart(one, other) && differ(one.what, other.what)),
    );
    return clashing.length > 0 ? [{ about, marks: clashing }] : [];
  });
}

/** A second sign at a place says nothing about the first. */
const addsTo = (later: Happening, earlier: Happening): boolean =>
  later.type === 'found' && earlier.type === 'found' && later.finding.sign !== earlier.finding.sign;
