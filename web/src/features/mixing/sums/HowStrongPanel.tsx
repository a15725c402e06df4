import type { BusinessView } from '@dewpond/contract';
import { rangeFrom, showStrength, strengthOf, type Strength } from '@dewpond/core/dilution';
import { useState } from 'react';
import { Card } from '../../../ui/Card';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import { VolumeField } from '../../../forms/VolumeField';
import { MixingAnswer, Figure, Refusal } from './MixingAnswer';
import { howStrong, type Sum } from '@dewpond/core/mixing';

/** "I put two strokes in this bottle": the strength it has, against what the label says. */
export function HowStrongPanel({ business }: { readonly business: BusinessView }) {
  const diluted = business.products.filter((each) => each.strength !== null);
  const [productId, setProductId] = useState(diluted[0]?.id ?? '');
  const product = diluted.find((each) => each.id === productId);
  const [strokes, setStrokes] = useState('2');
  const [stroke, setStroke] = useState(product?.strokeMl ?? 5);
  const [total, setTotal] = useState(500);
  const medicated = product?.kind === 'medicated';
  const label: Sum<{ strength: Strength }> =
    !product || product.waterParts === null
      ? { kind: 'no answer', why: 'Choose a product.' }
      : { kind: 'answer', strength: strengthOf(product.waterParts) };
  const range = product?.range ? rangeFrom(product.range) : null;
  const sum = howStrong({ strokes: Number(strokes), stroke, total }, label, medicated, range);
  const inIt = Number(strokes) * stroke;
  const choose = (id: string) => {
    setProductId(id);
    setStroke(diluted.find((each) => each.id === id)?.strokeMl ?? stroke);
  };
  return (
    <div className="grid grid-cols-[380px_1fr] max-lg:grid-cols-1 gap-3.5">
      <Card title="What went in">
        <div className="grid grid-cols-2 gap-3">
          <div className="col-span-2">
            <SelectField label="Product" value={productId} onChange={(event) => choose(event.target.value)}>
              {diluted.map((each) => (
                <option key={each.id} value={each.id}>
                  {each.name}, {each.strength}
                </option>
              ))}
            </SelectField>
          </div>
          <TextField
            label="Strokes"
            inputMode="decimal"
            value={strokes}
            onChange={(event) => setStrokes(event.target.value)}
            autoFocus
          />
          <VolumeField label="One stroke" ml={stroke} onMl={setStroke} />
          <div className="col-span-2">
            <VolumeField label="Mix in the bottle, water and all" ml={total} onMl={setTotal} />
          </div>
        </div>
      </Card>
      {sum.kind === 'no answer' ? (
        <MixingAnswer title="Not yet">
          <Refusal why={sum.why} />
        </MixingAnswer>
      ) : (
        <MixingAnswer
          title="How strong it is"
          bottle={{ below: inIt, above: total - inIt, label: 'dark: product; pale: water' }}
        >
          <Figure
            big={sum.strength === 'neat' ? 'Neat' : showStrength(sum.strength)}
            words={againstLabel(sum.error, product?.strength ?? null)}
          />
          {sum.verdict && sum.verdict.kind !== 'fine' && <Refusal why={sum.verdict.why} />}
          {sum.verdict?.kind === 'fine' && <p className="text-reed font-semibold">Within the limits.</p>}
        </MixingAnswer>
      )}
    </div>
  );
}

function againstLabel(error: number | null, label: string | null): string {
  if (error === null || label === null) return 'no label to hold it against';
  if (Math.abs(error) < 0.0005) return `exactly ${label}, as the label says`;
  return `${Math.abs(error * 100).toFixed(1)} % ${error > 0 ? 'stronger' : 'weaker'} than ${label}`;
}
