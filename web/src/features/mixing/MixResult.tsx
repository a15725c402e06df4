import { showStrength, type Bottle } from '@dewpond/core/dilution';
import { COMMON_PRACTICE, HOUSE_VALUE } from '@dewpond/core/provenance';
import { millilitres, showVolume } from '@dewpond/core/units';
import { useUnits } from '../../app/useUnits';
import { BottleDrawing } from '../../drawings/BottleDrawing';
import { Card } from '../../ui/Card';
import { SourceMark } from '../../ui/SourceMark';
import type { Answer } from './reckon';

/** The bottle to scale, and the order of the hands: water, product, turn. */
export function MixResult({
  answer,
  bottle,
  strokeMl,
}: {
  readonly answer: Answer;
  readonly bottle: Bottle;
  readonly strokeMl: number;
}) {
  const units = useUnits();
  const { how } = answer;
  const volume = (ml: number) => showVolume(millilitres(ml), units);
  if (answer.label.kind === 'ready to use') return <Card title="Ready to use">Never diluted: use it as it is.</Card>;
  if (!how) return <Card title="Not yet">{answer.problem ?? 'Fill in the label.'}</Card>;
  const strokes = how.by === 'millilitres' ? null : how.strokes;
  return (
    <Card
      title={bottle.name}
      aside={`comes to ${showStrength(how.realised)}, ${how.error === 0 ? 'exactly the label' : `${Math.abs(how.error * 100).toFixed(1)} % ${how.error > 0 ? 'stronger' : 'weaker'} than the label`}`}
    >
      <div className="flex flex-wrap gap-8 items-center">
        <BottleDrawing
          product={how.product}
          water={how.water}
          brim={bottle.brim}
          graduation={bottle.graduation}
          height={300}
          label={`${bottle.name}: ${volume(how.product)} product, ${volume(how.water)} water`}
        />
        <ol className="flex flex-col gap-4">
          <Line n={1} big={volume(how.water)} words="warm water, late" />
          <Line
            n={2}
            big={strokes === null ? volume(how.product) : `${strokes} × ${volume(strokeMl)}`}
            words={strokes === null ? 'of product, by measure' : `strokes of product, ${volume(how.product)}`}
          />
          <Line n={3} big="Turn" words={`the bottle, do not shake: less foam. ${volume(how.total)} in all.`} />
        </ol>
      </div>
      {how.by === 'strokes, water fitted' && (
        <p className="mt-3 text-soft">
          The water was fitted to whole strokes: {volume(how.total)} instead of what was asked.
        </p>
      )}
      {how.by === 'millilitres' && strokeMl > 0 && (
        <p className="mt-3 text-soft">No whole number of strokes comes within the limits here: measure the product.</p>
      )}
      {answer.warning && (
        <p role="alert" className="mt-3 rounded-xl bg-watch-pale text-watch font-semibold px-4 py-2">
          {answer.warning}
        </p>
      )}
      <p className="mt-3 text-sm text-soft">
        Accepted from 10 % weaker to 5 % stronger than the label, medicated within 2 %.{' '}
        <SourceMark source={HOUSE_VALUE} /> A made-up mix is thrown away at the end of the day.{' '}
        <SourceMark source={COMMON_PRACTICE} because="It holds no preservative." />
      </p>
    </Card>
  );
}

function Line({ n, big, words }: { readonly n: number; readonly big: string; readonly words: string }) {
  return (
    <li className="flex items-baseline gap-3">
      <span className="grid place-items-center size-8 rounded-full bg-pond-pale text-pond font-bold shrink-0 self-center">
        {n}
      </span>
      <span>
        <span className="block text-[32px] font-bold leading-none">{big}</span>
        <span className="text-soft">{words}</span>
      </span>
    </li>
  );
}
