import type { SessionView } from '@dewpond/contract';
import { Suspense, createContext, lazy, useContext, useEffect, type ReactNode } from 'react';
import { Refused } from '../api/call';
import { noteSignedIn } from '../browser/signedInHere';
import { useSession } from '../data/queries';
import { askDoor, lock, useTablet } from '../data/tablet';
import { DoorPage } from '../parts/door/DoorPage';
import { Waiting } from '../ui/Waiting';
import { SignIn } from './SignIn';

const SecondProofSetup = lazy(async () => ({
  default: (await import('../parts/door/SecondProofSetup')).SecondProofSetup,
}));

/** The house asks for a second proof, and this person has none yet: nothing else is open. */
const SecondProofFirst = () => (
  <DoorPage title="A second proof" says="Your business asks for one at sign-in.">
    <Suspense fallback={null}>
      <SecondProofSetup onDone={() => undefined} />
    </Suspense>
  </DoorPage>
);

const TabletLock = lazy(async () => ({ default: (await import('./TabletLock')).TabletLock }));

/** Taps and keys that say somebody is here. */
const SIGNS_OF_LIFE = ['pointerdown', 'keydown'] as const;
const LOOKED_AT_EVERY_MS = 5000;

/** A shared tablet that nobody touches locks. */
function useLocking(tablet: SessionView['tablet']): void {
  const minutes = tablet?.lockAfterMin;
  const isKnown = useTablet(({ door }) => door !== null);
  useEffect(() => {
    if (minutes === undefined) return;
    if (!isKnown) void askDoor();
    let touched = Date.now();
    const touch = () => (touched = Date.now());
    for (const kind of SIGNS_OF_LIFE) window.addEventListener(kind, touch, { capture: true });
    const look = () => {
      if (useTablet.getState().locked) touch();
      else if (Date.now() - touched >= minutes * 60_000) lock();
    };
    const timer = setInterval(look, LOOKED_AT_EVERY_MS);
    // A tablet that slept is locked before anybody sees what is on it.
    document.addEventListener('visibilitychange', look);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', look);
      for (const kind of SIGNS_OF_LIFE) window.removeEventListener(kind, touch, { capture: true });
    };
  }, [minutes, isKnown]);
}

/** The first page has a door of its own, in front of all that is loaded behind it; the screens stand behind one, too. */
const BehindDoor = createContext(false);

interface DoorProps {
  readonly children: (session: SessionView) => ReactNode;
}

/** Sign-in in front, then what is behind it. */
export function Door({ children }: DoorProps) {
  const isBehind = useContext(BehindDoor);
  const within = (
    <Within>
      {(view) => (view.secondFactor.asked && !view.secondFactor.has ? <SecondProofFirst /> : children(view))}
    </Within>
  );
  return isBehind ? within : <FrontDoor>{within}</FrontDoor>;
}

const Within = ({ children }: DoorProps) => (
  <Waiting query={useSession()} what="Dewpond">
    {children}
  </Waiting>
);

/** On a shared tablet the lock lies over what is behind it, which is as it was when the same person is back. */
function FrontDoor({ children }: { readonly children: ReactNode }) {
  const session = useSession();
  const isSignedOut = session.error instanceof Refused && session.error.status === 401;
  const isSignedIn = session.data !== undefined && !isSignedOut;
  useEffect(() => {
    if (isSignedIn || isSignedOut) noteSignedIn(isSignedIn);
  }, [isSignedIn, isSignedOut]);
  const { door, locked, turn } = useTablet();
  useLocking(isSignedIn ? (session.data?.tablet ?? null) : null);
  const isShut = door !== null && (locked || isSignedOut);
  if (isSignedOut && !isShut) return <SignIn />;
  return (
    <BehindDoor value={true}>
      {(!isShut || session.data !== undefined) && (
        <div key={turn} className={isShut ? 'hidden' : 'contents'} inert={isShut}>
          {children}
        </div>
      )}
      {isShut && (
        <Suspense fallback={<div className="fixed inset-0 z-[100] bg-paper" />}>
          <TabletLock />
        </Suspense>
      )}
    </BehindDoor>
  );
}
