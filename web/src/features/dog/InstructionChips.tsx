import type { DogView } from '@dewpond/contract';
import { TASKS, holdsOn, type Instruction } from '@dewpond/core/careplan';
import { namePlace } from '@dewpond/core/places';
import { showDay } from '@dewpond/core/units';
import { Chip } from '../../ui/Chip';

/** What vet and owner asked for, always in sight. */
export function InstructionChips({ dog }: { readonly dog: DogView }) {
  return dog.instructions
    .filter((given) => holdsOn(given, dog.today))
    .map((given) => (
      <Chip key={given.id} tone={given.says.kind === 'bar' ? 'stop' : 'pond'}>
        {instructionWords(given, dog)}
      </Chip>
    ));
}

function instructionWords(given: Instruction, dog: DogView): string {
  const at = given.place ? `, ${namePlace(given.place)}` : '';
  const until = given.until === null ? '' : `, until ${showDay(given.until)}`;
  return `${saysWords(given, dog)}${at} (${given.by}${until})`;
}

function saysWords({ says }: Instruction, dog: DogView): string {
  switch (says.kind) {
    case 'bar':
      return `No: ${TASKS[says.task].name.toLowerCase()}`;
    case 'interval':
      return `${TASKS[says.task].name} every ${says.days} days`;
    case 'ear hair':
      return `Ear hair: ${says.way}`;
    case 'bath product':
      return `${dog.bathProduct?.name ?? 'Own wash'}, ${says.contactMinutes} min${says.nothingElse ? ', nothing else on the skin' : ''}`;
    case 'lift':
      return `May ${says.procedure} in spite of ${says.lifts}`;
  }
}
