import { useState, type FormEvent } from 'react';
import { queryClient } from '../data/queries';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { RippleMark } from '../ui/Ripple';

export function SignIn() {
  const [error, setError] = useState<string>();
  const [busy, setBusy] = useState(false);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    setBusy(true);
    const response = await fetch('/api/auth/sign-in/email', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ email: form.get('email'), password: form.get('password') }),
    }).catch(() => null);
    setBusy(false);
    if (response?.ok) return void queryClient.invalidateQueries();
    setError(reason(response?.status));
  };
  return (
    <main className="grid h-full place-items-center p-6">
      <form onSubmit={(event) => void submit(event)} className="w-full max-w-sm flex flex-col gap-4">
        <svg width="92" height="46" viewBox="-46 -40 92 46" aria-hidden className="self-center overflow-visible">
          <g transform="scale(1,0.42)">
            <RippleMark grade={1} dot={6} step={13} />
            <circle r={32} fill="none" stroke="var(--pond)" strokeWidth={2} opacity={0.5} />
            <circle r={45} fill="none" stroke="var(--pond)" strokeWidth={2} opacity={0.25} />
          </g>
        </svg>
        <div className="text-center">
          <h1>Dewpond</h1>
          <p className="text-soft">Plans and records the care of your dogs.</p>
        </div>
        <TextField label="E-mail" name="email" type="email" autoComplete="username" required autoFocus />
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
      </form>
    </main>
  );
}

function reason(status: number | undefined): string {
  if (status === undefined) return 'The server cannot be reached. Try again when the network is back.';
  if (status === 429) return 'Too many tries. Wait a minute, then try again.';
  return status === 401
    ? 'This e-mail and this password do not match.'
    : 'That did not work. Check the e-mail address.';
}
