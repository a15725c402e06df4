import { placeKey, type Place } from '@dewpond/core/places';
import { BENEATH_CHOICES, CHOICES } from '@dewpond/core/reasons';
import { tapped, type Because } from '@dewpond/core/events';
import { type Step } from '@dewpond/core/steps';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { TextField } from '../../ui/Field';
import type { TableWork } from './useTable';
import { record } from './visitLog';

const WAYS = ['brushed out', 'shaved', 'left'] as const;

/** Brush or shave, on whose word, what lay beneath, and what it cost in time. */
export function MatPanel({
  table,
  step,
  place,
}: {
  readonly table: TableWork;
  readonly step: Step;
  readonly place: Place;
}) {
  const known = table.state.mats.find((each) => placeKey(each.place) === placeKey(place));
  const owner = table.visit.owner.name;
  const [way, setWay] = useState<(typeof WAYS)[number] | null>(known?.way ?? null);
  const [word, setWord] = useState(known?.word ?? '');
  const [beneath, setBeneath] = useState<Because | null>(known?.beneath ?? null);
  const [minutes, setMinutes] = useState(known?.minutes ?? 5);
  const needsWord = way === 'shaved' && word.trim() === '';
  const settle = () => {
    if (way === null || needsWord) return;
    record(
      { type: 'mat settled', place, way, word: word.trim(), beneath, minutes },
      { type: 'step done', step: step.id },
    );
  };
  return (
    <section aria-label="This mat" className="flex flex-col gap-3 max-w-2xl">
      <div className="grid grid-cols-3 gap-2">
        {WAYS.map((each) => (
          <Choice
            key={each}
            chosen={way === each}
            onClick={() => setWay(each)}
            className="min-h-16 text-lg first-letter:uppercase"
          >
            {each === 'left' ? 'Left for another day' : each}
          </Choice>
        ))}
      </div>
      {way === 'shaved' && (
        <div className="flex flex-wrap items-end gap-2">
          <TextField
            className="min-h-14"
            label="Whose word, and when"
            value={word}
            onChange={(event) => setWord(event.target.value)}
            maxLength={200}
          />
          <Button look="quiet" className="min-h-14!" onClick={() => setWord(`${owner}, just now`)}>
            {owner}, just now
          </Button>
        </div>
      )}
      {way !== null && way !== 'left' && (
        <div role="group" aria-label="Beneath it" className="flex flex-wrap items-center gap-2">
          <span className="text-soft">Beneath it</span>
          {BENEATH_CHOICES.map((each) => {
            const chosen = beneath?.kind === 'choice' && beneath.choice === each;
            return (
              <Choice key={each} chosen={chosen} onClick={() => setBeneath(chosen ? null : tapped(each))}>
                {CHOICES[each]}
              </Choice>
            );
          })}
        </div>
      )}
      <div role="group" aria-label="Extra minutes" className="flex items-center gap-2">
        <span className="text-soft">Extra time</span>
        {[5, 10, 20, 40].map((each) => (
          <Choice key={each} chosen={minutes === each} onClick={() => setMinutes(each)}>
            {each} min
          </Choice>
        ))}
      </div>
      <Button look="main" className="min-h-16! text-lg" disabled={way === null || needsWord} onClick={settle}>
        {needsWord ? 'The owner’s word first' : 'This mat is settled'}
      </Button>
    </section>
  );
}
