import type { HomeCareView } from '@dewpond/contract';
import { COMMON_PRACTICE } from '@dewpond/core/provenance';

import { CalendarPlus, Printer } from 'lucide-react';
import { Link } from 'react-router';
import { useHomeCare } from '../../../data/queries';
import { Card } from '../../../ui/Card';
import { SourceMark } from '../../../ui/SourceMark';
import { forSalon } from './forSalon';
import { WeekGrid } from '../../../parts/homeCare/WeekGrid';
import { showDay } from '../../../browser/times';

const AWAY = 'inline-flex items-center gap-2 text-pond underline min-h-11 font-semibold';

/** What is asked less often, or seldom done, as the ticks before the last visit say; and what follows. */
function SeldomDone({ home }: { readonly home: HomeCareView }) {
  const less = home.tasks.flatMap(({ key, name, less: words }) => (words === null ? [] : [{ key, name, words }]));
  if (less.length === 0) return null;
  return (
    <section aria-label="Seldom ticked" className="mt-2 rounded-xl bg-watch-pale px-3 py-2">
      <p className="text-sm font-semibold">Seldom ticked, as the owner reads it</p>
      <ul className="flex flex-col gap-1">
        {less.map(({ key, name, words }) => (
          <li key={key}>
            <b>{name}</b>: {words}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What the owner is asked to do this week, and how much of it is ticked on the owner's page. */
export function HomeCareCard({ dogId }: { readonly dogId: string }) {
  const home = useHomeCare(dogId).data;
  if (!home || home.tasks.length === 0) return null;
  const { asked, done } = home.share;
  const notes = home.ticks.filter(({ note }) => note !== '').toSorted((a, b) => (a.day < b.day ? 1 : -1));
  return (
    <Card
      title="At home"
      aside={
        <>
          {asked === 0 ? 'nothing due yet' : `${done} of ${asked} ticked since ${showDay(home.since)}`}{' '}
          <SourceMark
            source={COMMON_PRACTICE}
            because="What the owner ticks tells whether home care happens. It does not move the salon’s next visit."
          />
        </>
      }
    >
      <div className="overflow-x-auto">
        <WeekGrid home={forSalon(home)} from={home.today} />
      </div>
      <SeldomDone home={forSalon(home)} />
      {notes.length > 0 && (
        <ul className="mt-2 text-sm">
          {notes.slice(0, 3).map(({ key, day, note }) => (
            <li key={key + day}>
              <span className="text-soft">{showDay(day)}:</span> “{note}”
            </li>
          ))}
        </ul>
      )}
      {home.photos.length > 0 && (
        <ul aria-label="Pictures from home" className="no-print flex flex-wrap gap-2 mt-2">
          {home.photos.map(({ id, day }) => (
            <li key={id}>
              <a href={`/api/home-photos/${id}`} target="_blank" rel="noreferrer">
                <img
                  src={`/api/home-photos/${id}`}
                  alt={`Sent by the owner on ${showDay(day)}`}
                  className="w-24 h-16 object-cover rounded-lg border border-line"
                />
              </a>
            </li>
          ))}
        </ul>
      )}
      <p className="no-print mt-2 flex flex-wrap gap-x-5">
        <Link to={`/dogs/${dogId}/week`} className={AWAY}>
          <Printer size={18} aria-hidden /> The week on paper
        </Link>
        <a href={`/api/dogs/${dogId}/home.ics`} download className={AWAY}>
          <CalendarPlus size={18} aria-hidden /> As a calendar file
        </a>
      </p>
    </Card>
  );
}
