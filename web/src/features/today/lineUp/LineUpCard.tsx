import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type KeyboardCoordinateGetter,
  type Modifier,
} from '@dnd-kit/core';
import type { TodayView } from '@dewpond/contract';
import { STEP } from '@dewpond/core/lineup';
import { HOUSE_VALUE } from '@dewpond/core/provenance';
import { useState } from 'react';
import { useWidth } from '../../../browser/useWidth';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { Choice } from '../../../ui/Choice';
import { SourceMark } from '../../../ui/SourceMark';
import { DayNotes } from './DayNotes';
import { Lanes, PersonNames, peopleOfDay } from './Lanes';
import { DogButtons, DogNames, ROW, Strips } from './Ribbon';
import { nowOn, workDay } from './dayOfWork';
import { ribbonScale, summary } from './ribbonScale';
import { useDrop } from './useDrop';
import { useLineUp } from './useLineUp';
import { useSetByHand } from './useSetByHand';

type View = 'by dog' | 'by person';

/** The day's line-up: computed, drawn by dog or by person, changed by hand. */
export function LineUpCard({ today, clockNow }: { readonly today: TodayView; readonly clockNow: number }) {
  const [view, setView] = useState<View>('by dog');
  const [isHot, setIsHot] = useState(false);
  const [held, setHeld] = useState<string | null>(null);
  const now = nowOn(today, clockNow);
  const asOf = { now, isHot };
  const day = workDay(today, asOf);
  const lineUp = useLineUp({ morning: workDay(today, { now: null, isHot }), now: day });
  const [ref, width] = useWidth<HTMLDivElement>(760);
  const scale = ribbonScale(today, lineUp, now, width);
  const keep = useSetByHand(today);
  const set = today.dogs.filter(({ byHand }) => byHand !== null);
  const perStep = scale.x(scale.from + STEP);
  const people = peopleOfDay(today, lineUp);
  const personAt = (person: string, pixelsBelow: number): string => {
    const lanes = view === 'by person' ? Math.round(pixelsBelow / ROW) : 0;
    const lane = people.findIndex(({ id }) => id === person) + lanes;
    return people[Math.min(people.length - 1, Math.max(0, lane))]?.id ?? person;
  };
  const { drop, forbidden, clear } = useDrop({ today, asOf, perStep, personAt, keep });
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: byKeys(perStep, view) }),
  );
  const snap: Modifier = ({ transform }) => ({
    ...transform,
    x: Math.round(transform.x / perStep) * perStep,
    y: view === 'by person' ? Math.round(transform.y / ROW) * ROW : 0,
  });

  return (
    <Card className="px-3! py-2.5!">
      <div className="flex flex-wrap items-center gap-2 mb-2">
        <h2 className="mr-2">Line-up</h2>
        <p className="text-soft flex-1 min-w-40">
          {summary(today)}{' '}
          <SourceMark
            source={HOUSE_VALUE}
            because="Minutes of each stage for an ordinary dog, by its size and coat, and as this dog took before. A dog is never alone on a table or in the tub: only while it rests in its towel are hands free."
          />
        </p>
        <div role="group" aria-label="Line-up" className="flex gap-1 max-md:hidden">
          {(['by dog', 'by person'] as const).map((each) => (
            <Choice key={each} chosen={view === each} className="min-h-11! px-3!" onClick={() => setView(each)}>
              {each === 'by dog' ? 'By dog' : 'By person'}
            </Choice>
          ))}
        </div>
        <Choice
          chosen={isHot}
          className="min-h-11! px-3!"
          title="Flat faces and thick coats are bathed and dried before eleven."
          onClick={() => setIsHot(!isHot)}
        >
          Hot day
        </Choice>
        {set.length > 0 && (
          <Button
            look="quiet"
            onClick={() => keep.mutate(set.map(({ appointment }) => ({ id: appointment.id, byHand: null })))}
          >
            As it fits best
          </Button>
        )}
      </div>
      <DndContext
        sensors={sensors}
        modifiers={[snap]}
        autoScroll={false}
        onDragStart={({ active }) => {
          setHeld(String(active.id));
          clear();
        }}
        onDragCancel={() => setHeld(null)}
        onDragEnd={(event) => {
          setHeld(null);
          drop(event);
        }}
        accessibility={{
          screenReaderInstructions: {
            draggable:
              'Space takes hold of it. Left and right move it by five minutes, up and down to another person. Space lets go, Escape puts it back.',
          },
          announcements: {
            onDragStart: () => 'Taken hold of.',
            onDragOver: () => undefined,
            onDragEnd: () => 'Let go.',
            onDragCancel: () => 'Put back.',
          },
        }}
      >
        <div
          className={
            view === 'by dog'
              ? 'grid grid-cols-[170px_minmax(400px,1fr)_120px] gap-x-3 max-lg:grid-cols-[130px_minmax(0,1fr)_118px] max-md:grid-cols-[minmax(0,1fr)_118px]'
              : 'grid grid-cols-[150px_minmax(400px,1fr)] gap-x-3 max-lg:grid-cols-[120px_minmax(0,1fr)]'
          }
        >
          {view === 'by dog' ? (
            <DogNames today={today} lineUp={lineUp} />
          ) : (
            <PersonNames today={today} lineUp={lineUp} />
          )}
          <div ref={ref} className="min-w-0 overflow-hidden max-md:hidden">
            {view === 'by dog' ? (
              <Strips today={today} lineUp={lineUp} scale={scale} now={now} held={held} />
            ) : (
              <Lanes today={today} lineUp={lineUp} scale={scale} now={now} held={held} />
            )}
          </div>
          {view === 'by dog' && <DogButtons dogs={today.dogs} />}
        </div>
      </DndContext>
      <div role="status" className={forbidden ? 'text-stop font-semibold mt-1' : 'sr-only'}>
        {forbidden}
      </div>
      <DayNotes today={today} day={day} lineUp={lineUp} />
    </Card>
  );
}

/** Arrow keys: five minutes along the day, one lane across it. */
const byKeys =
  (perStep: number, view: View): KeyboardCoordinateGetter =>
  (event, { currentCoordinates: { x, y } }) => {
    const lane = view === 'by person' ? ROW : 0;
    switch (event.code) {
      case 'ArrowRight':
        return { x: x + perStep, y };
      case 'ArrowLeft':
        return { x: x - perStep, y };
      case 'ArrowDown':
        return { x, y: y + lane };
      case 'ArrowUp':
        return { x, y: y - lane };
      default:
        return undefined;
    }
  };
