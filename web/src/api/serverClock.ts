const KEY = 'dewpond-office-clock';

/** How far the server's clock is ahead of this device's, ms, as the last answer said; null: never heard of it. */
export function serverOffset(): number | null {
  const stored = localStorage.getItem(KEY);
  return stored === null ? null : Number(stored);
}

/** Notes the clock of an answer down: it stands in every answer, in whole seconds. */
export function noteServerClock(header: string | null): void {
  const at = header === null ? Number.NaN : Date.parse(header);
  if (Number.isNaN(at)) return;
  try {
    localStorage.setItem(KEY, String(at - Date.now()));
  } catch {
    // No room: the last one known stands.
  }
}
