import { answers, outbox, useOwnWork } from '../data/device';
import { BookOpenCheck, CalendarRange, Droplets, Eye, Moon, PawPrint, Sun, Waves, type LucideIcon } from 'lucide-react';
import { Suspense, lazy, useEffect, useState } from 'react';
import { NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import { call } from '../api/call';
import { PICTURES } from '../data/prefetch';
import { prefetchPages, queryClient, usePrefetch, useSession } from '../data/queries';
import { makeStale } from '../data/stale';
import { Dialog } from '../ui/Dialog';
import { tell } from '../ui/toasts';
import { SelectField } from '../ui/Field';
import { Button } from '../ui/Button';
import { Toasts, forgetNotes } from '../ui/toasts';
import { Waiting } from '../ui/Waiting';
import { classes } from '../ui/classes';
import { OwnCalendar } from './OwnCalendar';
import { SignIn } from './SignIn';
import { activeKeys, useKeys } from '../browser/keys';
import { usePreferences } from '../browser/preferences';
import { NewVersion, Offline, Unsent } from './Notices';
import { Refused } from '../api/call';

/** The clocks of the table, on every other screen. */
const PinnedTimers = lazy(async () => ({ default: (await import('../features/table/Timers')).PinnedTimers }));

const PLACES: readonly {
  readonly to: string;
  readonly name: string;
  readonly key: string;
  readonly icon: LucideIcon;
  /** Other addresses of the same place. */
  readonly also?: readonly string[];
}[] = [
  { to: '/', name: 'Today', key: 'g t', icon: Waves },
  { to: '/dogs', name: 'Dogs', key: 'g d', icon: PawPrint, also: ['/owners', '/vets', '/import'] },
  { to: '/ahead', name: 'Ahead', key: 'g a', icon: CalendarRange },
  { to: '/mixing', name: 'Mixing bench', key: 'g m', icon: Droplets },
  { to: '/watch', name: 'Watch list', key: 'g w', icon: Eye },
  { to: '/house', name: 'House ways', key: 'g h', icon: BookOpenCheck, also: ['/methods'] },
];

/** Sign-in in front, then rail and screen. */
export function Shell() {
  const session = useSession();
  if (session.error instanceof Refused && session.error.status === 401) return <SignIn />;
  return (
    <Waiting query={session} what="Dewpond">
      {(data) => <SignedIn business={data.business.name} person={data.person.name} personId={data.person.id} />}
    </Waiting>
  );
}

interface SignedInProps {
  readonly business: string;
  readonly person: string;
  readonly personId: string;
}

/** What is asked for on the screen comes first; what a van takes along, when that is there. */
const TAKEN_ALONG_AFTER_MS = 2500;

/** While somebody is signed in their work is sent, and the visits to come are on the device. */
function useDevice(personId: string): void {
  const [settled, setSettled] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(true), TAKEN_ALONG_AFTER_MS);
    return () => clearTimeout(timer);
  }, []);
  const prefetched = usePrefetch(settled).data;
  useEffect(() => {
    void outbox.open(personId);
    return () => outbox.close();
  }, [personId]);
  useEffect(() => {
    if (prefetched) void prefetchPages(prefetched.visits.map(({ dog }) => dog.id));
  }, [prefetched]);
}

function SignedIn({ business, person, personId }: SignedInProps) {
  useDevice(personId);
  const atTable = useLocation().pathname.match(/^\/visits\/[^/]+$/) !== null;
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const [help, setHelp] = useState(false);
  const { theme, setTheme } = usePreferences();
  useEffect(() => {
    document.documentElement.dataset['theme'] = theme;
  }, [theme]);
  const otherTheme = theme === 'chalk' ? 'night' : 'chalk';
  useKeys([
    ...PLACES.map(({ to, name, key }) => ({ keys: key, does: `Go to ${name}`, run: () => void navigate(to) })),
    { keys: '?', does: 'Show the keys', run: () => setHelp(true) },
    { keys: 'n', does: 'New dog', run: () => void navigate('/dogs/new') },
    { keys: 'T', does: 'Chalk or night', run: () => setTheme(otherTheme) },
  ]);
  return (
    <div className="flex h-full max-md:flex-col-reverse print:block">
      <nav
        aria-label="Places"
        className="no-print shrink-0 md:w-[104px] border-line md:border-r max-md:border-t flex md:flex-col items-center gap-1 md:py-4 max-md:px-1 max-md:py-1 bg-paper overflow-x-auto"
      >
        {PLACES.map(({ to, name, icon: Icon, also = [] }) => (
          <NavLink
            key={to}
            to={to}
            end={to === '/'}
            className={({ isActive }) =>
              classes(
                'flex flex-col items-center justify-center gap-1 text-center text-[13px] font-semibold leading-tight rounded-xl px-1 py-2 w-[88px] min-h-14 shrink-0 max-md:w-auto max-md:flex-1 max-md:min-w-0 max-md:text-[11px] max-md:shrink',
                isActive || also.some((each) => pathname.startsWith(each))
                  ? 'bg-pond-pale text-pond'
                  : 'text-soft hover:text-ink',
              )
            }
          >
            <Icon size={19} aria-hidden strokeWidth={1.9} />
            {name}
          </NavLink>
        ))}
        <div className="md:mt-auto flex md:flex-col items-center gap-1 max-md:hidden">
          <button
            type="button"
            onClick={() => setTheme(otherTheme)}
            aria-label={`Change to ${otherTheme}`}
            className="grid place-items-center size-11 rounded-xl text-soft hover:text-ink hover:bg-pond-pale"
          >
            {theme === 'chalk' ? <Moon size={19} aria-hidden /> : <Sun size={19} aria-hidden />}
          </button>
          <button
            type="button"
            onClick={() => setHelp(true)}
            className="grid place-items-center size-11 rounded-xl text-soft hover:text-ink hover:bg-pond-pale font-bold"
            aria-label="Keys and account"
          >
            ?
          </button>
        </div>
      </nav>
      <main className="flex-1 min-w-0 overflow-y-auto print:overflow-visible">
        <Offline />
        <NewVersion atTable={atTable} />
        {!atTable && (
          <Suspense>
            <PinnedTimers />
          </Suspense>
        )}
        <Unsent />
        <Outlet />
      </main>
      <Help open={help} onClose={() => setHelp(false)} business={business} person={person} />
      <Toasts />
    </div>
  );
}

function Help({
  open,
  onClose,
  business,
  person,
}: {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly business: string;
  readonly person: string;
}) {
  const keys = open ? activeKeys() : [];
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
    await call('GET /api/session').catch(() => undefined);
    window.location.assign('/');
  };
  return (
    <Dialog open={open} onClose={onClose} title="Keys and you" says={`${person}, ${business}`}>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-2 mb-5">
        {keys.map(({ keys: combination, does }) => (
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
      {open && <OwnCalendar />}
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
