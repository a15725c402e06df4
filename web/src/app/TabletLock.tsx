import type { TabletDoor } from '@dewpond/contract';
import { PIN_DIGITS } from '@dewpond/core/rights';
import { Delete } from 'lucide-react';
import { Suspense, lazy, useEffect, useLayoutEffect, useRef, useState, type ReactNode, type RefObject } from 'react';
import { createPortal } from 'react-dom';
import { clock } from '../browser/times';
import { useNow } from '../browser/useNow';
import { wasAtTable } from '../data/lastVisit';
import { askDoor, cameByPassword, comeIn, useTablet } from '../data/tablet';
import { Button } from '../ui/Button';
import { classes } from '../ui/classes';
import { SignIn } from './SignIn';

const LockedTimers = lazy(async () => ({ default: (await import('../features/table/Timers')).LockedTimers }));

type TabletPerson = Extract<TabletDoor, { state: 'here' }>['people'][number];

/** Over everything, dialogs too: what lies below hears neither taps nor keys, and is as it was when somebody comes back. */
export function TabletLock() {
  const over = useRef<HTMLDivElement>(null);
  const keys = useRef<KeyTaker>(null);
  useLayoutEffect(() => {
    const root = over.current;
    if (!root) return;
    const stop = (event: Event) => event.stopPropagation();
    for (const kind of ['pointerdown', 'focusin']) root.addEventListener(kind, stop);
    // Before the shortcuts of the screens below; what a field or a button does with a key by itself, it does.
    const listen = (event: KeyboardEvent) => {
      event.stopImmediatePropagation();
      keys.current?.(event.key);
    };
    window.addEventListener('keydown', listen, { capture: true });
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
    return () => {
      for (const kind of ['pointerdown', 'focusin']) root.removeEventListener(kind, stop);
      window.removeEventListener('keydown', listen, { capture: true });
    };
  }, []);
  useEffect(() => void askDoor(), []);
  const { door, lost } = useTablet();
  const [withPassword, setWithPassword] = useState(false);
  return createPortal(
    <div
      ref={over}
      data-lock
      className="no-print fixed inset-0 z-[100] bg-paper text-ink overflow-y-auto pointer-events-auto flex flex-col"
    >
      {lost ? (
        <LostTablet name={lost.name} />
      ) : withPassword ? (
        <SignIn onIn={cameByPassword} onBack={() => setWithPassword(false)} />
      ) : (
        <Locked
          keysRef={keys}
          people={door?.people ?? []}
          name={door?.name ?? ''}
          zone={door?.zone ?? 'UTC'}
          onPassword={() => setWithPassword(true)}
        />
      )}
    </div>,
    document.body,
  );
}

function LostTablet({ name }: { readonly name: string }) {
  return (
    <main className="m-auto max-w-lg p-6 flex flex-col gap-3">
      <h1>This tablet was reported lost.</h1>
      <p>
        “{name}” opens nothing any more. What was recorded here before that is handed to the business, where an
        owner-manager decides whether it is taken in.
      </p>
      <p>Found again? An owner-manager takes it off the list: House ways, Tablets. Then it can be set up anew.</p>
      <Button className="self-start" onClick={() => void askDoor()}>
        Ask again
      </Button>
    </main>
  );
}

/** Who takes the keys that are pressed; null: nobody. */
type KeyTaker = ((key: string) => void) | null;

interface LockedProps {
  readonly keysRef: RefObject<KeyTaker>;
  readonly people: readonly TabletPerson[];
  readonly name: string;
  readonly zone: string;
  readonly onPassword: () => void;
}

/** The plain screen: the time, the clocks that run, and who may come. Nothing of dogs and owners. */
function Locked({ keysRef, people, name, zone, onPassword }: LockedProps) {
  const [chosen, setChosen] = useState<TabletPerson | null>(null);
  const [mayRun, setMayRun] = useState(false);
  useEffect(() => void wasAtTable().then(setMayRun), []);
  const now = useNow(1000);
  return (
    <main className="flex-1 flex flex-col gap-6 p-6 max-md:p-4 w-full max-w-4xl mx-auto">
      <header className="flex items-baseline justify-between gap-4 flex-wrap">
        <h1 className="text-[44px]! leading-none tabular-nums">{clock(now, zone)}</h1>
        <p className="text-soft">{name}, locked</p>
      </header>
      {mayRun && (
        <Suspense fallback={null}>
          <LockedTimers />
        </Suspense>
      )}
      <div className="flex-1 grid place-items-center">
        {chosen ? (
          <PinPad
            key={chosen.memberId}
            keysRef={keysRef}
            who={chosen}
            onBack={() => setChosen(null)}
            onPassword={onPassword}
          />
        ) : (
          <section aria-label="Who is here?" className="w-full">
            <h2 className="mb-3">Who is here?</h2>
            <ul className="grid grid-cols-[repeat(auto-fill,minmax(11rem,1fr))] max-md:grid-cols-2 gap-3">
              {people.map((each) => (
                <li key={each.memberId}>
                  <button
                    type="button"
                    onClick={() => setChosen(each)}
                    className="w-full min-h-28 max-md:min-h-24 rounded-card border-2 border-line bg-surface hover:border-pond hover:bg-pond-pale px-3 py-4 text-center"
                  >
                    <span className="block text-2xl max-md:text-xl font-bold break-words">{each.name}</span>
                    {each.pin !== 'set' && (
                      <span className="block text-soft mt-1">{each.pin === 'none' ? 'no PIN yet' : 'PIN blocked'}</span>
                    )}
                  </button>
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
      <Button look="quiet" className="self-center" onClick={onPassword}>
        Sign in with a password
      </Button>
    </main>
  );
}

const WHY_PASSWORD: Readonly<Record<Exclude<TabletPerson['pin'], 'set'>, string>> = {
  none: 'No PIN yet. Sign in with your password, and choose one at “Your account”.',
  blocked: 'Five wrong tries: the PIN opens nothing any more. Sign in with your password, and choose another.',
};

interface PinPadProps {
  readonly keysRef: RefObject<KeyTaker>;
  readonly who: TabletPerson;
  readonly onBack: () => void;
  readonly onPassword: () => void;
}

/** Big keys for wet fingers; the sixth digit sends. A keyboard types as well. */
function PinPad({ keysRef, who, onBack, onPassword }: PinPadProps) {
  const [typed, setTyped] = useState('');
  const [busy, setBusy] = useState(false);
  const [why, setWhy] = useState(who.pin === 'set' ? null : WHY_PASSWORD[who.pin]);
  const latest = useRef(typed);
  const press = (digit: string) => {
    if (busy || who.pin !== 'set' || latest.current.length >= PIN_DIGITS) return;
    latest.current += digit;
    setTyped(latest.current);
    if (latest.current.length === PIN_DIGITS) void send(latest.current);
  };
  const back = () => {
    latest.current = latest.current.slice(0, -1);
    setTyped(latest.current);
  };
  const send = async (pin: string) => {
    setBusy(true);
    setWhy(null);
    const refused = await comeIn(who.memberId, pin).catch((error: Error) => error.message);
    latest.current = '';
    setTyped('');
    setWhy(refused);
    setBusy(false);
  };
  useEffect(() => {
    keysRef.current = (key) => {
      if (/^\d$/.test(key)) press(key);
      else if (key === 'Backspace') back();
      else if (key === 'Escape') onBack();
    };
    return () => {
      keysRef.current = null;
    };
  });
  return (
    <section aria-label={`PIN of ${who.name}`} className="flex flex-col items-center gap-4">
      <h2>{who.name}</h2>
      <p className="flex gap-3" role="img" aria-label={`${typed.length} of ${PIN_DIGITS} digits`}>
        {Array.from({ length: PIN_DIGITS }, (_, i) => (
          <span
            key={i}
            className={classes('size-5 rounded-full border-2 border-pond', i < typed.length ? 'bg-pond' : '')}
          />
        ))}
      </p>
      <p role="status" className="min-h-7 max-w-96 text-center font-semibold text-stop">
        {busy ? <span className="text-soft">One moment…</span> : why}
      </p>
      {who.pin === 'set' ? (
        <div className="grid grid-cols-3 gap-3">
          {['1', '2', '3', '4', '5', '6', '7', '8', '9'].map((digit) => (
            <Digit key={digit} digit={digit} onPress={press} />
          ))}
          <PadKey label="Somebody else" onPress={onBack}>
            Back
          </PadKey>
          <Digit digit="0" onPress={press} />
          <PadKey label="Take the last digit away" onPress={back}>
            <Delete size={28} aria-hidden />
          </PadKey>
        </div>
      ) : (
        <div className="flex gap-3">
          <Button onClick={onBack}>Back</Button>
          <Button look="main" onClick={onPassword}>
            Sign in with a password
          </Button>
        </div>
      )}
    </section>
  );
}

const PAD =
  'min-w-24 min-h-20 max-md:min-w-20 rounded-card border-2 border-line bg-surface hover:bg-pond-pale active:bg-pond-pale grid place-items-center';

const Digit = ({ digit, onPress }: { readonly digit: string; readonly onPress: (digit: string) => void }) => (
  <button type="button" className={`${PAD} text-3xl font-bold`} onClick={() => onPress(digit)}>
    {digit}
  </button>
);

interface PadKeyProps {
  readonly label: string;
  readonly onPress: () => void;
  readonly children: ReactNode;
}
const PadKey = ({ label, onPress, children }: PadKeyProps) => (
  <button type="button" aria-label={label} className={`${PAD} text-soft font-semibold`} onClick={onPress}>
    {children}
  </button>
);
