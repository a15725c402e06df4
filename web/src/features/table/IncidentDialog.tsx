import { BODY_PLACES, namePlace, placeKey, placeOf, type Place, type PlaceKey } from '@dewpond/core/places';
import { INCIDENTS, INCIDENT_KINDS, firstSteps, type IncidentKind } from '@dewpond/core/events';
import { CLOT, CLOT_SECONDS } from '@dewpond/core/visit';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { TextField } from '../../ui/Field';
import { SelectField } from '../../ui/SelectField';
import { SourcedLine } from '../../ui/SourceMark';
import { Photos } from './Photos';
import type { TableWork } from './useTable';
import { record } from './visitLog';

/** What happens with a product. */
const OF_A_PRODUCT: ReadonlySet<IncidentKind> = new Set<IncidentKind>([
  'product in the eye',
  'skin reacts',
  'wrong product',
]);

/** Products of this visit: those that were used, and those that were planned. */
function productsOfVisit({ state, visit }: TableWork): readonly { readonly id: string; readonly name: string }[] {
  const all = [
    ...state.used.map(({ product, name }) => ({ id: product, name })),
    ...state.bottles.map(({ id, name }) => ({ id, name })),
    ...visit.mixes.map(({ product: { id, name } }) => ({ id, name })),
  ];
  return all.filter(({ id }, i) => all.findIndex((each) => each.id === id) === i);
}

/** Something went wrong: first what to do, then what to write down. */
export function IncidentDialog({ table, onClose }: { readonly table: TableWork; readonly onClose: () => void }) {
  const [kind, setKind] = useState<IncidentKind | null>(null);
  const [place, setPlace] = useState<PlaceKey | ''>('');
  const [done, setDone] = useState('');
  const [told, setTold] = useState('');
  const [productId, setProductId] = useState('');
  const products = productsOfVisit(table);
  const product = products.find(({ id }) => id === productId) ?? (products.length === 1 ? products[0] : undefined);
  const at: Place | null = place === '' ? null : placeOf(place);
  const places = [...table.places.filter(({ site }) => site === 'ear' || site === 'eye'), ...BODY_PLACES];
  const write = () => {
    if (kind === null) return;
    record({
      type: 'incident',
      incident: {
        kind,
        place: at,
        done: done.trim(),
        told: told.trim(),
        words: '',
        ...(OF_A_PRODUCT.has(kind) && product ? { product } : {}),
      },
    });
    // A nicked quick is pressed, and holds before water comes to it: its clock runs from now.
    if (kind === 'quick') record({ type: 'timer started', timer: CLOT, step: 'nails', seconds: CLOT_SECONDS });
    onClose();
  };
  return (
    <Dialog open onClose={onClose} title={kind === null ? 'What happened?' : INCIDENTS[kind].name} tall>
      {kind === null ? (
        <div className="grid grid-cols-2 gap-2">
          {INCIDENT_KINDS.map((each) => (
            <Button key={each} look="stop" className="min-h-20! text-xl" onClick={() => setKind(each)}>
              {INCIDENTS[each].name}
            </Button>
          ))}
        </div>
      ) : (
        <div className="flex flex-col gap-3">
          <ol className="rounded-xl border border-stop bg-stop-pale px-3 py-2 text-lg leading-snug">
            {firstSteps(kind).map((said) => (
              <li key={said.words}>
                <SourcedLine said={said} />
              </li>
            ))}
          </ol>
          {OF_A_PRODUCT.has(kind) && products.length > 0 && (
            <SelectField
              className="min-h-14"
              label="With which product"
              hint={kind === 'skin reacts' && product ? 'it is not taken for this dog again' : undefined}
              value={product?.id ?? ''}
              onChange={(event) => setProductId(event.target.value)}
            >
              <option value="">not known</option>
              {products.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </SelectField>
          )}
          <SelectField
            className="min-h-14"
            label="Where on the dog"
            value={place}
            onChange={(event) => setPlace(event.target.value as PlaceKey)}
          >
            <option value="">nowhere on the dog</option>
            {places.map((each) => (
              <option key={placeKey(each)} value={placeKey(each)}>
                {namePlace(each)}
              </option>
            ))}
          </SelectField>
          <TextField
            className="min-h-14"
            label="What was done"
            value={done}
            maxLength={500}
            onChange={(event) => setDone(event.target.value)}
          />
          <div className="flex flex-wrap items-end gap-2">
            <TextField
              className="min-h-14"
              label="Who was told (empty: nobody yet)"
              value={told}
              maxLength={80}
              onChange={(event) => setTold(event.target.value)}
            />
            <Button look="quiet" className="min-h-14!" onClick={() => setTold(table.visit.owner.name)}>
              {table.visit.owner.name}
            </Button>
          </div>
          {at && <Photos table={table} place={at} sign={null} />}
          <Button look="main" className="min-h-16! text-lg" onClick={write}>
            Write it down
          </Button>
          <p className="text-soft text-sm">
            It stands on the owner sheet, and on the Watch list so that somebody asks how the dog is.
          </p>
        </div>
      )}
    </Dialog>
  );
}
