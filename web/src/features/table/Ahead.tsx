import { methodOfStep } from '@dewpond/core/methods';
import { DOGS_RECORD } from '@dewpond/core/provenance';
import { titleWords, type Step } from '@dewpond/core/steps';
import { hereSince, onTime } from '@dewpond/core/visit';
import { correctedTime } from '@dewpond/core/events';
import { clock } from '../../browser/times';
import { useNow } from '../../browser/useNow';
import { useZone } from '../../data/useUnits';
import { MethodDrawing } from '../../drawings/method/MethodDrawing';
import { SourceMark } from '../../ui/SourceMark';
import { classes } from '../../ui/classes';
import type { TableWork } from './useTable';
import { allEvents, useVisitLog } from './visitLog';

interface AheadProps {
  readonly table: TableWork;
  readonly step: Step;
}

/** Below a step: how it is done as a drawing, what comes next, and when this dog is ready. */
export function Ahead({ table, step }: AheadProps) {
  const drawing = methodOfStep(step)?.drawings[0];
  return (
    <section
      aria-label="What comes next"
      className={classes(
        'mt-8 grid gap-x-6 gap-y-3 items-start',
        drawing && 'grid-cols-[minmax(0,260px)_1fr] max-md:grid-cols-1',
      )}
    >
      {drawing && (
        <figure className="rounded-card border border-line bg-paper p-2 max-md:hidden">
          <MethodDrawing drawing={drawing} />
        </figure>
      )}
      <div className="min-w-0">
        <NextSteps table={table} step={step} />
        <ReadyAbout table={table} />
      </div>
    </section>
  );
}

/** The two that come after this one. */
function NextSteps({ table: { steps, state }, step }: AheadProps) {
  const next = steps
    .slice(steps.indexOf(step) + 1)
    .filter((each) => each.barred === null && state.steps[each.id] === undefined)
    .slice(0, 2);
  if (next.length === 0) return null;
  return (
    <>
      <h2 className="text-soft text-base!">Then</h2>
      <ol className="text-lg leading-snug mb-2">
        {next.map((each) => (
          <li key={each.id}>
            {titleWords(each.title)}
            {each.dwell && <span className="text-soft">, {Math.round(each.dwell.seconds / 60)} min</span>}
          </li>
        ))}
      </ol>
    </>
  );
}

/** A dog is on time until it is so many minutes behind [house value]. */
const LATE_MINUTES = 5;

/** "Ready about 11:40, 12 min behind", from this dog's own minutes. */
function ReadyAbout({ table }: { readonly table: TableWork }) {
  const zone = useZone();
  const known = useVisitLog((log) => log.known);
  const own = useVisitLog((log) => log.own);
  const offset = useVisitLog((log) => log.offset) ?? 0;
  const now = useNow(30_000) + offset;
  const since = hereSince(allEvents({ known, own }));
  // What was begun another day is neither late nor early.
  const begun = since && since.what.type !== 'came back' ? correctedTime(since) : null;
  const { readyAt, behind } = onTime(table.state, table.steps, begun, now);
  const late =
    behind === null
      ? null
      : behind >= LATE_MINUTES
        ? `${behind} min behind`
        : behind <= -LATE_MINUTES
          ? `${-behind} min early`
          : 'on time';
  return (
    <p className="text-lg">
      Ready about <b>{clock(readyAt, zone)}</b>
      {late && (
        <>
          , <span className={(behind ?? 0) >= LATE_MINUTES ? 'text-watch font-semibold' : 'text-soft'}>{late}</span>
        </>
      )}{' '}
      <SourceMark
        roomy
        source={DOGS_RECORD}
        because="What is left of the steps, hands and waiting, in this dog’s own minutes, against all of them from the beginning."
      />
    </p>
  );
}
