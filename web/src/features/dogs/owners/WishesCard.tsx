import type { ClientView } from '@dewpond/contract';
import type { DogNeeds, OwnerWishes } from '@dewpond/core/bookings';
import { isDay } from '@dewpond/core/units';
import { useState } from 'react';
import { call } from '../../../api/call';
import { showDay, weekdayName } from '../../../browser/times';
import { useMembers } from '../../../data/queries';
import { useSavedAtOnce } from '../../../forms/useSavedAtOnce';
import { DayField } from '../../../forms/DayField';
import { NotSaved } from '../../../forms/NotSaved';
import { typedNumber } from '../../../forms/typedNumber';
import { Card } from '../../../ui/Card';
import { Choice } from '../../../ui/Choice';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';

const NO_WISHES: OwnerWishes = { weekdays: [], part: null, memberId: null, pattern: null };
const NO_NEEDS: DogNeeds = { slot: null, memberId: null, weekdays: [] };

const WEEK = [0, 1, 2, 3, 4, 5, 6] as const;

const WISH_NAMES = {
  weekdays: 'Days that suit',
  part: 'Time of day',
  memberId: 'With',
  pattern: 'A fixed day',
} as const;
const NEED_NAMES = { slot: 'In somebody’s day', memberId: 'Only with', weekdays: 'Only on' } as const;
const showDays = (weekdays: readonly number[]) => weekdays.map((each) => weekdayName(each)).join(', ') || 'all';
const showWish = (field: keyof OwnerWishes, { weekdays, part, memberId, pattern }: OwnerWishes): string =>
  ({
    weekdays: showDays(weekdays),
    part: part ?? 'no matter',
    memberId: memberId === null ? 'anybody' : 'one person',
    pattern: pattern ? `every ${pattern.everyWeeks} weeks from ${showDay(pattern.from)}` : 'none',
  })[field];
const showNeed = (field: keyof DogNeeds, { slot, memberId, weekdays }: DogNeeds): string =>
  ({
    slot: slot ?? 'anywhere',
    memberId: memberId === null ? 'anybody' : 'one person',
    weekdays: showDays(weekdays),
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
          <Needs key={dog.id} dog={dog} />
        ))}
      </div>
    </Card>
  );
}

interface WeekdaysProps {
  readonly label: string;
  readonly chosen: readonly number[];
  readonly onChange: (weekdays: number[]) => void;
}

function Weekdays({ label, chosen, onChange }: WeekdaysProps) {
  const toggle = (weekday: number) =>
    onChange(chosen.includes(weekday) ? chosen.filter((each) => each !== weekday) : [...chosen, weekday].toSorted());
  return (
    <div role="group" aria-label={label}>
      <p className="text-sm font-semibold mb-1">{label}</p>
      <div className="flex flex-wrap gap-1">
        {WEEK.map((weekday) => (
          <Choice
            key={weekday}
            chosen={chosen.includes(weekday)}
            className="min-h-11! px-2.5!"
            onClick={() => toggle(weekday)}
          >
            {weekdayName(weekday)}
          </Choice>
        ))}
      </div>
    </div>
  );
}

interface PeopleProps {
  readonly label: string;
  readonly none: string;
  readonly value: string | null;
  readonly onChange: (memberId: string | null) => void;
}

function People({ label, none, value, onChange }: PeopleProps) {
  const members = useMembers().data ?? [];
  return (
    <SelectField label={label} value={value ?? ''} onChange={({ target }) => onChange(target.value || null)}>
      <option value="">{none}</option>
      {members.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </SelectField>
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

function Needs({ dog }: { readonly dog: ClientView['dogs'][number] }) {
  const kept = useSavedAtOnce({ version: dog.version, form: dog.needs ?? NO_NEEDS }, 'PUT /api/dogs/:id/needs', {
    keep: (needs, seen) => call('PUT /api/dogs/:id/needs', { id: dog.id, body: { version: seen, needs } }),
    says: `What ${dog.name} must have is kept.`,
  });
  const { form: needs, change: say } = kept;
  return (
    <fieldset className="border-t border-line pt-3 flex flex-col gap-3">
      <legend className="sr-only">{dog.name}</legend>
      <NotSaved at={kept} what={`what ${dog.name} must have`} names={NEED_NAMES} show={showNeed} />
      <p className="font-semibold">
        {dog.name} <span className="font-normal text-soft">must have it so</span>
      </p>
      <div className="grid grid-cols-2 gap-3">
        <SelectField
          label={`${dog.name}: in somebody’s day`}
          value={needs.slot ?? ''}
          onChange={({ target }) => say({ slot: (target.value || null) as DogNeeds['slot'] })}
        >
          <option value="">anywhere</option>
          <option value="first">the first dog</option>
          <option value="last">the last dog</option>
        </SelectField>
        <People
          label={`${dog.name}: only with`}
          none="anybody"
          value={needs.memberId}
          onChange={(memberId) => say({ memberId })}
        />
      </div>
      <Weekdays
        label={`${dog.name}: only on quiet days; none: all`}
        chosen={needs.weekdays}
        onChange={(weekdays) => say({ weekdays })}
      />
    </fieldset>
  );
}
