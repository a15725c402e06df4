import type { OwnerPage } from '@dewpond/contract';
import type { ReadLine, ReadSheet, Section } from '@dewpond/core/sheet';
import { daysBetween, showDay } from '@dewpond/core/units';
import { useQuery } from '@tanstack/react-query';
import { Download } from 'lucide-react';
import { useEffect, useState } from 'react';
import { moment } from '../../app/times';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Ripple } from '../../ui/Ripple';
import { Waiting } from '../../ui/Waiting';
import { Toasts, tell } from '../../ui/toasts';
import { SheetPaper } from '../sheet/SheetPaper';
import { AtHome } from './AtHome';
import { ownerFile, ownerPage, tellSeen, tokenHere } from './ownerCall';
import { WeekToPrint } from './WeekToPrint';
import { usePictures } from './usePictures';

/** What an owner sees behind the link: this one dog, its sheets, its dates. */
export function OwnerPageScreen() {
  const token = tokenHere();
  const page = useQuery({ queryKey: ['owner page', token], queryFn: ownerPage, retry: false });
  const loaded = page.data !== undefined;
  useEffect(() => {
    if (!loaded) return;
    // Seen is what was in sight: a page in the background, or one that only fetches, is not.
    const look = () => {
      if (document.visibilityState !== 'visible') return;
      document.removeEventListener('visibilitychange', look);
      void tellSeen().catch(() => undefined);
    };
    document.addEventListener('visibilitychange', look);
    look();
    return () => document.removeEventListener('visibilitychange', look);
  }, [loaded]);
  return (
    <main className="min-h-full px-4 py-5 max-md:px-2 print:p-0">
      {page.error ? (
        <section className="max-w-xl mx-auto rounded-card border border-line bg-surface p-6 text-center" role="alert">
          <h1 className="mb-2">This page does not open</h1>
          <p>{page.error.message}</p>
        </section>
      ) : (
        <Waiting query={page} what="Your dog’s page">
          {(data) => <Page page={data} />}
        </Waiting>
      )}
      <Toasts />
    </main>
  );
}

/** So long a sheet is news. */
const FRESH_DAYS = 3;

function Page({ page }: { readonly page: OwnerPage }) {
  const [chosen, setChosen] = useState(page.sheets[0]?.visitId ?? null);
  const sheet = page.sheets.find(({ visitId }) => visitId === chosen);
  const [newest] = page.sheets;
  // Just after a visit one wants to read what was seen; later what is to be done today.
  const fresh = newest !== undefined && daysBetween(newest.read.day, page.home.today) <= FRESH_DAYS;
  const atHome = <AtHome page={page} />;
  useEffect(() => {
    document.title = `${page.dog}, ${page.house.name}`;
  }, [page]);
  return (
    <>
      <div className="not-the-week">
        <Dates page={page} />
        {page.letters.map((letter) => (
          <section key={letter.id} className="max-w-[880px] mx-auto mb-4 rounded-card bg-stop-pale px-5 py-4">
            <p className="text-stop font-bold text-lg">
              Please let a vet look at the {letter.place} {letter.urgency}.
            </p>
            <p className="mb-2">Take this letter along. It says what we saw, with sides and dates.</p>
            <FileButton path={`/api/owner/letters/${letter.id}`} name={`${page.dog}, letter for the vet`}>
              Letter for the vet
            </FileButton>
          </section>
        ))}
        {!fresh && atHome}
        {page.sheets.length > 1 && (
          <nav aria-label="Visits" className="no-print max-w-[880px] mx-auto mb-3 flex gap-2 overflow-x-auto">
            {page.sheets.map(({ visitId, read }) => (
              <Choice
                key={visitId}
                chosen={visitId === chosen}
                onClick={() => setChosen(visitId)}
                className="min-h-11! whitespace-nowrap"
              >
                {showDay(read.day)}
              </Choice>
            ))}
          </nav>
        )}
        {sheet ? (
          <Sheet key={sheet.visitId} page={page} sheet={sheet} />
        ) : (
          <p className="max-w-[880px] mx-auto text-center text-soft py-8">
            There is no sheet yet. It comes here when {page.dog} has been with us.
          </p>
        )}
        {fresh && <div className="mt-4">{atHome}</div>}
        <p className="max-w-[880px] mx-auto mt-4 text-sm text-soft">
          This page is for you alone and stays open until {moment(page.until, page.zone)}. {page.house.name} can close
          it at any time.
        </p>
      </div>
      <WeekToPrint page={page} />
    </>
  );
}

function Dates({ page }: { readonly page: OwnerPage }) {
  const [next] = page.booked;
  return (
    <section
      aria-label="Next dates"
      className="max-w-[880px] mx-auto mb-4 rounded-card border border-line bg-surface px-5 py-3.5"
    >
      {next ? (
        <p className="text-lg">
          Next visit: <b>{moment(next.startsAt, page.zone)}</b>
        </p>
      ) : (
        <p className="text-lg">
          Nothing is booked.{page.suggested !== null && ` We suggest around ${showDay(page.suggested)}.`}
        </p>
      )}
      {page.house.phone !== '' && (
        <p>
          Ring us:{' '}
          <a href={`tel:${page.house.phone}`} className="text-pond underline font-semibold">
            {page.house.phone}
          </a>
        </p>
      )}
    </section>
  );
}

function Sheet({ page, sheet }: { readonly page: OwnerPage; readonly sheet: OwnerPage['sheets'][number] }) {
  const photos = usePictures(sheet.photos, '/api/owner/photos');
  return (
    <>
      <SheetPaper
        house={page.house}
        read={sheet.read}
        // It pressed when that visit ended; what is open still has its letter above.
        presses={null}
        owner={null}
        drawing={page.drawing}
        photos={photos}
        // Home care stands above, by day.
        part={(section) => (section === 'home' ? null : <Lines read={sheet.read} section={section} />)}
      />
      <div className="no-print max-w-[880px] mx-auto mt-3">
        <FileButton path={`/api/owner/sheets/${sheet.visitId}`} name={`${page.dog}, ${sheet.read.day}`}>
          This sheet as a PDF
        </FileButton>
      </div>
    </>
  );
}

function Lines({ read, section }: { readonly read: ReadSheet; readonly section: Section }) {
  const lines: readonly ReadLine[] = read.parts.find((part) => part.section === section)?.lines ?? [];
  return (
    <ul className="flex flex-col gap-1.5">
      {lines.map(({ key, grade, words }) => (
        <li key={key} className="flex items-center gap-2.5">
          {grade !== null && <Ripple grade={grade} size={38} silent />}
          <span className="min-w-0 break-words">{words}</span>
        </li>
      ))}
      {lines.length === 0 && <li className="text-soft">Nothing here this time.</li>}
    </ul>
  );
}

interface FileButtonProps {
  readonly path: string;
  /** Of the file, without its ending. */
  readonly name: string;
  readonly children: string;
}

function FileButton({ path, name, children }: FileButtonProps) {
  const open = async () => {
    try {
      const url = await ownerFile(path);
      const link = document.createElement('a');
      link.href = url;
      link.download = `${name}.pdf`;
      link.click();
      setTimeout(() => URL.revokeObjectURL(url), 60_000);
    } catch (error) {
      tell(error instanceof Error ? error.message : 'It could not be fetched.', { tone: 'stop' });
    }
  };
  return (
    <Button look="plain" onClick={() => void open()}>
      <Download size={18} aria-hidden /> {children}
    </Button>
  );
}
