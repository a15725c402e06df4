import { mix, showStrength } from '@dewpond/core/dilution';
import { showVolume } from '@dewpond/core/units';
import { useUnits } from '../../app/useUnits';
import { classes } from '../../ui/classes';
import type { Answer } from './calculator';

interface ReadingsProps {
  readonly answer: Answer;
  readonly chosen: 0 | 1;
  readonly onChoose: (reading: 0 | 1) => void;
}

/** A label that can be read two ways: both volumes side by side before any rounding to strokes, the house's habit first. */
export function Readings({ answer, chosen, onChoose }: ReadingsProps) {
  const units = useUnits();
  if (answer.label.kind !== 'ask which') return null;
  return (
    <div role="radiogroup" aria-label="Two ways to read it" className="col-span-2 grid grid-cols-2 gap-2">
      {answer.label.readings.map((reading, i) => {
        const total = (chosen === i ? answer.how : answer.other)?.total;
        const exact = total && mix(total, reading.strength);
        return (
          <button
            key={reading.words}
            type="button"
            role="radio"
            aria-checked={chosen === i}
            onClick={() => onChoose(i as 0 | 1)}
            className={classes(
              'rounded-xl border p-2.5 text-left text-sm leading-snug',
              chosen === i ? 'border-pond bg-pond-pale' : 'border-line',
            )}
          >
            <b className="block text-base">{showStrength(reading.strength)}</b>
            {reading.words}
            {exact && (
              <span className="block mt-1 font-semibold">
                {showVolume(exact.product, units)} product, {showVolume(exact.water, units)} water
              </span>
            )}
          </button>
        );
      })}
    </div>
  );
}
