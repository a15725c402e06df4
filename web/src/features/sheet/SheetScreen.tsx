import type { SheetView } from '@dewpond/contract';
import { LEVEL_WORDS, atLeast } from '@dewpond/core/findings';
import { methodOf } from '@dewpond/core/methods';
import { placeKey, type Grade, type PlaceKey } from '@dewpond/core/places';
import { clearWords } from '@dewpond/core/sheet';
import { showDay } from '@dewpond/core/units';
import { Download, Printer } from 'lucide-react';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { useSheet } from '../../api/queries';
import { DogHead } from '../../drawings/DogHead';
import { Button, ButtonLink } from '../../ui/Button';
import { Ripple } from '../../ui/Ripple';
import { Waiting } from '../../ui/Waiting';
import { BookDialog } from '../ahead/BookDialog';

export function SheetScreen() {
  const { id = '' } = useParams();
  return (
    <Waiting query={useSheet(id)} what="The owner sheet">
      {(view) => <Sheet view={view} />}
    </Waiting>
  );
}

function Sheet({ view }: { readonly view: SheetView }) {
  const [booking, setBooking] = useState(false);
  const { sheet } = view;
  return (
    <div className="px-7 py-5 max-md:px-2 print:p-0">
      <div className="no-print flex flex-wrap items-center justify-between gap-3 max-w-[880px] mx-auto mb-4">
        <Link to={`/dogs/${view.dogId}`} className="text-pond font-semibold underline">
          Back to {sheet.dog}
        </Link>
        <div className="flex flex-wrap gap-2">
          {!view.closed && (
            <ButtonLink to={`/visits/${view.visitId}`} look="quiet">
              Back to the table
            </ButtonLink>
          )}
          <Button look="quiet" onClick={() => window.print()}>
            <Printer size={18} aria-hidden /> Print
          </Button>
          <a
            href={`/api/visits/${view.visitId}/sheet.pdf`}
            target="_blank"
            rel="noreferrer"
            className="inline-flex items-center gap-2 rounded-xl border border-line font-semibold px-4 min-h-11 hover:bg-pond-pale"
          >
            <Download size={18} aria-hidden /> PDF
          </a>
          <Button look="main" onClick={() => setBooking(true)}>
            Book the next visit
          </Button>
        </div>
      </div>
      {sheet.lookAgain && (
        <p
          role="alert"
          className="no-print max-w-[880px] mx-auto mb-4 rounded-xl bg-watch-pale text-watch font-semibold px-4 py-3"
        >
          Work came in from another device after the close. Read the sheet again before it goes out.
        </p>
      )}
      <Page view={view} />
      <BookDialog
        open={booking}
        onClose={() => setBooking(false)}
        dog={{ id: view.dogId, name: sheet.dog, suggested: null }}
      />
    </div>
  );
}

/** One page that a non-groomer reads in a minute: saw, did, suggest, kept apart. */
function Page({ view }: { readonly view: SheetView }) {
  const { sheet } = view;
  const grades = Object.fromEntries(sheet.saw.map((saw): [PlaceKey, Grade] => [placeKey(saw.place), saw.grade]));
  const found = sheet.saw.filter((saw) => saw.grade > 0);
  const clear = clearWords(sheet.saw);
  return (
    <article
      aria-label={`Owner sheet for ${sheet.dog}`}
      className="max-w-[880px] mx-auto bg-surface border border-line rounded-card px-10 py-8 max-md:px-5 print:border-0 print:p-0"
    >
      <p className="text-pond font-bold">{view.business}</p>
      <h1 className="text-[32px]!">
        {sheet.dog}, {showDay(sheet.day)}
      </h1>
      <p className="text-soft mb-5">For {view.owner}</p>
      {atLeast(sheet.level, 'vet') && (
        <p className="rounded-xl bg-stop-pale text-stop font-bold px-4 py-3 mb-5 first-letter:uppercase">
          {LEVEL_WORDS[sheet.level]}.
        </p>
      )}
      <div className="grid grid-cols-[1fr_280px] max-md:grid-cols-1 gap-8">
        <section>
          <h2 className="text-pond text-lg mb-2">What we saw</h2>
          <ul className="flex flex-col gap-1.5">
            {found.map((saw) => (
              <li key={placeKey(saw.place)} className="flex items-center gap-2.5">
                <Ripple grade={saw.grade} size={38} silent />
                <span>{saw.words}</span>
              </li>
            ))}
            {clear && (
              <li className="flex items-center gap-2.5">
                <Ripple grade={0} size={38} silent />
                <span>{clear}</span>
              </li>
            )}
            {sheet.saw.length === 0 && <li className="text-soft">Nothing was looked at.</li>}
          </ul>
        </section>
        <DogHead traits={view.drawing} grades={grades} className="w-full self-start" />
      </div>
      <div className="grid grid-cols-2 max-md:grid-cols-1 gap-8 mt-6">
        <Part heading="What we did" lines={sheet.did} />
        <Part heading="What we suggest" lines={[...sheet.suggest, sheet.next]} />
      </div>
      {sheet.homeCare.length > 0 && (
        <div className="mt-6 rounded-xl bg-reed-pale px-5 py-4">
          <h2 className="text-reed text-lg mb-1.5">At home</h2>
          <ul className="flex flex-col gap-1">
            {sheet.homeCare.map(({ task, words }) => (
              <li key={words}>
                {words}{' '}
                <Link to={`/methods/${methodOf(task).id}`} className="no-print text-reed underline whitespace-nowrap">
                  show how
                </Link>
              </li>
            ))}
          </ul>
        </div>
      )}
      <p className="text-[13px] text-soft mt-6">
        A dot is clear; one, two, three rings are slight, plain, bad. Left and right are the dog’s own. This is what a
        groomer saw from the outside; only a vet can say what it means.
      </p>
    </article>
  );
}

function Part({ heading, lines }: { readonly heading: string; readonly lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <section>
      <h2 className="text-pond text-lg mb-1.5">{heading}</h2>
      <ul className="flex flex-col gap-1">
        {lines.map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
    </section>
  );
}
