import type { AwayView, HoursView } from '@dewpond/contract';
import { useBranch } from '../../../data/useBranch';
import { SelectField } from '../../../ui/SelectField';

/** Whose days: a person’s, who is away; one branch’s, or everybody’s, which is closed. */
export type WhoseDays = Pick<AwayView, 'memberId' | 'branchId'>;
export const EVERYBODY: WhoseDays = { memberId: null, branchId: null };

const valueOf = ({ memberId, branchId }: WhoseDays): string => memberId ?? branchId ?? '';

export function WhoseField({
  label,
  people,
  value,
  onChange,
}: {
  readonly label: string;
  readonly people: HoursView['people'];
  readonly value: WhoseDays;
  readonly onChange: (whose: WhoseDays) => void;
}) {
  const branches = useBranch()?.branches ?? [];
  const choose = (id: string) =>
    onChange({
      memberId: people.find((each) => each.id === id)?.id ?? null,
      branchId: branches.find((each) => each.id === id)?.id ?? null,
    });
  return (
    <SelectField label={label} value={valueOf(value)} onChange={({ target }) => choose(target.value)}>
      <option value="">{branches.length === 0 ? 'closed for all' : 'closed everywhere'}</option>
      {branches.map(({ id, name }) => (
        <option key={id} value={id}>
          closed: {name}
        </option>
      ))}
      {people.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </SelectField>
  );
}

/** Who is away in words, or what is closed. */
export const whoseWords = ({ memberName, branchName }: Pick<AwayView, 'memberName' | 'branchName'>): string =>
  memberName ?? (branchName === null ? 'Closed' : `${branchName} closed`);
