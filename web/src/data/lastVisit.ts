import { useEffect, useState } from 'react';
import { useLocation } from 'react-router';
import { answers } from './device';

/** Under this question the device remembers which visit was on its table last. */
export const LAST_VISIT = 'last visit';

/** Whether a visit was on this device's table within the last day. */
export const wasAtTable = async (): Promise<boolean> => (await answers.get<string>(LAST_VISIT)) !== undefined;

/** The same, looked up on each screen: only then can a clock of one still run. */
export function useWasAtTable(): boolean {
  const { pathname } = useLocation();
  const [was, setWas] = useState(false);
  useEffect(() => {
    void wasAtTable().then(setWas);
  }, [pathname]);
  return was;
}
