import {
  LEVEL_WORDS,
  SIGNS,
  STOP_WORDS,
  finding,
  signWords,
  signsAt,
  stopFor,
  type Sign,
} from '@dewpond/core/findings';
import { GRADE_WORDS, namePlace, placeKey, type Grade, type Place } from '@dewpond/core/places';
import { HOUSE_VALUE } from '@dewpond/core/provenance';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { RippleMark } from '../../ui/Ripple';
import { SourceMark, SourcedLine } from '../../ui/SourceMark';
import { classes } from '../../ui/classes';
import type { Table } from './useTable';
import { record } from './visitLog';

type Graded = Exclude<Grade, 0>;
const GRADES_TO_TAP: readonly Graded[] = [1, 2, 3];

/** The signs that matter at one place: tap a grade, done. Last time's finding in sight while judging. */
export function FindingPanel({
  table,
  place,
  onClose,
}: {
  readonly table: Table;
  readonly place: Place;
  readonly onClose: () => void;
}) {
  const key = placeKey(place);
  const here = table.state.findings.filter((found) => placeKey(found.place) === key);
  const last = table.visit.lastTime?.findings.filter((found) => placeKey(found.place) === key) ?? [];
  const judged = table.judged[key];
  const lastWords =
    last.length > 0
      ? last.map(({ sign, grade }) => `${SIGNS[sign].name}, ${GRADE_WORDS[grade]}`).join('; ')
      : 'clear, or not looked at';
  const title =
    place.site === 'body' ? 'What stops the visit?' : namePlace(place).replace(/^./, (letter) => letter.toUpperCase());
  return (
    <Dialog
      open
      onClose={onClose}
      title={title}
      says={place.site === 'body' ? 'Any of these ends the visit, whatever the plan says.' : `Last time: ${lastWords}`}
      tall
    >
      {judged && judged.bars.length > 0 && (
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
      )}
      {place.site !== 'body' && (
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
      <ul className="flex flex-col gap-1.5">
        {signsAt(place.site).map((sign) => (
          <SignRow key={sign} sign={sign} place={place} marked={here.find((found) => found.sign === sign) ?? null} />
        ))}
      </ul>
      <Button look="main" className="w-full min-h-16! text-lg mt-4" onClick={onClose}>
        Done
      </Button>
    </Dialog>
  );
}

interface SignRowProps {
  readonly sign: Sign;
  readonly place: Place;
  readonly marked: { readonly grade: Graded; readonly answer: boolean | null } | null;
}

function SignRow({ sign, place, marked }: SignRowProps) {
  const { name, graded, asks } = signWords(sign);
  const mark = (grade: Graded, answer: boolean | null = marked?.answer ?? null) =>
    record({ type: 'found', finding: finding(place, sign, grade, answer) });
  const tap = (grade: Graded) => (marked?.grade === grade ? record({ type: 'taken back', place, sign }) : mark(grade));
  return (
    <li className={classes('rounded-xl border', marked ? 'border-pond bg-pond-pale/40' : 'border-line')}>
      <div className="flex items-center justify-between gap-2 pl-3">
        <span className="font-semibold py-2">
          {name} <RowSource sign={sign} />
        </span>
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
      {marked && asks && (
        <div className="flex items-center gap-2 px-3 py-2 border-t border-line">
          <span className="flex-1 first-letter:uppercase">{asks}</span>
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
        </div>
      )}
    </li>
  );
}

function RowSource({ sign }: { readonly sign: Sign }) {
  return SIGNS[sign].area === 'body' ? (
    <SourceMark source={{ kind: 'common practice' }} because="A sign that ends a visit." />
  ) : null;
}
