import { call } from '../../api/call';
import { useBranch, useBranchOfDog } from '../../data/useBranch';
import { useMay } from '../../data/useMay';
import { useWrite } from '../../data/useWrite';
import { Chip } from '../../ui/Chip';
import { SelectField } from '../../ui/SelectField';
import { tell } from '../../ui/tell';

/** Where a dog is cared for, where the business has more than one place. */
export function BranchChip({ dogId }: { readonly dogId: string }) {
  const its = useBranchOfDog(dogId);
  return its && <Chip tone="pond">{its.name}</Chip>;
}

/** The same, to be said otherwise. */
export function BranchOfDog({ dog }: { readonly dog: { readonly id: string; readonly name: string } }) {
  const branch = useBranch();
  const its = useBranchOfDog(dog.id);
  const may = useMay('change dogs');
  const put = useWrite('PUT /api/dogs/:id/branch', {
    write: (_, branchId: string) => call('PUT /api/dogs/:id/branch', { id: dog.id, body: { branchId } }),
    onSuccess: () => tell(`${dog.name} is cared for there from now on. Bookings stay with whom they are.`),
    tells: true,
  });
  if (!branch || !its) return null;
  return (
    <SelectField
      label={`${dog.name}: cared for at`}
      value={its.id}
      disabled={!may || put.isPending}
      onChange={({ target }) => put.mutate(target.value)}
    >
      {branch.branches.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </SelectField>
  );
}
