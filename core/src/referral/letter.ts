import { SIGNS, type Finding, type Level } from '../findings';
import { GRADE_WORDS, namePlace, placeKey, type Place } from '../places';
import { showDay, type Day } from '../units';

/** One earlier or present look at the place. */
export interface Look {
  readonly day: Day;
  readonly findings: readonly Finding[];
}

export interface LetterInput {
  readonly dog: string;
  readonly place: Place;
  readonly looks: readonly Look[];
  /** What was done at this visit, and what was left alone. */
  readonly done: readonly string[];
}

/** What a groomer tells a vet: what was seen and when, what was done and what was not. No diagnosis, nothing advised. */
export interface Letter {
  readonly subject: string;
  readonly seen: readonly string[];
  readonly before: readonly string[];
  readonly done: readonly string[];
  readonly asks: string;
}

const signs = (findings: readonly Finding[]): string =>
  findings
    .map(({ sign, grade, more }) =>
      [
        SIGNS[sign].graded ? `${SIGNS[sign].name} (${GRADE_WORDS[grade]})` : SIGNS[sign].name,
        ...(more?.colour ? [more.colour] : []),
        ...(more?.smell ? [`smell: ${more.smell}`] : []),
        ...(more?.mm ? [`${more.mm} mm`] : []),
        ...(more?.painful ? ['painful to touch'] : []),
        ...(more?.words ? [`“${more.words}”`] : []),
      ].join(', '),
    )
    .join('; ');

/** The letter for one place, newest look first, earlier ones below it. */
export function letterFor({ dog, place, looks, done }: LetterInput): Letter {
  const key = placeKey(place);
  const [now, ...earlier] = looks
    .map(({ day, findings }) => ({ day, findings: findings.filter((each) => placeKey(each.place) === key) }))
    .toSorted((a, b) => (a.day < b.day ? 1 : -1));
  const name = namePlace(place);
  return {
    subject: `${dog}: ${name}`,
    seen: now ? [`On ${showDay(now.day)}, ${name}: ${signs(now.findings) || 'nothing on record'}.`] : [],
    before: earlier
      .slice(0, 4)
      .map(({ day, findings }) => `${showDay(day)}: ${findings.length === 0 ? 'clear' : signs(findings)}.`),
    done,
    asks: `Please tell us, through the owner, what we may do at the ${name} and from when. Until then we leave it alone.`,
  };
}

/** How soon, in an owner's words. */
export const URGENCY: Readonly<Partial<Record<Level, string>>> = {
  vet: 'within a week',
  'vet soon': 'within a day or two',
  'vet today': 'today',
  emergency: 'at once',
};
