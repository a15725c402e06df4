import { addDays } from '@dewpond/core/units';
import { ChevronLeft, ChevronRight, Printer } from 'lucide-react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useBusiness, useDog, useHomeBath, useHomeCare, useBusinessProfile } from '../../../data/queries';
import { Button } from '../../../ui/Button';
import { Empty, Waiting } from '../../../ui/Waiting';
import { PrintedWeek } from '../../../parts/homeCare/WeekPrint';
import { BathAgreed } from './BathAgreed';
import { MinutesAgreed } from './MinutesAgreed';
import { forSalon } from './forSalon';

/** The owner's week on paper, for who wants no page behind a link: looked at, another week chosen, printed. */
export function WeekScreen() {
  const { id = '' } = useParams();
  const [search, setSearch] = useSearchParams();
  const dog = useDog(id).data;
  const business = useBusinessProfile();
  const home = useHomeCare(id);
  const bath = useHomeBath(id).data;
  const house = useBusiness().data;
  const weeks = Math.min(26, Math.max(0, Math.round(Number(search.get('weeks')) || 0)));
  const turn = (to: number) => setSearch(to === 0 ? {} : { weeks: String(to) }, { replace: true });
  return (
    <div className="px-7 py-5 max-md:px-2 print:p-0">
      <div className="no-print flex flex-wrap items-center justify-between gap-3 max-w-[880px] mx-auto mb-4">
        <Link to={`/dogs/${id}`} className="text-pond font-semibold underline">
          Back to {dog?.profile.name ?? 'the dog'}
        </Link>
        <div className="flex flex-wrap gap-2">
          <Button look="quiet" disabled={weeks === 0} onClick={() => turn(weeks - 1)}>
            <ChevronLeft size={18} aria-hidden /> A week sooner
          </Button>
          <Button look="quiet" disabled={weeks === 26} onClick={() => turn(weeks + 1)}>
            A week later <ChevronRight size={18} aria-hidden />
          </Button>
          <Button look="main" onClick={() => window.print()}>
            <Printer size={18} aria-hidden /> Print the week
          </Button>
        </div>
      </div>
      {home.data && dog && (
        <MinutesAgreed key={home.data.version} dogId={id} owner={dog.client.name} home={forSalon(home.data)} />
      )}
      {home.data && dog && bath && house && (
        <BathAgreed
          key={`bath ${bath.version}`}
          dogId={id}
          owner={dog.client.name}
          bath={bath}
          home={home.data}
          business={house}
        />
      )}
      <Waiting query={home} what="The week at home">
        {(view) =>
          view.tasks.length === 0 ? (
            <Empty words="The plan asks nothing of the owner between visits." />
          ) : (
            <Waiting query={business} what="The name on the paper">
              {(name) => (
                <PrintedWeek
                  business={name}
                  dog={dog?.profile.name ?? ''}
                  home={view}
                  from={addDays(view.today, 7 * weeks)}
                />
              )}
            </Waiting>
          )
        }
      </Waiting>
    </div>
  );
}
