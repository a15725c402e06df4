import type { SheetView } from '@dewpond/contract';
import { editLine, pageOf, picturesShown, readSheet, type Section } from '@dewpond/core/sheet';
import { Download, Link2, Mail, Plus, Printer } from 'lucide-react';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { v7 } from 'uuid';
import { useSheet } from '../../../data/queries';
import { Button } from '../../../ui/Button';
import { NotSaved } from '../../../forms/NotSaved';
import { Waiting } from '../../../ui/Waiting';
import { BookDialog } from '../../../parts/booking/BookDialog';
import { LinksDialog } from '../../../parts/messages/LinksDialog';
import { MessageDialog } from '../../../parts/messages/MessageDialog';
import { EditedLine, LineField } from '../../../parts/sheet/EditedLine';
import { ReadLines } from '../../../parts/sheet/ReadLines';
import { FromLost } from '../../../parts/visits/FromLost';
import { SheetBody } from '../../../parts/sheet/SheetBody';
import { OwnersPictures, withSource } from './OwnersPictures';
import { showEdited, useSheetEdits } from './useSheetEdits';
import { May } from '../../../parts/May';

export function SheetScreen() {
  const { id = '' } = useParams();
  return (
    <Waiting query={useSheet(id)} what="The owner sheet">
      {(view) => <Sheet key={view.visitId} view={view} />}
    </Waiting>
  );
}

type SheetEditor = ReturnType<typeof useSheetEdits>;

function Sheet({ view }: { readonly view: SheetView }) {
  const editing = useSheetEdits(view);
  const { sheet, inBusinessLanguage } = view;
  const [translated, setTranslated] = useState(false);
  const read = readSheet(translated ? (inBusinessLanguage ?? sheet) : sheet, editing.edits);
  const shown = view.photosAgreed ? picturesShown(view.photos, editing.edits) : [];
  return (
    <div className="px-7 py-5 max-md:px-2 print:p-0">
      <SheetBar view={view} />
      <NotSaved
        className="max-w-[880px] mx-auto mb-4"
        at={editing.saving}
        what="this sheet"
        names={editing.names}
        show={showEdited}
      />
      <FromLost className="mx-auto" its={view.fromLost} />
      {sheet.lookAgain && (
        <p
          role="alert"
          className="no-print max-w-[880px] mx-auto mb-4 rounded-xl bg-watch-pale text-watch font-semibold px-4 py-3"
        >
          Work came in from another device after the close. Read the sheet again before it goes out.
        </p>
      )}
      {inBusinessLanguage && (
        <p className="no-print flex flex-wrap items-center justify-between gap-3 max-w-[880px] mx-auto mb-4 rounded-xl bg-pond-pale px-4 py-2">
          <span>
            {translated
              ? `Shown in ${nameOf(inBusinessLanguage.language)}. ${view.owner} gets it in ${nameOf(sheet.language)}.`
              : `${view.owner} reads ${nameOf(sheet.language)}: this is the sheet as it goes out.`}
          </span>
          <Button look="quiet" onClick={() => setTranslated(!translated)}>
            {translated ? 'As it goes out' : `Read it in ${nameOf(inBusinessLanguage.language)}`}
          </Button>
        </p>
      )}
      <SheetBody
        business={view.business}
        label={`Owner sheet for ${sheet.dog}`}
        read={read}
        presses={read.frame.presses}
        owner={view.owner}
        drawing={view.drawing}
        photos={shown.map(({ beside, ...picture }) => ({
          ...withSource(picture),
          beside: beside && withSource(beside),
        }))}
        part={(section) =>
          translated ? (
            <ReadLines read={read} section={section} />
          ) : (
            <Lines view={view} editing={editing} section={section} />
          )
        }
      />
      <OwnersPictures view={view} edits={editing.edits} onChange={editing.change} />
    </div>
  );
}

/** As a groomer calls it: "Spanish". */
const nameOf = (language: string): string => LANGUAGES_IN_ENGLISH.of(language.slice(0, 2)) ?? language;
const LANGUAGES_IN_ENGLISH = new Intl.DisplayNames('en', { type: 'language' });

const BACK = 'inline-flex items-center min-h-11 text-pond font-semibold underline';

/** What one does with a sheet once it reads well. */
function SheetBar({ view }: { readonly view: SheetView }) {
  const [open, setOpen] = useState<'booking' | 'message' | 'links' | null>(null);
  const { sheet } = view;
  const close = () => setOpen(null);
  return (
    <div className="no-print flex flex-wrap items-center justify-between gap-3 max-w-[880px] mx-auto mb-4">
      <p className="flex flex-wrap gap-x-5">
        <Link to={`/dogs/${view.dogId}`} className={BACK}>
          Back to {sheet.dog}
        </Link>
        {!view.closed && (
          <Link to={`/visits/${view.visitId}`} className={BACK}>
            Back to the table
          </Link>
        )}
      </p>
      <div className="flex flex-wrap gap-2">
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
        <May deed="write to owners">
          <Button look="quiet" onClick={() => setOpen('links')}>
            <Link2 size={18} aria-hidden /> Owner’s page
          </Button>
        </May>
        <May deed="book">
          <Button look="plain" onClick={() => setOpen('booking')}>
            Book the next visit
          </Button>
        </May>
        <May deed="write to owners">
          <Button look="main" onClick={() => setOpen('message')}>
            <Mail size={18} aria-hidden /> Send to the owner
          </Button>
        </May>
      </div>
      <BookDialog
        open={open === 'booking'}
        onClose={close}
        dog={{
          ...{ id: view.dogId, name: sheet.dog, suggested: view.next.suggested },
          ...(view.next.booked === null ? {} : { booked: view.next.booked }),
        }}
      />
      {open === 'message' && (
        <MessageDialog about={{ kind: 'sheet', dogId: view.dogId, visitId: view.visitId }} onClose={close} />
      )}
      {open === 'links' && <LinksDialog dogId={view.dogId} dog={sheet.dog} onClose={close} />}
    </div>
  );
}

/** The sentences of one part, each under the hand, and room for one's own. */
function Lines({
  view,
  editing,
  section,
}: {
  readonly view: SheetView;
  readonly editing: SheetEditor;
  readonly section: Section;
}) {
  const [adding, setAdding] = useState(false);
  const lines = pageOf(view.sheet, editing.edits)[section];
  const add = (words: string) => {
    setAdding(false);
    if (words.trim() === '') return;
    editing.change({ ...editing.edits, added: [...editing.edits.added, { id: v7(), section, words: words.trim() }] });
  };
  return (
    <>
      <ul className="flex flex-col gap-0.5">
        {lines.map((line) => (
          <EditedLine
            key={line.key}
            line={line}
            language={view.sheet.language}
            onSay={(words) => editing.change(editLine(editing.edits, section, line, words))}
          >
            {line.task !== null && (
              <Link
                // The owner's own card: a groomer's has blades in it.
                to={`/dogs/${view.dogId}/week`}
                className="no-print text-reed underline whitespace-nowrap ml-1"
              >
                show how
              </Link>
            )}
          </EditedLine>
        ))}
        {lines.length === 0 && section === 'saw' && <li className="text-soft">Nothing was looked at.</li>}
      </ul>
      {adding ? (
        <LineField
          label="A sentence of your own"
          words=""
          language={view.sheet.language}
          onSay={add}
          onStop={() => setAdding(false)}
        />
      ) : (
        <button
          type="button"
          onClick={() => setAdding(true)}
          className="no-print inline-flex items-center gap-1.5 min-h-11 text-soft hover:text-pond font-semibold"
        >
          <Plus size={17} aria-hidden /> Add a line
        </button>
      )}
    </>
  );
}
