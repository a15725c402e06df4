import { mix, readingsOf, sayReading, showStrength, type LabelReading, type Reading } from '@dewpond/core/dilution';
import { ML_PER_FLUID_OUNCE, millilitres, showProduct, showVolume } from '@dewpond/core/units';
import { Plus } from 'lucide-react';
import type { ReactNode } from 'react';
import { useUnits } from '../../../data/useUnits';
import { Button } from '../../../ui/Button';
import { TextField } from '../../../ui/Field';
import { OneOf } from '../../../ui/OneOf';
import { classes } from '../../../ui/classes';
import { type FieldsProps, readForm, readingBusiness, takenReading, type ProductForm } from './productForm';

/** How the printed ratio was read, and what a person has to decide about it. */
export function LabelReadingFields({ draft, business }: FieldsProps) {
  const { form, set, at } = draft;
  if (form.label.trim() === '') return null;
  const reader = readingBusiness(business);
  const read = readForm(form, reader);
  switch (read.kind) {
    case 'ready to use':
      return <Says words="Ready to use: never diluted." />;
    case 'unreadable':
      return <Says words={read.why} tone="watch" />;
    case 'ask for the dilution':
      return (
        <>
          <Says words={read.why} tone="watch" />
          <TextField
            label="Diluted to"
            placeholder="9:1"
            value={form.dilution.text}
            error={at('waterParts')}
            onChange={(event) => set({ dilution: { text: event.target.value, exact: null } })}
          />
        </>
      );
    case 'read':
    case 'ask which': {
      const taken = takenReading(form, reader);
      return (
        <>
          {read.kind === 'ask which' ? (
            <Which read={read} taken={taken} set={set} />
          ) : (
            read.reading.range === null && <Says words={<OfASample reading={read.reading} />} />
          )}
          {taken?.range && <Range draft={draft} range={taken.range} />}
        </>
      );
    }
  }
}

function Says({ words, tone = 'plain' }: { readonly words: ReactNode; readonly tone?: 'plain' | 'watch' }) {
  return (
    <p
      className={classes(
        'col-span-full rounded-xl px-3 py-2',
        tone === 'watch' ? 'bg-watch-pale text-watch font-semibold' : 'bg-pond-pale',
      )}
    >
      {words}
    </p>
  );
}

/** A reading with what half a litre of it takes; a gallon in a business that measures in ounces. */
function OfASample({ reading }: { readonly reading: Reading }) {
  const units = useUnits();
  const sample =
    units === 'US' ? { ml: 128 * ML_PER_FLUID_OUNCE, name: 'A gallon' } : { ml: 500, name: 'Half a litre' };
  const { product, water } = mix(millilitres(sample.ml), reading.strength);
  const { range, words } = reading;
  return (
    <>
      Read as{' '}
      <b>
        {range ? `${showStrength(range.strongest)} to ${showStrength(range.weakest)}` : showStrength(reading.strength)}
      </b>
      : {words}. {sample.name} {range && 'at the gentlest '}takes {showProduct(product, units)} of it and{' '}
      {showVolume(water, units)} of water.
    </>
  );
}

interface WhichProps {
  readonly read: Extract<LabelReading, { kind: 'ask which' }>;
  readonly taken: Reading | null;
  readonly set: FieldsProps['draft']['set'];
}

function Which({ read, taken, set }: WhichProps) {
  const said = (reading: Reading) => JSON.stringify(sayReading(reading));
  return (
    <div className="col-span-full flex flex-col gap-2">
      {!read.byHabit && (
        <Says
          tone="watch"
          words="It can be read in more than one way, and it matters: look at the label, then say which."
        />
      )}
      <OneOf
        label="Ways to read it"
        className="grid grid-cols-2 max-md:grid-cols-1 gap-2"
        card="p-2.5 text-sm leading-snug"
        chosen={taken && said(taken)}
        onChoose={(key) => {
          const reading = readingsOf(read).find((each) => said(each) === key);
          if (reading) set({ reading: sayReading(reading), dilution: { text: '', exact: null } });
        }}
        options={readingsOf(read).map((reading) => ({ key: said(reading), shows: <OfASample reading={reading} /> }))}
      />
    </div>
  );
}

interface RangeProps extends Omit<FieldsProps, 'business'> {
  readonly range: NonNullable<Reading['range']>;
}

/** A label that gives a range: what the business mixes it to, and ratios of their own for purposes. */
function Range({ draft: { form, set, at }, range }: RangeProps) {
  const change = (at: number, more: Partial<ProductForm['purposes'][number]>) =>
    set({ purposes: form.purposes.map((each, i) => (i === at ? { ...each, ...more } : each)) });
  return (
    <div className="col-span-full flex flex-col gap-3">
      <Says
        words={`A range: from ${showStrength(range.strongest)} for the dirtiest to ${showStrength(range.weakest)}, the gentlest.`}
      />
      <div className="grid grid-cols-2 max-md:grid-cols-1 gap-3">
        <TextField
          label="Mixed to, unless a purpose says otherwise"
          placeholder={showStrength(range.weakest)}
          value={form.dilution.text}
          error={at('waterParts')}
          onChange={(event) => set({ dilution: { text: event.target.value, exact: null } })}
        />
      </div>
      {form.purposes.map((each, i) => (
        <div key={i} className="grid grid-cols-2 gap-3">
          <TextField
            label="For"
            placeholder="very dirty"
            value={each.purpose}
            error={at(`purposes.${i}.purpose`)}
            onChange={(event) => change(i, { purpose: event.target.value })}
          />
          <TextField
            label="Ratio"
            placeholder="10:1"
            value={each.ratio.text}
            error={at(`purposes.${i}.waterParts`)}
            onChange={(event) => change(i, { ratio: { text: event.target.value, exact: null } })}
          />
        </div>
      ))}
      {form.purposes.length < 6 && (
        <Button
          look="quiet"
          className="self-start"
          onClick={() => set({ purposes: [...form.purposes, { purpose: '', ratio: { text: '', exact: null } }] })}
        >
          <Plus size={18} aria-hidden /> A ratio for a purpose
        </Button>
      )}
    </div>
  );
}
