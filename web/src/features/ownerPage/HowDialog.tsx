import type { HomeCareView } from '@dewpond/contract';
import type { HomeTaskTold, PageWords } from '@dewpond/core/wording';
import { BathAtHome } from '../../parts/homeCare/BathAtHome';
import { ContactClock } from '../../parts/homeCare/ContactClock';
import { HowTo } from '../../parts/homeCare/WeekPrint';
import { Dialog } from '../../ui/Dialog';

interface HowDialogProps {
  readonly dog: string;
  readonly task: HomeTaskTold;
  readonly bath: HomeCareView['bath'];
  readonly words: PageWords;
  readonly onClose: () => void;
}

/** How one thing is done at home, with its picture, what never, and when to stop; a bath with its amounts and its clock. */
export const HowDialog = ({ dog, task, bath, words, onClose }: HowDialogProps) => {
  const isBath = task.how === 'bath at home' && bath?.kind === 'ready';
  return (
    <Dialog open onClose={onClose} title={isBath ? words.bathTitle : task.name} closeWords={words.close} tall toRead>
      {isBath ? (
        <BathAtHome
          bath={bath}
          card={task.card}
          words={words}
          clock={bath.contactMinutes !== null && <ContactClock dog={dog} minutes={bath.contactMinutes} words={words} />}
        />
      ) : (
        <HowTo tasks={[task]} words={words} />
      )}
    </Dialog>
  );
};
