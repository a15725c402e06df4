import { newWeighing, type DogView } from '@dewpond/contract';
import { usualWeight } from '@dewpond/core/catalogue';
import { KG_PER_POUND, kilograms, showWeight, type UnitSystem } from '@dewpond/core/units';
import { extent } from 'd3-array';
import type { z } from 'zod';
import { scaleLinear, scaleTime } from 'd3-scale';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { typedNumber } from '../../../forms/typedNumber';
import { useCatalogue } from '../../../data/useCatalogue';
import { fresh, useDraft } from '../../../forms/useDraft';
import { useUnits } from '../../../data/useUnits';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { TextField } from '../../../ui/Field';
import { tell } from '../../../ui/tell';
import { showDay } from '../../../browser/times';
import { locale } from '../../../browser/locale';

const WIDTH = 340;
const HEIGHT = 110;
const PAD = { left: 44, right: 12, top: 12, bottom: 22 };
const DAY_MS = 86_400_000;

/** Weights over time against the breed's usual range, and the field to put in today's. */
export function WeightCard({ dog }: { readonly dog: DogView }) {
  const units = useUnits();
  const range = usualWeight(dog.profile.breeds, useCatalogue());
  const [first, last] = [dog.weighings[0], dog.weighings.at(-1)];
  const change = first && last && first !== last ? last.kg - first.kg : null;
  return (
    <Card title="Weight" aside={showWeight(kilograms(dog.profile.weightKg), units)}>
      {dog.weighings.length > 1 ? (
        <>
          <WeightChart weighings={dog.weighings} range={range} units={units} />
          {change !== null && (
            <p className="text-sm text-soft">
              {change === 0
                ? 'As on'
                : `${showWeight(kilograms(Math.abs(change)), units)} ${change > 0 ? 'more' : 'less'} than on`}{' '}
              {showDay(first?.day ?? dog.today)}.
            </p>
          )}
        </>
      ) : (
        <p className="text-soft text-sm">The second weighing draws the line.</p>
      )}
      <Weigh dog={dog} units={units} />
    </Card>
  );
}

function Weigh({ dog, units }: { readonly dog: DogView; readonly units: UnitSystem }) {
  const draft = useDraft(fresh({ weight: '' }), {
    as: ({ weight }) => ({
      day: dog.today,
      kg: Math.round(typedNumber(weight) * (units === 'US' ? KG_PER_POUND : 1) * 100) / 100,
    }),
    fits: newWeighing,
  });
  const weigh = useWrite('POST /api/dogs/:id/weighings', {
    form: draft,
    write: (_, body: z.input<typeof newWeighing>) => call('POST /api/dogs/:id/weighings', { id: dog.id, body }),
    onSuccess: () => {
      draft.again();
      tell('Weighed. Amounts and lifting follow it.');
    },
  });
  return (
    <form
      noValidate
      onSubmit={draft.submit((body) => weigh.mutate(body))}
      className="mt-2 grid grid-cols-[1fr_auto] items-start gap-2"
    >
      <TextField
        label={`Weighed today, ${units === 'US' ? 'lb' : 'kg'}`}
        inputMode="decimal"
        autoComplete="off"
        {...draft.field('weight', 'kg')}
        error={draft.at('kg') ?? draft.refusal}
      />
      <Button type="submit" className="mt-6" disabled={weigh.isPending}>
        Keep
      </Button>
    </form>
  );
}

interface WeightChartProps {
  readonly weighings: DogView['weighings'];
  readonly range: readonly [number, number] | null;
  readonly units: UnitSystem;
}

/** A line of weights; the band is what most grown dogs of the breed weigh. */
function WeightChart({ weighings, range, units }: WeightChartProps) {
  const per = units === 'US' ? KG_PER_POUND : 1;
  const points = weighings.map(({ day, kg }) => ({ day, at: Date.parse(day), value: kg / per }));
  const [low = 0, high = 1] = extent([...points.map(({ value }) => value), ...(range ?? []).map((kg) => kg / per)]);
  const [from = 0, to = DAY_MS] = extent(points, ({ at }) => at);
  const y = scaleLinear([low * 0.97, high * 1.03], [HEIGHT - PAD.bottom, PAD.top]).nice(3);
  const x = scaleTime([from, Math.max(to, from + DAY_MS)], [PAD.left, WIDTH - PAD.right]);
  const last = points.at(-1);
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full" role="img" aria-label={summary(weighings, units)}>
      {range && (
        <rect
          x={PAD.left}
          width={WIDTH - PAD.left - PAD.right}
          y={y(range[1] / per)}
          height={Math.max(y(range[0] / per) - y(range[1] / per), 1)}
          fill="var(--reed-pale)"
        />
      )}
      {y.ticks(3).map((tick) => (
        <g key={tick}>
          <line x1={PAD.left} x2={WIDTH - PAD.right} y1={y(tick)} y2={y(tick)} stroke="var(--line)" />
          <text x={PAD.left - 6} y={y(tick) + 4} textAnchor="end" fontSize={12} fill="var(--soft)">
            {tick}
          </text>
        </g>
      ))}
      <polyline
        points={points.map(({ at, value }) => `${x(at)},${y(value)}`).join(' ')}
        fill="none"
        stroke="var(--pond)"
        strokeWidth={2}
      />
      {points.map(({ day, at, value }) => (
        <circle key={day} cx={x(at)} cy={y(value)} r={3.5} fill="var(--pond)">
          <title>{`${showDay(day)}: ${value.toFixed(1)}`}</title>
        </circle>
      ))}
      {[points[0], last].map(
        (point, i) =>
          point && (
            <text
              key={i}
              x={x(point.at)}
              y={HEIGHT - 5}
              textAnchor={i === 0 ? 'start' : 'end'}
              fontSize={12}
              fill="var(--soft)"
            >
              {monthWords(point.day)}
            </text>
          ),
      )}
    </svg>
  );
}

const monthWords = (day: string): string =>
  new Date(`${day}T12:00:00Z`).toLocaleDateString(locale(), { month: 'short', year: 'numeric', timeZone: 'UTC' });

const summary = (weighings: DogView['weighings'], units: UnitSystem): string =>
  weighings.map(({ day, kg }) => `${showDay(day)} ${showWeight(kilograms(kg), units)}`).join(', ');
