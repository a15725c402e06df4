import {
  DndContext,
  DragOverlay,
  KeyboardSensor,
  PointerSensor,
  pointerWithin,
  useSensor,
  useSensors,
  type CollisionDetection,
  type KeyboardCoordinateGetter,
} from '@dnd-kit/core';
import { addDays, type Day } from '@dewpond/core/units';
import { useRef, useState, type ReactNode } from 'react';
import { dayOf, showDay } from '../../../browser/times';
import { useZone } from '../../../data/useUnits';
import { useMoveToDay, type DraggedVisit } from './useMoveToDay';

/** Days by arrow: down the week, across the weeks, as the arrows go without anything in hand. */
export const DAYS_BY_ARROW: Readonly<Record<string, number>> = {
  ArrowDown: 1,
  ArrowUp: -1,
  ArrowRight: 7,
  ArrowLeft: -7,
};

/** A day with nobody at work has no place in the weeks: at the most so many are passed over. */
const PASSED_OVER = 14;

interface DragToDayProps {
  /** Where the keyboard begins. */
  readonly chosen: Day;
  readonly onMoved: (day: Day) => void;
  readonly children: ReactNode;
}

/** Visits may be dragged to a day of the weeks, by pointer or by keys. */
export function DragToDay({ chosen, onMoved, children }: DragToDayProps) {
  const zone = useZone();
  const move = useMoveToDay();
  const [held, setHeld] = useState<DraggedVisit | null>(null);
  /** Where the keyboard has taken it. */
  const reached = useRef(chosen);
  const byDays: KeyboardCoordinateGetter = (event, { context: { collisionRect, droppableRects } }) => {
    const by = DAYS_BY_ARROW[event.code];
    if (by === undefined || !collisionRect) return;
    event.preventDefault();
    let day = reached.current;
    for (let i = 0; i < PASSED_OVER; i++) {
      day = addDays(day, by);
      const rect = droppableRects.get(day);
      if (!rect) continue;
      reached.current = day;
      return {
        x: rect.left + rect.width / 2 - collisionRect.width / 2,
        y: rect.top + rect.height / 2 - collisionRect.height / 2,
      };
    }
    return undefined;
  };
  // A pointer is on a day or on none; by keyboard a visit is on the day that its arrows have come to, drawn there or not yet.
  const onDay: CollisionDetection = (args) =>
    args.pointerCoordinates
      ? pointerWithin(args)
      : args.droppableContainers.filter(({ id }) => id === reached.current).map(({ id }) => ({ id }));
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: byDays }),
  );
  const letGo = (visit: DraggedVisit, day: Day) => {
    if (visit.moving && dayOf(visit.moving.startsAt, zone) === day) return;
    move.mutate({ visit, day }, { onSuccess: () => onMoved(day) });
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={onDay}
      onDragStart={({ active }) => {
        reached.current = chosen;
        setHeld(active.data.current as DraggedVisit);
      }}
      onDragCancel={() => setHeld(null)}
      onDragEnd={({ active, over, activatorEvent }) => {
        setHeld(null);
        const day = activatorEvent instanceof KeyboardEvent ? reached.current : (over?.id as Day | undefined);
        if (day) letGo(active.data.current as DraggedVisit, day);
      }}
      accessibility={{
        screenReaderInstructions: {
          draggable:
            'Space takes hold of it. Arrows go from day to day: up and down the week, left and right the weeks. Space lets go, Escape puts it back.',
        },
        announcements: {
          onDragStart: ({ active }) => `${(active.data.current as DraggedVisit).name} is taken hold of.`,
          onDragOver: ({ over }) => (over ? showDay(over.id as Day) : 'No day.'),
          onDragEnd: ({ over }) => (over ? `Let go on ${showDay(over.id as Day)}.` : 'Put back.'),
          onDragCancel: () => 'Put back.',
        },
      }}
    >
      {children}
      <DragOverlay dropAnimation={null}>
        {held && (
          <span className="inline-block rounded-xl bg-pond text-on-pond font-semibold px-3 py-2 shadow-lg whitespace-nowrap">
            {held.name}
          </span>
        )}
      </DragOverlay>
    </DndContext>
  );
}
