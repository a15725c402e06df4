import { useState } from 'react';
import { askDoor, whyNotIn, whyNotTaken } from '../../api/signingIn';
import { queryClient } from '../../data/queries';
import { Button } from '../../ui/Button';
import { AskOne, CODE, PASSWORD_NOW } from './AskOne';
import { QrCode } from './QrCode';

interface Setup {
  /** otpauth address of RFC 6238 apps. */
  readonly totpURI: string;
  readonly backupCodes: readonly string[];
}

/** Sets up a second proof: the password, the picture for the app, one code to show that it works, the recovery codes. */
export function SecondProofSetup({ onDone }: { readonly onDone: () => void }) {
  const [setup, setSetup] = useState<Setup | null>(null);
  const [works, setWorks] = useState(false);
  if (!setup) return <AskPassword onSetup={setSetup} />;
  if (!works) return <ShowOnce setup={setup} onWorks={() => setWorks(true)} />;
  return (
    <Recovery
      codes={setup.backupCodes}
      onDone={() => {
        onDone();
        void queryClient.invalidateQueries();
      }}
    />
  );
}

function AskPassword({ onSetup }: { readonly onSetup: (setup: Setup) => void }) {
  const ask = async (password: string) => {
    const asked = await askDoor('/two-factor/enable', { password });
    if (asked?.status !== 200) return whyNotTaken(asked?.status ?? null);
    onSetup(asked.answer as Setup);
    return null;
  };
  return (
    <AskOne field={PASSWORD_NOW} ask={ask} does="Go on">
      <p>You need an app on your telephone that shows six digits. First your password, once more.</p>
    </AskOne>
  );
}

function ShowOnce({ setup, onWorks }: { readonly setup: Setup; readonly onWorks: () => void }) {
  const secret = new URL(setup.totpURI).searchParams.get('secret') ?? '';
  const show = async (code: string) => {
    const asked = await askDoor('/two-factor/verify-totp', { code });
    if (asked?.status !== 200)
      return whyNotIn(asked?.status ?? null, 'This code does not fit. Take the one that shows now.');
    onWorks();
    return null;
  };
  return (
    <AskOne field={{ label: 'The six digits it shows now', ...CODE }} ask={show} does="Go on">
      <p>Let the app take this picture, or type the letters below into it.</p>
      <QrCode text={setup.totpURI} label="Picture for the app" />
      <p className="font-mono text-center break-all select-all">{secret.match(/.{1,4}/g)?.join(' ')}</p>
    </AskOne>
  );
}

function Recovery({ codes, onDone }: { readonly codes: readonly string[]; readonly onDone: () => void }) {
  return (
    <div className="flex flex-col gap-3">
      <p>
        It works. Write these codes down and keep them away from the telephone: each lets you in once when it is lost.
        They are not shown again.
      </p>
      <ul
        className="grid grid-cols-2 gap-x-6 gap-y-1 font-mono rounded-xl border border-line bg-paper px-4 py-3"
        aria-label="Recovery codes"
      >
        {codes.map((code) => (
          <li key={code}>{code}</li>
        ))}
      </ul>
      <div className="flex justify-end gap-3">
        <Button look="quiet" onClick={() => window.print()}>
          Print
        </Button>
        <Button look="main" onClick={onDone}>
          I have them
        </Button>
      </div>
    </div>
  );
}
