import { mix, showStrength, type LabelReading, type Reading } from '@dewpond/core/dilution';
import { millilitres, showVolume } from '@dewpond/core/units';
import { Plus } from 'lucide-react';
import type { ReactNode } from 'react';
import { useUnits } from '../../app/useUnits';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/Field';
import { classes } from '../../ui/classes';
import type { FieldsProps } from './ProductFields';
import { readForm, type ProductForm } from './productForm';

/** How the printed ratio was read, and what a person has to decide about it. */
export function LabelReadingFields({ form, set, at, house }: FieldsProps) {
  const oneToN = house.ways.readsOneTo;
  if (form.label.trim() === '') return null;
  const read = readForm(form, oneToN);
  switch (read.kind) {
    case 'read':
      return <Says words={<OfHalfLitre reading={read.reading} />} />;
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
            value={form.dilution}
            error={at('waterParts')}
            onChange={(event) => set({ dilution: event.target.value })}
          />
        </>
      );
    case 'ask which':
      return <Which read={read} form={form} set={set} />;
    case 'range':
      return <Range form={form} set={set} at={at} read={read} />;
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

/** A reading with what half a litre of it takes. */
function OfHalfLitre({ reading }: { readonly reading: Reading }) {
  const units = useUnits();
  const { product, water } = mix(millilitres(500), reading.strength);
  return (
    <>
      Read as <b>{showStrength(reading.strength)}</b>: {reading.words}. Half a litre takes {showVolume(product, units)}{' '}
      of it and {showVolume(water, units)} of water.
    </>
  );
}

interface WhichProps {
  readonly read: Extract<LabelReading, { kind: 'ask which' }>;
  readonly form: ProductForm;
  readonly set: FieldsProps['set'];
}

function Which({ read, form, set }: WhichProps) {
  return (
    <div
      role="radiogroup"
      aria-label="Two ways to read it"
      className="col-span-full grid grid-cols-2 max-md:grid-cols-1 gap-2"
    >
      {read.readings.map((reading, i) => (
        <button
          key={reading.words}
          type="button"
          role="radio"
          aria-checked={form.reading === i}
          onClick={() => set({ reading: i as 0 | 1 })}
          className={classes(
            'rounded-xl border p-2.5 text-left text-sm leading-snug',
            form.reading === i ? 'border-pond bg-pond-pale' : 'border-line',
          )}
        >
          <OfHalfLitre reading={reading} />
        </button>
      ))}
    </div>
  );
}

interface RangeProps extends Omit<FieldsProps, 'house'> {
  readonly read: Extract<LabelReading, { kind: 'range' }>;
}

/** A label that gives a range: what the house mixes it to, and ratios of their own for purposes. */
function Range({ form, set, at, read }: RangeProps) {
  const change = (at: number, more: Partial<ProductForm['purposes'][number]>) =>
    set({ purposes: form.purposes.map((each, i) => (i === at ? { ...each, ...more } : each)) });
  return (
    <div className="col-span-full flex flex-col gap-3">
      <Says
        words={`A range: from ${showStrength(read.strongest.strength)} for the dirtiest to ${showStrength(read.weakest.strength)}, the gentlest.`}
      />
      <div className="grid grid-cols-2 max-md:grid-cols-1 gap-3">
        <TextField
          label="Mixed to, unless a purpose says otherwise"
          placeholder={showStrength(read.weakest.strength)}
          value={form.dilution}
          error={at('waterParts')}
          onChange={(event) => set({ dilution: event.target.value })}
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
            value={each.ratio}
            error={at(`purposes.${i}.waterParts`)}
            onChange={(event) => change(i, { ratio: event.target.value })}
          />
        </div>
      ))}
      {form.purposes.length < 6 && (
        <Button
          look="quiet"
          className="self-start"
          onClick={() => set({ purposes: [...form.purposes, { purpose: '', ratio: '' }] })}
        >
          <Plus size={18} aria-hidden /> A ratio for a purpose
        </Button>
      )}
    </div>
  );
}
