const DAY_MS = 86_400_000;
/** A backup older than so many days is told; so is none at all, once the business is here as long [house value]. */
const OLD_AFTER = 2;

/** Days since the last good backup, or since the business began, where that is too many; null: all is well. */
export function backupOld(lastBackup: string | null, hereSince: string | null, now: number): number | null {
  const from = lastBackup ?? hereSince;
  if (from === null) return null;
  const days = (now - Date.parse(from)) / DAY_MS;
  return days > OLD_AFTER ? Math.floor(days) : null;
}
