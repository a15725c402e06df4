import { sayReading, showStrength, type RatioSaid } from '@dewpond/core/dilution';
import type { MixAnswer } from '@dewpond/core/mixing';
import { showProduct, showVolume } from '@dewpond/core/units';
import { useUnits } from '../../../data/useUnits';
import { OneOf } from '../../../ui/OneOf';

interface ReadingsProps {
  readonly answer: MixAnswer;
  readonly onSay: (said: RatioSaid) => void;
}

/** A label that can be read in more than one way: the volumes of each side by side before any rounding to strokes. */
export function Readings({ answer, onSay }: ReadingsProps) {
  const units = useUnits();
  if (answer.readings.length === 0) return null;
  return (
    <OneOf
      label="Ways to read it"
      className="col-span-2 grid grid-cols-2 gap-2"
      card="p-2.5 text-sm leading-snug"
      chosen={answer.readings.find(({ chosen }) => chosen)?.reading.words ?? null}
      onChoose={(words) => {
        const taken = answer.readings.find(({ reading }) => reading.words === words);
        if (taken) onSay(sayReading(taken.reading));
      }}
      options={answer.readings.map(({ reading, mix }) => ({
        key: reading.words,
        shows: (
          <>
            <b className="block text-base">{showStrength(reading.strength)}</b>
            {reading.words}
            {mix && (
              <span className="block mt-1 font-semibold">
                {showProduct(mix.product, units)} product, {showVolume(mix.water, units)} water
              </span>
            )}
          </>
        ),
      }))}
    />
  );
}
