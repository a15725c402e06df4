import { useMay } from '../data/useMay';
import { outbox } from '../data/device';
import { BookOpenCheck, CalendarRange, Droplets, Eye, Moon, PawPrint, Sun, Waves, type LucideIcon } from 'lucide-react';
import { Suspense, lazy, useEffect, useState } from 'react';
import { NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import { useWasAtTable } from '../data/lastVisit';
import { prefetchPages, usePrefetch } from '../data/queries';
import { WhoIsHere } from '../parts/door/WhoIsHere';
import { Toasts } from '../ui/toasts';
import { classes } from '../ui/classes';
import { Door } from './Door';
import { useKeys } from '../browser/keys';
import { usePreferences } from '../browser/preferences';
import { showTheme, useTheme } from '../browser/useTheme';
import { NewVersion, Offline, Unsent } from './Notices';

/** The clocks of the table, on every other screen. */
const PinnedTimers = lazy(async () => ({ default: (await import('../features/table/Timers')).PinnedTimers }));

/** For a business with more than one salon or van. */
const BranchSwitch = lazy(async () => ({
  default: (await import('../parts/branches/BranchSwitch')).BranchSwitch,
}));

const fetchKeysAndYou = () => import('./KeysAndYou');
const KeysAndYou = lazy(async () => ({ default: (await fetchKeysAndYou()).KeysAndYou }));

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
export const Shell = () => (
  <Door>
    {({ business, person, branches }) => (
      <SignedIn business={business.name} person={person.name} personId={person.id} many={branches.length > 1} />
    )}
  </Door>
);

interface SignedInProps {
  readonly business: string;
  readonly person: string;
  readonly personId: string;
  /** The business has more than one branch. */
  readonly many: boolean;
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
  // What opens at a tap is there before the network goes.
  useEffect(() => {
    if (settled) void Promise.allSettled([fetchKeysAndYou(), import('../ui/SourcePopover')]);
  }, [settled]);
  useEffect(() => {
    if (prefetched) void prefetchPages(prefetched.visits.map(({ dog }) => dog.id));
  }, [prefetched]);
}

function SignedIn({ business, person, personId, many }: SignedInProps) {
  useDevice(personId);
  const atTable = useLocation().pathname.match(/^\/visits\/[^/]+$/) !== null;
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const wasAtTable = useWasAtTable();
  const [help, setHelp] = useState(false);
  const theme = useTheme();
  const setTheme = usePreferences((preferences) => preferences.setTheme);
  useEffect(() => showTheme(theme), [theme]);
  const mayAddDogs = useMay('change clients');
  const otherTheme = theme === 'chalk' ? 'night' : 'chalk';
  useKeys([
    ...PLACES.map(({ to, name, key }) => ({ keys: key, does: `Go to ${name}`, run: () => void navigate(to) })),
    { keys: '?', does: 'Show the keys', run: () => setHelp(true) },
    ...(mayAddDogs ? [{ keys: 'n', does: 'New dog', run: () => void navigate('/dogs/new') }] : []),
    { keys: 'T', does: 'Chalk or night', run: () => setTheme(otherTheme) },
  ]);
  return (
    <div className="flex h-full max-md:flex-col-reverse print:block">
      <nav
        aria-label="Places"
        className="no-print shrink-0 md:w-[104px] border-line md:border-r max-md:border-t flex md:flex-col items-center gap-1 md:py-4 max-md:px-1 max-md:py-1 bg-paper overflow-x-auto"
      >
        {many && (
          <Suspense>
            <BranchSwitch className="max-md:hidden flex-wrap w-[92px] min-h-14 mb-2 px-1 py-1.5 text-[13px] shrink-0" />
          </Suspense>
        )}
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
        <div className="md:mt-auto flex md:flex-col items-center gap-1">
          <WhoIsHere className="flex-col md:w-[88px] md:min-h-16" />
          <button
            type="button"
            onClick={() => setTheme(otherTheme)}
            aria-label={`Change to ${otherTheme}`}
            className="max-md:hidden grid place-items-center size-11 rounded-xl text-soft hover:text-ink hover:bg-pond-pale"
          >
            {theme === 'chalk' ? <Moon size={19} aria-hidden /> : <Sun size={19} aria-hidden />}
          </button>
          <button
            type="button"
            onClick={() => setHelp(true)}
            className="max-md:hidden grid place-items-center size-11 rounded-xl text-soft hover:text-ink hover:bg-pond-pale font-bold"
            aria-label="Keys and account"
          >
            ?
          </button>
        </div>
      </nav>
      <main className="flex-1 min-w-0 overflow-y-auto print:overflow-visible">
        {many && (
          <Suspense>
            <BranchSwitch className="md:hidden no-print m-2 mb-0 px-3 min-h-11 text-sm" />
          </Suspense>
        )}
        <Offline />
        <NewVersion atTable={atTable} />
        {wasAtTable && !atTable && (
          <Suspense>
            <PinnedTimers />
          </Suspense>
        )}
        <Unsent />
        <Outlet />
      </main>
      {help && (
        <Suspense>
          <KeysAndYou onClose={() => setHelp(false)} business={business} person={person} />
        </Suspense>
      )}
      <Toasts />
    </div>
  );
}
