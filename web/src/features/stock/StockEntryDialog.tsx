import type { BodyOf, ProductView } from '@dewpond/contract';
import { useState, type FormEvent } from 'react';
import { v7 } from 'uuid';
import { Refused, call } from '../../api/call';
import { useWrite } from '../../api/useWrite';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { SelectField, TextField } from '../../ui/Field';
import { VolumeField } from '../../ui/VolumeField';
import { tell } from '../../ui/toasts';

type Kind = BodyOf<'POST /api/stock'>['kind'];

/** What a person enters, in the words of the form. */
const KINDS: Readonly<Record<Kind, { readonly name: string; readonly asks: string }>> = {
  delivery: { name: 'Delivery', asks: 'Came in' },
  count: { name: 'Count', asks: 'There is' },
  waste: { name: 'Waste: spilt, expired, gone off', asks: 'Went to waste' },
  correction: { name: 'Correction', asks: 'More (+) or less (−)' },
};

interface EntryProps {
  readonly product: Pick<ProductView, 'id' | 'name' | 'containerMl'>;
  readonly kind: Kind;
  readonly onClose: () => void;
}

/** One line of the ledger, entered by hand. What stands there is never changed; a slip is made up by another line. */
export function StockEntryDialog({ product, kind: first, onClose }: EntryProps) {
  const [kind, setKind] = useState<Kind>(first);
  const [ml, setMl] = useState(first === 'delivery' ? (product.containerMl ?? 0) : 0);
  const [less, setLess] = useState(true);
  const [reason, setReason] = useState('');
  const [number, setNumber] = useState('');
  const [expires, setExpires] = useState('');
  const [ids] = useState(() => ({ entry: v7(), lot: v7() }));
  const save = useWrite('POST /api/stock', {
    write: () =>
      call('POST /api/stock', {
        body: {
          id: ids.entry,
          productId: product.id,
          kind,
          ml: kind === 'correction' && less ? -ml : ml,
          reason,
          lot:
            kind === 'delivery' && number.trim() !== ''
              ? { id: ids.lot, number, expires: expires === '' ? null : expires }
              : null,
        },
      }),
    onSuccess: () => {
      tell(`${product.name}: ${KINDS[kind].name.toLowerCase().split(':')[0]} entered.`);
      onClose();
    },
  });
  const refused = save.error instanceof Refused ? save.error : null;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    save.mutate();
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title={product.name}
      says="The ledger only ever grows: a slip is made up by another line."
    >
      <form onSubmit={submit} noValidate className="grid grid-cols-2 gap-4">
        <div className="col-span-2">
          <SelectField label="What happened" value={kind} onChange={(event) => setKind(event.target.value as Kind)}>
            {Object.entries(KINDS).map(([key, { name }]) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </SelectField>
        </div>
        <VolumeField label={KINDS[kind].asks} ml={ml} onMl={setMl} error={refused?.at('ml')} autoFocus />
        {kind === 'correction' && (
          <SelectField
            label="Which way"
            value={less ? 'less' : 'more'}
            onChange={(event) => setLess(event.target.value === 'less')}
          >
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
              value={number}
              error={refused?.at('lot.number') ?? refused?.at('lot')}
              onChange={(event) => setNumber(event.target.value)}
            />
            <TextField
              label="Good until"
              type="date"
              value={expires}
              error={refused?.at('lot.expires')}
              onChange={(event) => setExpires(event.target.value)}
            />
          </>
        )}
        <div className="col-span-2">
          <TextField
            label={kind === 'correction' ? 'Why' : 'Why, if there is something to say'}
            autoComplete="off"
            value={reason}
            error={refused?.at('reason')}
            onChange={(event) => setReason(event.target.value)}
          />
        </div>
        {save.error && !refused?.problem.fields && (
          <p role="alert" className="col-span-2 text-stop font-semibold">
            {save.error.message}
          </p>
        )}
        <div className="col-span-2 flex justify-end">
          <Button type="submit" look="main" disabled={save.isPending}>
            Enter
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
