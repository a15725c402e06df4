import type { DogListItem, SlotView, SlotsView } from '@dewpond/contract';
import type { VisitKind } from '@dewpond/core/steps';
import type { Day } from '@dewpond/core/units';
import { group } from 'd3-array';
import { useState } from 'react';
import { v7 } from 'uuid';
import { clock, fieldTime, minuteOf, showDay } from '../../browser/times';
import { instantAt } from '../../browser/wallClock';
import { useSlots } from '../../data/queries';
import { useZone } from '../../data/useUnits';
import { MessageDialog, type MessageAbout, type OfferedVisit } from '../../parts/messages/MessageDialog';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Dialog } from '../../ui/Dialog';
import { Waiting } from '../../ui/Waiting';
import type { ToldProposal } from '@dewpond/core/bookings';

interface NudgeProps {
  readonly dog: Pick<DogListItem, 'id' | 'name'>;
  readonly today: Day;
  /** What the plan proposes for it, where there is one. */
  readonly proposal: ToldProposal | null;
  readonly onClose: () => void;
}

/** A time that could be offered: to one dog, or to all of a house one after the other. */
interface OfferedTime {
  readonly key: string;
  readonly day: Day;
  readonly startsAt: string;
  readonly memberId: string;
  readonly along: SlotView['along'];
  readonly why: readonly string[];
}

/** What the message says and what goes with it. */
type MadeOffer = Pick<MessageAbout, 'day' | 'time' | 'offers'>;

/** So many are offered where nobody chooses. */
const OFFERED = 3;

/**
 * Writes to the owner of a dog that is due and not booked, with times to say yes to: the plan's, and the best there are; with
 * the other dogs of the house that are not booked, if they are to come along.
 */
export function NudgeDialog({ dog, today, proposal, onClose }: NudgeProps) {
  const zone = useZone();
  const [along, setAlong] = useState<readonly string[]>([]);
  /** The first few are offered until somebody says otherwise of one. */
  const [otherwise, setOtherwise] = useState<ReadonlySet<string>>(new Set());
  /** What was chosen, each with an id of its own: sent again, it is offered once. */
  const [offer, setOffer] = useState<MadeOffer | null>(null);
  const slots = useSlots(dog.id, { kind: null, along });
  const planned = along.length === 0 && proposal && proposal.day > today ? fromPlan(proposal, zone) : null;
  if (offer)
    return (
      <MessageDialog
        about={{ kind: 'time to come', dogId: dog.id, visitId: null, withDogs: along, ...offer }}
        onClose={onClose}
      />
    );
  const make = (chosen: readonly OfferedTime[], view: SlotsView) => {
    const [first] = chosen;
    if (!first) return;
    setOffer({
      day: first.day,
      time: fieldTime(minuteOf(firstOf(first), zone)),
      offers: chosen.flatMap((each) => visitsAt(each, planned?.key === each.key ? proposal : null, view)),
    });
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title={`It is time for ${dog.name}`}
      says="The owner says yes to one of these times."
    >
      <Waiting query={slots} what="The best times">
        {(view) => {
          const others = view.household.filter(({ sameOwner, booked }) => sameOwner && booked === null);
          const times = timesOf(view, planned, today);
          const chosen = times.filter(({ key }, i) => i < OFFERED !== otherwise.has(key));
          return (
            <div className="flex flex-col gap-4">
              {others.length > 0 && (
                <fieldset className="flex flex-wrap gap-2">
                  <legend className="text-sm font-semibold mb-1">Along with it</legend>
                  {others.map(({ id, name }) => (
                    <Choice
                      key={id}
                      chosen={along.includes(id)}
                      onClick={() => setAlong([...toggled(new Set(along), id)])}
                    >
                      {name}
                    </Choice>
                  ))}
                </fieldset>
              )}
              {times.length === 0 ? (
                <p>No time is free for it in the next weeks: there is nothing to offer.</p>
              ) : (
                <>
                  <Times
                    visits={view.visits}
                    times={times}
                    chosen={chosen}
                    onToggle={(key) => setOtherwise(toggled(otherwise, key))}
                  />
                  <Button
                    look="main"
                    className="min-h-14!"
                    disabled={chosen.length === 0 || slots.isPlaceholderData}
                    onClick={() => make(chosen, view)}
                  >
                    {chosen.length === 1 ? 'Offer this time' : `Offer ${chosen.length} times`}
                  </Button>
                </>
              )}
            </div>
          );
        }}
      </Waiting>
    </Dialog>
  );
}

const toggled = (keys: ReadonlySet<string>, key: string): ReadonlySet<string> =>
  keys.has(key) ? new Set([...keys].filter((each) => each !== key)) : new Set([...keys, key]);

/** When the first of them comes. */
const firstOf = ({ startsAt, along }: OfferedTime): string =>
  [startsAt, ...along.map((each) => each.startsAt)].toSorted()[0] ?? startsAt;

/** "8:30", or of several "Thimble 9:15, Kelpie 11:00"; who comes at the same time stands together. */
function whoWhen({ startsAt, along }: OfferedTime, visits: SlotsView['visits'], zone: string): string {
  if (along.length === 0) return clock(startsAt, zone);
  const starts = new Map([[visits[0]?.dogId, startsAt], ...along.map((each) => [each.dogId, each.startsAt] as const)]);
  const byStart = group(visits, ({ dogId }) => starts.get(dogId) ?? startsAt);
  return [...byStart]
    .toSorted(([a], [b]) => Date.parse(a) - Date.parse(b))
    .map(([start, dogs]) => `${new Intl.ListFormat('en').format(dogs.map(({ name }) => name))} ${clock(start, zone)}`)
    .join(', ');
}

interface TimesProps {
  readonly visits: SlotsView['visits'];
  readonly times: readonly OfferedTime[];
  readonly chosen: readonly OfferedTime[];
  readonly onToggle: (key: string) => void;
}

function Times({ visits, times, chosen, onToggle }: TimesProps) {
  const zone = useZone();
  return (
    <ul aria-label="Times to offer" className="flex flex-col gap-1.5">
      {times.map((each) => (
        <li key={each.key}>
          <Choice chosen={chosen.includes(each)} onClick={() => onToggle(each.key)} className="w-full text-left! py-2">
            <span>
              <b className="block">
                {showDay(each.day)}, {whoWhen(each, visits, zone)}
              </b>
              <span className="block text-sm font-normal">{each.why.join('; ')}</span>
            </span>
          </Choice>
        </li>
      ))}
    </ul>
  );
}

function fromPlan({ day, from, person, why }: ToldProposal, zone: string): OfferedTime {
  const startsAt = new Date(instantAt(day, from, zone)).toISOString();
  return {
    key: `${startsAt} ${person}`,
    day,
    startsAt,
    memberId: person,
    along: [],
    why: ['as planned', ...why.slice(0, 1)],
  };
}

/** Of different days and hours; whoever is written to does not come today. */
function timesOf({ slots }: SlotsView, planned: OfferedTime | null, today: Day): OfferedTime[] {
  const best = slots
    .filter(({ day }) => day > today)
    .map(({ day, startsAt, memberId, along, why }) => ({
      key: `${startsAt} ${memberId}`,
      day,
      startsAt,
      memberId,
      along,
      why,
    }));
  return planned ? [planned, ...best.filter(({ startsAt }) => startsAt !== planned.startsAt)] : best;
}

/** The visits of a time: of the dog itself, and of those that come along. */
function visitsAt(time: OfferedTime, proposal: ToldProposal | null, { visits }: SlotsView): OfferedVisit[] {
  const [own, ...others] = visits;
  if (!own) return [];
  const setId = v7();
  const kindOf = (id: string) => (others.find(({ dogId }) => dogId === id) ?? own).kind;
  const first = proposal
    ? { ...time, dogId: own.dogId, kind: proposal.kind as VisitKind, minutes: proposal.to - proposal.from }
    : { ...time, dogId: own.dogId, kind: own.kind, minutes: own.minutes };
  const along = time.along.map((each) => ({ ...each, kind: kindOf(each.dogId) }));
  return [first, ...along].flatMap(({ dogId, memberId, kind, startsAt, minutes }) =>
    kind === 'as agreed' ? [] : [{ id: v7(), setId, dogId, memberId, kind, startsAt, minutes, insteadOf: null }],
  );
}
