import { namePlace, placeOf, type PlaceKey } from '@dewpond/core/places';
import { ENTRY_KINDS, placesOnRecord, recordAt, type RecordEntry, type EntryKind } from '@dewpond/core/record';

import { useQuery } from '@tanstack/react-query';
import { group } from 'd3-array';
import { Download, FileText } from 'lucide-react';
import { Link, useParams, useSearchParams } from 'react-router';
import { call } from '../../../api/call';
import { Chip, type Tone } from '../../../ui/Chip';
import { Choice } from '../../../ui/Choice';
import { Ripple } from '../../../ui/Ripple';
import { Empty, Waiting } from '../../../ui/Waiting';
import { showDay } from '../../../browser/times';
import { PictureStrip } from './PictureStrip';
import { addressOf } from './addressOf';

/** Everything on record of one dog, in one line of time; of one place with its pictures side by side. */
export function HistoryScreen() {
  const { id = '' } = useParams();
  const query = useQuery({ queryKey: ['history', id], queryFn: () => call('GET /api/dogs/:id/history', { id }) });
  return (
    <Waiting query={query} what="The record">
      {({ dog, items }) => <History dogId={id} dog={dog} entries={items} />}
    </Waiting>
  );
}

const FILE =
  'inline-flex items-center gap-2 rounded-xl border border-line font-semibold px-4 min-h-11 hover:bg-pond-pale';

function History({
  dogId,
  dog,
  entries,
}: {
  readonly dogId: string;
  readonly dog: string;
  readonly entries: readonly RecordEntry[];
}) {
  const [search, setSearch] = useSearchParams();
  const places = placesOnRecord(entries.filter(({ kind }) => kind !== 'clear'));
  const asked = search.get('place');
  const place = asked !== null && places.includes(asked as PlaceKey) ? (asked as PlaceKey) : null;
  const shown = recordAt(entries, place);
  const choose = (next: PlaceKey | null) => setSearch(next === null ? {} : { place: next }, { replace: true });
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4 max-w-5xl">
      <header className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>The record of {dog}</h1>
          <Link to={`/dogs/${dogId}`} className="text-pond underline font-semibold">
            Back to {dog}
          </Link>
        </div>
        <div className="no-print flex flex-wrap gap-2">
          <Link className={FILE} to={`/house/audit?about=${dogId}`}>
            Who saw it
          </Link>
          <a className={FILE} href={`/api/dogs/${dogId}/record.pdf`} target="_blank" rel="noreferrer">
            <FileText size={18} aria-hidden /> All of it as a PDF
          </a>
          <a className={FILE} href={`/api/dogs/${dogId}/record.json`} download>
            <Download size={18} aria-hidden /> As data (JSON)
          </a>
        </div>
      </header>
      <div role="group" aria-label="Place" className="no-print flex flex-wrap gap-1.5">
        <Choice chosen={place === null} onClick={() => choose(null)} className="min-h-11! px-3.5!">
          Everything
        </Choice>
        {places.map((each) => (
          <Choice key={each} chosen={place === each} onClick={() => choose(each)} className="min-h-11! px-3.5!">
            <span className="first-letter:uppercase inline-block">{namePlace(placeOf(each))}</span>
          </Choice>
        ))}
      </div>
      {place !== null && <PictureStrip key={place} entries={entries} place={place} />}
      {shown.length === 0 ? (
        <Empty words="Nothing is on record yet. It begins with the first visit." />
      ) : (
        <Days entries={shown} />
      )}
    </div>
  );
}

const TONES: Readonly<Partial<Record<EntryKind, Tone>>> = {
  referral: 'stop',
  incident: 'stop',
  visit: 'pond',
  home: 'good',
  instruction: 'watch',
};

function Days({ entries }: { readonly entries: readonly RecordEntry[] }) {
  return (
    <ol className="flex flex-col">
      {[...group(entries, ({ day }) => day)].map(([day, here]) => (
        <li key={day} className="grid grid-cols-[110px_1fr] max-md:grid-cols-1 gap-x-4 border-t border-line py-3">
          <p className="font-bold leading-tight">
            {showDay(day)}
            <span className="block text-sm text-soft font-normal">{day.slice(0, 4)}</span>
          </p>
          <ul className="flex flex-col gap-1.5 min-w-0">
            {here.map((entry) => (
              <EntryLine key={entry.id} entry={entry} />
            ))}
          </ul>
        </li>
      ))}
    </ol>
  );
}

function EntryLine({ entry }: { readonly entry: RecordEntry }) {
  const { kind, place, words, grade, visitId, picture } = entry;
  return (
    <li className="flex items-center gap-2.5 min-w-0">
      {grade !== null ? (
        <span className="w-24 shrink-0 grid place-items-center">
          <Ripple grade={grade} size={34} silent />
        </span>
      ) : (
        <span className="w-24 shrink-0">
          <Chip tone={TONES[kind] ?? 'plain'}>{ENTRY_KINDS[kind].toLowerCase()}</Chip>
        </span>
      )}
      <span className="min-w-0 break-words flex-1">
        {place !== null && <b className="first-letter:uppercase inline-block">{namePlace(placeOf(place))}: </b>}{' '}
        {kind === 'visit' && visitId !== null ? (
          <Link to={`/visits/${visitId}/sheet`} className="text-pond underline">
            {words}
          </Link>
        ) : (
          words
        )}
      </span>
      {picture !== null && (
        <a href={addressOf(picture)} target="_blank" rel="noreferrer" className="shrink-0">
          <img
            src={addressOf(picture)}
            alt="Open the picture"
            className="w-16 h-12 object-cover rounded-lg border border-line"
          />
        </a>
      )}
    </li>
  );
}
