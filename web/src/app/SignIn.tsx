import { useState, type FormEvent } from 'react';
import { call } from '../api/call';
import { showSecondProof, signInWith, whyNotIn } from '../api/signingIn';
import { queryClient } from '../data/queries';
import { AskOne, CODE } from '../parts/door/AskOne';
import { DoorPage } from '../parts/door/DoorPage';
import { typedText } from '../forms/typedText';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';

type DoorStep = 'password' | 'second proof' | 'forgotten' | 'asked';

interface SignInProps {
  /** Somebody is in. */
  readonly onIn?: () => void;
  /** The way back to where they came from. */
  readonly onBack?: () => void;
}

/** The door: e-mail and password, then the second proof where there is one; a link for whoever forgot. */
export function SignIn({ onIn, onBack }: SignInProps) {
  const enter = () => {
    onIn?.();
    void queryClient.invalidateQueries();
  };
  const [step, setStep] = useState<DoorStep>('password');
  const [email, setEmail] = useState('');
  const back = () => setStep('password');
  switch (step) {
    case 'password':
      return (
        <Password
          email={email}
          onEmail={setEmail}
          onSecond={() => setStep('second proof')}
          onForgotten={() => setStep('forgotten')}
          onIn={enter}
          onBack={onBack}
        />
      );
    case 'second proof':
      return <SecondProof onIn={enter} onBack={back} />;
    case 'forgotten':
      return <Forgotten email={email} onAsked={() => setStep('asked')} onBack={back} />;
    case 'asked':
      return (
        <DoorPage says="If this address has an account, a link for a new password is on its way. It works once. No mail? Your manager can make you a link: People.">
          <Button onClick={back}>Back</Button>
        </DoorPage>
      );
  }
}

function Password({
  email,
  onEmail,
  onSecond,
  onForgotten,
  onIn,
  onBack,
}: {
  readonly email: string;
  readonly onEmail: (email: string) => void;
  readonly onSecond: () => void;
  readonly onForgotten: () => void;
  readonly onIn: () => void;
  readonly onBack: (() => void) | undefined;
}) {
  const [error, setError] = useState<string>();
  const [busy, setBusy] = useState(false);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const password = typedText(event.currentTarget, 'password');
    setBusy(true);
    const result = await signInWith(email, password);
    setBusy(false);
    if (result === 'in') onIn();
    else if (result === 'second proof') onSecond();
    else setError(whyNotIn(result));
  };
  return (
    <DoorPage says="Plans and records the care of your dogs.">
      <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4">
        <TextField
          label="E-mail"
          name="email"
          type="email"
          autoComplete="username"
          value={email}
          onChange={(event) => onEmail(event.target.value)}
          required
          autoFocus
        />
        <TextField
          label="Password"
          name="password"
          type="password"
          autoComplete="current-password"
          required
          error={error}
        />
        <Button type="submit" look="main" disabled={busy}>
          {busy ? 'Signing in…' : 'Sign in'}
        </Button>
        <Button look="quiet" onClick={onForgotten}>
          Forgotten?
        </Button>
        {onBack && (
          <Button look="quiet" onClick={onBack}>
            Back
          </Button>
        )}
      </form>
    </DoorPage>
  );
}

function SecondProof({ onIn, onBack }: { readonly onIn: () => void; readonly onBack: () => void }) {
  const show = async (code: string) => {
    const result = await showSecondProof(code);
    if (result !== 'in')
      return whyNotIn(result, 'This code does not fit. Each lasts half a minute; take the one that shows now.');
    onIn();
    return null;
  };
  return (
    <DoorPage says="Your second proof: the six digits that your app shows now, or one of your recovery codes.">
      <AskOne field={{ label: 'Code', ...CODE, autoFocus: true }} ask={show} does="Go on" onBack={onBack} />
    </DoorPage>
  );
}

interface ForgottenProps {
  readonly email: string;
  readonly onAsked: () => void;
  readonly onBack: () => void;
}

function Forgotten({ email, onAsked, onBack }: ForgottenProps) {
  const send = (address: string) =>
    call('POST /api/forgotten', { body: { email: address } }).then(
      () => {
        onAsked();
        return null;
      },
      (why: Error) => why.message,
    );
  const field = { label: 'E-mail', type: 'email', autoComplete: 'username', defaultValue: email, autoFocus: true };
  return (
    <DoorPage says="We send a link for a new password to your address.">
      <AskOne field={field} ask={send} does="Send the link" onBack={onBack} />
    </DoorPage>
  );
}
