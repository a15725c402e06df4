import type { PinState } from '@dewpond/contract';
import { whyNoPin } from '@dewpond/core/rights';
import { useQuery } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { Refused, call } from '../../../api/call';
import { makeStale } from '../../../data/stale';
import { typedText } from '../../../forms/typedText';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { TextField } from '../../../ui/Field';
import { tell } from '../../../ui/tell';
import { Waiting } from '../../../ui/Waiting';

const SAYS: Readonly<Record<PinState, string>> = {
  none: 'Six digits with which you come to a shared tablet, at the tub or in the van. You have none yet.',
  set: 'You come to shared tablets by your PIN. A new one ends what tablets hold of the old.',
  blocked: 'Five wrong tries: your PIN opens nothing any more. Choose another.',
};

/** One's PIN for shared tablets. */
export function PinCard() {
  const query = useQuery({ queryKey: ['my pin'], queryFn: () => call('GET /api/me/pin') });
  return (
    <Card title="PIN for shared tablets">
      <Waiting query={query} what="Your PIN">
        {({ pin }) => <ChoosePin pin={pin} />}
      </Waiting>
    </Card>
  );
}

function ChoosePin({ pin }: { readonly pin: PinState }) {
  const [errors, setErrors] = useState<{ readonly pin?: string; readonly password?: string }>({});
  const [busy, setBusy] = useState(false);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const chosen = typedText(form, 'pin');
    const why = whyNoPin(chosen);
    setErrors(why === null ? {} : { pin: why });
    if (why !== null) return;
    setBusy(true);
    try {
      await call('PUT /api/me/pin', { body: { password: typedText(form, 'password'), pin: chosen } });
      form.reset();
      setErrors({});
      tell('Kept. It lets you in at every shared tablet of the business.');
      await makeStale(['PUT /api/me/pin']);
    } catch (error) {
      const at = error instanceof Refused ? error.problem.fields?.[0]?.path : undefined;
      const { message } = error as Error;
      setErrors(at === 'pin' ? { pin: message } : { password: message });
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <p className={pin === 'blocked' ? 'mb-3 text-stop font-semibold' : 'mb-3'}>{SAYS[pin]}</p>
      <form onSubmit={(event) => void submit(event)} className="grid grid-cols-2 max-md:grid-cols-1 gap-4">
        <TextField
          label={pin === 'none' ? 'PIN' : 'New PIN'}
          name="pin"
          type="password"
          inputMode="numeric"
          autoComplete="off"
          maxLength={6}
          required
          hint="Six digits; no birthday, no row."
          error={errors.pin}
        />
        <TextField
          label="Your password"
          name="password"
          type="password"
          autoComplete="current-password"
          required
          error={errors.password}
        />
        <Button type="submit" className="col-span-full justify-self-end" disabled={busy}>
          {pin === 'none' ? 'Set it' : 'Change it'}
        </Button>
      </form>
    </>
  );
}
