import type { TodayView } from '@dewpond/contract';
import type { Day } from '@dewpond/core/units';
import { useState } from 'react';
import { Card } from '../../ui/Card';
import { DueFollowUps } from '../../parts/referrals/DueFollowUps';
import { Chip, type Tone } from '../../ui/Chip';

type WatchMark = TodayView['watch'][number]['mark'];
const TONES: Readonly<Record<WatchMark, Tone>> = {
  vet: 'stop',
  short: 'watch',
  own: 'pond',
  handle: 'plain',
  ask: 'watch',
};

/** More than a handful is read by nobody. */
const AT_FIRST = 5;

/** The things one must not forget today, gravest first. */
export function WatchOut({ items, today }: { readonly items: TodayView['watch']; readonly today: Day }) {
  const order: readonly WatchMark[] = ['vet', 'own', 'short', 'ask', 'handle'];
  const sorted = items.toSorted((a, b) => order.indexOf(a.mark) - order.indexOf(b.mark));
  const [all, setAll] = useState(false);
  const shown = all ? sorted : sorted.slice(0, AT_FIRST);
  return (
    <Card title="Watch out">
      <DueFollowUps today={today} />
      {sorted.length === 0 && <p className="text-soft">Nothing special today.</p>}
      <ul className="flex flex-col gap-2">
        {shown.map(({ mark, dog, words }) => (
          <li key={dog + mark + words} className="grid grid-cols-[64px_1fr] gap-2 items-start">
            <span className="text-right">
              <Chip tone={TONES[mark]}>{mark}</Chip>
            </span>
            <span>
              <b>{dog}</b>: {words}
            </span>
          </li>
        ))}
      </ul>
      {sorted.length > AT_FIRST && (
        <button type="button" onClick={() => setAll(!all)} className="mt-2 min-h-11 text-pond font-semibold underline">
          {all ? 'Only the gravest' : `${sorted.length - AT_FIRST} more`}
        </button>
      )}
    </Card>
  );
}
