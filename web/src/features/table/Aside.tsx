import { findingWords } from '@dewpond/core/findings';

import { lookedAtWith, namePlace, placeKey, type Place, type PlaceKey } from '@dewpond/core/places';

import type { Stage, Step } from '@dewpond/core/steps';
import { tellOwner } from '@dewpond/core/wording';
import { earSoaks } from '@dewpond/core/visit';
import { useState } from 'react';
import { useOnline } from '../../browser/useOnline';
import { Button } from '../../ui/Button';
import { classes } from '../../ui/classes';
import { MessageDialog } from '../../parts/messages/MessageDialog';
import { BarLines } from './BarLines';
import { Proposals } from './Proposals';
import { ShowsToday } from './ShowsToday';
import { keyOf, takenAway, type Cause } from './takenAway';
import { RunningTimers } from './Timers';
import type { TableWork } from './useTable';
import { showDay } from '../../browser/times';

/** Beside every step: running timers, what was taken away and why, last time here. */
export function Aside({
  table,
  step,
  awake,
  onFound,
}: {
  readonly table: TableWork;
  readonly step: Step | null;
  /** Whether the screen is kept awake. */
  readonly awake: boolean;
  readonly onFound: () => void;
}) {
  const causes = takenAway(table.steps);
  const runs =
    table.state.timers.some((timer) => timer.stopped === null) || earSoaks(table.state, table.steps).length > 0;
  return (
    <aside
      className={classes(
        // On a phone the look-over needs the room; what runs is still told.
        step?.id === 'look-over' && !runs && 'max-md:hidden',
        // Nothing is left to do: what was taken away and why can be read at leisure.
        step === null ? 'max-lg:max-h-[55vh]' : 'max-lg:max-h-64',
        'w-[330px] shrink-0 border-l border-line px-4 py-4 overflow-y-auto flex flex-col gap-4 max-lg:w-full max-md:max-h-44 max-lg:border-l-0 max-lg:border-t max-lg:grid max-lg:grid-cols-2 max-md:gap-2 max-md:py-2',
      )}
    >
      <section className={classes(!runs && 'max-md:hidden', 'max-md:col-span-2')}>
        <h2 className="text-soft mb-1.5">Running</h2>
        <RunningTimers table={table} awake={awake} />
      </section>
      {causes.length > 0 && (
        <section aria-live="polite" className="max-md:col-span-2">
          <h2 className="text-stop mb-1.5">Taken away</h2>
          <ul className="flex flex-col gap-2">
            {causes.map((cause) => (
              <TakenAway key={keyOf(cause.bars)} cause={cause} />
            ))}
          </ul>
        </section>
      )}
      <ShowsToday table={table} />
      <Proposals table={table} />
      <LastTime table={table} step={step} />
      {NEARLY.has(step?.stage ?? 'record') && <NearlyReady table={table} />}
      {step?.id !== 'look-over' && (
        // First on a phone, where the panel is low.
        <Button
          className="min-h-16! text-lg mt-auto max-md:order-first max-md:mt-0 max-md:self-start"
          onClick={onFound}
        >
          Found something
        </Button>
      )}
    </aside>
  );
}

/** From here on one can say when the dog is ready. */
const NEARLY: ReadonlySet<Stage> = new Set<Stage>([
  'dry',
  'ears, second pass',
  'folds',
  'comb and tidy',
  'teeth',
  'record',
]);

/** One tap, with the hour filled in; a second sends it. */
function NearlyReady({ table }: { readonly table: TableWork }) {
  const [writing, setWriting] = useState(false);
  const online = useOnline();
  if (!online) return null;
  return (
    <>
      <Button look="quiet" className="min-h-14!" onClick={() => setWriting(true)}>
        Tell the owner: nearly ready
      </Button>
      {writing && (
        <MessageDialog
          about={{ kind: 'nearly ready', dogId: table.visit.dog.id, visitId: table.visit.id }}
          onClose={() => setWriting(false)}
        />
      )}
    </>
  );
}

/** All that takes steps away, the worst first; the steps; what to do instead, and what to tell the owner. */
function TakenAway({ cause: { bars, whole, inPart } }: { readonly cause: Cause }) {
  const tell = tellOwner(bars);
  return (
    <li className="rounded-xl border border-stop bg-stop-pale px-3 py-2 leading-snug">
      <BarLines bars={bars} />
      {whole.map(({ titles, instead }) => (
        <div key={instead} className="mt-1">
          {titles.map((title) => (
            <s key={title} className="block">
              {title}
            </s>
          ))}
          {instead !== null && <p className="text-sm">Instead: {instead}</p>}
        </div>
      ))}
      {inPart.map(({ words, steps }) => (
        <p key={words} className="text-sm mt-1">
          <b>{steps.join(', ')}:</b> {words}
        </p>
      ))}
      {tell !== null && (
        <p className="text-sm mt-1">
          <b>Tell the owner:</b> “{tell}”
        </p>
      )}
    </li>
  );
}

/** What the last inspection found at the place of this step, or at any place. */
function LastTime({ table, step }: { readonly table: TableWork; readonly step: Step | null }) {
  const { lastTime } = table.visit;
  if (!lastTime) return null;
  const place = step?.place;
  const here = lastTime.findings.filter((found) => !place || placeKey(found.place) === placeKey(place));
  return (
    <section>
      <h2 className="text-soft mb-1.5">Last time, {showDay(lastTime.day)}</h2>
      {here.length === 0 ? (
        <p className="first-letter:uppercase">{nothingFound(lastTime.looked, place ?? null)}</p>
      ) : (
        <ul className="leading-snug flex flex-col gap-0.5">
          {here.map((found) => (
            <li key={placeKey(found.place) + found.sign}>
              <b className="first-letter:uppercase inline-block">{namePlace(found.place)}</b>: {findingWords(found)}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** A place that nobody looked at was not clear. */
function nothingFound(looked: readonly PlaceKey[], place: Place | null): string {
  if (place === null) return looked.length === 0 ? 'nothing was looked at.' : 'nothing found.';
  return `${namePlace(place)}: ${looked.includes(placeKey(lookedAtWith(place))) ? 'clear' : 'not looked at'}.`;
}
