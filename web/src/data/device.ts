import { Refused } from '../api/call';
import { answerCache } from '../device/answers';
import { browserStorage } from '../device/browserStorage';
import { Outbox, type Surroundings } from '../device/outbox';
import { OwnWork } from '../device/ownWork';
import { httpNetwork } from './httpNetwork';

/** The browser this application runs in. */
export const inThisBrowser: Surroundings = {
  now: () => Date.now(),
  later: (ms, run) => {
    const timer = setTimeout(run, ms);
    return () => clearTimeout(timer);
  },
  onWake: (run) => {
    window.addEventListener('online', run);
    document.addEventListener('visibilitychange', run);
  },
  alone: async (work) => {
    if (!('locks' in navigator)) return work();
    const asked: Promise<unknown> = navigator.locks.request('dewpond-outbox', { ifAvailable: true }, (lock) =>
      lock ? work() : undefined,
    );
    await asked;
  },
};

/** Here the application is put together with the device it runs on; everything else is handed these. */
export const storage = browserStorage();
export const answers = answerCache({
  storage,
  now: inThisBrowser.now,
  isRefusal: (error) => error instanceof Refused && error.status < 500,
});
export const ownWork = new OwnWork(storage, inThisBrowser.now);
export const outbox = new Outbox(ownWork, httpNetwork, inThisBrowser);
export const useOwnWork = ownWork.useState;
