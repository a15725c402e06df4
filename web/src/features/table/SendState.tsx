import { ownWork, useOwnWork } from '../../data/device';
import type { RefusedThing } from '../../device/ownWork';
import { namePlace } from '@dewpond/core/places';
import type { Happening } from '@dewpond/core/events';
import { useState } from 'react';
import { Link } from 'react-router';
import { useOnline } from '../../browser/useOnline';
import { Button } from '../../ui/Button';
import { Chip } from '../../ui/Chip';
import { Dialog } from '../../ui/Dialog';
import { useVisitLog } from './visitLog';

/** A clock further off than this is told; times are corrected either way. */
const CLOCK_OFF_MS = 120_000;

/** Whether the server has it all, in words. Nothing is shown as saved until it is. */
export function SendState() {
  const { waiting, unsaved, trouble, signedOut, refused } = useOwnWork();
  const offset = useVisitLog((log) => log.offset);
  const online = useOnline();
  const [reading, setReading] = useState(false);
  return (
    <>
      {unsaved > 0 && trouble && <Chip tone="stop">device full: {unsaved} only in memory, do not close</Chip>}
      {signedOut && (
        <Link to="/" className="inline-flex">
          <Chip tone="stop">signed out: {waiting} kept here, sign in to send</Chip>
        </Link>
      )}
      {!signedOut && <Sending waiting={waiting} away={!online || trouble !== null} why={trouble} />}
      {refused.length > 0 && (
        <button type="button" className="min-h-14" onClick={() => setReading(true)}>
          <Chip tone="stop">{refused.length} refused: read why</Chip>
        </button>
      )}
      {offset !== null && Math.abs(offset) > CLOCK_OFF_MS && (
        <Chip tone="watch">
          this device’s clock is {Math.round(Math.abs(offset) / 60_000)} min {offset > 0 ? 'slow' : 'fast'}: times are
          corrected
        </Chip>
      )}
      <RefusedDialog open={reading} onClose={() => setReading(false)} refused={refused} />
    </>
  );
}

function Sending({
  waiting,
  away,
  why,
}: {
  readonly waiting: number;
  readonly away: boolean;
  readonly why: string | null;
}) {
  if (waiting === 0) return away ? <Chip>no network, all sent</Chip> : <Chip tone="good">the server has it all</Chip>;
  if (!away) return <Chip>sending {waiting}</Chip>;
  return (
    <span title={why ?? ''}>
      <Chip tone="watch">not sent yet: {waiting} kept on this device</Chip>
    </span>
  );
}

/** What was refused, in the server's words. It stays until somebody dismisses it, and can be saved as a file. */
function RefusedDialog({
  open,
  onClose,
  refused,
}: {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly refused: readonly RefusedThing[];
}) {
  const save = () => {
    const url = URL.createObjectURL(new Blob([JSON.stringify(refused, null, 2)], { type: 'application/json' }));
    const link = document.createElement('a');
    link.href = url;
    link.download = 'refused.json';
    link.click();
    URL.revokeObjectURL(url);
  };
  return (
    <Dialog
      open={open && refused.length > 0}
      onClose={onClose}
      title="The server did not take this"
      says="Nothing is lost: it stays on this device until you dismiss it."
      tall
    >
      <ul className="flex flex-col gap-2 mb-3">
        {refused.map((each) => (
          <li key={each.id} className="rounded-xl border border-stop bg-stop-pale px-3 py-2 flex items-center gap-3">
            <span className="flex-1 min-w-0">
              <b className="block first-letter:uppercase">{inWords(each.what)}</b>
              {each.words}
            </span>
            <Button look="quiet" className="min-h-14!" onClick={() => void ownWork.discard(each.id)}>
              Dismiss
            </Button>
          </li>
        ))}
      </ul>
      <Button className="min-h-14!" onClick={save}>
        Save as a file
      </Button>
    </Dialog>
  );
}

/** What an event was, as a person would name it. */
export function inWords(what: RefusedThing['what']): string {
  if (typeof what === 'string') return what;
  const { type } = what;
  if (type === 'step done' || type === 'step skipped' || type === 'step undone') return `${type}: ${what.step}`;
  if (type === 'found') return `found at the ${namePlace(what.finding.place)}: ${what.finding.sign}`;
  if (type === 'looked clear') return `clear: ${namePlace(what.place)}`;
  if (type === 'nails judged') return `nails, ${namePlace(what.place)}: ${what.length}`;
  if (type === 'ear hair seen') return `hair in the ${what.side} ear: ${what.hair}`;
  if (type === 'ear hair went') return `hair of the ${what.side} ear: ${what.came ?? 'not said'} came out`;
  if (type === 'piece settled') return `${what.piece}: ${what.how}`;
  if (type === 'noted') return `noted: ${what.text}`;
  if (type === 'shows today') return `today: ${what.what}`;
  if (type === 'owner said') return `the owner said: ${what.text}`;
  if (type === 'word told') return `told by ${what.word.who}`;
  if (type === 'bottle brought') return `brought: ${what.bottle.name}`;
  if (type === 'cleaned with') return `cleaned with ${what.name}`;
  if (type === 'used') return `used: ${what.name}, ${what.ml} ml`;
  return plainly(what);
}

const plainly = (what: Happening): string => ('side' in what ? `${what.type}: ${what.side}` : what.type);
