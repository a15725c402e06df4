import { Suspense, lazy } from 'react';
import { May } from '../../parts/May';
import { useNow } from '../../browser/useNow';
import { useToday } from '../../data/queries';
import { ButtonLink } from '../../ui/ButtonLink';
import { Empty, Waiting } from '../../ui/Waiting';
import { FirstSteps } from './FirstSteps';
import { MorningMix } from './MorningMix';
import { LineUpCard } from './lineUp/LineUpCard';
import { DueFollowUps } from '../../parts/referrals/DueFollowUps';
import { OldBackup } from './OldBackup';
import { OutWithVan, atSalon } from './OutWithVan';
import { OpenVisits } from './OpenVisits';
import { WatchOut } from './WatchOut';
import { showDay } from '../../browser/times';

// Most mornings there is none.
const AnswersCard = lazy(async () => ({
  default: (await import('../../parts/answers/AnswersCard')).AnswersCard,
}));

export function TodayScreen() {
  const query = useToday();
  const now = useNow(30_000);
  return (
    <Waiting query={query} what="Today">
      {(today) => {
        const here = atSalon(today);
        return (
          <div className="px-7 py-5 max-md:px-3 flex flex-col gap-3.5">
            <header className="flex flex-wrap items-baseline justify-between gap-x-6">
              <h1>{showDay(today.day)}</h1>
              <span className="flex-1" />
              <May deed="change clients">
                <ButtonLink to="/dogs/new" look="quiet">
                  A dog not in the book
                </ButtonLink>
              </May>
            </header>
            {today.returning.map(({ visitId, dog, because }) => (
              <p
                key={visitId}
                className="flex flex-wrap items-center gap-3 rounded-card border border-watch bg-watch-pale px-4 py-2.5"
              >
                <span className="flex-1 min-w-60">
                  <b>{dog}</b> comes back to be finished. It went home: {because}.
                </span>
                <ButtonLink to={`/visits/${visitId}`} look="main" aria-label={`${dog}: go on`}>
                  Go on
                </ButtonLink>
              </p>
            ))}
            <Suspense>
              <AnswersCard onlyNoticed />
            </Suspense>
            <OldBackup />
            <FirstSteps />
            <OpenVisits begun={today.unbooked} />
            {today.dogs.length === 0 ? (
              <>
                <DueFollowUps today={today.day} />
                <Empty words="No dog is booked today.">
                  <ButtonLink to="/ahead" look="main">
                    Book one
                  </ButtonLink>
                </Empty>
              </>
            ) : (
              <>
                {here.dogs.length > 0 && <LineUpCard today={here} clockNow={now} />}
                <OutWithVan today={today} />
                <div className="grid grid-cols-[1.35fr_1fr] max-lg:grid-cols-1 gap-3.5">
                  <MorningMix />
                  <WatchOut items={today.watch} today={today.day} />
                </div>
              </>
            )}
          </div>
        );
      }}
    </Waiting>
  );
}
