import { isDay, type Day } from '@dewpond/core/units';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { DayField } from '../../forms/DayField';

/** The dog goes home now and is finished on another day. */
export function ComesBack({
  today,
  usually,
  words,
  onHome,
}: {
  readonly today: Day;
  /** The day that stands there first. */
  readonly usually: Day;
  readonly words: string;
  readonly onHome: (back: Day) => void;
}) {
  const [back, setBack] = useState<string>(usually);
  return (
    <div className="flex flex-wrap items-end gap-2">
      <DayField
        className="min-h-14"
        label="Comes back on"
        value={back}
        min={today}
        onChange={(event) => setBack(event.target.value)}
      />
      <Button
        look="main"
        className="min-h-14! text-lg"
        disabled={!isDay(back) || back < today}
        onClick={() => isDay(back) && onHome(back)}
      >
        {words}
      </Button>
    </div>
  );
}
