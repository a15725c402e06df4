import type { OwnerPage } from '@dewpond/contract';
import { LANGUAGES, type Language } from '@dewpond/core/clients';
import { daysBetween } from '@dewpond/core/units';
import { fillIn, pageWordsIn } from '@dewpond/core/wording';
import { useQuery } from '@tanstack/react-query';
import { Download } from 'lucide-react';
import { Suspense, lazy, useEffect, useMemo, useState } from 'react';
import { showDay, moment } from '../../browser/times';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { tell } from '../../ui/tell';
import { ReadLines } from '../../parts/sheet/ReadLines';
import { SheetBody } from '../../parts/sheet/SheetBody';
import { AtHome } from './AtHome';
import { ownerFile, ownerPage, tellSeen, tokenHere } from './ownerCall';
import { NextDates } from './NextDates';
import { PageTools } from './PageTools';
import { usePairs } from './usePictures';

// What is not read first comes once the page can be read: a slow telephone waits for none of it.
const Toasts = lazy(async () => ({ default: (await import('../../ui/toasts')).Toasts }));
// Letters of the house; until then those of the telephone do.
const fetchLetters = () => import('@fontsource-variable/atkinson-hyperlegible-next/index.css');
const VetLooks = lazy(async () => ({ default: (await import('./VetLooks')).VetLooks }));
const WeekToPrint = lazy(async () => ({ default: (await import('./WeekToPrint')).WeekToPrint }));

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
  const spoken = useMemo(() => pageWordsIn(browserLanguage()), []);
  return (
    <main lang={page.data?.language} className="min-h-full px-4 py-5 max-md:px-2 print:p-0">
      {page.error ? (
        <section className="max-w-xl mx-auto rounded-card border border-line bg-surface p-6 text-center" role="alert">
          <h1 className="mb-2">{spoken.closedTitle}</h1>
          <p>{spoken.closedText}</p>
        </section>
      ) : page.data ? (
        <Page page={page.data} />
      ) : (
        <p role="status" className="m-6 text-soft">
          {spoken.coming}
        </p>
      )}
    </main>
  );
}

/** Before the page has come, nobody knows the owner's language but the browser. */
const browserLanguage = (): Language =>
  LANGUAGES.find((each) => navigator.language.slice(0, 2) === each.slice(0, 2)) ?? 'en-GB';

/** So long a sheet is news. */
const FRESH_DAYS = 3;

/** Once the page stands and the telephone has a moment. */
function useIsRead(): boolean {
  const [isRead, setIsRead] = useState(false);
  useEffect(() => {
    // Some browsers have no word for it.
    const wait = window.setTimeout(() => setIsRead(true), 300);
    return () => window.clearTimeout(wait);
  }, []);
  return isRead;
}

function Page({ page }: { readonly page: OwnerPage }) {
  const isRead = useIsRead();
  useEffect(() => {
    if (isRead) void fetchLetters().catch(() => undefined);
  }, [isRead]);
  const [chosen, setChosen] = useState(page.sheets[0]?.visitId ?? null);
  const sheet = page.sheets.find(({ visitId }) => visitId === chosen);
  const { words, language } = page;
  const [newest] = page.sheets;
  // Just after a visit one wants to read what was seen; later what is to be done today.
  const fresh = newest !== undefined && daysBetween(newest.read.day, page.home.today) <= FRESH_DAYS;
  const atHome = <AtHome page={page} isRead={isRead} />;
  useEffect(() => {
    document.title = `${page.dog}, ${page.business.name}`;
  }, [page]);
  return (
    <>
      <div className="not-the-week">
        <PageTools page={page} isRead={isRead} />
        <NextDates page={page} />
        {page.letters.map((letter) => (
          <section key={letter.id} className="max-w-[880px] mx-auto mb-4 rounded-card bg-stop-pale px-5 py-4">
            <p className="text-stop font-bold text-lg">
              {fillIn(words.letVetLook, { place: letter.place, urgency: letter.urgency })}
            </p>
            <p className="mb-2">{words.takeLetter}</p>
            <FileButton
              path={`/api/owner/letters/${letter.id}`}
              name={fillIn(words.letterFile, { dog: page.dog })}
              failed={words.notFetched}
            >
              {words.letter}
            </FileButton>
          </section>
        ))}
        {isRead && page.vetLooks.length > 0 && (
          <Suspense>
            <VetLooks page={page} />
          </Suspense>
        )}
        {!fresh && atHome}
        {page.sheets.length > 1 && (
          <nav aria-label={words.visits} className="no-print max-w-[880px] mx-auto mb-3 flex gap-2 overflow-x-auto">
            {page.sheets.map(({ visitId, read }) => (
              <Choice
                key={visitId}
                chosen={visitId === chosen}
                onClick={() => setChosen(visitId)}
                className="min-h-11! whitespace-nowrap"
              >
                {showDay(read.day, language)}
              </Choice>
            ))}
          </nav>
        )}
        {sheet ? (
          <Sheet key={sheet.visitId} page={page} sheet={sheet} />
        ) : (
          <p className="max-w-[880px] mx-auto text-center text-soft py-8">
            {fillIn(words.noSheetYet, { dog: page.dog })}
          </p>
        )}
        {fresh && <div className="mt-4">{atHome}</div>}
        <p className="max-w-[880px] mx-auto mt-4 text-sm text-soft">
          {fillIn(words.openUntil, {
            when: moment(page.until, page.zone, language),
            business: page.business.name,
          })}
        </p>
      </div>
      {isRead && (
        <Suspense>
          <WeekToPrint page={page} />
          <Toasts />
        </Suspense>
      )}
    </>
  );
}

function Sheet({ page, sheet }: { readonly page: OwnerPage; readonly sheet: OwnerPage['sheets'][number] }) {
  const photos = usePairs(sheet.photos);
  return (
    <>
      <SheetBody
        business={page.business}
        label={fillIn(page.words.sheetOf, { dog: page.dog })}
        read={sheet.read}
        // It pressed when that visit ended; what is open still has its letter above.
        presses={null}
        owner={null}
        drawing={page.drawing}
        photos={photos}
        // Home care stands above, by day.
        part={(section) =>
          section === 'home' ? null : <ReadLines read={sheet.read} section={section} nothing={page.words.nothingHere} />
        }
      />
      <div className="no-print max-w-[880px] mx-auto mt-3">
        <FileButton
          path={`/api/owner/sheets/${sheet.visitId}`}
          name={`${page.dog}, ${sheet.read.day}`}
          failed={page.words.notFetched}
        >
          {page.words.sheetAsPdf}
        </FileButton>
      </div>
    </>
  );
}

interface FileButtonProps {
  readonly path: string;
  /** Of the file, without its ending. */
  readonly name: string;
  /** Told when it cannot be fetched. */
  readonly failed: string;
  readonly children: string;
}

function FileButton({ path, name, failed, children }: FileButtonProps) {
  const open = async () => {
    try {
      const url = await ownerFile(path);
      const link = document.createElement('a');
      link.href = url;
      link.download = `${name}.pdf`;
      link.click();
      setTimeout(() => URL.revokeObjectURL(url), 60_000);
    } catch {
      tell(failed, { tone: 'stop' });
    }
  };
  return (
    <Button look="plain" onClick={() => void open()}>
      <Download size={18} aria-hidden /> {children}
    </Button>
  );
}
