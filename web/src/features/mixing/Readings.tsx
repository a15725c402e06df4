import { sayReading, showStrength, type Said } from '@dewpond/core/dilution';
import type { Answer } from '@dewpond/core/mixing';
import { showProduct, showVolume } from '@dewpond/core/units';
import { useUnits } from '../../app/useUnits';
import { classes } from '../../ui/classes';

interface ReadingsProps {
  readonly answer: Answer;
  readonly onSay: (said: Said) => void;
}

/** A label that can be read in more than one way: the volumes of each side by side before any rounding to strokes. */
export function Readings({ answer, onSay }: ReadingsProps) {
  const units = useUnits();
  if (answer.readings.length === 0) return null;
  return (
    <div role="radiogroup" aria-label="Ways to read it" className="col-span-2 grid grid-cols-2 gap-2">
      {answer.readings.map(({ reading, chosen, mix }) => (
        <button
          key={reading.words}
          type="button"
          role="radio"
          aria-checked={chosen}
          onClick={() => onSay(sayReading(reading))}
          className={classes(
            'rounded-xl border p-2.5 text-left text-sm leading-snug',
            chosen ? 'border-pond bg-pond-pale' : 'border-line',
          )}
        >
          <b className="block text-base">{showStrength(reading.strength)}</b>
          {reading.words}
          {mix && (
            <span className="block mt-1 font-semibold">
              {showProduct(mix.product, units)} product, {showVolume(mix.water, units)} water
            </span>
          )}
        </button>
      ))}
    </div>
  );
}
