import type { TodayView } from '@dewpond/contract';
import { Card } from '../../ui/Card';
import { Chip, type Tone } from '../../ui/Chip';

type Mark = TodayView['watch'][number]['mark'];
const TONES: Readonly<Record<Mark, Tone>> = { vet: 'stop', short: 'watch', own: 'pond', handle: 'plain', ask: 'watch' };

/** The things one must not forget today, gravest first. */
export function WatchOut({ items }: { readonly items: TodayView['watch'] }) {
  const order: readonly Mark[] = ['vet', 'own', 'short', 'ask', 'handle'];
  const sorted = items.toSorted((a, b) => order.indexOf(a.mark) - order.indexOf(b.mark));
  return (
    <Card title="Watch out">
      {sorted.length === 0 && <p className="text-soft">Nothing special today.</p>}
      <ul className="flex flex-col gap-2">
        {sorted.map(({ mark, dog, words }) => (
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
    </Card>
  );
}
