import type { PageLine } from '@dewpond/core/sheet';
import { Pencil } from 'lucide-react';
import { useState, type KeyboardEvent, type ReactNode } from 'react';
import { Button } from '../../ui/Button';
import { NotOurs } from '../../ui/NotOurs';
import { Ripple } from '../../ui/Ripple';
import { classes } from '../../ui/classes';

/** One sentence of the sheet: read, or under the hand. */
export function EditedLine({
  line,
  language,
  onSay,
  children,
}: {
  readonly line: PageLine;
  /** Of the sheet, BCP 47. */
  readonly language: string;
  /** Said otherwise; null leaves it out. */
  readonly onSay: (words: string | null) => void;
  readonly children?: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  const out = line.by === 'left out';
  if (open)
    return (
      <li className="no-print">
        <LineField
          label={`Sentence: ${line.words}`}
          words={line.words}
          language={language}
          onSay={(words) => {
            setOpen(false);
            onSay(words);
          }}
          onStop={() => setOpen(false)}
        >
          <Button
            look="quiet"
            onClick={() => {
              setOpen(false);
              onSay(null);
            }}
          >
            Leave it out
          </Button>
        </LineField>
      </li>
    );
  return (
    <li className={classes('flex items-center gap-2.5 group', out && 'no-print')}>
      {line.grade !== null && <Ripple grade={line.grade} size={38} silent />}
      <span className={classes('flex-1 min-w-0 break-words', out && 'line-through text-soft')}>
        {line.words}
        {children}
        {(line.by === 'added' || line.by === 'changed') && <NotOurs words={line.words} language={language} />}
        <EditedMark line={line} onAsMade={() => onSay(line.made)} />
      </span>
      {out ? (
        <Button look="quiet" className="no-print" onClick={() => onSay(line.made)}>
          Take in again
        </Button>
      ) : (
        <button
          type="button"
          aria-label={`Say it differently: ${line.words}`}
          onClick={() => setOpen(true)}
          className="no-print grid place-items-center size-11 shrink-0 rounded-xl text-soft hover:text-pond hover:bg-pond-pale"
        >
          <Pencil size={17} aria-hidden />
        </button>
      )}
    </li>
  );
}

/** What a hand has to do with a sentence; on paper nothing of it is seen. */
function EditedMark({ line, onAsMade }: { readonly line: PageLine; readonly onAsMade: () => void }) {
  if (line.by === 'made' || line.by === 'left out') return null;
  return (
    <span className="no-print block text-sm text-soft">
      {line.by === 'added'
        ? 'Your own line.'
        : line.made === null
          ? 'Your words; the visit no longer says it.'
          : 'Your words.'}
      {line.stale && line.made !== null && <b className="text-watch"> The visit says now: “{line.made}”</b>}
      {line.made !== null && (
        <button type="button" className="underline ml-2 min-h-8" onClick={onAsMade}>
          as made
        </button>
      )}
    </span>
  );
}

/** A field for one sentence. Enter keeps it, Escape leaves it as it was. */
export function LineField({
  label,
  words,
  language,
  onSay,
  onStop,
  children,
}: {
  readonly label: string;
  readonly words: string;
  /** Of the sheet: what a groomer does not say is marked while it is typed. */
  readonly language?: string;
  readonly onSay: (words: string) => void;
  readonly onStop: () => void;
  readonly children?: ReactNode;
}) {
  const [typed, setTyped] = useState(words);
  const keys = (event: KeyboardEvent) => {
    if (event.key === 'Escape') onStop();
    if (event.key !== 'Enter' || event.shiftKey) return;
    event.preventDefault();
    onSay(typed);
  };
  return (
    <div className="flex flex-col gap-2 py-1">
      <textarea
        aria-label={label}
        autoFocus
        rows={Math.max(2, Math.ceil(typed.length / 44))}
        maxLength={600}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={keys}
        className="w-full rounded-xl border border-pond bg-surface px-3 py-2 leading-snug"
      />
      {language !== undefined && <NotOurs words={typed} language={language} />}
      <span className="flex flex-wrap gap-2">
        <Button look="main" onClick={() => onSay(typed)}>
          Keep
        </Button>
        {children}
        <Button look="quiet" onClick={onStop}>
          Back
        </Button>
      </span>
    </div>
  );
}
