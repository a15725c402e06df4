import { outbox, ownWork, storage } from '../../data/device';
import type { Coloured } from '@dewpond/core/colour';
import { areaOf, type Sign } from '@dewpond/core/findings';
import { namePlace, placeKey, type Place } from '@dewpond/core/places';
import type { Photo } from '@dewpond/core/visit';
import { Camera, Layers, Pipette } from 'lucide-react';
import { Suspense, lazy, useState } from 'react';
import { v7 } from 'uuid';
import { tell } from '../../ui/tell';
import { hasCamera } from '../../parts/pictures/hasCamera';
import { KeptPicture } from '../../parts/pictures/KeptPicture';
import { smallEnough } from '../../parts/pictures/smallEnough';
import { sayReading } from '../../parts/pictures/sayReading';
import type { TableWork } from './useTable';
import { record, useVisitLog } from './visitLog';
import { showDay } from '../../browser/times';

// Neither is needed before a picture is: they come when they are asked for.
const ColourDialog = lazy(async () => ({ default: (await import('../../parts/pictures/ColourDialog')).ColourDialog }));
const SameAngle = lazy(async () => ({ default: (await import('../../parts/pictures/SameAngle')).SameAngle }));

interface PhotosProps {
  readonly table: TableWork;
  readonly place: Place;
  readonly sign: Sign | null;
}

const FIRST_LOOKED_FOR: Readonly<Partial<Record<ReturnType<typeof areaOf>, Coloured>>> = { eye: 'stain' };

/** Today's pictures of a place beside the last one: has it grown, is it redder? */
export function Photos({ table, place, sign }: PhotosProps) {
  const [busy, setBusy] = useState(false);
  const [aligning, setAligning] = useState<Ghost | null>(null);
  const key = placeKey(place);
  const today = table.state.photos.filter((each) => placeKey(each.place) === key);
  const before = table.visit.photos.find((each) => each.place === key);
  const add = async (file: File) => {
    setBusy(true);
    try {
      const bytes = await smallEnough(file);
      const { visitId, person } = useVisitLog.getState();
      const photo = v7();
      await ownWork.addPhoto({ id: photo, visitId, person, bytes, refused: null });
      record({ type: 'photo taken', photo, place, sign });
      outbox.nudge();
    } catch (error) {
      tell(error instanceof Error ? error.message : 'The picture could not be kept.', { tone: 'stop' });
    } finally {
      setBusy(false);
    }
  };
  const [first] = today;
  // As found beside the last visit; after the work beside as found.
  const match = first
    ? { photo: first.photo, of: 'today, before the work' }
    : before && { photo: before.photo, of: showDay(before.day) };
  const align = async () => {
    if (match) setAligning({ src: await addressOf(match.photo), of: match.of });
  };
  return (
    <section aria-label={`Pictures, ${namePlace(place)}`} className="mt-4">
      <div className="flex flex-wrap gap-3">
        {before && (
          <figure className="w-44">
            <KeptPicture photo={before.photo} alt={`${namePlace(place)}, ${showDay(before.day)}`} />
            <figcaption className="text-sm text-soft">
              {showDay(before.day)}
              {before.colour && `, ${sayReading(before.colour)}`}
            </figcaption>
          </figure>
        )}
        {today.map((photo, i) => (
          <OfToday
            key={photo.photo}
            photo={photo}
            name={today.length < 2 ? 'today' : i === 0 ? 'today, before' : 'today, after'}
            before={before?.colour ? { colour: before.colour, day: showDay(before.day) } : null}
          />
        ))}
        <div className="flex flex-col gap-2">
          {match && hasCamera() && (
            <button type="button" className={TAKE} onClick={() => void align()}>
              <Layers size={20} aria-hidden /> Same angle
            </button>
          )}
          <label className={TAKE}>
            <Camera size={20} aria-hidden /> {busy ? 'Making it smaller…' : 'Picture'}
            <input
              type="file"
              accept="image/jpeg,image/png,image/webp"
              capture="environment"
              className="sr-only"
              disabled={busy}
              onChange={(event) => {
                const file = event.target.files?.[0];
                event.target.value = '';
                if (file) void add(file);
              }}
            />
          </label>
        </div>
      </div>
      {aligning && (
        <Suspense>
          <SameAngle
            place={namePlace(place)}
            ghost={aligning}
            onTaken={(file) => void add(file)}
            onClose={() => {
              if (aligning.src.startsWith('blob:')) URL.revokeObjectURL(aligning.src);
              setAligning(null);
            }}
          />
        </Suspense>
      )}
    </section>
  );
}

interface Ghost {
  readonly src: string;
  readonly of: string;
}

const TAKE =
  'inline-flex items-center gap-2 rounded-xl border border-line px-4 min-h-14 font-semibold cursor-pointer hover:bg-pond-pale focus-within:outline-2 focus-within:outline-pond';

/** On this device while it waits to be sent, else at the server. */
async function addressOf(photo: string): Promise<string> {
  const waiting = await storage.photos.get(photo);
  return waiting ? URL.createObjectURL(waiting.bytes) : `/api/photos/${photo}`;
}

interface OfTodayProps {
  readonly photo: Photo;
  readonly name: string;
  readonly before: Parameters<typeof ColourDialog>[0]['before'];
}

function OfToday({ photo: { photo, place, colour }, name, before }: OfTodayProps) {
  const [measuring, setMeasuring] = useState<Blob | null>(null);
  const measure = async () => {
    const waiting = await storage.photos.get(photo);
    const bytes =
      waiting?.bytes ??
      (await fetch(`/api/photos/${photo}`).then(
        (answer) => answer.blob(),
        () => null,
      ));
    if (bytes) setMeasuring(bytes);
    else tell('That picture is not here without a network.', { tone: 'stop' });
  };
  return (
    <figure className="w-44">
      <KeptPicture photo={photo} alt={`${namePlace(place)}, ${name}`} />
      <figcaption className="text-sm text-soft">
        {name}
        {colour && `, ${sayReading(colour)}`}
        <span className="flex justify-between gap-2">
          <button
            type="button"
            className="inline-flex items-center gap-1 min-h-14 px-2 font-semibold text-pond"
            onClick={() => void measure()}
          >
            <Pipette size={17} aria-hidden /> Colour
          </button>
          <button
            type="button"
            className="underline min-h-14 px-2"
            onClick={() => record({ type: 'photo removed', photo })}
          >
            take off
          </button>
        </span>
      </figcaption>
      {measuring && (
        <Suspense>
          <ColourDialog
            picture={measuring}
            place={namePlace(place)}
            of={FIRST_LOOKED_FOR[areaOf(place.site)] ?? 'skin'}
            before={before}
            onKeep={(reading) => record({ type: 'colour measured', photo, colour: reading })}
            onClose={() => setMeasuring(null)}
          />
        </Suspense>
      )}
    </figure>
  );
}
