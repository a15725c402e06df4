import type { DogView } from '@dewpond/contract';
import { composeTraits, nameBreeds } from '@dewpond/core/catalogue';
import { humanYears, seniorFrom } from '@dewpond/core/catalogue';
import { isLiking } from '@dewpond/core/handling';
import { daysBetween, kilograms, showWeight, yearsOld, type Day } from '@dewpond/core/units';
import { OwnerLink } from '../../../parts/clients/OwnerLink';
import { useCatalogue } from '../../../data/useCatalogue';
import { useUnits } from '../../../data/useUnits';
import { BranchChip } from '../../../parts/branches/BranchOfDog';
import { Chip } from '../../../ui/Chip';
import { InstructionChips } from './InstructionChips';
import { showDay } from '../../../browser/times';

/** Who it is in a line, and what must be in sight: instructions, handling, skin. */
export function DogHeader({ dog }: { readonly dog: DogView }) {
  const { profile } = dog;
  const senior = dog.facts.lifeStage === 'senior';
  return (
    <div className="min-w-0 flex-1 max-lg:basis-full">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h1>{profile.name}</h1>
        <WhoItIs dog={dog} />
      </div>
      <div className="flex flex-wrap gap-1.5 mt-2">
        {dog.archivedOn && <Chip tone="stop">archived {showDay(dog.archivedOn)}</Chip>}
        <BranchChip dogId={dog.id} />
        <InstructionChips dog={dog} />
        {dog.marks.map((mark) => (
          <Chip key={mark} tone={isLiking(mark) ? 'good' : 'watch'}>
            {mark}
          </Chip>
        ))}
        {senior && <Chip tone="watch">senior, from {seniorFrom(profile.weightKg)} years at this weight</Chip>}
        {profile.skin !== 'healthy' && <Chip tone="stop">skin {profile.skin}</Chip>}
      </div>
    </div>
  );
}

/** "6 years (about 42 in human terms)" */
function ageWords(born: Day, today: Day, weightKg: number): string {
  const years = yearsOld(born, today);
  const human = humanYears(daysBetween(born, today) / 365.25, weightKg);
  const plain =
    years < 1 ? `${Math.floor(daysBetween(born, today) / 30.4)} months` : `${years} ${years === 1 ? 'year' : 'years'}`;
  return `${plain} (about ${human} in human terms)`;
}

function WhoItIs({ dog }: { readonly dog: DogView }) {
  const units = useUnits();
  const catalogue = useCatalogue();
  const { profile, client, today, vet } = dog;
  const { traits } = composeTraits(profile.breeds, profile.seen, catalogue);
  const phone = client.card.phones[0];
  return (
    <span className="text-soft">
      {nameBreeds(profile.breeds, catalogue)}, {showWeight(kilograms(profile.weightKg), units)}, {traits.coat} coat,{' '}
      {profile.born === null ? 'age not known' : ageWords(profile.born, today, profile.weightKg)} ·{' '}
      <OwnerLink id={client.id} className="text-pond underline">
        {client.name}
      </OwnerLink>
      {phone && (
        <>
          , <span className="whitespace-nowrap">{phone.number}</span>
        </>
      )}
      {vet && <> · vet: {[vet.name, vet.practice].filter(Boolean).join(', ')}</>}
      {profile.born !== null && <span className="sr-only">, born {showDay(profile.born)}</span>}
    </span>
  );
}
