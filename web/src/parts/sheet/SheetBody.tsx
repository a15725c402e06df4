import type { BusinessProfile } from '@dewpond/contract';
import type { Traits } from '@dewpond/core/catalogue';
import { profile } from '@dewpond/core/drawing';
import { SIDES, type PlaceKey } from '@dewpond/core/places';
import type { ReadSheet, Section } from '@dewpond/core/sheet';
import { fillIn } from '@dewpond/core/wording';
import type { CSSProperties, ReactNode } from 'react';
import { DogBody } from '../../drawings/DogBody';
import { DogHead } from '../../drawings/DogHead';

interface SheetPicture {
  readonly id: string;
  readonly name: string;
  readonly src: string;
}

interface SheetBodyProps {
  readonly business: BusinessProfile;
  /** What the page is, for who hears it read out. */
  readonly label: string;
  readonly read: Pick<ReadSheet, 'language' | 'frame' | 'grades'>;
  /** Said above everything else; null: nothing. */
  readonly presses: string | null;
  readonly owner: string | null;
  readonly drawing: Traits;
  readonly photos: readonly (SheetPicture & { readonly beside: SheetPicture | null })[];
  /** The lines of one part; null leaves the part out. */
  readonly part: (section: Section) => ReactNode;
}

/** One page: what was seen and what is next is read in forty seconds; what was done stands below. */
export function SheetBody({ business, label, read, presses, owner, drawing, photos, part }: SheetBodyProps) {
  const { language, frame, grades } = read;
  return (
    <article
      lang={language}
      aria-label={label}
      className="max-w-[880px] mx-auto bg-surface border border-line rounded-card px-10 py-8 max-md:px-5 max-md:py-5 print:border-0 print:p-0 print:max-w-none print:text-[11.5px] print:leading-snug"
    >
      <p className="flex flex-wrap justify-between gap-x-4">
        <b style={{ '--house': business.colour } as CSSProperties} className="house-ink">
          {business.name}
        </b>
        <span className="text-soft">{[business.phone, business.email].filter((each) => each !== '').join(' · ')}</span>
      </p>
      <h1 className="text-[32px]! break-words print:text-[26px]!">{frame.title}</h1>
      {owner !== null && <p className="text-soft mb-5 break-words">{fillIn(frame.forOwner, { owner })}</p>}
      {presses !== null && (
        <p className="rounded-xl bg-stop-pale text-stop font-bold px-4 py-3 mb-5 print:py-1.5 print:mb-2">{presses}</p>
      )}
      <div className="grid grid-cols-[1fr_280px] max-lg:grid-cols-[1fr_210px] max-md:grid-cols-1 gap-8 max-lg:gap-5 mt-4 print:mt-2 print:grid-cols-[1fr_200px] print:gap-6">
        <div className="flex flex-col gap-5 print:gap-3">
          <Part heading={frame.headings.saw}>{part('saw')}</Part>
          <Part heading={frame.headings.suggest}>{part('suggest')}</Part>
        </div>
        <Drawings drawing={drawing} grades={grades} names={frame.sides} />
      </div>
      {photos.length > 0 && (
        <ul className="flex flex-wrap gap-3 mt-5">
          {photos.map(({ beside, ...picture }) => (
            <li key={picture.id} className="flex gap-1.5">
              {beside && <PictureOnSheet {...beside} />}
              <PictureOnSheet {...picture} />
            </li>
          ))}
        </ul>
      )}
      <div className="grid grid-cols-2 max-md:grid-cols-1 gap-8 mt-6 print:mt-3">
        <Part heading={frame.headings.care}>{part('care')}</Part>
        <Part heading={frame.headings.did}>{part('did')}</Part>
      </div>
      <HomePart heading={frame.headings.home}>{part('home')}</HomePart>
      <p className="text-[13px] text-soft mt-6 print:mt-3 print:text-[10px]">{frame.foot}</p>
    </article>
  );
}

const PictureOnSheet = ({ name, src }: SheetPicture) => (
  <figure className="w-44 max-md:w-40">
    <img src={src} alt={name} className="w-full aspect-[4/3] object-cover rounded-xl border border-line" />
    <figcaption className="text-sm text-soft first-letter:uppercase">{name}</figcaption>
  </figure>
);

interface DrawingsProps extends Pick<SheetBodyProps, 'drawing'>, Pick<ReadSheet, 'grades'> {
  readonly names: ReadSheet['frame']['sides'];
}

/** The head, and each side of the body where something was found. */
function Drawings({ drawing, grades, names }: DrawingsProps) {
  const sites = Object.keys(profile(drawing).spots).filter((site) => site === 'side' || site.startsWith('leg'));
  const sides = SIDES.filter((side) => sites.some((site) => (grades[`${site}/${side}` as PlaceKey] ?? 0) > 0));
  return (
    <div className="flex flex-col gap-3 self-start">
      <DogHead traits={drawing} grades={grades} sides={names} className="w-full" />
      {sides.map((side) => (
        <DogBody
          key={side}
          traits={drawing}
          view={`${side} side`}
          says={names[side]}
          grades={grades}
          className="w-full"
        />
      ))}
    </div>
  );
}

interface SheetPartProps {
  readonly heading: string;
  readonly children: ReactNode;
}

function Part({ heading, children }: SheetPartProps) {
  if (children === null) return <div />;
  return (
    <section aria-label={heading}>
      <h2 className="text-pond text-lg mb-2">{heading}</h2>
      {children}
    </section>
  );
}

function HomePart({ heading, children }: SheetPartProps) {
  if (children === null) return null;
  return (
    <section aria-label={heading} className="mt-6 rounded-xl bg-reed-pale px-5 py-4 print:mt-3 print:px-0 print:py-0">
      <h2 className="text-reed text-lg mb-1.5">{heading}</h2>
      {children}
    </section>
  );
}
