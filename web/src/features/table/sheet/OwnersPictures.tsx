import type { SheetView } from '@dewpond/contract';
import type { SheetEdits } from '@dewpond/core/sheet';
import { Choice } from '../../../ui/Choice';

/** As many as a sheet may show. */
const MOST = 6;

interface OwnersPicturesProps {
  readonly view: SheetView;
  readonly edits: SheetEdits;
  readonly onChange: (edits: SheetEdits) => void;
}

/** Pictures of this visit; the owner sees those that are chosen, if pictures were agreed to. */
export function OwnersPictures({ view, edits, onChange }: OwnersPicturesProps) {
  if (view.photos.length === 0) return null;
  const { photos } = edits;
  const turn = (id: string) =>
    onChange({
      ...edits,
      photos: photos.includes(id) ? photos.filter((each) => each !== id) : [...photos, id].slice(-MOST),
    });
  // Beside a picture of today its earlier one goes on and off with it.
  const turnPair = (id: string, beside: string) => {
    const others = photos.filter((each) => each !== id && each !== beside);
    onChange({ ...edits, photos: photos.includes(beside) ? [...others, id] : [...others, id, beside].slice(-MOST) });
  };
  return (
    <section className="no-print max-w-[880px] mx-auto mt-4" aria-label="Pictures for the owner">
      <h2 className="text-lg mb-1.5">Pictures for the owner</h2>
      {!view.photosAgreed && (
        <p className="text-watch font-semibold mb-2">
          {view.owner} has not agreed to pictures on the sheet. They stay in the salon.
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        {view.photos.map(({ id, name, beside }) => (
          <div key={id} className={beside ? 'w-80' : 'w-40'}>
            <div className="flex gap-1 mb-1.5">
              {beside && <Small {...beside} />}
              <Small id={id} name={name} />
            </div>
            <div className="flex gap-1.5">
              <Choice
                chosen={view.photosAgreed && photos.includes(id)}
                disabled={!view.photosAgreed}
                onClick={() => turn(id)}
                className={CHOICE}
              >
                {photos.includes(id) ? 'On the sheet' : 'Put on the sheet'}
              </Choice>
              {beside && (
                <Choice
                  chosen={view.photosAgreed && photos.includes(id) && photos.includes(beside.id)}
                  disabled={!view.photosAgreed}
                  onClick={() => turnPair(id, beside.id)}
                  className={CHOICE}
                >
                  As a pair
                </Choice>
              )}
            </div>
          </div>
        ))}
      </div>
    </section>
  );
}

const CHOICE = 'flex-1 text-sm px-2! min-h-11! disabled:opacity-50';

interface SalonPicture {
  readonly id: string;
  readonly name: string;
}

export const withSource = <T extends SalonPicture>(picture: T) => ({ ...picture, src: `/api/photos/${picture.id}` });

const Small = (picture: SalonPicture) => (
  <figure className="flex-1 min-w-0">
    <img
      src={withSource(picture).src}
      alt={`The ${picture.name}`}
      className="w-full h-28 object-cover rounded-xl border border-line"
    />
    <figcaption className="text-sm text-soft first-letter:uppercase truncate">{picture.name}</figcaption>
  </figure>
);
