import { useOwnWork } from '../data/device';
import { Button } from '../ui/Button';
import { letIn, useNewVersion } from '../browser/newVersion';
import { useOnline } from '../browser/useOnline';

/** Says that the network is away, and what still holds. */
export function Offline() {
  const online = useOnline();
  if (online) return null;
  return (
    <p role="status" className="no-print bg-watch-pale text-watch font-semibold px-7 max-md:px-3 py-2">
      No network. Today’s and tomorrow’s dogs are on this device: the table and the bench work on; what the server has
      to say is as it was.
    </p>
  );
}

/** Work of this device that has not arrived, on every screen: nothing waits in silence. */
export function Unsent() {
  const { waiting, ofOthers, refused, trouble } = useOwnWork();
  if ((waiting === 0 || trouble === null) && ofOthers === 0 && refused.length === 0) return null;
  return (
    <p role="status" className="no-print bg-watch-pale text-watch font-semibold px-7 max-md:px-3 py-2">
      {waiting > 0 && trouble !== null && `${waiting} from the table not sent yet, kept on this device. `}
      {ofOthers > 0 && `${ofOthers} of somebody else’s wait here: they are sent when that person signs in. `}
      {refused.length > 0 && `The server refused ${refused.length}: open the visit and read why.`}
    </p>
  );
}

/** A new version is there. At the table nothing changes under the hands: it is only told, and let in afterwards. */
export function NewVersion({ atTable }: { readonly atTable: boolean }) {
  const { waiting } = useNewVersion();
  const { unsaved } = useOwnWork();
  if (!waiting) return null;
  return (
    <p
      role="status"
      className="no-print bg-pond-pale text-pond font-semibold px-7 max-md:px-3 py-2 flex items-center gap-4 flex-wrap"
    >
      {atTable
        ? 'A new version of Dewpond is here. It waits until this visit is off the table.'
        : 'A new version of Dewpond is here. What waits to be sent is kept.'}
      {!atTable && unsaved === 0 && (
        <Button look="quiet" onClick={() => letIn(waiting)}>
          Begin with it now
        </Button>
      )}
    </p>
  );
}
