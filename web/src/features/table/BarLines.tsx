import type { Place } from '@dewpond/core/places';
import { reasonKey } from '@dewpond/core/reasons';
import type { BarAt } from '@dewpond/core/stops';
import { barTold } from '@dewpond/core/wording';
import { SourcedLine } from '../../ui/SourceMark';

/** Every bar that speaks, the worst first, each with its source; one that a vet has lifted says by whom and for what. */
export function BarLines({ bars, at = [] }: { readonly bars: readonly BarAt[]; readonly at?: readonly Place[] }) {
  return (
    <ul>
      {bars.map((bar) => {
        const { stop, reason, source, lifted } = bar;
        const words = barTold(bar, at).replace(/^./, (letter) => letter.toUpperCase());
        return (
          <li key={`${stop} ${reasonKey(reason)}`} className={lifted === null ? 'text-stop font-bold' : 'text-soft'}>
            <SourcedLine
              said={{
                words,
                source: lifted === null ? source : { kind: 'vet instruction', who: lifted.by.join(', ') },
                ...(stop === 'S0' ? {} : { because: `Stop ${stop}.` }),
              }}
            />
          </li>
        );
      })}
    </ul>
  );
}
