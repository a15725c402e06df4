import type { DragEndEvent } from '@dnd-kit/core';
import type { TodayView } from '@dewpond/contract';
import { STEP, lineUp, whyLater, type SetByHand } from '@dewpond/core/lineup';
import { useState } from 'react';
import type { HeldPart } from './GroupBar';
import { dogOf, workDay, type AsOf } from './dayOfWork';
import { obstacleWords } from './obstacleWords';
import type { useSetByHand } from './useSetByHand';

interface Drop {
  readonly today: TodayView;
  readonly asOf: AsOf;
  /** Pixels of a step of the day. */
  readonly perStep: number;
  /** Whose lane lies so many pixels below somebody's. */
  readonly personAt: (person: string, pixelsBelow: number) => string;
  readonly keep: ReturnType<typeof useSetByHand>;
}

/** Orders tried before it is said that a time cannot be had: some ten milliseconds. */
const TRIES = 200;

/** What was let go of stands where it was put, and the rest makes room; or it is said what forbids it. */
export function useDrop({ today, asOf, perStep, personAt, keep }: Drop) {
  const [forbidden, setForbidden] = useState<string | null>(null);
  const drop = ({ active, delta }: Pick<DragEndEvent, 'active' | 'delta'>) => {
    const { dog: id, part, from, person } = active.data.current as HeldPart;
    const dog = dogOf(today, id);
    const to = personAt(person, delta.y);
    const wanted = from + STEP * Math.round(delta.x / perStep);
    const [isMoved, isHanded] = [wanted !== from, to !== person];
    if (!dog || !(isMoved || isHanded)) return;
    if (dog.begun) {
      setForbidden(`${dog.appointment.dogName} is at the table already.`);
      return;
    }
    const pins = dog.byHand?.pins.filter((pin) => pin.part !== part) ?? [];
    const byHand: SetByHand = {
      person: isHanded ? to : (dog.byHand?.person ?? null),
      pins: isMoved ? [...pins, { part, from: wanted }] : (dog.byHand?.pins ?? []),
    };
    // A time is asked for; with another person alone it comes whenever she can.
    const asked = workDay(today, asOf, { id, byHand });
    const obstacle = isMoved
      ? whyLater(asked, lineUp(asked, { tries: TRIES }).placed, { dog: id, part, from: wanted })
      : null;
    setForbidden(obstacle && obstacleWords(today, id, obstacle));
    if (!obstacle) keep.mutate([{ id, byHand }]);
  };
  return { drop, forbidden, clear: () => setForbidden(null) };
}
