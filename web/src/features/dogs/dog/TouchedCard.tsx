import type { Touched } from '@dewpond/contract';

import { group } from 'd3-array';
import { Link } from 'react-router';
import { counted } from '../../../browser/counted';
import { useTouched } from '../../../data/queries';
import { Card } from '../../../ui/Card';
import { Chip } from '../../../ui/Chip';
import { showDay } from '../../../browser/times';

/** Visits shown at first. */
const SHOWN = 3;

/** What touched this dog, visit by visit: from here back to the mix and the lot. */
export function TouchedCard({ dogId }: { readonly dogId: string }) {
  const { data } = useTouched(dogId);
  if (!data || data.length === 0) return null;
  const visits = [...group(data, ({ visitId }) => visitId).values()];
  return (
    <Card title="What touched it">
      <Visits visits={visits.slice(0, SHOWN)} />
      {visits.length > SHOWN && (
        <details>
          <summary className="cursor-pointer text-pond underline min-h-11 flex items-center">
            {counted(visits.length - SHOWN, 'visit')} before
          </summary>
          <Visits visits={visits.slice(SHOWN)} />
        </details>
      )}
    </Card>
  );
}

const Visits = ({ visits }: { readonly visits: readonly (readonly Touched[])[] }) => (
  <ul className="flex flex-col gap-2.5">
    {visits.map((items) => {
      const [first] = items;
      if (!first) return null;
      return (
        <li key={first.visitId}>
          <p className="font-semibold">{showDay(first.day)}</p>
          <ul className="text-sm">
            {items.map((item, i) => (
              <li key={`${item.product} ${i}`}>
                <Item item={item} />
              </li>
            ))}
          </ul>
        </li>
      );
    })}
  </ul>
);

const Item = ({ item }: { readonly item: Touched }) => (
  <>
    {item.product}
    {item.strength && ` ${item.strength}`}
    {item.mixId && item.bottle && (
      <>
        ,{' '}
        <Link to={`/mixing/trace?of=mix&id=${item.mixId}`} className="text-pond underline">
          {item.bottle.toLowerCase()}
        </Link>
      </>
    )}
    {item.lots.map((lot) => (
      <span key={lot.id}>
        , lot{' '}
        <Link to={`/mixing/trace?of=lot&id=${lot.id}`} className="text-pond underline">
          {lot.number}
        </Link>
      </span>
    ))}
    {item.override && (
      <>
        {' '}
        <Chip tone="watch">past its time</Chip> {item.override}
      </>
    )}
  </>
);
