import type { DogListItem } from '@dewpond/contract';
import type { Day } from '@dewpond/core/units';
import { fieldTime, minuteOf } from '../../browser/times';
import { useSlots } from '../../data/queries';
import { useZone } from '../../data/useUnits';
import { MessageDialog } from '../../parts/messages/MessageDialog';
import { Dialog } from '../../ui/Dialog';
import { Waiting } from '../../ui/Waiting';
import type { ToldProposal } from './planWorker';

interface NudgeProps {
  readonly dog: Pick<DogListItem, 'id' | 'name'>;
  readonly today: Day;
  /** What the plan proposes for it, where there is one. */
  readonly proposal: ToldProposal | null;
  readonly onClose: () => void;
}

/** Writes to the owner of a dog that is due and not booked, with a time to say yes to: the plan's, or the best there is. */
export function NudgeDialog({ dog, today, proposal, onClose }: NudgeProps) {
  const about = { kind: 'time to come', dogId: dog.id, visitId: null } as const;
  if (proposal && proposal.day > today)
    return <MessageDialog about={{ ...about, day: proposal.day, time: fieldTime(proposal.from) }} onClose={onClose} />;
  return <WithBestTime dog={dog} today={today} about={about} onClose={onClose} />;
}

interface WithBestTimeProps extends Pick<NudgeProps, 'dog' | 'today' | 'onClose'> {
  readonly about: { readonly kind: 'time to come'; readonly dogId: string; readonly visitId: null };
}

function WithBestTime({ dog, today, about, onClose }: WithBestTimeProps) {
  const zone = useZone();
  const slots = useSlots(dog.id, { kind: null });
  // Whoever is written to does not come today.
  const best = slots.data?.slots.find(({ day }) => day > today);
  if (best)
    return (
      <MessageDialog
        about={{ ...about, day: best.day, time: fieldTime(minuteOf(best.startsAt, zone)) }}
        onClose={onClose}
      />
    );
  return (
    <Dialog open onClose={onClose} title={`It is time for ${dog.name}`}>
      <Waiting query={slots} what="The best time">
        {() => <p>No time is free for it in the next weeks: there is nothing to offer.</p>}
      </Waiting>
    </Dialog>
  );
}
