import {
  LEVEL_WORDS,
  ONE_OF,
  STOP_WORDS,
  TRIAGE_TABLE,
  areaOf,
  finding,
  signWords,
  signsAt,
  type Finding,
  type Sign,
  findingWords,
} from '@dewpond/core/findings';
import { GRADE_WORDS, lookedAtWith, namePlace, placeKey, type Grade, type Place } from '@dewpond/core/places';
import { COMMON_PRACTICE, HOUSE_VALUE } from '@dewpond/core/provenance';
import { barsAt, todoAt } from '@dewpond/core/stops';
import type { Day } from '@dewpond/core/units';
import { careAt } from '@dewpond/core/steps';
import { asksForFloor } from '@dewpond/core/visit';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { RippleMark } from '../../ui/Ripple';
import { SourceMark } from '../../ui/SourceMark';
import { classes } from '../../ui/classes';
import { BarLines } from './BarLines';
import { FindingMore } from './FindingMore';
import { HairSeen } from './HairSeen';
import { Photos } from './Photos';
import { PlaceDrawing } from './PlaceDrawing';
import type { TableWork } from './useTable';
import { record } from './visitLog';

type Graded = Exclude<Grade, 0>;
const GRADES_TO_TAP: readonly Graded[] = [1, 2, 3];

/** So many signs stand ready; the rest, seen rarely at this place, one tap further. */
const FEW = 9;

/** What belongs to this kind of place before what may be seen anywhere. */
const ownFirst = (signs: readonly Sign[], { site }: Place): Sign[] =>
  signs.toSorted((a, b) => signWords(a).areas.indexOf(areaOf(site)) - signWords(b).areas.indexOf(areaOf(site)));

/** Signs that end a visit are asked for apart: nobody looks for a rash among them. */
const ENDS: ReadonlySet<Sign> = new Set(
  TRIAGE_TABLE.filter(({ stop, areas }) => stop === 'S3' && areas.includes('body')).flatMap(({ signs }) => signs),
);

/** The signs that matter at one place: tap a grade, done. Last time's finding in sight while judging. */
export function FindingPanel({
  table,
  place,
  onPlace,
  onClose,
}: {
  readonly table: TableWork;
  readonly place: Place;
  /** To a neighbour: from a paw to one of its nails. */
  readonly onPlace: (place: Place) => void;
  readonly onClose: () => void;
}) {
  const key = placeKey(place);
  const here = table.state.findings.filter((found) => placeKey(found.place) === key);
  const isNail = lookedAtWith(place) !== place;
  const asksFloor = asksForFloor(table.facts, place);
  const signs = signsAt(place.site);
  const ordinary = ownFirst(
    signs.filter((sign) => !ENDS.has(sign)),
    place,
  );
  const [all, setAll] = useState(false);
  const marked = new Set(here.map(({ sign }) => sign));
  // The other answers to what is marked stay in sight.
  const near = (sign: Sign) => marked.has(sign) || [...marked].some((its) => isOneOf(its, sign));
  const shown = all ? ordinary : ordinary.filter((sign, i) => i < FEW || near(sign));
  const ending = signs.filter((sign) => ENDS.has(sign));
  const row = (sign: Sign) => (
    <SignRow
      key={sign}
      sign={sign}
      place={place}
      marked={here.find((found) => found.sign === sign) ?? null}
      others={here.map((found) => found.sign).filter((other) => other !== sign && isOneOf(other, sign))}
      today={table.visit.day}
    />
  );
  return (
    <Dialog
      open
      onClose={onClose}
      title={place.site === 'body' ? 'Breathing, gait and manner' : capital(namePlace(place))}
      says={lastWords(table, place)}
      tall
    >
      <PlaceDrawing table={table} place={place} onPlace={onPlace} />
      <Judged table={table} place={place} />
      {asksFloor && (
        <p className="text-lg font-semibold mb-2">
          Part the hair, look to its floor. Does it flinch?{' '}
          <SourceMark
            source={COMMON_PRACTICE}
            because="A deep fold can be sore far down while its surface looks fine; a flinch is often the first sign."
          />
        </p>
      )}
      {!isNail && (
        <Button
          look={here.length === 0 ? 'main' : 'quiet'}
          className="w-full min-h-16! text-lg mb-3"
          onClick={() => {
            record({ type: 'looked clear', place });
            onClose();
          }}
        >
          {here.length > 0 ? 'Clear after all' : asksFloor ? 'Floor seen, no flinch: clear' : 'Clear'}
        </Button>
      )}
      {asksFloor && here.length === 0 && (
        <Button
          look="stop"
          className="w-full min-h-16! text-lg mb-3"
          onClick={() => record({ type: 'found', finding: finding(place, 'fold flinching', 1) })}
        >
          It flinches
        </Button>
      )}
      {place.site === 'ear' && place.side !== 'none' && <HairSeen table={table} side={place.side} />}
      <ul className="flex flex-col gap-1.5">{shown.map(row)}</ul>
      {shown.length < ordinary.length && (
        <Button look="quiet" className="w-full min-h-14! mt-1.5" onClick={() => setAll(true)}>
          {ordinary.length - shown.length} more signs
        </Button>
      )}
      {ending.length > 0 && (
        <>
          <h2 className="text-stop mt-4 mb-1.5">
            Any of these ends the visit{' '}
            <SourceMark
              source={{ kind: 'common practice' }}
              because="Signs that end a visit, whatever the plan says."
            />
          </h2>
          <ul className="flex flex-col gap-1.5">{ending.map(row)}</ul>
        </>
      )}
      <Photos table={table} place={place} sign={here.at(-1)?.sign ?? null} />
      <Button look="main" className="w-full min-h-16! text-lg mt-4" onClick={onClose}>
        Done
      </Button>
    </Dialog>
  );
}

/** What the last inspection found at this place, or that it was clear, or that nobody looked. */
function lastWords({ visit: { lastTime } }: TableWork, place: Place): string {
  if (!lastTime) return 'First time here.';
  const last = lastTime.findings.filter((found) => placeKey(found.place) === placeKey(place));
  if (last.length > 0)
    return `Last time: ${last
      .map((found) => findingWords(found) + (found.more?.mm === undefined ? '' : `, ${found.more.mm} mm`))
      .join('; ')}`;
  return lastTime.looked.includes(placeKey(lookedAtWith(place))) ? 'Last time: clear' : 'Last time: not looked at';
}

const capital = (words: string): string => words.replace(/^./, (letter) => letter.toUpperCase());

/** What follows from what was marked so far and what was known before: all that bars, level, what to do. */
function Judged({ table, place }: { readonly table: TableWork; readonly place: Place }) {
  const { bars } = table;
  const judged = table.judged[placeKey(place)];
  const here = barsAt(bars, place).filter(({ stop }) => stop !== 'S0');
  const todo = judged ? todoAt(bars, judged) : [];
  const familiar = judged?.matched.some(({ asAlways }) => asAlways) ? ['As always: a vet knows it.'] : [];
  const level = judged && judged.level !== 'none' ? [`${capital(LEVEL_WORDS[judged.level])}.`] : [];
  const says = [...level, ...familiar, ...todo];
  if (here.length === 0) {
    const source = judged?.matched[0]?.row.source;
    return todo.length + familiar.length === 0 ? null : (
      <p className="rounded-xl bg-watch-pale px-3 py-2 mb-3">
        {says.join(' ')} {source && <SourceMark source={source} because={says.join(' ')} />}
      </p>
    );
  }
  const worst = here.find(({ lifted }) => lifted === null);
  const instead = careAt(bars, place).instead;
  return (
    <div role="alert" className="rounded-xl border border-stop bg-stop-pale px-3 pt-3 pb-1 mb-3">
      {worst && (
        <p className="flex items-center justify-between font-bold text-stop">
          {STOP_WORDS[worst.stop]}
          <SourceMark roomy source={HOUSE_VALUE} because="How Dewpond reads a stop." />
        </p>
      )}
      {instead && <p>Instead: {instead.words}</p>}
      {says.length > 0 && <p>{says.join(' ')}</p>}
      <BarLines bars={here} at={[place]} />
    </div>
  );
}

interface SignRowProps {
  readonly sign: Sign;
  readonly place: Place;
  readonly marked: Finding | null;
  /** Marked here, and taken back when this one is marked. */
  readonly others: readonly Sign[];
  readonly today: Day;
}

const isOneOf = (a: Sign, b: Sign): boolean => ONE_OF.some((group) => group.includes(a) && group.includes(b));

function SignRow({ sign, place, marked, others, today }: SignRowProps) {
  const { name, graded, asks } = signWords(sign);
  const [more, setMore] = useState(false);
  const mark = (grade: Graded, answer: boolean | null = marked?.answer ?? null) =>
    record(
      // Of some signs a place has one: another one tapped stands in for it.
      ...others.map((other) => ({ type: 'taken back' as const, place, sign: other })),
      {
        type: 'found',
        finding: { ...finding(place, sign, grade, answer), ...(marked?.more ? { more: marked.more } : {}) },
      },
    );
  const tap = (grade: Graded) => (marked?.grade === grade ? record({ type: 'taken back', place, sign }) : mark(grade));
  return (
    <li className={classes('rounded-xl border', marked ? 'border-pond bg-pond-pale/40' : 'border-line')}>
      <div className="flex items-center justify-between gap-2 pl-3">
        <span className="font-semibold py-2 leading-tight">{name}</span>
        <span className="flex shrink-0">
          {(graded ? GRADES_TO_TAP : GRADES_TO_TAP.slice(0, 1)).map((grade) => (
            <button
              key={grade}
              type="button"
              aria-pressed={marked?.grade === grade}
              aria-label={`${name}, ${graded ? GRADE_WORDS[grade] : 'seen'}`}
              onClick={() => tap(grade)}
              className={classes(
                'grid place-items-center w-[68px] min-h-15 border-l border-line text-xs',
                marked?.grade === grade ? 'bg-surface font-bold' : 'text-soft hover:bg-pond-pale',
              )}
            >
              {graded ? (
                <svg width={36} height={36} viewBox="-19 -19 38 38" aria-hidden>
                  <RippleMark grade={grade} dot={3.4} step={4.6} />
                </svg>
              ) : null}
              {graded ? GRADE_WORDS[grade] : 'seen'}
            </button>
          ))}
        </span>
      </div>
      {marked && (
        <div className="flex flex-wrap items-center gap-2 px-3 py-2 border-t border-line">
          {asks && (
            <>
              <span className="first-letter:uppercase">{asks}</span>
              {([true, false] as const).map((answer) => (
                <button
                  key={String(answer)}
                  type="button"
                  aria-pressed={marked.answer === answer}
                  onClick={() => mark(marked.grade, answer)}
                  className={classes(
                    'rounded-lg border px-5 min-h-14 font-semibold',
                    marked.answer === answer ? 'bg-pond text-on-pond border-pond' : 'border-line',
                  )}
                >
                  {answer ? 'Yes' : 'No'}
                </button>
              ))}
            </>
          )}
          <Button look="quiet" className="min-h-14! ml-auto" aria-expanded={more} onClick={() => setMore(!more)}>
            {more ? 'Less' : 'More: colour, size…'}
          </Button>
          {more && <FindingMore marked={marked} today={today} />}
        </div>
      )}
    </li>
  );
}
