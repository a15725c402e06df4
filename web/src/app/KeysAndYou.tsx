import { useState } from 'react';
import { call } from '../api/call';
import { activeKeys, type Key } from '../browser/keys';
import { noteSignedIn } from '../browser/signedInHere';
import { answers, outbox, useOwnWork } from '../data/device';
import { PICTURES } from '../data/prefetch';
import { queryClient, useSession } from '../data/queries';
import { makeStale } from '../data/stale';
import { Button } from '../ui/Button';
import { ButtonLink } from '../ui/ButtonLink';
import { Dialog } from '../ui/Dialog';
import { SelectField } from '../ui/SelectField';
import { forgetNotes, tell } from '../ui/tell';
import { OwnCalendar } from './OwnCalendar';

/** A key, and what it does besides where it is held down. */
const withHeld = ({ keys, does, held }: Key): Pick<Key, 'keys' | 'does'>[] => [
  { keys, does },
  ...(held ? [{ keys: `${keys} held`, does: held.does }] : []),
];

/** Which keys there are; units and calendar of whoever is signed in; the way out. */
export function KeysAndYou({
  onClose,
  business,
  person,
}: {
  readonly onClose: () => void;
  readonly business: string;
  readonly person: string;
}) {
  const keys = activeKeys();
  const session = useSession();
  const choose = async (typed: string) => {
    await call('PUT /api/me', { body: { units: typed === '' ? null : (typed as 'metric' | 'US') } }).then(
      () => makeStale(['PUT /api/me']),
      (error: Error) => tell(`Not changed. ${error.message}`, { tone: 'stop' }),
    );
  };
  const { waiting } = useOwnWork();
  const [sure, setSure] = useState(false);
  const signOut = async () => {
    if (waiting > 0 && !sure) {
      setSure(true);
      return;
    }
    outbox.close();
    await fetch('/api/auth/sign-out', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{}',
    }).catch(() => undefined);
    queryClient.clear();
    await answers.forget();
    if ('caches' in window) await caches.delete(PICTURES);
    forgetNotes();
    noteSignedIn(false);
    await call('GET /api/session').catch(() => undefined);
    window.location.assign('/');
  };
  return (
    <Dialog open onClose={onClose} title="Keys and you" says={`${person}, ${business}`}>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-2 mb-5">
        {keys.flatMap(withHeld).map(({ keys: combination, does }) => (
          <div key={combination + does} className="contents">
            <dt className="flex gap-1">
              {combination.split(' ').map((key) => (
                <kbd key={key} className="rounded-md border border-line bg-paper px-2 py-0.5 text-sm font-semibold">
                  {key === '' ? 'space' : key}
                </kbd>
              ))}
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <div className="max-w-60 mb-4">
        <SelectField
          label="Units, for you"
          value={session.data?.ownUnits ?? ''}
          onChange={(event) => void choose(event.target.value)}
        >
          <option value="">as the business: {session.data?.business.units}</option>
          <option value="metric">metric</option>
          <option value="US">US</option>
        </SelectField>
      </div>
      <OwnCalendar />
      <ButtonLink to="/you" look="quiet" className="mb-4" onClick={onClose}>
        Your account: devices, password
      </ButtonLink>
      <p className="text-sm text-soft mb-4">
        Dewpond records what was seen and done. It is not veterinary advice; local rules come first.
      </p>
      {sure && waiting > 0 && (
        <p role="alert" className="rounded-xl bg-watch-pale text-watch font-semibold px-4 py-3 mb-3">
          {waiting} from the table have not reached the server. They stay on this device and are sent when you sign in
          here again.
        </p>
      )}
      <Button look={sure && waiting > 0 ? 'stop' : 'quiet'} onClick={() => void signOut()}>
        {sure && waiting > 0 ? 'Sign out all the same' : 'Sign out'}
      </Button>
    </Dialog>
  );
}
