import { showDay } from '../../browser/times';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import type { DogBooked } from '../../parts/booking/dogBooked';
import type { PlanAnswer } from '@dewpond/core/bookings';
import { May } from '../../parts/May';

interface UnplacedProps {
  readonly unplaced: PlanAnswer['unplaced'];
  readonly names: Readonly<Record<string, string>>;
  readonly onBook: (dog: DogBooked) => void;
}

const BECAUSE: Readonly<Record<PlanAnswer['unplaced'][number]['because'], string>> = {
  'no hours': 'nobody works on a day on which it may come',
  'not there': 'nobody works where it is',
  'no skill': 'nobody is good at what it needs',
  'too long': 'it takes longer than anybody works without a break',
  full: 'its days are full, and others wait longer',
};

/** Dogs that are due in these weeks and found no place, and why. */
export function Unplaced({ unplaced, names, onBook }: UnplacedProps) {
  if (unplaced.length === 0) return null;
  return (
    <Card title="No place found" aside={`${unplaced.length}`}>
      <ul className="flex flex-col divide-y divide-line">
        {unplaced.slice(0, 20).map(({ dog, because, closes }) => (
          <li key={dog} className="flex items-center justify-between gap-2 py-2">
            <span>
              <b>{names[dog]}</b>
              <span className="block text-sm text-soft">
                {BECAUSE[because]}; due by {showDay(closes)}
              </span>
            </span>
            <May deed="book">
              <Button look="quiet" onClick={() => onBook({ id: dog, name: names[dog] ?? '', suggested: closes })}>
                Nearest times
              </Button>
            </May>
          </li>
        ))}
      </ul>
      {unplaced.length > 20 && <p className="text-soft pt-2">and {unplaced.length - 20} more.</p>}
    </Card>
  );
}
