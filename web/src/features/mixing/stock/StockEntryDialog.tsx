import { stockEntryFields, type BodyOf, type ProductView } from '@dewpond/contract';
import { useState } from 'react';
import { v7 } from 'uuid';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { fresh, useDraft } from '../../../forms/useDraft';
import { Dialog } from '../../../ui/Dialog';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import { FormFoot } from '../../../forms/FormFoot';
import { VolumeField } from '../../../forms/VolumeField';
import { tell } from '../../../ui/tell';
import { DayField } from '../../../forms/DayField';

type StockEntryBody = Omit<BodyOf<'POST /api/stock'>, 'id'>;
type StockEntryKind = StockEntryBody['kind'];

/** What a person enters, in the words of the form. */
const KINDS: Readonly<Record<StockEntryKind, { readonly name: string; readonly asks: string }>> = {
  delivery: { name: 'Delivery', asks: 'Came in' },
  count: { name: 'Count', asks: 'There is' },
  waste: { name: 'Waste: spilt, expired, gone off', asks: 'Went to waste' },
  correction: { name: 'Correction', asks: 'More (+) or less (−)' },
};

interface EntryProps {
  readonly product: Pick<ProductView, 'id' | 'name' | 'containerMl'>;
  readonly kind: StockEntryKind;
  readonly onClose: () => void;
}

interface EntryForm {
  readonly kind: StockEntryKind;
  readonly ml: number;
  /** Of a correction: which way. */
  readonly way: 'less' | 'more';
  readonly reason: string;
  readonly number: string;
  readonly expires: string;
}

/** What is entered; `lotId` is for a lot that comes with it. */
const entryOf = (
  { kind, ml, way, reason, number, expires }: EntryForm,
  productId: string,
  lotId: string,
): StockEntryBody => ({
  productId,
  kind,
  ml: kind === 'correction' && way === 'less' ? -ml : ml,
  reason,
  lot:
    kind === 'delivery' && number.trim() !== ''
      ? { id: lotId, number, expires: expires === '' ? null : expires }
      : null,
});

/** One line of the ledger, entered by hand. What stands there is never changed; a mistake is corrected by another line. */
export function StockEntryDialog({ product, kind: first, onClose }: EntryProps) {
  const [lotId] = useState(() => v7());
  const ml = first === 'delivery' ? (product.containerMl ?? 0) : 0;
  const draft = useDraft(fresh<EntryForm>({ kind: first, ml, way: 'less', reason: '', number: '', expires: '' }), {
    as: (form) => entryOf(form, product.id, lotId),
    fits: stockEntryFields,
  });
  const { form, set, field, at } = draft;
  const { kind } = form;
  const save = useWrite('POST /api/stock', {
    form: draft,
    write: (id, entry: StockEntryBody) => call('POST /api/stock', { body: { ...entry, id } }),
    onSuccess: (_, entry) => {
      tell(`${product.name}: ${KINDS[entry.kind].name.toLowerCase().split(':')[0]} entered.`);
      onClose();
    },
  });
  return (
    <Dialog
      open
      onClose={onClose}
      title={product.name}
      says="The ledger only ever grows: a mistake is corrected by another line."
    >
      <form onSubmit={draft.submit((entry) => save.mutate(entry))} noValidate className="grid grid-cols-2 gap-4">
        <div className="col-span-2">
          <SelectField label="What happened" {...field('kind')}>
            {Object.entries(KINDS).map(([key, { name }]) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </SelectField>
        </div>
        <VolumeField
          label={KINDS[kind].asks}
          ml={form.ml}
          onMl={(given) => set({ ml: given })}
          error={at('ml')}
          autoFocus
        />
        {kind === 'correction' && (
          <SelectField label="Which way" {...field('way')}>
            <option value="less">less than the ledger says</option>
            <option value="more">more than the ledger says</option>
          </SelectField>
        )}
        {kind === 'delivery' && (
          <>
            <TextField
              label="Lot number"
              autoComplete="off"
              hint="As printed. Without one it cannot be traced."
              {...field('number')}
              error={at('lot.number') ?? at('lot')}
            />
            <DayField label="Good until" {...field('expires', 'lot.expires')} />
          </>
        )}
        <div className="col-span-2">
          <TextField
            label={kind === 'correction' ? 'Why' : 'Why, if there is something to say'}
            autoComplete="off"
            {...field('reason')}
          />
        </div>
        <FormFoot draft={draft} disabled={save.isPending} does="Enter" />
      </form>
    </Dialog>
  );
}
