import { DONE_AT, areaOf, countsAt, signWords, type Finding, type Procedure } from '../findings';
import type { Place } from '../places';
import { takenAt, type Bar } from '../stops';
import { showDay, type Day, type Kilograms } from '../units';
import { fillIn, placeWords, type Wording } from '../wording';

/** One earlier or present look at the place. */
export interface DayOfFindings {
  readonly day: Day;
  readonly findings: readonly Finding[];
}

/** Who the dog is, for a vet who may not know it. */
export interface LetterDog {
  readonly name: string;
  /** As the catalogue names them. */
  readonly breeds: string;
  readonly weight: Kilograms;
  /** Whole years; null: nobody knows. */
  readonly years: number | null;
}

export interface LetterInput {
  readonly dog: LetterDog;
  readonly place: Place;
  readonly looks: readonly DayOfFindings[];
  /** Days on which the place came to a vet or a stop, where that was often. */
  readonly often: readonly Day[] | null;
  /** What was done at this visit, and what was left alone. */
  readonly done: readonly string[];
  /** What forbids work on the dog: what is not done at the place until the vet has answered. */
  readonly bars: readonly Bar[];
  readonly wording: Wording;
}

/** What a groomer tells a vet: what was seen and when, what was done and what was not. No diagnosis, nothing advised. */
export interface VetLetter {
  readonly subject: string;
  readonly dog: string;
  readonly seen: readonly string[];
  readonly before: readonly string[];
  readonly done: readonly string[];
  readonly asks: readonly string[];
}

/** Signs as the trade names them, with grade and what was noted besides. */
const signs = (findings: readonly Finding[], { tradeSigns, grades, colours, smells, letter }: Wording): string =>
  findings
    .map(({ sign, grade, more }) => {
      const name = tradeSigns[sign] ?? sign;
      return [
        signWords(sign).graded ? `${name} (${grades[grade]})` : name,
        ...(more?.colour ? [colours[more.colour]] : []),
        ...(more?.smell ? [fillIn(letter.smell, { smell: smells[more.smell] })] : []),
        ...(more?.mm ? [fillIn(letter.size, { mm: String(more.mm) })] : []),
        ...(more?.painful ? [letter.painful] : []),
        ...(more?.words ? [`“${more.words}”`] : []),
      ].join(', ');
    })
    .join('; ');

/** "Teasel: Lagotto Romagnolo, 14.2 kg, 6 years old" */
const dogLine = ({ name, breeds, weight, years }: LetterDog, { letter, language }: Wording): string =>
  fillIn(letter.dogLine, {
    dog: name,
    breeds,
    kg: new Intl.NumberFormat(language, { maximumFractionDigits: 1 }).format(weight),
    age:
      years === null
        ? letter.ageNotKnown
        : years < 1
          ? letter.underAYear
          : years === 1
            ? letter.oneYear
            : fillIn(letter.years, { count: String(years) }),
  });

/** The letter for one place, newest look first, earlier ones below it. */
export function letterFor({ dog, place, looks, often, done, bars, wording }: LetterInput): VetLetter {
  const [now, ...earlier] = looks
    .map(({ day, findings }) => ({ day, findings: findings.filter((each) => countsAt(each.place, place)) }))
    .toSorted((a, b) => (a.day < b.day ? 1 : -1));
  const { letter, language } = wording;
  const name = placeWords(wording, place);
  const seen = (look: DayOfFindings) => {
    const words = { day: showDay(look.day, language), place: name };
    return look.findings.length === 0
      ? fillIn(letter.nothingSeen, words)
      : fillIn(letter.seen, { ...words, signs: signs(look.findings, wording) });
  };
  return {
    subject: fillIn(letter.subject, { dog: dog.name, place: name }),
    dog: dogLine(dog, wording),
    seen: now ? [seen(now)] : [],
    before: [
      ...oftenLine(often, wording),
      ...earlier
        .slice(0, 4)
        .map(({ day, findings }) =>
          findings.length === 0
            ? fillIn(letter.earlierClear, { day: showDay(day, language) })
            : fillIn(letter.earlier, { day: showDay(day, language), signs: signs(findings, wording) }),
        ),
    ],
    done,
    asks: [letter.asks, untilThen(place, bars, wording)],
  };
}

/** How often it came to this: what a vet who sees the dog once cannot know. */
const oftenLine = (often: LetterInput['often'], { letter, language }: Wording): string[] =>
  often === null
    ? []
    : [
        fillIn(letter.often, {
          count: String(often.length),
          days: often.map((each) => showDay(each, language)).join(', '),
        }),
      ];

/** What is not done at the place until the vet has answered, as the bars say. */
function untilThen(place: Place, bars: readonly Bar[], { letter, procedures }: Wording): string {
  const taken: readonly Procedure[] = takenAt(bars, place, DONE_AT[areaOf(place.site)]);
  return taken.length === 0
    ? letter.goesOn
    : fillIn(letter.untilThen, { procedures: taken.map((each) => procedures[each]).join(', ') });
}
