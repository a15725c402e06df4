import type { DogView } from '@dewpond/contract';
import { composeTraits, nameBreeds } from '@dewpond/core/catalogue';
import { kilograms, showDay, showWeight, yearsOld } from '@dewpond/core/units';
import { useState } from 'react';
import { useParams } from 'react-router';
import { useUnits } from '../../app/useUnits';
import { useDog } from '../../api/queries';
import { Button, ButtonLink } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Chip } from '../../ui/Chip';
import { Waiting } from '../../ui/Waiting';
import { BookDialog } from '../ahead/BookDialog';
import { BeginVisit } from '../table/BeginVisit';
import { Bookings } from './Bookings';
import { DogMix } from './DogMix';
import { InstructionChips } from './InstructionChips';
import { InstructionsDialog } from './InstructionsDialog';
import { NextVisit } from './NextVisit';
import { PlanList } from './PlanList';
import { RhythmChart } from './RhythmChart';
import { TraitsCard } from './TraitsCard';
import { WhatIfDialog } from './WhatIfDialog';
import { Why } from './Why';

export function DogScreen() {
  const { id = '' } = useParams();
  const query = useDog(id);
  return (
    <Waiting query={query} what="This dog">
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
  const begun = dog.appointments.find((each) => each.state === 'booked' && each.visitId !== null) ?? open;
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-3.5">
      <header className="flex items-start justify-between gap-3 max-lg:flex-wrap">
        <div className="min-w-0 flex-1 max-lg:basis-full">
          <div className="flex flex-wrap items-baseline gap-x-3">
            <h1>{dog.profile.name}</h1>
            <WhoItIs dog={dog} />
          </div>
          <div className="flex flex-wrap gap-1.5 mt-2">
            <InstructionChips dog={dog} />
            {dog.profile.handling.map((mark) => (
              <Chip key={mark} tone="watch">
                {mark}
              </Chip>
            ))}
            {dog.profile.skin !== 'healthy' && <Chip tone="stop">skin {dog.profile.skin}</Chip>}
          </div>
        </div>
        <div className="flex gap-2">
          <ButtonLink to={`/dogs/${dog.id}/edit`} look="quiet">
            Edit
          </ButtonLink>
          <Button look="quiet" onClick={() => setTrying(true)}>
            What if…
          </Button>
          <Button look="quiet" onClick={() => setInstructing(true)}>
            Instructions
          </Button>
          <Button onClick={() => setBooking(true)}>Book</Button>
          <BeginVisit dogId={dog.id} appointmentId={begun?.id ?? null} visitId={begun?.visitId ?? null} done={false} />
        </div>
      </header>
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
        <PlanList dog={dog} onAsk={setAsked} />
        <div className="flex flex-col gap-3.5">
          <TraitsCard dog={dog} onTry={() => setTrying(true)} />
          <DogMix dogId={dog.id} />
          <Bookings dog={dog} />
        </div>
      </div>
      <WhatIfDialog dog={dog} open={trying} onClose={() => setTrying(false)} />
      <InstructionsDialog dog={dog} open={instructing} onClose={() => setInstructing(false)} />
      <BookDialog
        open={booking}
        onClose={() => setBooking(false)}
        dog={{ id: dog.id, name: dog.profile.name, suggested: dog.nextVisit?.day ?? null }}
      />
    </div>
  );
}

function WhoItIs({ dog }: { readonly dog: DogView }) {
  const units = useUnits();
  const { profile, client, today } = dog;
  const { traits } = composeTraits(profile.breeds, profile.seen);
  const age = profile.born === null ? 'age not known' : `${yearsOld(profile.born, today)} years`;
  return (
    <span className="text-soft">
      {nameBreeds(profile.breeds)}, {showWeight(kilograms(profile.weightKg), units)}, {traits.coat} coat, {age} ·{' '}
      {client.name}
      {client.phone && (
        <>
          , <span className="whitespace-nowrap">{client.phone}</span>
        </>
      )}
      {profile.born !== null && <span className="sr-only">, born {showDay(profile.born)}</span>}
    </span>
  );
}
