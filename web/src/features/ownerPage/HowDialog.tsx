import type { HomeTaskTold, PageWords } from '@dewpond/core/wording';
import { HowTo } from '../../parts/homeCare/WeekPrint';
import { Dialog } from '../../ui/Dialog';

interface HowDialogProps {
  readonly task: HomeTaskTold;
  readonly words: PageWords;
  readonly onClose: () => void;
}

/** How one thing is done at home, with its picture, what never, and when to stop. */
export const HowDialog = ({ task, words, onClose }: HowDialogProps) => (
  <Dialog open onClose={onClose} title={task.name} closeWords={words.close} tall>
    <HowTo tasks={[task]} words={words} />
  </Dialog>
);
