import type { SessionView } from '@dewpond/contract';
import { Suspense, lazy, useEffect, type ReactNode } from 'react';
import { Refused } from '../api/call';
import { noteSignedIn } from '../browser/signedInHere';
import { useSession } from '../data/queries';
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

/** Sign-in in front, then what is behind it. */
export function Door({ children }: { readonly children: (session: SessionView) => ReactNode }) {
  const session = useSession();
  const isSignedOut = session.error instanceof Refused && session.error.status === 401;
  const isSignedIn = session.data !== undefined && !isSignedOut;
  useEffect(() => {
    if (isSignedIn || isSignedOut) noteSignedIn(isSignedIn);
  }, [isSignedIn, isSignedOut]);
  if (isSignedOut) return <SignIn />;
  return (
    <Waiting query={session} what="Dewpond">
      {(view) => (view.secondFactor.asked && !view.secondFactor.has ? <SecondProofFirst /> : children(view))}
    </Waiting>
  );
}
