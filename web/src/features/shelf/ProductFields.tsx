import type { HouseView } from '@dewpond/contract';
import { ALL_CAUTIONS, CAUTIONS, CAUTION_SOURCE, PRODUCT_KINDS, type ProductKind } from '@dewpond/core/dilution';
import { SelectField, TextField } from '../../ui/Field';
import { SourceMark } from '../../ui/SourceMark';
import { VolumeField } from '../../ui/VolumeField';
import { LabelReadingFields } from './LabelReadingFields';
import { readForm, readingHouse, type ProductForm } from './productForm';
import { ratioHint } from '../mixing/ratioHint';
import { useUnits } from '../../app/useUnits';

export interface FieldsProps {
  readonly form: ProductForm;
  readonly set: (change: Partial<ProductForm>) => void;
  /** What the office said about a field. */
  readonly at: (path: string) => string | undefined;
  readonly house: HouseView;
}

const GRID = 'grid grid-cols-2 max-md:grid-cols-1 gap-3';

export function WhatFields({ form, set, at }: FieldsProps) {
  return (
    <div className={GRID}>
      <TextField
        label="Name"
        autoComplete="off"
        value={form.name}
        error={at('name')}
        onChange={(event) => set({ name: event.target.value })}
      />
      <SelectField
        label="Kind"
        value={form.kind}
        error={at('kind')}
        onChange={(event) => set({ kind: event.target.value as ProductKind })}
      >
        {PRODUCT_KINDS.map((kind) => (
          <option key={kind} value={kind}>
            {kind}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="Who supplied it"
        value={form.suppliedBy}
        hint={
          form.suppliedBy === 'house' && form.kind !== 'medicated'
            ? undefined
            : 'Mixed for one dog only; its label bears the name.'
        }
        onChange={(event) => set({ suppliedBy: event.target.value as ProductForm['suppliedBy'] })}
      >
        <option value="house">the house</option>
        <option value="vet">a vet</option>
        <option value="owner">an owner</option>
      </SelectField>
      <label className="flex items-center gap-3 min-h-11 self-end cursor-pointer">
        <input
          type="checkbox"
          checked={form.usual}
          onChange={(event) => set({ usual: event.target.checked })}
          className="size-5 accent-pond"
        />
        The usual one of its kind: plans and morning mix take it
      </label>
    </div>
  );
}

export function LabelFields(props: FieldsProps) {
  const { form, set, at, house } = props;
  const read = readForm(form, readingHouse(house));
  const mixed = form.label.trim() !== '' && read.kind !== 'ready to use';
  const units = useUnits();
  return (
    <div className={GRID}>
      <TextField
        label="Ratio, as printed on the label"
        autoComplete="off"
        placeholder="50:1"
        value={form.label}
        error={at('label') ?? at('waterParts')}
        hint={ratioHint(units, form.kind === 'medicated', read)}
        onChange={(event) => set({ label: event.target.value })}
      />
      <SelectField
        label="Pump on it"
        value={form.pumpId}
        error={at('pumpId')}
        disabled={!mixed}
        hint={house.pumps.length === 0 ? 'Pumps are added under Bottles and pumps.' : undefined}
        onChange={(event) => set({ pumpId: event.target.value })}
      >
        <option value="">none: measured in ml</option>
        {house.pumps.map((pump) => (
          <option key={pump.id} value={pump.id}>
            {pump.name}
            {pump.strokeMl === null ? ', not calibrated' : ''}
          </option>
        ))}
      </SelectField>
      <LabelReadingFields {...props} />
      <TextField
        label="Contact time, least, min"
        inputMode="decimal"
        value={form.contactLeast}
        error={at('contact.least')}
        hint="If the label says how long it must stay on."
        onChange={(event) => set({ contactLeast: event.target.value })}
      />
      <TextField
        label="Contact time, most, min"
        inputMode="decimal"
        value={form.contactMost}
        error={at('contact.most')}
        onChange={(event) => set({ contactMost: event.target.value })}
      />
      <TextField
        label="Lather: × ordinary amount"
        inputMode="decimal"
        value={form.amountFactor}
        error={at('amountFactor')}
        hint="1 is ordinary; a poor latherer takes more, 1.3."
        onChange={(event) => set({ amountFactor: event.target.value })}
      />
    </div>
  );
}

export function CautionFields({ form, set, at }: FieldsProps) {
  const toggle = (caution: ProductForm['cautions'][number]) =>
    set({
      cautions: form.cautions.includes(caution)
        ? form.cautions.filter((each) => each !== caution)
        : [...form.cautions, caution],
    });
  return (
    <div className="flex flex-col gap-3">
      <fieldset className="grid grid-cols-2 max-md:grid-cols-1 gap-x-4">
        <legend className="text-sm font-semibold mb-1">
          From its label <SourceMark source={CAUTION_SOURCE} because="The label goes first, then local rules." />
        </legend>
        {ALL_CAUTIONS.map((caution) => (
          <label key={caution} className="flex items-center gap-3 min-h-11 cursor-pointer">
            <input
              type="checkbox"
              checked={form.cautions.includes(caution)}
              onChange={() => toggle(caution)}
              className="size-5 accent-pond shrink-0"
            />
            {CAUTIONS[caution].asks}
          </label>
        ))}
      </fieldset>
      <div className="flex flex-col gap-1">
        <label htmlFor="ingredients" className="text-sm font-semibold">
          Ingredients, as printed
        </label>
        <textarea
          id="ingredients"
          rows={3}
          value={form.ingredients}
          onChange={(event) => set({ ingredients: event.target.value })}
          className="w-full rounded-xl border border-line bg-surface px-3 py-2"
        />
        <p className="text-sm text-soft">
          Between commas. A dog that is to be kept from one of them gets another product, and you are told.
        </p>
        {at('ingredients') && <p className="text-sm text-stop font-semibold">{at('ingredients')}</p>}
      </div>
    </div>
  );
}

export function MoneyFields({ form, set, at, house }: FieldsProps) {
  return (
    <div className={GRID}>
      <TextField
        label="Bought from"
        autoComplete="off"
        value={form.supplier}
        error={at('supplier')}
        onChange={(event) => set({ supplier: event.target.value })}
      />
      <TextField
        label="Days from order to shelf"
        inputMode="numeric"
        value={form.leadDays}
        error={at('leadDays')}
        onChange={(event) => set({ leadDays: event.target.value })}
      />
      <VolumeField
        label="One container"
        ml={form.containerMl}
        onMl={(containerMl) => set({ containerMl })}
        error={at('containerMl')}
        hint="0: not known"
      />
      <TextField
        label={`Price of a container, ${house.currency}`}
        inputMode="decimal"
        value={form.price}
        error={at('price')}
        onChange={(event) => set({ price: event.target.value })}
      />
      <VolumeField
        label="Safety stock"
        ml={form.safetyMl}
        onMl={(safetyMl) => set({ safetyMl })}
        error={at('safetyMl')}
        hint="Not to be touched in ordinary weeks."
      />
    </div>
  );
}
