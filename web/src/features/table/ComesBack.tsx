import type { Day } from '@dewpond/core/units';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/Field';

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
      <TextField
        className="min-h-14"
        label="Comes back on"
        type="date"
        value={back}
        min={today}
        onChange={(event) => setBack(event.target.value)}
      />
      <Button look="main" className="min-h-14! text-lg" disabled={back === ''} onClick={() => onHome(back as Day)}>
        {words}
      </Button>
    </div>
  );
}
