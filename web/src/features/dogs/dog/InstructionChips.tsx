import type { DogView } from '@dewpond/contract';
import { daysBetween } from '@dewpond/core/units';
import { useBusiness } from '../../../data/queries';
import { Chip } from '../../../ui/Chip';
import { instructionWords } from '@dewpond/core/dog';
import { instructionState } from './instructionState';

/** What vet and owner asked for, always in sight; one that ends soon says so. */
export function InstructionChips({ dog }: { readonly dog: DogView }) {
  const products = useBusiness().data?.products ?? [];
  return dog.instructions.map((given) => {
    const stands = instructionState(given, dog.today);
    if (stands === 'ended' || stands === 'to come') return null;
    const left = given.until === null ? 0 : daysBetween(dog.today, given.until);
    return (
      <Chip key={given.id} tone={given.says.kind === 'bar' ? 'stop' : stands === 'ends soon' ? 'watch' : 'pond'}>
        {instructionWords(given, products)}
        {stands === 'ends soon' && (left === 0 ? ': last day' : `: ${left} ${left === 1 ? 'day' : 'days'} left`)}
      </Chip>
    );
  });
}
