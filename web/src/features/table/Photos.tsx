import { outbox, ownWork, storage } from '../../data/device';
import type { Sign } from '@dewpond/core/findings';
import { namePlace, placeKey, type Place } from '@dewpond/core/places';

import { Camera } from 'lucide-react';
import { useEffect, useState } from 'react';
import { v7 } from 'uuid';
import { tell } from '../../ui/tell';
import { smallEnough } from '../../parts/pictures/smallEnough';
import type { TableWork } from './useTable';
import { record, useVisitLog } from './visitLog';
import { showDay } from '../../browser/times';

interface PhotosProps {
  readonly table: TableWork;
  readonly place: Place;
  readonly sign: Sign | null;
}

/** Today's pictures of a place beside the last one: has it grown, is it redder? */
export function Photos({ table, place, sign }: PhotosProps) {
  const [busy, setBusy] = useState(false);
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
  return (
    <section aria-label={`Pictures, ${namePlace(place)}`} className="mt-4">
      <div className="flex flex-wrap gap-3">
        {before && (
          <figure className="w-40">
            <Picture photo={before.photo} alt={`${namePlace(place)}, ${showDay(before.day)}`} />
            <figcaption className="text-sm text-soft">{showDay(before.day)}, last picture</figcaption>
          </figure>
        )}
        {today.map(({ photo }) => (
          <figure key={photo} className="w-40">
            <Picture photo={photo} alt={`${namePlace(place)}, today`} />
            <figcaption className="text-sm text-soft flex justify-between items-center">
              today
              <button
                type="button"
                className="underline min-h-14 px-2"
                onClick={() => record({ type: 'photo removed', photo })}
              >
                take off
              </button>
            </figcaption>
          </figure>
        ))}
        <label className="inline-flex items-center gap-2 rounded-xl border border-line px-4 min-h-14 font-semibold cursor-pointer hover:bg-pond-pale focus-within:outline-2 focus-within:outline-pond">
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
    </section>
  );
}

/** From this device while it waits to be sent, else from the server. */
export function Picture({ photo, alt }: { readonly photo: string; readonly alt: string }) {
  const [here, setHere] = useState<string | null>(null);
  const [missing, setMissing] = useState(false);
  useEffect(() => {
    let url: string | null = null;
    void storage.photos.get(photo).then((row) => {
      url = row ? URL.createObjectURL(row.bytes) : null;
      setHere(url ?? `/api/photos/${photo}`);
    });
    return () => {
      if (url !== null) URL.revokeObjectURL(url);
    };
  }, [photo]);
  if (here === null || missing)
    return (
      <div className="grid place-items-center w-full aspect-[4/3] rounded-lg border border-line text-sm text-soft text-center">
        {missing ? 'Not here without a network' : ''}
      </div>
    );
  return (
    <img
      src={here}
      alt={alt}
      onError={() => setMissing(true)}
      className="w-full aspect-[4/3] object-cover rounded-lg border border-line"
    />
  );
}
