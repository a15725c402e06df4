import { TASKS } from '../tasks';
import { placeOf, namePlace } from '../places';
import type { SlotReason } from './bestSlots';

const days = (count: number): string => (count === 1 ? '1 day' : `${count} days`);

/** "clean ears, left ear": the care of a `taskKey`. */
export function careName(key: string): string {
  const [task = '', place] = key.split('@');
  const name = task in TASKS ? TASKS[task as keyof typeof TASKS].name.toLowerCase() : task;
  return place === undefined ? name : `${name}, ${namePlace(placeOf(place))}`;
}

const MISSED = {
  days: 'not one of the days asked for',
  part: 'not the time of day asked for',
  person: 'not the person asked for',
  coolDays: 'not in the cool of the morning',
};

/** One reason for a slot, or against it, in a few words. */
export function slotWords(reason: SlotReason): string {
  switch (reason.about) {
    case 'care': {
      const name = careName(reason.key);
      if (reason.is === 'best') return `the best day for ${name}`;
      const when = `${days(reason.days)} ${reason.is === 'sooner' ? 'before' : 'after'} the best day for ${name}`;
      return reason.is === 'late' ? `${when}, past its window` : when;
    }
    case 'whole':
      return reason.of === 1
        ? `${reason.inside === 1 ? 'inside' : 'outside'} its due window`
        : reason.inside === 0
          ? 'between the due windows of its tasks'
          : `${reason.inside} of ${reason.of} tasks inside their due windows`;
    case 'after':
      return 'the visits after it fall worse';
    case 'day':
      return reason.is === 'quiet' ? 'a quiet day' : 'a fuller day';
    case 'trip':
      return reason.is === 'together' ? 'the household comes that day' : 'a day of its own for the household';
    case 'wish':
      return MISSED[reason.missed];
    case 'apart':
      return `the household is there for ${Math.round(reason.minutes / 30) / 2} hours`;
    case 'gap':
      return `leaves ${reason.minutes} minutes that fit nobody`;
  }
}
