import { geoLink, type PlannedRound, type VanRound, type RoundStep } from '@dewpond/core/route';
import { useState } from 'react';
import { Link } from 'react-router';
import { duration, fieldTime, wallTime } from '../../../browser/times';
import { MessageDialog, type MessageAbout } from '../../../parts/messages/MessageDialog';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import type { RoundStop } from './stopsOf';

interface RoundListProps {
  readonly round: VanRound;
  readonly planned: PlannedRound;
  /** Those of the round, in its own order. */
  readonly stops: readonly RoundStop[];
  readonly batteryEnds: number | null;
  readonly onOpen: (clientId: string, isOpen: boolean) => void;
}

/** The round from leaving to coming home: what is when, what is driven between. */
export function RoundList({ round, planned, stops, batteryEnds, onOpen }: RoundListProps) {
  const legs = legsOf(round, planned);
  const [about, setAbout] = useState<MessageAbout | null>(null);
  return (
    <>
      {about && <MessageDialog about={about} onClose={() => setAbout(null)} />}
      <ol aria-label="Stop by stop" className="flex flex-col">
        <li className="flex gap-3 py-2 font-semibold">
          <span className="w-14 text-right tabular-nums">{wallTime(round.leaves)}</span> leaves
        </li>
        {planned.steps.map((step, i) => (
          <li
            key={step.kind === 'stop' ? `stop ${step.stop}` : `${step.kind} ${i}`}
            className="border-t border-line py-2"
          >
            {legs[i]! > 0.5 && <p className="pl-17 text-[13px] text-soft">{duration(legs[i]!)} on the road</p>}
            {step.kind === 'stop' ? (
              <StopLine
                step={step}
                number={planned.order.indexOf(step.stop) + 1}
                its={stops[step.stop]!}
                isTooLong={batteryEnds !== null && planned.order.indexOf(step.stop) === batteryEnds}
                onOpen={onOpen}
                onTell={setAbout}
              />
            ) : (
              <p className="flex gap-3">
                <span className="w-14 text-right tabular-nums">
                  {wallTime(step.kind === 'lunch' ? step.begins : step.arrives)}
                </span>
                <span className="text-soft">
                  {step.kind === 'lunch' ? 'Lunch' : `Water at ${round.refills[step.place]!.name}`}, until{' '}
                  {wallTime(step.ends)}
                </span>
              </p>
            )}
          </li>
        ))}
        <li className="border-t border-line flex gap-3 py-2 font-semibold">
          <span className="w-14 text-right tabular-nums">{wallTime(planned.home)}</span> home
        </li>
      </ol>
    </>
  );
}

interface StopLineProps {
  readonly step: Extract<RoundStep, { kind: 'stop' }>;
  readonly number: number;
  readonly its: RoundStop;
  /** The dryer's battery does not last to its end. */
  readonly isTooLong: boolean;
  readonly onOpen: (clientId: string, isOpen: boolean) => void;
  readonly onTell: (about: MessageAbout) => void;
}

function StopLine({ step, number, its, isTooLong, onOpen, onTell }: StopLineProps) {
  const { stop, booked, owner, clientId, street, visits } = its;
  const [first] = visits;
  const isOpen = stop?.window === null;
  const shift = Math.round(step.begins - booked);
  const waits = Math.round(step.begins - step.arrives);
  return (
    <div className="flex gap-x-3 gap-y-2 max-md:flex-wrap">
      <span className="w-14 text-right tabular-nums font-bold">{wallTime(step.begins)}</span>
      <div className="flex-1 min-w-0">
        <p>
          <b>
            {number}. {owner}
          </b>{' '}
          {visits.map(({ appointment }) => appointment.dogName).join(', ')}
          <span className="text-soft">, until {wallTime(step.ends)}</span>
        </p>
        <p className="text-[13px] text-soft">
          {stop && (
            <a href={geoLink(stop.at)} className="underline">
              {street || 'on the map'}
            </a>
          )}
          {waits > 1 && `, waits ${duration(waits)}`}
        </p>
        {Math.abs(shift) > 1 && (
          <p
            className={
              !isOpen && shift > 15 ? 'text-[13px] text-stop font-semibold' : 'text-[13px] text-watch font-semibold'
            }
          >
            booked {wallTime(booked)}: {duration(Math.abs(shift))} {shift > 0 ? 'later' : 'earlier'}
          </p>
        )}
        {isTooLong && (
          <p className="text-[13px] text-stop font-semibold">From here on the battery does not last for the dryer.</p>
        )}
      </div>
      <div className="no-print flex flex-col gap-2 self-start max-md:flex-row max-md:basis-full max-md:pl-17">
        {first && (
          <Button
            look="quiet"
            className="min-h-11! px-3! text-sm"
            aria-label={`Tell ${owner}: on our way`}
            onClick={() =>
              onTell({
                kind: 'on our way',
                dogId: first.appointment.dogId,
                visitId: null,
                time: fieldTime(Math.round(step.begins)),
              })
            }
          >
            On our way
          </Button>
        )}
        <Choice
          chosen={!isOpen}
          className="min-h-11! px-3! text-sm"
          aria-label={`${owner} keeps its time`}
          onClick={() => onOpen(clientId, !isOpen)}
        >
          {isOpen ? 'any time' : wallTime(booked)}
        </Choice>
      </div>
    </div>
  );
}

/** Minutes on the road before each step. */
function legsOf(round: VanRound, { steps }: PlannedRound): number[] {
  let left = round.leaves;
  return steps.map((step) => {
    const minutes = step.kind === 'lunch' ? 0 : step.arrives - left;
    left = step.ends;
    return minutes;
  });
}

/** Stops that nobody can put on the map. */
export function NotOnTheMap({ stops }: { readonly stops: readonly RoundStop[] }) {
  if (stops.length === 0) return null;
  return (
    <p className="rounded-card border border-watch bg-watch-pale px-4 py-2.5">
      Not on the map, so not in the round:{' '}
      {stops.map(({ clientId, owner }, i) => (
        <span key={clientId}>
          {i > 0 && ', '}
          <Link to={`/owners/${clientId}`} className="font-bold underline">
            {owner}
          </Link>
        </span>
      ))}
      . Write where the van stops on their card.
    </p>
  );
}
