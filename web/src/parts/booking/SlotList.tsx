import type { SlotView, SlotsView } from '@dewpond/contract';
import { useRef, type KeyboardEvent } from 'react';
import { clock, showDay } from '../../browser/times';
import { useZone } from '../../data/useUnits';
import { Chip } from '../../ui/Chip';

interface SlotListProps {
  readonly view: SlotsView;
  readonly isBusy: boolean;
  readonly onTake: (slot: SlotView) => void;
}

const NOT_WORTH_SAYING = 0.05;

/** The best times, the best first: Enter, a tap or its number takes one. */
export function SlotList({ view, isBusy, onTake }: SlotListProps) {
  const list = useRef<HTMLOListElement>(null);
  const { slots, lateBy } = view;
  const names = new Map(view.visits.map(({ dogId, name }) => [dogId, name]));
  const keys = (event: KeyboardEvent) => {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    const buttons = [...(list.current?.querySelectorAll('button') ?? [])];
    const numbered = slots[Number(event.key) - 1];
    if (numbered && !isBusy) onTake(numbered);
    else if (by !== undefined)
      buttons[
        Math.max(0, Math.min(buttons.length - 1, buttons.findIndex((each) => each === document.activeElement) + by))
      ]?.focus();
    else return;
    event.preventDefault();
  };
  return (
    <div className="flex flex-col gap-2">
      {lateBy !== null && (
        <p role="status" className="rounded-xl bg-watch-pale text-watch font-semibold px-3 py-2">
          No time is free inside its window. The best is {lateBy === 1 ? 'a day' : `${lateBy} days`} past it.
        </p>
      )}
      <ol ref={list} onKeyDown={keys} aria-label="The best times" className="flex flex-col gap-1.5">
        {slots.map((slot, i) => (
          <li key={slot.startsAt + slot.memberId}>
            <Slot slot={slot} names={names} number={i + 1} isBusy={isBusy} onTake={() => onTake(slot)} />
          </li>
        ))}
      </ol>
      {slots.length > 1 && (
        <p className="text-sm text-soft">
          + is what a time costs over the best, in days that an ordinary task is late. Keys 1 to {slots.length} take
          one.
        </p>
      )}
    </div>
  );
}

interface SlotProps {
  readonly slot: SlotView;
  /** Of those that come along. */
  readonly names: ReadonlyMap<string, string>;
  readonly number: number;
  readonly isBusy: boolean;
  readonly onTake: () => void;
}

function Slot({ slot, names, number, isBusy, onTake }: SlotProps) {
  const zone = useZone();
  const ends = Date.parse(slot.startsAt) + slot.minutes * 60_000;
  const isBest = number === 1;
  return (
    <button
      type="button"
      autoFocus={isBest}
      disabled={isBusy}
      onClick={onTake}
      className="w-full text-left grid grid-cols-[1.6rem_1fr_auto] items-center gap-x-2 rounded-xl border border-line px-3 py-2 min-h-14 hover:bg-pond-pale focus-visible:bg-pond-pale focus-visible:border-pond disabled:opacity-60"
    >
      <span aria-hidden className="text-soft tabular-nums">
        {number}
      </span>
      <span className="min-w-0">
        <span className="block text-lg leading-tight">
          <b>{showDay(slot.day)}</b>, {clock(slot.startsAt, zone)}–{clock(ends, zone)},{' '}
          <span className="whitespace-nowrap">{slot.memberName}</span>
        </span>
        {slot.along.map((each) => (
          <span key={each.dogId} className="block leading-tight">
            {names.get(each.dogId)} {clock(each.startsAt, zone)}–
            {clock(Date.parse(each.startsAt) + each.minutes * 60_000, zone)}, {each.memberName}
          </span>
        ))}
        <span className="block text-sm text-soft">{slot.why.join('; ')}</span>
      </span>
      {isBest ? (
        <Chip tone="good">best</Chip>
      ) : (
        <span className="tabular-nums text-soft">
          {slot.over < NOT_WORTH_SAYING ? 'as good' : `+${slot.over.toFixed(1)}`}
        </span>
      )}
    </button>
  );
}
