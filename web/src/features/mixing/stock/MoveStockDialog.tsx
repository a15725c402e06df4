import { stockMove, type BodyOf, type ProductView } from '@dewpond/contract';
import { call } from '../../../api/call';
import { useLedger } from '../../../data/queries';
import { useBranch } from '../../../data/useBranch';
import { useWrite } from '../../../data/useWrite';
import { FormFoot } from '../../../forms/FormFoot';
import { VolumeField } from '../../../forms/VolumeField';
import { fresh, useDraft } from '../../../forms/useDraft';
import { Dialog } from '../../../ui/Dialog';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import { tell } from '../../../ui/tell';

interface MoveProps {
  readonly product: Pick<ProductView, 'id' | 'name' | 'containerMl'>;
  /** What there is of it here, ml. */
  readonly stock: number;
  readonly onClose: () => void;
}

/** Some of a product goes to another salon or van: out of one ledger, into the other. */
export function MoveStockDialog({ product, stock, onClose }: MoveProps) {
  const branch = useBranch();
  const others = branch?.branches.filter(({ id }) => id !== branch.here.id) ?? [];
  const lots = useLedger(product.id).data?.lots.filter(({ emptiedOn }) => emptiedOn === null) ?? [];
  const draft = useDraft(
    fresh({
      ml: Math.min(product.containerMl ?? stock, stock),
      toBranchId: others[0]?.id ?? '',
      lotId: '',
      reason: '',
    }),
    {
      as: (form) => ({ productId: product.id, ...form, lotId: form.lotId === '' ? null : form.lotId }),
      fits: stockMove.omit({ id: true }),
    },
  );
  const { form, set, field, at } = draft;
  const save = useWrite('POST /api/stock/moves', {
    form: draft,
    write: (id, body: Omit<BodyOf<'POST /api/stock/moves'>, 'id'>) =>
      call('POST /api/stock/moves', { body: { ...body, id } }),
    onSuccess: (_, { toBranchId }) => {
      tell(
        `${product.name}: it is at ${others.find((each) => each.id === toBranchId)?.name ?? 'the other branch'} now.`,
      );
      onClose();
    },
  });
  return (
    <Dialog open onClose={onClose} title={product.name} says={`From ${branch?.here.name ?? 'here'} to another branch.`}>
      <form onSubmit={draft.submit((body) => save.mutate(body))} noValidate className="grid grid-cols-2 gap-4">
        <VolumeField label="Goes along" ml={form.ml} onMl={(ml) => set({ ml })} error={at('ml')} autoFocus />
        <SelectField label="To" {...field('toBranchId')}>
          {others.map(({ id: its, name }) => (
            <option key={its} value={its}>
              {name}
            </option>
          ))}
        </SelectField>
        {lots.length > 0 && (
          <div className="col-span-2">
            <SelectField label="Lot" hint="With its lot it can be traced there as well." {...field('lotId')}>
              <option value="">not known</option>
              {lots.map(({ id: its, number }) => (
                <option key={its} value={its}>
                  {number}
                </option>
              ))}
            </SelectField>
          </div>
        )}
        <div className="col-span-2">
          <TextField label="Why, if there is something to say" autoComplete="off" {...field('reason')} />
        </div>
        <FormFoot draft={draft} disabled={save.isPending} does="Take it along" />
      </form>
    </Dialog>
  );
}
