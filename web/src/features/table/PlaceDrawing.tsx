import { areaOf } from '@dewpond/core/findings';
import { lookedAtWith, namePlace, placeKey, placeOf, type Foot, type Place } from '@dewpond/core/places';
import { DogHead } from '../../drawings/DogHead';
import { DogMouth } from '../../drawings/DogMouth';
import { DogPaw } from '../../drawings/DogBody';
import { gradeAt } from './LookOver';
import type { TableWork } from './useTable';

interface PlaceDrawingProps {
  readonly table: TableWork;
  readonly place: Place;
  readonly onPlace: (place: Place) => void;
}

/** The place itself, close up: the flap lifted, the face with its folds, the lip lifted, the paw with every nail. */
export function PlaceDrawing({ table, place, onPlace }: PlaceDrawingProps) {
  const area = areaOf(place.site);
  const key = placeKey(place);
  const grades = { [key]: gradeAt(table, key) };
  if (area === 'mouth') return <DogMouth className="h-32 mx-auto mb-2" />;
  if (area === 'paw' || area === 'nail') {
    const { site, side } = lookedAtWith(place);
    if (side === 'none') return null;
    const foot = site.split(' ')[1] as Foot;
    const nails = table.state.findings.map((found) => placeKey(found.place));
    const all = Object.fromEntries([key, ...nails].map((each) => [each, gradeAt(table, each)]));
    return (
      <div className="mb-2">
        <DogPaw foot={foot} side={side} grades={all} onPlace={(to) => onPlace(placeOf(to))} className="h-44 mx-auto" />
        <div className="grid grid-cols-6 gap-1.5 mt-1">
          {nailsOf(place).map((each) => (
            <button
              key={placeKey(each)}
              type="button"
              aria-pressed={placeKey(each) === key}
              aria-label={namePlace(each)}
              onClick={() => onPlace(each)}
              className="rounded-lg border border-line min-h-14 text-sm font-semibold leading-tight aria-pressed:bg-pond aria-pressed:text-on-pond aria-pressed:border-pond"
            >
              {shortName(each)}
            </button>
          ))}
        </div>
      </div>
    );
  }
  if (area === 'ear' || area === 'eye' || (area === 'fold' && !/neck|tail|vulva/.test(place.site))) {
    return (
      <DogHead
        traits={table.visit.facts.traits}
        lifted={area === 'ear'}
        grades={grades}
        small
        className="h-40 mx-auto mb-2 max-md:hidden"
      />
    );
  }
  return null;
}

/** The paw and its nails, from the inside out. */
function nailsOf(place: Place): Place[] {
  const paw = lookedAtWith(place);
  const foot = paw.site.split(' ')[1] as Foot;
  return [paw, ...([1, 2, 3, 4, 5] as const).map((toe): Place => ({ site: `nail ${foot} ${toe}`, side: paw.side }))];
}

function shortName({ site }: Place): string {
  const [kind, , toe] = site.split(' ');
  if (kind === 'paw') return 'paw';
  return toe === '1' ? 'dewclaw' : `nail ${toe}`;
}
