import type { StockView } from '@dewpond/contract';
import { HOUSE_VALUE } from '@dewpond/core/provenance';
import { Link } from 'react-router';
import { Card } from '../../../ui/Card';
import { SourceMark } from '../../../ui/SourceMark';

/** Dogs that have not come for long and are not booked: what they would take counts by the chance that they still come. */
export function LongAway({ dogs }: { readonly dogs: StockView['longAway'] }) {
  if (dogs.length === 0) return null;
  return (
    <Card title="Long away, nothing booked">
      <p className="text-sm text-soft -mt-1 mb-2">
        Overdue by more than their interval. What they would take counts by the chance that they still come.{' '}
        <SourceMark
          source={HOUSE_VALUE}
          because="Of a hundred dogs three leave after a visit; of the others one gap in seven is a long one."
        />
      </p>
      <ul className="no-print grid grid-cols-[repeat(auto-fill,minmax(320px,1fr))] gap-x-6">
        {dogs.map(({ dogId, dog, overdueDays, chance }) => (
          <li key={dogId} className="flex items-center justify-between gap-3 min-h-11 border-b border-line">
            <Link to={`/dogs/${dogId}`} className="font-semibold text-pond underline">
              {dog}
            </Link>
            <span className="text-sm text-soft whitespace-nowrap">
              {overdueDays} days overdue, counts {Math.round(chance * 100)} %
            </span>
          </li>
        ))}
      </ul>
    </Card>
  );
}
