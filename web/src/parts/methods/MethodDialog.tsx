import type { MethodCard } from '@dewpond/core/methods';
import { Dialog } from '../../ui/Dialog';
import { MethodBody } from './MethodBody';

/** A card over whatever is being done, so that nothing is left to read it. */
export const MethodDialog = ({
  card,
  onClose,
}: {
  readonly card: MethodCard | undefined;
  readonly onClose: () => void;
}) => (
  <Dialog open={card !== undefined} onClose={onClose} title={card?.title ?? ''} tall>
    {card && <MethodBody card={card} />}
  </Dialog>
);
