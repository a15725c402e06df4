import {
  FINDING_COLOURS,
  FINDING_SMELLS,
  knowsRefused,
  type Finding,
  type FindingDetails,
} from '@dewpond/core/findings';
import { isDay, type Day } from '@dewpond/core/units';
import { Minus, Plus } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { record } from './visitLog';
import { DayField } from '../../forms/DayField';

/** Writes the words down if they are others than before. */
function keepWords(marked: Finding, typed: string): void {
  const { words: before = '', ...others } = marked.more ?? {};
  const words = typed.trim();
  if (words !== before)
    record({ type: 'found', finding: { ...marked, more: words === '' ? others : { ...others, words } } });
}

/** Colour, smell, size, known, painful, and free words: none of it needed, each of it one tap. */
export function FindingMore({ marked, today }: { readonly marked: Finding; readonly today: Day }) {
  const more = marked.more ?? {};
  const mayBeKnown = marked.grade === 1 && knowsRefused(marked.sign, marked.place) === null;
  const [words, setWords] = useState(more.words ?? '');
  // Leaving by Escape takes the field away without a blur: what was typed is kept all the same.
  const latest = useRef({ marked, words });
  useEffect(() => {
    latest.current = { marked, words };
  });
  useEffect(() => () => keepWords(latest.current.marked, latest.current.words), []);
  const say = (details: FindingDetails) => record({ type: 'found', finding: { ...marked, more: details } });
  const toggle = <K extends keyof FindingDetails>(key: K, value: NonNullable<FindingDetails[K]>) => {
    const { [key]: before, ...others } = more;
    say(before === value ? others : { ...others, [key]: value });
  };
  const mm = more.mm ?? 0;
  const size = (to: number) => {
    const { mm: _, ...others } = more;
    say(to <= 0 ? others : { ...others, mm: Math.min(500, to) });
  };
  return (
    <div className="w-full flex flex-col gap-2">
      <Choices name="Colour" of={FINDING_COLOURS} chosen={more.colour} onChoose={(each) => toggle('colour', each)} />
      <Choices name="Smell" of={FINDING_SMELLS} chosen={more.smell} onChoose={(each) => toggle('smell', each)} />
      <div role="group" aria-label="Size, mm" className="flex flex-wrap items-center gap-2">
        <span className="w-16 text-soft">Size</span>
        <Button look="quiet" className="min-h-14! min-w-14" aria-label="1 mm smaller" onClick={() => size(mm - 1)}>
          <Minus size={20} aria-hidden />
        </Button>
        <output className="min-w-20 text-center text-lg font-bold">{mm === 0 ? 'not measured' : `${mm} mm`}</output>
        <Button look="quiet" className="min-h-14! min-w-14" aria-label="1 mm larger" onClick={() => size(mm + 1)}>
          <Plus size={20} aria-hidden />
        </Button>
        <Button look="quiet" className="min-h-14!" onClick={() => size(mm + 5)}>
          + 5 mm
        </Button>
      </div>
      <div className="flex flex-wrap gap-2">
        <Choice chosen={more.known === false} onClick={() => toggle('known', false)}>
          new
        </Choice>
        <Choice chosen={more.known === true} onClick={() => toggle('known', true)}>
          known to the owner
        </Choice>
        <Choice chosen={more.painful === true} onClick={() => toggle('painful', true)}>
          painful
        </Choice>
      </div>
      {(mayBeKnown || more.vetKnew !== undefined) && (
        <div className="flex flex-wrap items-center gap-2">
          <Choice chosen={more.vetKnew !== undefined} onClick={() => toggle('vetKnew', more.vetKnew ?? today)}>
            a vet knows it, unchanged
          </Choice>
          {more.vetKnew !== undefined && (
            <DayField
              label="looked at on"
              className="min-h-14"
              value={more.vetKnew}
              max={today}
              onChange={({ target: { value } }) => isDay(value) && value <= today && say({ ...more, vetKnew: value })}
            />
          )}
        </div>
      )}
      <label className="flex flex-col gap-1">
        <span className="text-soft">In your own words (the keyboard’s microphone works here)</span>
        <textarea
          value={words}
          rows={2}
          maxLength={500}
          onChange={(event) => setWords(event.target.value)}
          onBlur={() => keepWords(marked, words)}
          className="rounded-xl border border-line bg-surface px-3 py-2 min-h-14"
        />
      </label>
    </div>
  );
}

function Choices<T extends string>({
  name,
  of,
  chosen,
  onChoose,
}: {
  readonly name: string;
  readonly of: readonly T[];
  readonly chosen: T | undefined;
  readonly onChoose: (each: T) => void;
}) {
  return (
    <div role="group" aria-label={name} className="flex flex-wrap items-center gap-1.5">
      <span className="w-16 text-soft">{name}</span>
      {of.map((each) => (
        <Choice key={each} chosen={chosen === each} onClick={() => onChoose(each)}>
          {each}
        </Choice>
      ))}
    </div>
  );
}
