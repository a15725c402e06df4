import { weekdayName } from '../../../browser/times';
import { useMembers } from '../../../data/queries';
import { Choice } from '../../../ui/Choice';
import { SelectField } from '../../../ui/SelectField';

const WEEK = [0, 1, 2, 3, 4, 5, 6] as const;

export const showDays = (weekdays: readonly number[]) => weekdays.map((each) => weekdayName(each)).join(', ') || 'all';

interface WeekdaysProps {
  readonly label: string;
  readonly chosen: readonly number[];
  readonly onChange: (weekdays: number[]) => void;
}

/** Days of the week, each by a tap. */
export function Weekdays({ label, chosen, onChange }: WeekdaysProps) {
  const toggle = (weekday: number) =>
    onChange(chosen.includes(weekday) ? chosen.filter((each) => each !== weekday) : [...chosen, weekday].toSorted());
  return (
    <div role="group" aria-label={label}>
      <p className="text-sm font-semibold mb-1">{label}</p>
      <div className="grid grid-cols-7 gap-1">
        {WEEK.map((weekday) => (
          <Choice
            key={weekday}
            chosen={chosen.includes(weekday)}
            className="min-h-11! px-0!"
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

/** One of the people who work here, or anybody. */
export function People({ label, none, value, onChange }: PeopleProps) {
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
