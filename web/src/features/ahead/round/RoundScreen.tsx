import type { RoundView } from '@dewpond/contract';
import {
  batteryEndsBefore,
  drivingFor,
  geoJsonOf,
  gpxOf,
  roundInOrder,
  roundOf,
  tableToFill,
  type PlannedRound,
  type VanRound,
  type VanStop,
} from '@dewpond/core/route';
import { isDay } from '@dewpond/core/units';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { counted } from '../../../browser/counted';
import { call } from '../../../api/call';
import { duration, showDay, wallTime } from '../../../browser/times';
import { DayField } from '../../../forms/DayField';
import { Button } from '../../../ui/Button';
import { ButtonLink } from '../../../ui/ButtonLink';
import { Card } from '../../../ui/Card';
import { SelectField } from '../../../ui/SelectField';
import { Empty, Waiting } from '../../../ui/Waiting';
import { NotOnTheMap, RoundList } from './RoundList';
import { RoundMap } from './RoundMap';
import { VanDialog } from './VanDialog';
import { saveText } from './saveText';
import { stopsOf, type RoundStop } from './stopsOf';
import { usePlannedRound } from './usePlannedRound';
import { useTakeTimes } from './useTakeTimes';

/** A person's day as a round of the van: order, times, map. */
export function RoundScreen() {
  const [search, setSearch] = useSearchParams();
  const day = search.get('day') ?? undefined;
  const member = search.get('member') ?? undefined;
  const query = useQuery({
    queryKey: ['round', day, member],
    queryFn: () => call('GET /api/round', { query: { ...(day ? { day } : {}), ...(member ? { member } : {}) } }),
    placeholderData: keepPreviousData,
  });
  const ask = (more: Readonly<Record<string, string>>) =>
    setSearch({ ...(day ? { day } : {}), ...(member ? { member } : {}), ...more });
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-3.5">
      <Waiting query={query} what="The round">
        {(view) => (
          <>
            <header className="flex flex-wrap items-end gap-3">
              <h1 className="flex-1">Round, {showDay(view.day)}</h1>
              <div className="no-print w-52">
                <DayField
                  label="Day"
                  value={view.day}
                  onChange={({ target }) => isDay(target.value) && ask({ day: target.value })}
                />
              </div>
              <div className="no-print w-48">
                <SelectField
                  label="Who drives"
                  value={view.memberId ?? ''}
                  onChange={({ target }) => ask({ member: target.value })}
                >
                  {view.people.map(({ id, name, drives }) => (
                    <option key={id} value={id}>
                      {name}
                      {drives ? ', van' : ''}
                    </option>
                  ))}
                </SelectField>
              </div>
              <Link to="/ahead" className="no-print text-pond underline font-semibold py-2">
                Back to the weeks
              </Link>
            </header>
            <RoundOfDay key={`${view.day} ${view.memberId}`} view={view} />
          </>
        )}
      </Waiting>
    </div>
  );
}

function RoundOfDay({ view }: { readonly view: RoundView }) {
  const [open, setOpen] = useState<ReadonlyMap<string, boolean>>(new Map());
  const [isEditing, setIsEditing] = useState(false);
  const all = stopsOf(view, open);
  const stops = all.filter((each): each is RoundStop & { readonly stop: VanStop } => each.stop !== null);
  const round = roundOf(
    view.van,
    stops.map(({ stop }) => stop),
  );
  const planned = usePlannedRound(round && { van: view.van, round });
  return (
    <>
      <NotOnTheMap stops={all.filter(({ stop }) => stop === null)} />
      {round === null ? (
        <Empty words="Where does the van start? Then its round can be planned.">
          {view.mayEdit ? (
            <Button look="main" onClick={() => setIsEditing(true)}>
              Say how the van works
            </Button>
          ) : (
            <p className="text-soft">A manager says so.</p>
          )}
        </Empty>
      ) : stops.length === 0 ? (
        <Empty words="No stop is booked for this day.">
          <ButtonLink to="/ahead" look="main">
            Look at the weeks
          </ButtonLink>
        </Empty>
      ) : (
        <Planned
          view={view}
          round={round}
          planned={planned}
          stops={stops}
          onOpen={(id, is) => setOpen(new Map(open).set(id, is))}
          onEdit={() => setIsEditing(true)}
        />
      )}
      {isEditing && <VanDialog view={view} onClose={() => setIsEditing(false)} />}
    </>
  );
}

interface PlannedProps {
  readonly view: RoundView;
  readonly round: VanRound;
  readonly planned: PlannedRound | null;
  readonly stops: readonly (RoundStop & { readonly stop: VanStop })[];
  readonly onOpen: (clientId: string, isOpen: boolean) => void;
  readonly onEdit: () => void;
}

function Planned({ view, round, planned, stops, onOpen, onEdit }: PlannedProps) {
  const { driving, missing } = drivingFor(view.van, round);
  const take = useTakeTimes(view);
  const byTime = [...stops.keys()].toSorted((a, b) => stops[a]!.booked - stops[b]!.booked);
  const asBooked = roundInOrder(round, driving, byTime);
  const name = `Round ${view.day}`;
  const changes = planned ? take.changesOf(stops, planned) : [];
  return (
    <>
      <section className="flex flex-wrap items-center gap-x-6 gap-y-2" aria-label="The round in short">
        {planned === null ? (
          <p className="text-soft">Looking for the best order…</p>
        ) : (
          <p>
            <b>{counted(stops.length, 'stop')}</b>, <b>{duration(planned.driving)}</b> on the road, home at{' '}
            <b>{wallTime(planned.home)}</b>
            {planned.late > 0.5 && (
              <span className="text-stop font-semibold">, {duration(planned.late)} late in all</span>
            )}
            .{' '}
            {asBooked.driving - planned.driving > 1 && (
              <span className="text-soft">
                In the order of the bookings: {duration(asBooked.driving)} on the road, home at{' '}
                {wallTime(asBooked.home)}.
              </span>
            )}
          </p>
        )}
        <span className="no-print flex flex-wrap gap-2 ml-auto">
          {changes.length > 0 && (
            <Button look="main" disabled={take.isPending} onClick={() => take.mutate(changes)}>
              Take these times
            </Button>
          )}
          {planned && (
            <>
              <Button
                look="quiet"
                onClick={() => saveText(`${name}.gpx`, 'application/gpx+xml', gpxOf(name, round, planned))}
              >
                GPX
              </Button>
              <Button
                look="quiet"
                onClick={() =>
                  saveText(
                    `${name}.geojson`,
                    'application/geo+json',
                    JSON.stringify(geoJsonOf(round, planned), null, 1),
                  )
                }
              >
                GeoJSON
              </Button>
              <Button look="quiet" onClick={() => window.print()}>
                Print
              </Button>
            </>
          )}
          <Button
            look="quiet"
            onClick={() => saveText(`Driving times ${view.day}.csv`, 'text/csv', tableToFill(round, driving))}
          >
            Driving times
          </Button>
          {view.mayEdit && (
            <Button look="quiet" onClick={onEdit}>
              The van
            </Button>
          )}
        </span>
      </section>
      {missing.length > 0 && (
        <p className="text-watch">
          The table of driving times does not know {missing.join(', ')}: driven as the crow flies, with a share for the
          roads.
        </p>
      )}
      {planned && planned.tooMuchWater.length > 0 && (
        <p className="text-stop font-semibold">
          More water than the tank holds: {planned.tooMuchWater.map((i) => stops[i]!.owner).join(', ')}.
        </p>
      )}
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(360px,26rem)] max-lg:grid-cols-1 gap-3.5 items-start">
        <Card className="px-2! py-2!">
          <RoundMap round={round} planned={planned} />
        </Card>
        <Card title="Stop by stop" className="max-lg:order-first">
          {planned && (
            <RoundList
              round={round}
              planned={planned}
              stops={stops}
              batteryEnds={batteryEndsBefore(round.stops, planned.order, view.van.battery)}
              onOpen={onOpen}
            />
          )}
        </Card>
      </div>
    </>
  );
}
