import type { SessionView } from '@dewpond/contract';
import { useEffect, type ReactNode } from 'react';
import { Refused } from '../api/call';
import { noteSignedIn } from '../browser/signedInHere';
import { useSession } from '../data/queries';
import { Waiting } from '../ui/Waiting';
import { SignIn } from './SignIn';

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
      {children}
    </Waiting>
  );
}
