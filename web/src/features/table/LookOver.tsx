import { SIGNS } from '@dewpond/core/findings';
import { GRADE_WORDS, namePlace, placeKey, placeOf, type Grade, type Place, type PlaceKey } from '@dewpond/core/places';
import { notLookedAt } from '@dewpond/core/visit';
import { Check } from 'lucide-react';
import { DogHead } from '../../drawings/DogHead';
import { Button } from '../../ui/Button';
import { Ripple } from '../../ui/Ripple';
import { classes } from '../../ui/classes';
import { ShowHow } from '../methods/ShowHow';
import type { Table } from './useTable';
import { record } from './visitLog';

/** The worst grade found at a place, 0 when it was touched as clear, null when nobody looked. */
export function gradeAt({ state }: Pick<Table, 'state'>, key: PlaceKey): Grade | null {
  const here = state.findings.filter((found) => placeKey(found.place) === key).map((found) => found.grade);
  if (here.length > 0) return Math.max(...here) as Grade;
  return state.lookedClear.includes(key) ? 0 : null;
}

interface LookOverProps {
  readonly table: Table;
  readonly onPlace: (place: Place) => void;
  /** In the drawer: without the heading. */
  readonly compact?: boolean;
}

/** Each place is touched as clear or gets a finding; the dog's right is on the reader's left, as in the drawing. */
export function LookOver({ table, onPlace, compact = false }: LookOverProps) {
  const { places, state, visit } = table;
  const side = (wanted: Place['side']) => places.filter((place) => place.side === wanted);
  const grades = Object.fromEntries(places.map((place) => [placeKey(place), gradeAt(table, placeKey(place))]));
  const missing = notLookedAt(state, places);
  const step = table.steps.find(({ stage }) => stage === 'look-over');
  const column = (list: readonly Place[]) => (
    <div className="flex flex-col gap-2">
      {list.map((place) => (
        <PlaceButton key={placeKey(place)} table={table} place={place} onOpen={() => onPlace(place)} />
      ))}
    </div>
  );
  return (
    <div>
      {!compact && (
        <>
          <div className="flex items-center justify-between gap-3">
            <p className="text-soft text-lg">Look-over</p>
            {step && <ShowHow step={step} />}
          </div>
          <h1 className="text-[38px]! max-md:text-[28px]! mb-1">Look and smell before anything wet</h1>
          <p className="text-lg mb-3">
            Touch each place as <b>clear</b>, or tap it and say what you see. Nothing counts as clear by silence.
          </p>
        </>
      )}
      <div
        className={classes(
          'grid gap-3 items-center',
          compact
            ? 'grid-cols-2'
            : 'grid-cols-[minmax(190px,1fr)_minmax(220px,330px)_minmax(190px,1fr)] max-md:grid-cols-2',
        )}
      >
        {column(side('right'))}
        {!compact && (
          <div className="max-md:hidden">
            <DogHead
              traits={visit.facts.traits}
              grades={grades}
              onPlace={(key) => onPlace(placeOf(key))}
              className="w-full"
            />
          </div>
        )}
        {column(side('left'))}
      </div>
      <div className="grid grid-cols-[repeat(auto-fit,minmax(200px,1fr))] gap-2 mt-3">
        {side('none').map((place) => (
          <PlaceButton key={placeKey(place)} table={table} place={place} onOpen={() => onPlace(place)} />
        ))}
        <Button look="stop" className="min-h-14!" onClick={() => onPlace({ site: 'body', side: 'none' })}>
          Something stops the visit
        </Button>
      </div>
      {missing.length > 1 && (
        <div className="mt-3 flex justify-end">
          <Button
            look="quiet"
            className="min-h-14!"
            onClick={() => record(...missing.map((place) => ({ type: 'looked clear' as const, place })))}
          >
            <Check size={18} aria-hidden /> I looked: the other {missing.length} are clear
          </Button>
        </div>
      )}
    </div>
  );
}

function PlaceButton({
  table,
  place,
  onOpen,
}: {
  readonly table: Table;
  readonly place: Place;
  readonly onOpen: () => void;
}) {
  const key = placeKey(place);
  const grade = gradeAt(table, key);
  const here = table.state.findings.filter((found) => placeKey(found.place) === key);
  const words = here
    .map(({ sign, grade: g }) => `${SIGNS[sign].name}${SIGNS[sign].graded ? `, ${GRADE_WORDS[g]}` : ''}`)
    .join('; ');
  const barred = (table.judged[key]?.bars.length ?? 0) > 0;
  return (
    <div
      className={classes(
        'flex items-stretch rounded-xl border bg-surface overflow-hidden',
        barred ? 'border-stop' : 'border-line',
      )}
    >
      <button
        type="button"
        onClick={onOpen}
        className="flex-1 min-w-0 flex items-center gap-2 text-left pl-2 pr-1 py-1.5 min-h-15 hover:bg-pond-pale/50"
      >
        <Ripple grade={grade} size={40} silent />
        <span className="min-w-0">
          <span className="block font-bold leading-tight first-letter:uppercase">{namePlace(place)}</span>
          <span className={classes('block text-sm leading-tight', barred ? 'text-stop font-semibold' : 'text-soft')}>
            {here.length > 0 ? words : grade === 0 ? 'clear' : 'not looked at'}
          </span>
        </span>
      </button>
      {here.length === 0 && (
        <button
          type="button"
          aria-pressed={grade === 0}
          aria-label={`${namePlace(place)} clear`}
          onClick={() => record({ type: 'looked clear', place })}
          className={classes(
            'grid place-items-center w-14 border-l border-line',
            grade === 0 ? 'bg-reed-pale text-reed' : 'text-soft hover:bg-reed-pale',
          )}
        >
          <Check size={24} aria-hidden />
        </button>
      )}
    </div>
  );
}
