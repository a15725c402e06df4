const KEY = 'dewpond-signed-in';

/** Whether somebody was signed in on this device when it was last used: what is behind the door is fetched at once then. */
export const wasSignedInHere = (): boolean => localStorage.getItem(KEY) !== null;

export function noteSignedIn(isSignedIn: boolean): void {
  if (isSignedIn) localStorage.setItem(KEY, 'yes');
  else localStorage.removeItem(KEY);
}
