import { placeKey, type Place } from '@dewpond/core/places';
import { LEAVE_IT } from '@dewpond/core/stops';
import type { Step } from '@dewpond/core/steps';
import { barTold, leftOutWords, placesTold } from '@dewpond/core/wording';
import { Ban } from 'lucide-react';
import { SourceMark } from '../../ui/SourceMark';

/** So many places are read at a glance; more are a part of the body, and its name is the title of the step. */
const FEW = 4;
function fewPlaces(places: readonly Place[]): readonly string[] {
  const told = placesTold(places);
  const count = new Set(places.map(placeKey)).size;
  return count > 0 && count <= FEW ? [told] : [];
}

/** What bars take out of an open step, in one line each, and what of it is left where it has several pieces. */
export function LeftOut({ step: { leavesOut, pieces } }: { readonly step: Step }) {
  if (leavesOut.length === 0) return null;
  const names = [...new Set(pieces.map(({ name }) => name))];
  // Of one piece the places that are left are told, as far as they fit one line.
  const left = names.length > 1 ? names : fewPlaces(pieces.flatMap(({ touches }) => touches.map(({ place }) => place)));
  return (
    <section aria-label="Left out" className="rounded-xl border border-stop bg-stop-pale px-4 py-2 mb-4 text-lg">
      <ul>
        {leavesOut.map((each) => {
          const words = leftOutWords(each);
          const [worst] = each.bars;
          return (
            <li key={`${words} ${each.instead.words}`} className="flex items-center gap-3 leading-snug py-1">
              <Ban size={20} aria-hidden className="text-stop shrink-0" />
              <span className="flex-1">
                <b className="text-stop">Leave out:</b> {words}.{' '}
                {each.instead.words === LEAVE_IT.words ? '' : each.instead.words}
              </span>
              {worst && (
                <SourceMark
                  roomy
                  source={worst.source}
                  because={each.bars.map((bar) => `${barTold(bar, each.places)}.`).join(' ')}
                />
              )}
            </li>
          );
        })}
      </ul>
      {left.length > 0 && <p className="pb-1">Left to do: {left.join(', ')}.</p>}
    </section>
  );
}
