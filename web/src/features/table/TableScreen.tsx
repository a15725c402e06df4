import { WhoIsHere } from '../../parts/door/WhoIsHere';
import { FromLost } from '../../parts/visits/FromLost';
import { isLiking } from '@dewpond/core/handling';
import { useOwnWork } from '../../data/device';
import type { VisitView } from '@dewpond/contract';
import { namePlace, placeKey, placeOf, type Place } from '@dewpond/core/places';

import { reasonKey } from '@dewpond/core/reasons';
import { endings } from '@dewpond/core/stops';
import type { Step } from '@dewpond/core/steps';
import { Ellipsis, X } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useKeys } from '../../browser/keys';
import { usePreferences } from '../../browser/preferences';
import { useSession, useVisit } from '../../data/queries';
import { makeStale } from '../../data/stale';
import { Chip } from '../../ui/Chip';
import { Dialog } from '../../ui/Dialog';
import { classes } from '../../ui/classes';
import { Waiting } from '../../ui/Waiting';
import { CloseVisit } from './CloseVisit';
import { FindingPanel } from './FindingPanel';
import { Foot } from './Foot';
import { IncidentDialog } from './IncidentDialog';
import { LookOver } from './LookOver';
import { MoreMenu } from './MoreMenu';
import { Aside } from './Aside';
import { Away } from './Away';
import { Clashes, WrittenByNewer } from './Clashes';
import { StepBody } from './StepBody';
import { StepDrawer } from './StepDrawer';
import { SendState } from './SendState';
import { StopScreen } from './StopScreen';
import { Ringing } from './Timers';
import { useTable } from './useTable';
import { visitUpToDate } from './visitUpToDate';
import { useWakeLock } from '../../browser/useWakeLock';
import { allEvents, followVisit, openLog, record, useVisitLog } from './visitLog';
import { showDay } from '../../browser/times';

export function TableScreen() {
  const { id = '' } = useParams();
  const query = useVisit(id);
  return (
    <div className="fixed inset-0 z-30 bg-paper">
      <Waiting query={query} what="The visit">
        {(visit) => <Opened key={visit.id} cached={visit} />}
      </Waiting>
    </div>
  );
}

/** Opens the log once; the first event of all says that the visit has begun. */
function Opened({ cached }: { readonly cached: VisitView }) {
  const visit = useMemo(() => visitUpToDate(cached), [cached]);
  const person = useSession().data?.person.id ?? '';
  const navigate = useNavigate();
  // Until it is this person's, what is tapped would bear another's name.
  const opened = useVisitLog((log) => log.visitId === visit.id && log.person === person);
  const movedTo = useOwnWork(({ moved }) => moved[visit.id]);
  useEffect(() => {
    // Whose work it is must be known before the first tap.
    if (person === '') return;
    void openLog(visit.id, person, visit.events).then((isOpen) => {
      if (isOpen && allEvents(useVisitLog.getState()).length === 0) record({ type: 'opened' });
    });
    return followVisit(visit.id);
  }, [visit, person]);
  // Another device had begun the same booking: what was done here has gone there.
  useEffect(() => {
    if (movedTo !== undefined) void navigate(`/visits/${movedTo}`, { replace: true });
  }, [movedTo, navigate]);
  return opened ? <AtTheTable visit={visit} /> : null;
}

function AtTheTable({ visit }: { readonly visit: VisitView }) {
  const table = useTable(visit);
  const navigate = useNavigate();
  const { state, steps } = table;
  const [chosen, setChosen] = useState<string | null>(null);
  const [place, setPlace] = useState<Place | null>(null);
  const [looking, setLooking] = useState(false);
  const [listing, setListing] = useState(false);
  const [more, setMore] = useState<'menu' | 'incident' | null>(null);
  const awake = useWakeLock() === 'awake';
  const handedness = usePreferences((own) => own.handedness);
  const step = steps.find((each) => each.id === chosen && each.barred === null) ?? table.current;
  const ending = endings(table.bars);
  const endsBy = ending.map(({ reason }) => reasonKey(reason)).join('|');
  const [sawStop, setSawStop] = useState<string | null>(null);
  // Gone for good, or closed: nothing is left to do at the table but to say so.
  const over = state.closed !== null || state.away?.back === null;
  const go = (to: Step | null) => setChosen(to?.id ?? null);
  useKeys([
    { keys: 'l', does: 'Look-over: found something', run: () => setLooking(true) },
    { keys: 's', does: 'All steps', run: () => setListing(true) },
    { keys: 'i', does: 'Something went wrong', run: () => setMore('incident') },
  ]);
  const allSent = useOwnWork(({ waiting }) => waiting === 0);
  useEffect(() => {
    if (state.closed === null || !allSent) return;
    void makeStale(['POST /api/visits/:id/events']);
    void navigate(`/visits/${visit.id}/sheet`, { replace: true });
  }, [state.closed, allSent, navigate, visit.id]);
  const closePanels = () => {
    setPlace(null);
    setLooking(false);
  };
  if (ending.length > 0 && sawStop !== endsBy) {
    return <StopScreen table={table} ending={ending} onLeave={closePanels} onGoOn={() => setSawStop(endsBy)} />;
  }
  const number = step ? steps.filter((each) => each.barred === null).indexOf(step) + 1 : 0;
  const count = steps.filter((each) => each.barred === null).length;
  return (
    <div className="flex flex-col h-full">
      <TableHead
        visit={visit}
        at={step ? `step ${number} of ${count}` : 'all steps done'}
        onList={() => setListing(true)}
        onMore={() => setMore('menu')}
      />
      <div className={classes('flex-1 min-h-0 flex max-lg:flex-col', handedness === 'left' && 'lg:flex-row-reverse')}>
        <div className="flex-1 min-w-0 overflow-y-auto px-7 py-5 max-md:px-4">
          <FromLost its={visit.fromLost ?? null} />
          <Clashes table={table} onPlace={setPlace} />
          <WrittenByNewer table={table} />
          {table.state.away && <Away table={table} />}
          {step === null || over ? (
            <CloseVisit table={table} />
          ) : step.id === 'look-over' ? (
            <LookOver table={table} onPlace={setPlace} />
          ) : (
            <StepBody key={step.id} table={table} step={step} />
          )}
        </div>
        {!over && <Aside table={table} step={step} awake={awake} onFound={() => setLooking(true)} />}
      </div>
      {step && !over && <Foot table={table} step={step} go={go} onFound={() => setLooking(true)} />}
      <Dialog open={looking} onClose={() => setLooking(false)} title="What did you find?" tall>
        <LookOver table={table} onPlace={setPlace} compact />
      </Dialog>
      <StepDrawer
        table={table}
        open={listing}
        onClose={() => setListing(false)}
        onGo={(to) => {
          go(to);
          setListing(false);
        }}
      />
      {place && (
        <FindingPanel
          key={placeKey(place)}
          table={table}
          place={place}
          onPlace={setPlace}
          onClose={() => setPlace(null)}
        />
      )}
      {more === 'menu' && (
        <MoreMenu table={table} onIncident={() => setMore('incident')} onClose={() => setMore(null)} />
      )}
      {more === 'incident' && <IncidentDialog table={table} onClose={() => setMore(null)} />}
      <Ringing />
    </div>
  );
}

interface TableHeadProps {
  readonly visit: VisitView;
  /** "step 3 of 17" */
  readonly at: string;
  readonly onList: () => void;
  readonly onMore: () => void;
}

/** Which dog, how far, what to mind, what has been sent; the ways out. */
function TableHead({ visit, at, onList, onMore }: TableHeadProps) {
  return (
    <header className="flex max-lg:flex-wrap items-center justify-between gap-x-3 px-5 py-1 max-md:px-4 min-h-16 border-b border-line">
      <div className="flex items-baseline gap-4 min-w-0 max-lg:flex-1">
        <h1>{visit.dog.name}</h1>
        <button type="button" className="text-soft underline min-h-14 px-1 whitespace-nowrap" onClick={onList}>
          {at}
        </button>
        <span className="text-soft truncate max-lg:hidden">{visit.dog.words}</span>
      </div>
      <div className="flex flex-wrap items-center gap-1.5 lg:ml-auto max-lg:order-last max-lg:w-full max-lg:pb-2">
        {visit.dog.handling.map((mark) => (
          <Chip key={mark} tone={isLiking(mark) ? 'good' : 'watch'}>
            {mark}
          </Chip>
        ))}
        {visit.referred.map(({ place, openedOn }) => (
          <Chip key={place} tone="stop">
            for a vet: {namePlace(placeOf(place))}, {showDay(openedOn)}
          </Chip>
        ))}
        <SendState />
      </div>
      <button
        type="button"
        aria-label="More: incident, add a step, end early"
        onClick={onMore}
        className="grid place-items-center size-14 shrink-0 rounded-xl text-soft hover:text-ink"
      >
        <Ellipsis size={26} aria-hidden />
      </button>
      <WhoIsHere className="flex-col w-16" />
      <Link
        to="/"
        aria-label="Leave the table"
        className="grid place-items-center size-14 shrink-0 rounded-xl text-soft hover:text-ink"
      >
        <X size={24} aria-hidden />
      </Link>
    </header>
  );
}
