import type { TodayView } from '@dewpond/contract';
import type { Day } from '@dewpond/core/units';
import { group } from 'd3-array';
import { Card } from '../../ui/Card';
import { DueFollowUps } from '../../parts/referrals/DueFollowUps';
import { Chip, type Tone } from '../../ui/Chip';

type WatchMark = TodayView['watch'][number]['mark'];
const TONES: Readonly<Record<WatchMark, Tone>> = {
  vet: 'stop',
  short: 'watch',
  own: 'pond',
  handle: 'watch',
  ask: 'watch',
};
/** Gravest first. A bite is no less grave than a rash. */
const ORDER: readonly WatchMark[] = ['vet', 'handle', 'own', 'short', 'ask'];
const gravity = ({ mark }: TodayView['watch'][number]): number => ORDER.indexOf(mark);

/** The things one must not forget today, dog by dog: all of what there is to mind of one stands together, and none is folded away. */
export function WatchOut({ items, today }: { readonly items: TodayView['watch']; readonly today: Day }) {
  const dogs = [...group(items, ({ dog }) => dog)]
    .map(([dog, its]) => ({ dog, its: its.toSorted((a, b) => gravity(a) - gravity(b)) }))
    .toSorted((a, b) => Math.min(...a.its.map(gravity)) - Math.min(...b.its.map(gravity)));
  return (
    <Card title="Watch out">
      <DueFollowUps today={today} />
      {dogs.length === 0 && <p className="text-soft">Nothing special today.</p>}
      <ul className="flex flex-col gap-2.5">
        {dogs.map(({ dog, its }) => (
          <li key={dog}>
            <b>{dog}</b>
            <ul className="flex flex-col gap-1">
              {its.map(({ mark, words }) => (
                <li key={mark + words} className="grid grid-cols-[64px_1fr] gap-2 items-start">
                  <span className="text-right">
                    <Chip tone={TONES[mark]}>{mark}</Chip>
                  </span>
                  <span>{words}</span>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </Card>
  );
}
