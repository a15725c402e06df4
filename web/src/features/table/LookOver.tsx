import { worstRipples, findingWords } from '@dewpond/core/findings';
import { barsAt } from '@dewpond/core/stops';
import { waysFor } from '@dewpond/core/work';
import {
  FEET,
  lookedAtWith,
  namePlace,
  placeKey,
  placeOf,
  type Grade,
  type Place,
  type PlaceKey,
} from '@dewpond/core/places';
import { asksForFloor, notLookedAt } from '@dewpond/core/visit';
import { Check } from 'lucide-react';
import { Activity, useState } from 'react';
import { DogBody, DogPaw } from '../../drawings/DogBody';
import { DogHead } from '../../drawings/DogHead';
import { BODY_VIEWS, canLift } from '@dewpond/core/drawing';
import { Button } from '../../ui/Button';
import { Ripple } from '../../ui/Ripple';
import { classes } from '../../ui/classes';
import { ShowHow } from '../../parts/methods/ShowHow';
import { LOOK_VIEWS, VIEW_NAMES, viewOf, type LookView } from './lookViews';
import type { TableWork } from './useTable';
import { record } from './visitLog';
import { showDay } from '../../browser/times';

/** Rings for the worst that was found at a place (a paw's nails count as the paw), 0 when touched as clear, null when nobody looked. */
export function gradeAt({ state }: Pick<TableWork, 'state'>, key: PlaceKey): Grade | null {
  const here = state.findings.filter(
    (found) => placeKey(found.place) === key || placeKey(lookedAtWith(found.place)) === key,
  );
  if (here.length > 0) return worstRipples(here);
  return state.lookedClear.includes(key) ? 0 : null;
}

interface LookOverProps {
  readonly table: TableWork;
  readonly onPlace: (place: Place) => void;
  /** In the drawer: without the heading. */
  readonly compact?: boolean;
}

/** Each place is touched as clear or gets a finding; the dog's right is on the reader's left, in words and drawings alike. */
export function LookOver({ table, onPlace, compact = false }: LookOverProps) {
  const missing = notLookedAt(table.state, table.places);
  const firstOpen = missing[0] ? viewOf(missing[0]) : 'head';
  const [view, setView] = useState<LookView>(firstOpen);
  const here = missing.filter((place) => viewOf(place) === view);
  // A deep fold is clear by an answer of its own only.
  const floors = here.filter((place) => asksForFloor(table.facts, place));
  const missingHere = here.filter((place) => !floors.includes(place));
  const step = table.steps.find(({ stage }) => stage === 'look-over');
  const clear = (places: readonly Place[]) => {
    record(...places.map((place) => ({ type: 'looked clear' as const, place })));
    const next = missing.find((place) => viewOf(place) !== view);
    if (next && places.length === here.length) setView(viewOf(next));
  };
  return (
    <div>
      {!compact && (
        <div className="flex items-center justify-between gap-2 mb-1">
          <h1 className="text-[30px]! max-md:text-[20px]! leading-tight!">Look and smell before anything wet</h1>
          {step && <ShowHow step={step} ways={waysFor(table.facts)} />}
        </div>
      )}
      <div role="tablist" aria-label="Parts of the dog" className="grid grid-cols-4 gap-1.5 my-2">
        {LOOK_VIEWS.map((each) => (
          <ViewTab
            key={each}
            view={each}
            open={missing.filter((place) => viewOf(place) === each).length}
            chosen={each === view}
            onChoose={() => setView(each)}
          />
        ))}
      </div>
      {LOOK_VIEWS.map((each) => (
        // The other views are made while nobody waits: a wet finger sees the one it touched at once.
        <Activity key={each} mode={each === view ? 'visible' : 'hidden'}>
          <View table={table} view={each} onPlace={onPlace} />
        </Activity>
      ))}
      <div className="mt-1 py-2 flex flex-wrap gap-2 justify-between md:sticky -bottom-5 bg-paper">
        <Button look="stop" className="min-h-14!" onClick={() => onPlace({ site: 'body', side: 'none' })}>
          Something stops the visit
        </Button>
        {floors.length > 0 && (
          <Button className="min-h-14! shadow-sm" onClick={() => clear(floors)}>
            <Check size={18} aria-hidden /> {floors.length === 1 ? '1 deep fold' : `${floors.length} deep folds`}{' '}
            parted: no flinch
          </Button>
        )}
        {missingHere.length > 1 && (
          <Button className="min-h-14! shadow-sm" onClick={() => clear(missingHere)}>
            <Check size={18} aria-hidden /> I looked: the other {missingHere.length} here are clear
          </Button>
        )}
      </div>
    </div>
  );
}

function View({ table, view, onPlace }: Pick<LookOverProps, 'table' | 'onPlace'> & { readonly view: LookView }) {
  const places = table.places.filter((place) => viewOf(place) === view);
  if (view === 'head') return <HeadView table={table} places={places} onPlace={onPlace} />;
  return (
    <>
      <Drawn table={table} view={view} onPlace={onPlace} />
      <Sides table={table} places={places} onPlace={onPlace} />
    </>
  );
}

function ViewTab({
  view,
  open,
  chosen,
  onChoose,
}: {
  readonly view: LookView;
  readonly open: number;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}) {
  return (
    <button
      type="button"
      role="tab"
      aria-selected={chosen}
      onClick={onChoose}
      className={classes(
        'rounded-xl border min-h-14 px-2 py-1 font-bold leading-tight',
        chosen ? 'border-pond bg-pond-pale text-pond' : 'border-line bg-surface',
      )}
    >
      {VIEW_NAMES[view]}
      <span className={classes('block text-sm font-normal', open === 0 ? 'text-reed' : 'text-soft')}>
        {open === 0 ? 'all seen' : open}
        {open > 0 && <span className="max-md:hidden"> to look at</span>}
      </span>
    </button>
  );
}

const gradesOf = (table: TableWork): Partial<Record<PlaceKey, Grade | null>> =>
  Object.fromEntries(
    [...table.places, ...table.state.findings.map(({ place }) => place)]
      .map(placeKey)
      .map((key) => [key, gradeAt(table, key)]),
  );

type ViewProps = Pick<LookOverProps, 'table' | 'onPlace'> & { readonly places: readonly Place[] };

/** The head between its two sides; the dog's right on the reader's left, as one stands before it. */
function HeadView({ table, places, onPlace }: ViewProps) {
  const { traits } = table.visit.facts;
  const [lifted, setLifted] = useState(true);
  const side = (wanted: Place['side']) => places.filter((place) => place.side === wanted);
  const column = (wanted: Place['side']) => (
    <div className="flex flex-col gap-2">
      <PlaceButtons table={table} places={side(wanted)} onPlace={onPlace} />
    </div>
  );
  return (
    <>
      <div className="grid grid-cols-[1fr_minmax(200px,270px)_1fr] max-md:grid-cols-2 gap-3 items-start">
        {column('right')}
        <div className="max-md:hidden">
          <DogHead
            traits={traits}
            lifted={lifted}
            grades={gradesOf(table)}
            onPlace={(key) => onPlace(placeOf(key))}
            className="w-full"
          />
          {canLift(traits) && (
            <Button look="quiet" className="min-h-14! w-full mt-1.5" onClick={() => setLifted(!lifted)}>
              {lifted ? 'Flaps down' : 'Lift the flaps'}
            </Button>
          )}
        </div>
        {column('left')}
      </div>
      <div className="grid grid-cols-3 max-md:grid-cols-2 gap-2 mt-2">
        <PlaceButtons table={table} places={side('none')} onPlace={onPlace} />
      </div>
    </>
  );
}

/** Drawings are for pointing; the same places stand as buttons below. */
function Drawn({ table, view, onPlace }: Pick<LookOverProps, 'table' | 'onPlace'> & { readonly view: LookView }) {
  const { traits } = table.visit.facts;
  const drawing = {
    grades: gradesOf(table),
    onPlace: (key: PlaceKey) => onPlace(placeOf(key)),
    className: 'w-full max-h-44',
  };
  if (view === 'whole dog') return null;
  return (
    <div className="grid grid-cols-4 gap-2 max-md:grid-cols-2">
      {view === 'body'
        ? BODY_VIEWS.map((from) => <DogBody key={from} traits={traits} view={from} {...drawing} />)
        : FEET.flatMap((foot) =>
            (['right', 'left'] as const).map((side) => (
              <DogPaw key={foot + side} foot={foot} side={side} {...drawing} />
            )),
          )}
    </div>
  );
}

/** The dog's right on the reader's left, as in the drawings; what has no side below. */
function Sides({ table, places, onPlace }: ViewProps) {
  const side = (wanted: Place['side']) => places.filter((place) => place.side === wanted);
  return (
    <>
      <div className="grid grid-cols-2 gap-2 mt-2 items-start">
        {(['right', 'left'] as const).map((each) => (
          <div key={each} className="flex flex-col gap-2">
            <PlaceButtons table={table} places={side(each)} onPlace={onPlace} />
          </div>
        ))}
      </div>
      <div className="grid grid-cols-[repeat(auto-fit,minmax(200px,1fr))] gap-2 mt-2">
        <PlaceButtons table={table} places={side('none')} onPlace={onPlace} />
      </div>
    </>
  );
}

const PlaceButtons = ({ table, places, onPlace }: ViewProps) =>
  places.map((place) => (
    <PlaceButton key={placeKey(place)} table={table} place={place} onOpen={() => onPlace(place)} />
  ));

function PlaceButton({
  table,
  place,
  onOpen,
}: {
  readonly table: TableWork;
  readonly place: Place;
  readonly onOpen: () => void;
}) {
  const key = placeKey(place);
  const grade = gradeAt(table, key);
  const here = table.state.findings.filter((found) => placeKey(lookedAtWith(found.place)) === key);
  const words = here.map((found) => foundAt(found, place)).join('; ');
  const barred = barsAt(table.bars, place).some(({ stop, lifted }) => stop !== 'S0' && lifted === null);
  // What was open last time is asked where it is answered, until the place was looked at today.
  const asked = grade === null ? table.visit.askAgain.filter((each) => isAt(each.place, key)) : [];
  const question = `still there? ${asked.map((each) => `${each.words}, ${showDay(each.day)}`).join('; ')}`;
  const said = here.length > 0 ? words : grade === 0 ? 'clear' : asked.length > 0 ? question : 'not looked at';
  const name = place.site === 'body' ? 'breathing, gait and manner' : namePlace(place);
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
        aria-label={`${name}: ${said}`}
        className="flex-1 min-w-0 flex items-center gap-2 text-left pl-2 pr-1 py-1 min-h-14 hover:bg-pond-pale/50"
      >
        <Ripple grade={grade} size={36} silent />
        <span className="min-w-0">
          <span className="block font-bold leading-tight first-letter:uppercase">{name}</span>
          <span
            className={classes(
              'block text-sm leading-tight',
              barred ? 'text-stop font-semibold' : asked.length > 0 ? 'text-watch font-semibold' : 'text-soft',
            )}
          >
            {said}
          </span>
        </span>
      </button>
      {here.length === 0 && grade === null && asksForFloor(table.facts, place) && (
        <button
          type="button"
          aria-label={`${name}: part the hair, look to its floor`}
          onClick={onOpen}
          className="grid place-items-center w-14 border-l border-line text-watch font-bold text-xl hover:bg-watch-pale"
        >
          ?
        </button>
      )}
      {here.length === 0 && !(grade === null && asksForFloor(table.facts, place)) && (
        <button
          type="button"
          aria-pressed={grade === 0}
          aria-label={`${name} clear`}
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

/** Whether a place is this one, or a nail of this paw. */
const isAt = (place: PlaceKey, key: PlaceKey): boolean => placeKey(lookedAtWith(placeOf(place))) === key;

/** "pale-brown wax, plain"; a nail's finding says which nail. */
function foundAt(found: TableWork['state']['findings'][number], place: Place): string {
  const where = placeKey(found.place) === placeKey(place) ? '' : `${namePlace(found.place)}: `;
  return where + findingWords(found);
}
