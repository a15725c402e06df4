import type { Appointment, SlotView, SlotsView } from '@dewpond/contract';
import { VISIT_KINDS, type VisitKind } from '@dewpond/core/steps';
import { useState } from 'react';
import { minutesOf, showDay } from '../../browser/times';
import { useDog, useSlots } from '../../data/queries';
import { useZone } from '../../data/useUnits';
import { Button } from '../../ui/Button';
import { Chip } from '../../ui/Chip';
import { Choice } from '../../ui/Choice';
import { Dialog } from '../../ui/Dialog';
import { SelectField } from '../../ui/SelectField';
import { OpenReferrals } from '../referrals/OpenReferrals';
import { BookForm } from './BookForm';
import type { DogBooked } from './dogBooked';
import { SeriesOffer, type MadeBooking } from './SeriesOffer';
import { SlotList } from './SlotList';
import { useTakeSlot } from './useTakeSlot';
import { May } from '../May';

interface BookDialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly dog: DogBooked;
  /** Given: that booking is moved instead of a new one made. */
  readonly moving?: Appointment;
}

/** The next visit of a dog: the best times, one tap each; or any other time, by hand. */
export function BookDialog({ open, onClose, dog, moving }: BookDialogProps) {
  // Beside a booking that stands, the day of the plan is that booking's business.
  const isBooked = dog.booked !== undefined && !moving;
  const plan = dog.suggested ? `The plan suggests around ${showDay(dog.suggested)}.` : undefined;
  const isLate = isBooked && dog.suggested !== null && dog.suggested < dog.booked;
  const booked = isLate
    ? `Booked for ${showDay(dog.booked)}. ${plan}`
    : isBooked && `Booked for ${showDay(dog.booked)} already; these are for the visit after it.`;
  const says = booked || plan;
  return (
    <Dialog open={open} onClose={onClose} title={moving ? `Move ${dog.name}` : `Book ${dog.name}`} says={says}>
      {open && (
        <div className="mb-3 empty:hidden">
          <OpenReferrals dogId={dog.id} />
        </div>
      )}
      {open && (
        <May deed="book" says>
          <Booking dog={dog} moving={moving} onDone={onClose} />
        </May>
      )}
    </Dialog>
  );
}

/** Kinds with a length of their own for each dog; what was agreed is told by hand. */
const BY_SLOT = VISIT_KINDS.filter((kind) => kind !== 'as agreed');

interface BookingProps {
  readonly dog: DogBooked;
  readonly moving: Appointment | undefined;
  readonly onDone: () => void;
}

function Booking({ dog, moving, onDone }: BookingProps) {
  // Until somebody chooses, the kind after which all of its care comes best.
  const [asked, setAsked] = useState<VisitKind | null>(moving && moving.kind !== 'as agreed' ? moving.kind : null);
  const [byHand, setByHand] = useState(moving !== undefined);
  const [made, setMade] = useState<MadeBooking | null>(null);
  const zone = useZone();
  const marks = useDog(dog.id).data?.marks ?? [];
  const minutes = moving ? minutesOf(moving) : undefined;
  const [along, setAlong] = useState<readonly string[]>([]);
  const slots = useSlots(dog.id, { kind: asked, minutes, instead: moving?.id, along });
  const view = slots.data;
  // A series is of one dog: those that come along have theirs.
  const isDone = moving !== undefined || along.length > 0;
  const onTaken = (taken: MadeBooking) => (isDone ? onDone() : setMade(taken));
  const take = useTakeSlot({ dog, moving, visits: view?.visits ?? [], zone, onTaken });
  const kind = asked ?? view?.kind ?? 'full visit';
  if (made) return <SeriesOffer made={made} everyWeeks={view?.everyWeeks ?? 5} onDone={onDone} />;
  // What is typed begins from the best time there is: before that is known, there is nothing to type into.
  const isKnown = view !== undefined || moving !== undefined || slots.error !== null;
  const isTold = isKnown && (byHand || slots.error !== null || view?.slots.length === 0);
  return (
    <div className="flex flex-col gap-4">
      {marks.length > 0 && (
        <p className="flex flex-wrap gap-1.5" aria-label="To mind">
          {marks.map((mark) => (
            <Chip key={mark} tone="watch">
              {mark}
            </Chip>
          ))}
        </p>
      )}
      {!moving && (
        <div className="grid grid-cols-[1fr_auto] gap-3 items-end">
          <SelectField label="For" value={kind} onChange={({ target }) => setAsked(target.value as VisitKind)}>
            {BY_SLOT.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </SelectField>
          {view && <p className="pb-2.5 text-soft">{handsWords(view)}</p>}
        </div>
      )}
      {view && <Missed view={view} />}
      {view && !moving && <Along view={view} along={along} onChange={setAlong} />}
      {view && view.slots.length > 0 && (
        <SlotList
          view={view}
          isBusy={take.isPending || slots.isPlaceholderData}
          onTake={(slot: SlotView) => take.mutate({ slot, kind })}
        />
      )}
      {view?.slots.length === 0 && <p className="text-soft">No time is free in the next ten weeks.</p>}
      {!view && slots.error === null && <p role="status">The best times…</p>}
      {slots.error && <p className="text-soft">The best times could not be asked for: {slots.error.message}</p>}
      {along.length > 0 ? null : isTold ? (
        <BookForm
          dog={dog}
          moving={moving}
          best={view?.slots[0] ?? null}
          kind={kind}
          minutes={view?.minutes ?? null}
          onDone={onDone}
        />
      ) : !isKnown ? null : (
        // With the best times, not before them: it would be pushed down from under the finger, and a time be there instead.
        <Button look="quiet" aria-pressed={byHand} onClick={() => setByHand(true)}>
          Another time
        </Button>
      )}
    </div>
  );
}

/** How often this client did not come, or cancelled late: said when they book. */
function Missed({ view: { noShows, lateCancellations } }: { readonly view: SlotsView }) {
  const times = (count: number) => (count === 1 ? 'once' : `${count} times`);
  const said = [
    ...(noShows > 0 ? [`did not come ${times(noShows)}`] : []),
    ...(lateCancellations > 0 ? [`cancelled within a day ${times(lateCancellations)}`] : []),
  ];
  if (said.length === 0) return null;
  return (
    <p className="rounded-xl bg-watch-pale text-watch font-semibold px-3 py-2">In two years: {said.join(', ')}.</p>
  );
}

const handsWords = ({ visits }: SlotsView): string =>
  visits.length === 1
    ? `${visits[0]?.minutes ?? 0} min of hands for this dog`
    : `${visits.map(({ name, minutes }) => `${name} ${minutes}`).join(' + ')} min of hands`;

interface AlongProps {
  readonly view: SlotsView;
  readonly along: readonly string[];
  readonly onChange: (along: readonly string[]) => void;
}

/** The household: who is booked already, and who may come along, one dog after the other. */
function Along({ view: { household }, along, onChange }: AlongProps) {
  if (household.length === 0) return null;
  return (
    <fieldset className="flex flex-wrap items-center gap-2">
      <legend className="text-sm font-semibold mb-1">Same household: comes along?</legend>
      {household.map(({ id, name, booked }) => (
        <Choice
          key={id}
          chosen={along.includes(id)}
          className="min-h-11!"
          onClick={() => onChange(along.includes(id) ? along.filter((each) => each !== id) : [...along, id])}
        >
          {name}
          {booked !== null && <span className="font-normal"> booked {showDay(booked)}</span>}
        </Choice>
      ))}
    </fieldset>
  );
}
