import { ALL_CAUTIONS, CAUTIONS, CAUTION_SOURCE, PRODUCT_KINDS } from '@dewpond/core/dilution';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import { SourceMark } from '../../../ui/SourceMark';
import { VolumeField } from '../../../forms/VolumeField';
import { LabelReadingFields } from './LabelReadingFields';
import { readForm, readingBusiness, type ProductForm } from './productForm';
import type { FieldsProps } from './productForm';
import { ratioHint } from '../sums/ratioHint';
import { useUnits } from '../../../data/useUnits';

const GRID = 'grid grid-cols-2 max-md:grid-cols-1 gap-3';

export function WhatFields({ draft }: FieldsProps) {
  const { form, set, field } = draft;
  return (
    <div className={GRID}>
      <TextField label="Name" autoComplete="off" {...field('name')} />
      <SelectField label="Kind" {...field('kind')}>
        {PRODUCT_KINDS.map((kind) => (
          <option key={kind} value={kind}>
            {kind}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="Who supplied it"
        {...field('suppliedBy')}
        hint={
          form.suppliedBy === 'house' && form.kind !== 'medicated'
            ? undefined
            : 'Mixed for one dog only; its label bears the name.'
        }
      >
        <option value="house">the business</option>
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
  const { draft, business } = props;
  const { form, at, field } = draft;
  const read = readForm(form, readingBusiness(business));
  const mixed = form.label.trim() !== '' && read.kind !== 'ready to use';
  const units = useUnits();
  return (
    <div className={GRID}>
      <TextField
        label="Ratio, as printed on the label"
        autoComplete="off"
        placeholder="50:1"
        {...field('label')}
        error={at('label') ?? at('waterParts')}
        hint={ratioHint(units, form.kind === 'medicated', read)}
      />
      <SelectField
        label="Pump on it"
        {...field('pumpId')}
        disabled={!mixed}
        hint={business.pumps.length === 0 ? 'Pumps are added under Bottles and pumps.' : undefined}
      >
        <option value="">none: measured in ml</option>
        {business.pumps.map((pump) => (
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
        {...field('contactLeast', 'contact.least')}
        hint="If the label says how long it must stay on."
      />
      <TextField label="Contact time, most, min" inputMode="decimal" {...field('contactMost', 'contact.most')} />
      <TextField
        label="Lather: × ordinary amount"
        inputMode="decimal"
        {...field('amountFactor')}
        hint="1 is ordinary; a poor latherer takes more, 1.3."
      />
    </div>
  );
}

export function CautionFields({ draft }: FieldsProps) {
  const { form, set, within } = draft;
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
        {within('ingredients') && <p className="text-sm text-stop font-semibold">{within('ingredients')}</p>}
      </div>
    </div>
  );
}

export function MoneyFields({ draft, business }: FieldsProps) {
  const { form, set, at, field } = draft;
  return (
    <div className={GRID}>
      <TextField label="Bought from" autoComplete="off" {...field('supplier')} />
      <TextField label="Days from order to shelf" inputMode="numeric" {...field('leadDays')} />
      <VolumeField
        label="One container"
        ml={form.containerMl}
        onMl={(containerMl) => set({ containerMl })}
        error={at('containerMl')}
        hint="0: not known"
      />
      <TextField label={`Price of a container, ${business.currency}`} inputMode="decimal" {...field('price')} />
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
