import {
  LEVEL_WORDS,
  SIGNS,
  STOP_WORDS,
  TRIAGE_TABLE,
  areaOf,
  finding,
  signWords,
  signsAt,
  stopFor,
  type Finding,
  type Sign,
} from '@dewpond/core/findings';
import { GRADE_WORDS, lookedAtWith, namePlace, placeKey, type Grade, type Place } from '@dewpond/core/places';
import { HOUSE_VALUE } from '@dewpond/core/provenance';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { RippleMark } from '../../ui/Ripple';
import { SourceMark, SourcedLine } from '../../ui/SourceMark';
import { classes } from '../../ui/classes';
import { FindingMore } from './FindingMore';
import { Photos } from './Photos';
import { PlaceDrawing } from './PlaceDrawing';
import type { Table } from './useTable';
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
  readonly table: Table;
  readonly place: Place;
  /** To a neighbour: from a paw to one of its nails. */
  readonly onPlace: (place: Place) => void;
  readonly onClose: () => void;
}) {
  const key = placeKey(place);
  const here = table.state.findings.filter((found) => placeKey(found.place) === key);
  const isNail = lookedAtWith(place) !== place;
  const signs = signsAt(place.site);
  const ordinary = ownFirst(
    signs.filter((sign) => !ENDS.has(sign)),
    place,
  );
  const [all, setAll] = useState(false);
  const marked = new Set(here.map(({ sign }) => sign));
  const shown = all ? ordinary : ordinary.filter((sign, i) => i < FEW || marked.has(sign));
  const ending = signs.filter((sign) => ENDS.has(sign));
  const row = (sign: Sign) => (
    <SignRow key={sign} sign={sign} place={place} marked={here.find((found) => found.sign === sign) ?? null} />
  );
  return (
    <Dialog
      open
      onClose={onClose}
      title={
        place.site === 'body'
          ? 'Breathing, gait and manner'
          : namePlace(place).replace(/^./, (letter) => letter.toUpperCase())
      }
      says={lastWords(table, place)}
      tall
    >
      <PlaceDrawing table={table} place={place} onPlace={onPlace} />
      <Judged table={table} place={place} />
      {!isNail && (
        <Button
          look={here.length === 0 ? 'main' : 'quiet'}
          className="w-full min-h-16! text-lg mb-3"
          onClick={() => {
            record({ type: 'looked clear', place });
            onClose();
          }}
        >
          {here.length === 0 ? 'Clear' : 'Clear after all'}
        </Button>
      )}
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
function lastWords({ visit: { lastTime } }: Table, place: Place): string {
  if (!lastTime) return 'First time here.';
  const last = lastTime.findings.filter((found) => placeKey(found.place) === placeKey(place));
  if (last.length > 0)
    return `Last time: ${last
      .map(({ sign, grade, more }) => {
        const size = more?.mm === undefined ? '' : `, ${more.mm} mm`;
        return `${SIGNS[sign].name}${SIGNS[sign].graded ? `, ${GRADE_WORDS[grade]}` : ''}${size}`;
      })
      .join('; ')}`;
  return lastTime.looked.includes(placeKey(lookedAtWith(place))) ? 'Last time: clear' : 'Last time: not looked at';
}

/** What follows from what was marked so far: stop, level, what to do. */
function Judged({ table, place }: { readonly table: Table; readonly place: Place }) {
  const judged = table.judged[placeKey(place)];
  if (!judged || judged.bars.length === 0) {
    return judged && judged.todo.length > 0 ? (
      <p className="rounded-xl bg-watch-pale px-3 py-2 mb-3">
        <b className="first-letter:uppercase inline-block">{LEVEL_WORDS[judged.level]}.</b> {judged.todo.join(' ')}
        {judged.rows[0] && <SourceMark source={judged.rows[0].source} because={judged.todo.join(' ')} />}
      </p>
    ) : null;
  }
  return (
    <div role="alert" className="rounded-xl border border-stop bg-stop-pale px-3 pt-3 pb-1 mb-3">
      <p className="flex items-center justify-between font-bold text-stop">
        {STOP_WORDS[stopFor(judged)]}
        <SourceMark roomy source={HOUSE_VALUE} because="How Dewpond reads a stop." />
      </p>
      <p>
        {LEVEL_WORDS[judged.level].replace(/^./, (letter) => letter.toUpperCase())}. {judged.todo.join(' ')}
      </p>
      <ul className="first-letter:uppercase">
        {judged.bars.map((bar) => (
          <li key={bar.because + bar.stop}>
            <SourcedLine
              said={{
                words: bar.lifted
                  ? `${bar.because}: lifted by ${bar.lifted.by}, to ${bar.lifted.procedure}`
                  : bar.because,
                source: bar.lifted ? { kind: 'vet instruction', who: bar.lifted.by } : bar.source,
              }}
            />
          </li>
        ))}
      </ul>
    </div>
  );
}

interface SignRowProps {
  readonly sign: Sign;
  readonly place: Place;
  readonly marked: Finding | null;
}

function SignRow({ sign, place, marked }: SignRowProps) {
  const { name, graded, asks } = signWords(sign);
  const [more, setMore] = useState(false);
  const mark = (grade: Graded, answer: boolean | null = marked?.answer ?? null) =>
    record({
      type: 'found',
      finding: { ...finding(place, sign, grade, answer), ...(marked?.more ? { more: marked.more } : {}) },
    });
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
          {more && <FindingMore marked={marked} />}
        </div>
      )}
    </li>
  );
}
