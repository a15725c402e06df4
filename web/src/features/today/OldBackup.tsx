import { useSession } from '../../data/queries';
import { ButtonLink } from '../../ui/ButtonLink';

/** The manager's morning: what would be lost if the machine broke today. */
export function OldBackup() {
  const days = useSession().data?.backupOld ?? null;
  if (days === null) return null;
  return (
    <p className="flex flex-wrap items-center gap-3 rounded-card border border-watch bg-watch-pale px-4 py-2.5">
      <span className="flex-1 min-w-60">
        <b>No good backup for {days} days.</b> If this machine broke now, all since then would be gone.
      </span>
      <ButtonLink to="/house/status">Status</ButtonLink>
    </p>
  );
}
