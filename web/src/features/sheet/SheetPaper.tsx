import type { Letterhead } from '@dewpond/contract';
import type { Traits } from '@dewpond/core/catalogue';
import { profile } from '@dewpond/core/drawing';
import { SIDES, namePlace, placeOf, type Grade, type PlaceKey } from '@dewpond/core/places';
import { SECTIONS, type Section } from '@dewpond/core/sheet';
import { showDay, type Day } from '@dewpond/core/units';
import type { CSSProperties, ReactNode } from 'react';
import { DogBody } from '../../drawings/DogBody';
import { DogHead } from '../../drawings/DogHead';

interface SheetPaperProps {
  readonly house: Letterhead;
  readonly dog: string;
  readonly day: Day;
  readonly owner: string | null;
  readonly drawing: Traits;
  readonly grades: Readonly<Partial<Record<PlaceKey, Grade>>>;
  /** Said above everything else; null: nothing presses. */
  readonly urgent: string | null;
  readonly photos: readonly { readonly id: string; readonly place: PlaceKey; readonly src: string }[];
  /** The lines of one part; null leaves the part out. */
  readonly part: (section: Section) => ReactNode;
}

/** One page that a non-groomer reads in a minute: saw, did, suggest, kept apart. */
export function SheetPaper({ house, dog, day, owner, drawing, grades, urgent, photos, part }: SheetPaperProps) {
  return (
    <article
      aria-label={`Owner sheet for ${dog}`}
      className="max-w-[880px] mx-auto bg-surface border border-line rounded-card px-10 py-8 max-md:px-5 max-md:py-5 print:border-0 print:p-0 print:max-w-none print:text-[13.5px] print:leading-snug"
    >
      <p className="flex flex-wrap justify-between gap-x-4">
        <b style={{ '--house': house.colour } as CSSProperties} className="house-ink">
          {house.name}
        </b>
        <span className="text-soft">{[house.phone, house.email].filter((each) => each !== '').join(' · ')}</span>
      </p>
      <h1 className="text-[32px]! break-words">
        {dog}, {showDay(day)}
      </h1>
      {owner !== null && <p className="text-soft mb-5 break-words">For {owner}</p>}
      {urgent !== null && (
        <p className="rounded-xl bg-stop-pale text-stop font-bold px-4 py-3 mb-5 first-letter:uppercase">{urgent}</p>
      )}
      <div className="grid grid-cols-[1fr_280px] max-lg:grid-cols-[1fr_210px] max-md:grid-cols-1 gap-8 max-lg:gap-5 mt-4 print:mt-2 print:grid-cols-[1fr_200px] print:gap-6">
        <Part section="saw">{part('saw')}</Part>
        <Drawings drawing={drawing} grades={grades} />
      </div>
      {photos.length > 0 && (
        <ul className="flex flex-wrap gap-3 mt-5">
          {photos.map(({ id, place, src }) => (
            <li key={id} className="w-44">
              <img
                src={src}
                alt={`The ${namePlace(placeOf(place))}`}
                className="w-full h-32 object-cover rounded-xl border border-line"
              />
              <span className="text-sm text-soft first-letter:uppercase block">{namePlace(placeOf(place))}</span>
            </li>
          ))}
        </ul>
      )}
      <div className="grid grid-cols-2 max-md:grid-cols-1 gap-8 mt-6 print:mt-3">
        <Part section="did">{part('did')}</Part>
        <Part section="suggest">{part('suggest')}</Part>
      </div>
      <HomePart>{part('home')}</HomePart>
      <p className="text-[13px] text-soft mt-6 print:mt-3 print:text-[11px]">
        A dot is clear; one, two, three rings are slight, plain, bad. Left and right are the dog’s own. This is what a
        groomer saw from the outside; only a vet can say what it means.
      </p>
    </article>
  );
}

/** The head, and each side of the body where something was found. */
function Drawings({ drawing, grades }: Pick<SheetPaperProps, 'drawing' | 'grades'>) {
  const sites = Object.keys(profile(drawing).spots).filter((site) => site === 'side' || site.startsWith('leg'));
  const sides = SIDES.filter((side) => sites.some((site) => (grades[`${site}/${side}` as PlaceKey] ?? 0) > 0));
  return (
    <div className="flex flex-col gap-3 self-start">
      <DogHead traits={drawing} grades={grades} className="w-full" />
      {sides.map((side) => (
        <DogBody key={side} traits={drawing} view={`${side} side`} grades={grades} className="w-full" />
      ))}
    </div>
  );
}

function Part({ section, children }: { readonly section: Section; readonly children: ReactNode }) {
  if (children === null) return <div />;
  return (
    <section aria-label={SECTIONS[section]}>
      <h2 className="text-pond text-lg mb-2">{SECTIONS[section]}</h2>
      {children}
    </section>
  );
}

function HomePart({ children }: { readonly children: ReactNode }) {
  if (children === null) return null;
  return (
    <section
      aria-label={SECTIONS.home}
      className="mt-6 rounded-xl bg-reed-pale px-5 py-4 print:mt-3 print:px-0 print:py-0"
    >
      <h2 className="text-reed text-lg mb-1.5">{SECTIONS.home}</h2>
      {children}
    </section>
  );
}
