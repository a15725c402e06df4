import type { DogView } from '@dewpond/contract';
import { Notes, datedNote, note } from '../../../parts/dogs/Notes';

/** What somebody noted of this dog, to be read again: on its card, at its last visit, at its next booking. */
export function DogNotes({ dog }: { readonly dog: DogView }) {
  const booked = dog.appointments.find((each) => each.state === 'booked' && each.note !== '');
  return (
    <Notes
      name="Notes"
      notes={[
        ...note('On the dog', dog.profile.note),
        ...datedNote('Closing note', dog.notes.closing),
        ...datedNote('The owner said', dog.notes.ownerSaid),
        ...note('For the next visit', booked?.note ?? ''),
      ]}
    />
  );
}
