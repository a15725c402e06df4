import type { AheadView, Appointment, DogListItem } from '@dewpond/contract';
import { daysInUse, type BookedVisit, type ToldProposal, type Weeks } from '@dewpond/core/bookings';
import { addDays, type Day } from '@dewpond/core/units';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { call } from '../../api/call';
import { showDay } from '../../browser/times';
import { useKeys } from '../../browser/keys';
import { useDogsHere } from '../../data/useBranch';
import { useAhead, useDogs, type AheadDays } from '../../data/queries';
import { useZone } from '../../data/useUnits';
import { useMay } from '../../data/useMay';
import { May } from '../../parts/May';
import { BookDialog } from '../../parts/booking/BookDialog';
import { SelectField } from '../../ui/SelectField';
import { Waiting } from '../../ui/Waiting';
import { AnswersCard, type TimeGivenUp } from '../../parts/answers/AnswersCard';
import { DayPanel } from './DayPanel';
import { DragToDay } from './dragging/DragToDay';
import { DueList, type DueDog } from './DueList';
import { GapDialog } from './GapDialog';
import { NudgeDialog } from './NudgeDialog';
import { PlanBar, whyNoPlan } from './PlanBar';
import { TooLateCard } from './TooLateCard';
import { Unplaced } from './UnplacedCard';
import { useAccept } from './useAccept';
import { usePlan } from './usePlan';
import { WeeksGrid, type LookedAt } from './WeeksGrid';

const HORIZONS: Readonly<Record<AheadDays, string>> = {
  '28': '4 weeks',
  '56': '8 weeks',
  '84': '12 weeks',
  '182': '26 weeks',
};

/** Weeks of bookings: how full each day is, who is due, and a plan for all of it. */
export function AheadScreen() {
  const [days, setDays] = useState<AheadDays>('56');
  const ahead = useAhead(days);
  return (
    <Waiting query={ahead} what="The weeks ahead">
      {(view) => <WeeksAhead view={view} days={days} onDays={setDays} />}
    </Waiting>
  );
}

const NO_PROPOSALS: readonly ToldProposal[] = [];

interface ToBook {
  readonly dog: { readonly id: string; readonly name: string; readonly suggested: Day | null };
  readonly moving?: Appointment;
}

interface WeeksAheadProps {
  readonly view: AheadView;
  readonly days: AheadDays;
  readonly onDays: (days: AheadDays) => void;
}

/** Until the book is there. */
const NO_DOGS: readonly DogListItem[] = [];

function WeeksAhead({ view, days, onDays }: WeeksAheadProps) {
  const weeks: Weeks = view.weeks;
  const today = weeks.first;
  const zone = useZone();
  const dogs = useDogsHere(useDogs().data ?? NO_DOGS);
  const plan = usePlan(view);
  const accept = useAccept(view, zone);
  const [chosen, setChosen] = useState<Day>(today);
  const [lookedAt, setLookedAt] = useState<string | null>(null);
  const [booking, setBooking] = useState<ToBook | null>(null);
  const [gap, setGap] = useState<TimeGivenUp | null>(null);
  const [nudged, setNudged] = useState<DogListItem | null>(null);
  const { answer } = plan;
  const use = useMemo(() => answer?.days ?? daysInUse(weeks), [answer, weeks]);
  const due = useMemo(() => dueDogs(view), [view]);
  const counts = new Map<Day, number>();
  for (const day of answer ? answer.unplaced.map(({ closes }) => closes) : due.map(({ ideal }) => ideal))
    counts.set(day < today ? today : day, (counts.get(day < today ? today : day) ?? 0) + 1);
  const mayBook = useMay('book');
  useKeys(
    mayBook ? [{ keys: 'p', does: 'Plan the weeks', run: () => whyNoPlan(view) === null && plan.begin(10) }] : [],
  );
  const moveSooner = async ({ id, day, dog }: BookedVisit) => {
    const { items } = await call('GET /api/appointments', { query: { from: day, to: day } });
    const moving = items.find((each) => each.id === id);
    if (moving) setBooking({ dog: { id: dog, name: moving.dogName, suggested: null }, moving });
  };
  const shown = due.find(({ id }) => id === lookedAt) ?? null;
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-3.5">
      <header className="flex flex-wrap items-center justify-between gap-3">
        <h1>
          {showDay(today)} to {showDay(addDays(today, weeks.days - 1))}
        </h1>
        <div className="flex flex-wrap items-center gap-3">
          {mayBook && (
            <PlanBar
              plan={plan}
              weeks={weeks.days / 7}
              whyNot={whyNoPlan(view)}
              isBooking={accept.isPending}
              onBookAll={() => accept.mutate(answer?.proposals ?? [])}
            />
          )}
          <SelectField
            label="How far"
            labelHidden
            value={days}
            onChange={({ target }) => onDays(target.value as AheadDays)}
          >
            {Object.entries(HORIZONS).map(([value, name]) => (
              <option key={value} value={value}>
                {name}
              </option>
            ))}
          </SelectField>
          <May deed="see addresses">
            <Link to="/round" className="text-pond underline font-semibold py-2">
              The van’s round
            </Link>
          </May>
          <Link to="/hours" className="text-pond underline font-semibold py-2">
            Hours and days away
          </Link>
        </div>
      </header>
      <DragToDay chosen={chosen} onMoved={setChosen}>
        <WeeksGrid
          days={use}
          today={today}
          chosen={chosen}
          lookedAt={shown && asWindow(shown)}
          due={counts}
          onChoose={setChosen}
        />
        <p className="text-sm text-soft">
          Water is booked, hatched is proposed; a number is dogs due{answer ? ' without a place' : ''}.
          {mayBook && ' p plans. Drag a dog to a day, or take hold of it with space; arrows go from day to day.'}
        </p>
        <div className="grid grid-cols-2 max-lg:grid-cols-1 gap-3.5 items-start">
          <DayPanel
            day={chosen}
            view={view}
            plan={answer?.proposals ?? NO_PROPOSALS}
            isBooking={accept.isPending}
            onAccept={(some) => accept.mutate(some)}
            onMove={(moving) =>
              setBooking({ dog: { id: moving.dogId, name: moving.dogName, suggested: null }, moving })
            }
            onFill={setGap}
          />
          <div className="flex flex-col gap-3.5">
            <AnswersCard onFill={setGap} />
            <TooLateCard view={view} onMove={(late) => void moveSooner(late)} />
            {answer && <Unplaced unplaced={answer.unplaced} names={view.names} onBook={(dog) => setBooking({ dog })} />}
            <DueList
              dogs={dogs}
              onLook={setLookedAt}
              onBook={(dog) => setBooking({ dog: { id: dog.id, name: dog.name, suggested: dog.next?.day ?? null } })}
              onWrite={setNudged}
            />
          </div>
        </div>
      </DragToDay>
      {booking && <BookDialog open onClose={() => setBooking(null)} {...booking} />}
      {nudged && (
        <NudgeDialog
          dog={nudged}
          today={today}
          proposal={answer?.proposals.find((each) => each.dog === nudged.id) ?? null}
          onClose={() => setNudged(null)}
        />
      )}
      {gap && <GapDialog appointment={gap} onClose={() => setGap(null)} />}
    </div>
  );
}

/** Dogs that are not booked, with the window of what is due first. */
function dueDogs({ weeks }: AheadView): DueDog[] {
  const booked = new Set(weeks.booked.map(({ dog }) => dog));
  return weeks.dogs
    .filter(({ id }) => !booked.has(id))
    .map(({ id, its }) => {
      const driver = its.care.reduce((a, b) => (addDays(b.last, b.ideal) < addDays(a.last, a.ideal) ? b : a));
      const on = (gap: number) => addDays(driver.last, gap);
      return { id, earliest: on(driver.earliest), ideal: on(driver.ideal), latest: on(driver.latest) };
    });
}

const asWindow = ({ earliest, ideal, latest }: DueDog): LookedAt => ({ earliest, ideal, latest });
