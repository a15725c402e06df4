import type { DogView } from '@dewpond/contract';
import type { Day } from '@dewpond/core/units';
import { useState } from 'react';
import { useParams } from 'react-router';
import { useDog, useDogMix, useHomeCare, useReferrals, useTouched } from '../../../data/queries';
import { dayOf } from '../../../browser/times';
import { useZone } from '../../../data/useUnits';
import { May } from '../../../parts/May';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { Waiting } from '../../../ui/Waiting';
import { BookDialog } from '../../../parts/booking/BookDialog';
import { Doubles } from '../merging/Doubles';
import { BeginVisit } from '../../../parts/visits/BeginVisit';
import { HomeCareCard } from '../homeCare/HomeCareCard';
import { OpenReferrals } from '../../../parts/referrals/OpenReferrals';
import { Bookings } from './Bookings';
import { BathCard } from './BathCard';
import { DogActions } from './DogActions';
import { DogNotes } from './DogNotes';
import { DogHeader } from './DogHeader';
import { HoldingCard } from './HoldingCard';
import { InstructionsDialog } from './InstructionsDialog';
import { NextVisit } from './NextVisit';
import { OwnWaysCard } from './OwnWaysCard';
import { ProgrammeCard } from './ProgrammeCard';
import { PlanList } from './PlanList';
import { RhythmChart } from './RhythmChart';
import { StyleCard } from './StyleCard';
import { TouchedCard } from './TouchedCard';
import { TraitsCard } from './TraitsCard';
import { WeightCard } from './WeightCard';
import { WhatIfDialog } from './WhatIfDialog';
import { Why } from './Why';

export function DogScreen() {
  const { id = '' } = useParams();
  const query = useDog(id);
  const cards = [useDogMix(id), useTouched(id), useHomeCare(id), useReferrals(id)];
  return (
    <Waiting query={query} and={cards} what="This dog">
      {(dog) => <Dog key={dog.id} dog={dog} />}
    </Waiting>
  );
}

function Dog({ dog }: { readonly dog: DogView }) {
  const [asked, setAsked] = useState<string | null>(null);
  const [booking, setBooking] = useState(false);
  const [instructing, setInstructing] = useState(false);
  const [trying, setTrying] = useState(false);
  const open = dog.appointments.find((each) => each.state === 'booked');
  const zone = useZone();
  const days = dog.appointments
    .filter(({ state }) => state === 'booked')
    .map(({ startsAt }) => dayOf(startsAt, zone) as Day);
  const booked = days.toSorted().find((each) => each >= dog.today);
  const begun = dog.appointments.find((each) => each.state === 'booked' && each.visitId !== null) ?? open;
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-3.5">
      <header className="flex items-start justify-between gap-3 max-lg:flex-wrap">
        <DogHeader dog={dog} />
        <div className="flex flex-wrap gap-2">
          <Button look="quiet" onClick={() => setTrying(true)}>
            What if…
          </Button>
          <Button look="quiet" onClick={() => setInstructing(true)}>
            Instructions
          </Button>
          <May deed="book">
            <Button onClick={() => setBooking(true)} disabled={dog.archivedOn !== null}>
              Book
            </Button>
          </May>
          <DogActions dog={dog} />
          <BeginVisit dogId={dog.id} appointmentId={begun?.id ?? null} visitId={begun?.visitId ?? null} done={false} />
        </div>
      </header>
      <DogNotes dog={dog} />
      <OpenReferrals dogId={dog.id} />
      <Doubles
        of="dog"
        survivor={{ id: dog.id, name: dog.profile.name }}
        likelySame={dog.likelySame}
        merges={dog.merges}
      />
      <Card
        title="Rhythm"
        aside="left half, right half: the dog’s own · tap a sign for the visit, a lens for the reason"
      >
        {dog.visits.length === 0 && (
          <p className="text-soft mb-2">
            No visit yet: the windows below are the plan’s. They move with what is found.
          </p>
        )}
        <RhythmChart dog={dog} onLens={setAsked} />
        <p className="text-[13px] text-soft mt-1 text-right">small reeds: the owner’s home-care days</p>
      </Card>
      <div className="grid grid-cols-[1fr_380px] max-lg:grid-cols-1 gap-3.5">
        <NextVisit dog={dog} onBook={() => setBooking(true)} />
        <Why dog={dog} asked={asked} />
      </div>
      <div className="grid grid-cols-[1fr_380px] max-lg:grid-cols-1 gap-3.5 items-start">
        <div className="flex flex-col gap-3.5 min-w-0">
          <PlanList dog={dog} onAsk={setAsked} />
          <HomeCareCard dogId={dog.id} />
        </div>
        <div className="flex flex-col gap-3.5">
          <HoldingCard dog={dog} />
          <ProgrammeCard dog={dog} />
          <TraitsCard dog={dog} onTry={() => setTrying(true)} />
          <StyleCard dog={dog} />
          <OwnWaysCard dog={dog} />
          <BathCard dog={dog} />
          <TouchedCard dogId={dog.id} />
          <WeightCard dog={dog} />
          <Bookings dog={dog} />
        </div>
      </div>
      <WhatIfDialog dog={dog} open={trying} onClose={() => setTrying(false)} />
      <InstructionsDialog dog={dog} open={instructing} onClose={() => setInstructing(false)} />
      <BookDialog
        open={booking}
        onClose={() => setBooking(false)}
        dog={{ id: dog.id, name: dog.profile.name, suggested: dog.nextVisit?.day ?? null, booked }}
      />
    </div>
  );
}
