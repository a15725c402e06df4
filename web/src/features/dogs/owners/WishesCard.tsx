import type { ClientView } from '@dewpond/contract';
import type { OwnerWishes } from '@dewpond/core/bookings';
import { isDay } from '@dewpond/core/units';
import { useState } from 'react';
import { call } from '../../../api/call';
import { showDay } from '../../../browser/times';
import { useSavedAtOnce } from '../../../forms/useSavedAtOnce';
import { DayField } from '../../../forms/DayField';
import { NotSaved } from '../../../forms/NotSaved';
import { typedNumber } from '../../../forms/typedNumber';
import { Card } from '../../../ui/Card';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import { NeedsOfDog } from './NeedsOfDog';
import { People, Weekdays, showDays } from './weekFields';

const NO_WISHES: OwnerWishes = { weekdays: [], part: null, memberId: null, pattern: null };

const WISH_NAMES = {
  weekdays: 'Days that suit',
  part: 'Time of day',
  memberId: 'With',
  pattern: 'A fixed day',
} as const;
const showWish = (field: keyof OwnerWishes, { weekdays, part, memberId, pattern }: OwnerWishes): string =>
  ({
    weekdays: showDays(weekdays),
    part: part ?? 'no matter',
    memberId: memberId === null ? 'anybody' : 'one person',
    pattern: pattern ? `every ${pattern.everyWeeks} weeks from ${showDay(pattern.from)}` : 'none',
  })[field];

/** When these people like to come, and where their dogs must be in a day. Each tap is kept at once. */
export function WishesCard({ view }: { readonly view: ClientView }) {
  const { id, version } = view.client;
  const kept = useSavedAtOnce({ version, form: view.wishes ?? NO_WISHES }, 'PUT /api/clients/:id/wishes', {
    keep: (wishes, seen) => call('PUT /api/clients/:id/wishes', { id, body: { version: seen, wishes } }),
    says: 'What they like is kept.',
  });
  const { form: wishes, change: say } = kept;
  const present = view.dogs.filter(({ archivedOn }) => archivedOn === null);
  return (
    <Card title="When they like to come" aside="weeks are planned by it">
      <div className="flex flex-col gap-3">
        <NotSaved at={kept} what="when they like to come" names={WISH_NAMES} show={showWish} />
        <Weekdays
          label="Days that suit; none: all"
          chosen={wishes.weekdays}
          onChange={(weekdays) => say({ weekdays })}
        />
        <div className="grid grid-cols-2 gap-3">
          <SelectField
            label="Time of day"
            value={wishes.part ?? ''}
            onChange={({ target }) => say({ part: (target.value || null) as OwnerWishes['part'] })}
          >
            <option value="">no matter</option>
            <option value="morning">morning</option>
            <option value="afternoon">afternoon</option>
          </SelectField>
          <People label="With" none="anybody" value={wishes.memberId} onChange={(memberId) => say({ memberId })} />
        </div>
        <Pattern pattern={wishes.pattern} onChange={(pattern) => say({ pattern })} />
        {present.map((dog) => (
          <NeedsOfDog key={dog.id} dog={dog} />
        ))}
      </div>
    </Card>
  );
}

interface PatternProps {
  readonly pattern: OwnerWishes['pattern'];
  readonly onChange: (pattern: OwnerWishes['pattern']) => void;
}

/** "Every fifth Thursday", counted from one of them. */
function Pattern({ pattern, onChange }: PatternProps) {
  const [weeks, setWeeks] = useState(pattern ? String(pattern.everyWeeks) : '');
  const [from, setFrom] = useState<string>(pattern?.from ?? '');
  const take = (nextWeeks: string, nextFrom: string) => {
    setWeeks(nextWeeks);
    setFrom(nextFrom);
    const everyWeeks = typedNumber(nextWeeks);
    if (nextWeeks === '' && nextFrom === '') onChange(null);
    else if (Number.isInteger(everyWeeks) && everyWeeks >= 1 && everyWeeks <= 26 && isDay(nextFrom))
      onChange({ from: nextFrom, everyWeeks });
  };
  return (
    <div className="grid grid-cols-2 gap-3">
      <TextField
        label="A fixed day every … weeks"
        inputMode="numeric"
        placeholder="no pattern"
        value={weeks}
        onChange={({ target }) => take(target.value, from)}
      />
      <DayField label="One of those days" value={from} onChange={({ target }) => take(weeks, target.value)} />
    </div>
  );
}
