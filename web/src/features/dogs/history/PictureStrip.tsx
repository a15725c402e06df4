import { compareColours, looksLikeAnother } from '@dewpond/core/colour';
import { namePlace, placeOf, type PlaceKey } from '@dewpond/core/places';
import { picturesAt, type PictureEntry, type RecordEntry } from '@dewpond/core/record';
import { useState } from 'react';
import { showDay } from '../../../browser/times';
import { ColourLine } from './ColourLine';
import { addressOf } from './addressOf';
import { sayReading } from '../../../parts/pictures/sayReading';
import { Choice } from '../../../ui/Choice';
import { Ripple } from '../../../ui/Ripple';

/** Pictures of one place from old to new, each with its grade; two of them large, side by side; what was measured as a line. */
export function PictureStrip({
  entries,
  place,
}: {
  readonly entries: readonly RecordEntry[];
  readonly place: PlaceKey;
}) {
  const pictures = picturesAt(entries, place);
  const [held, setHeld] = useState<readonly string[]>([]);
  if (pictures.length === 0) return null;
  const asked = pictures.filter(({ id }) => held.includes(id));
  const pair = asked.length === 2 ? asked : pictures.length > 1 ? [pictures[0], pictures.at(-1)] : [];
  const turn = (id: string) =>
    setHeld(held.includes(id) ? held.filter((each) => each !== id) : [...held, id].slice(-2));
  const name = namePlace(placeOf(place));
  const [then, now] = pair;
  return (
    <div className="flex flex-col gap-4">
      {then && now && <Pair then={then} now={now} name={name} />}
      <ul aria-label={`Pictures of the ${name}`} className="flex gap-3 overflow-x-auto pb-2">
        {pictures.map((each) => (
          <li key={each.id} className="w-40 shrink-0">
            <a href={addressOf(each.picture)} target="_blank" rel="noreferrer">
              <img
                src={addressOf(each.picture)}
                alt={`The ${name} on ${showDay(each.day)}`}
                className="w-full h-30 object-cover rounded-xl border border-line"
              />
            </a>
            <span className="flex items-center gap-2 min-h-9">
              <b>{showDay(each.day)}</b>
              {each.picture.grade !== null && <Ripple grade={each.picture.grade} size={26} />}
            </span>
            <span className="block text-sm text-soft">
              {[each.words.replace(/^picture(: )?/, ''), each.picture.colour && sayReading(each.picture.colour)]
                .filter(Boolean)
                .join(', ')}
            </span>
            {pictures.length > 2 && (
              <Choice
                chosen={each === then || each === now}
                onClick={() => turn(each.id)}
                className="no-print w-full text-sm px-2! min-h-11! mt-1"
              >
                Compare
              </Choice>
            )}
          </li>
        ))}
      </ul>
      <ColourLine pictures={pictures} name={name} />
    </div>
  );
}

interface PairProps {
  readonly then: PictureEntry;
  readonly now: PictureEntry;
  readonly name: string;
}

function Pair({ then, now, name }: PairProps) {
  return (
    <section aria-label={`${name}: ${showDay(then.day)} and ${showDay(now.day)}`}>
      <div className="grid grid-cols-2 gap-3 max-w-3xl">
        {[then, now].map(({ id, picture, day }) => (
          <figure key={id}>
            <img
              src={addressOf(picture)}
              alt={`The ${name} on ${showDay(day)}, large`}
              className="w-full aspect-[4/3] object-cover rounded-xl border border-line"
            />
            <figcaption>
              <b>{showDay(day)}</b> <span className="text-soft">{day.slice(0, 4)}</span>
            </figcaption>
          </figure>
        ))}
      </div>
      <ColourSaid then={then} now={now} />
    </section>
  );
}

function ColourSaid({ then, now }: Omit<PairProps, 'name'>) {
  const [before, after] = [then.picture.colour, now.picture.colour];
  if (!before || before.of !== after?.of) return null;
  const change = compareColours(before.of, before, after);
  return (
    <p className="mt-1">
      {looksLikeAnother(change)
        ? 'So different that it may be another dog or place. Look at both.'
        : change.says.length > 0
          ? `As measured: ${change.says.join(', ')} than on ${showDay(then.day)}.`
          : 'As measured: no change that the pictures can tell.'}
    </p>
  );
}
