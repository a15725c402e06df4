import { fillIn, type PageWords } from '@dewpond/core/wording';
import { Timer } from 'lucide-react';
import { useEffect, useState } from 'react';
import { ring } from '../../browser/ring';
import { minutesSeconds } from '../../browser/times';
import { useNow } from '../../browser/useNow';
import { useWakeLock } from '../../browser/useWakeLock';
import { Button } from '../../ui/Button';

/** Since when the clock of a dog runs: kept by this tab, as a page is closed and opened again with wet hands. */
const keyOf = (dog: string) => `bath clock ${dog}`;

interface ContactClockProps {
  readonly dog: string;
  readonly minutes: number;
  readonly words: PageWords;
}

/** How long the wash still has to stay on: started by hand, rings when it is time to rinse. */
export function ContactClock({ dog, minutes, words }: ContactClockProps) {
  const [since, setSince] = useState(() => Number(sessionStorage.getItem(keyOf(dog))) || null);
  const set = (at: number | null) => {
    if (at === null) sessionStorage.removeItem(keyOf(dog));
    else sessionStorage.setItem(keyOf(dog), String(at));
    setSince(at);
  };
  if (since === null)
    return (
      <Button look="main" onClick={() => set(Date.now())} className="w-full">
        <Timer size={20} aria-hidden /> {fillIn(words.clockStart, { minutes: String(minutes) })}
      </Button>
    );
  return <Running until={since + minutes * 60_000} words={words} onStop={() => set(null)} />;
}

interface RunningProps {
  readonly until: number;
  readonly words: PageWords;
  readonly onStop: () => void;
}

function Running({ until, words, onStop }: RunningProps) {
  const now = useNow(1000);
  useWakeLock();
  const left = Math.max(0, Math.ceil((until - now) / 1000));
  const isUp = left === 0;
  useEffect(() => {
    if (isUp) ring();
  }, [isUp]);
  return (
    <div
      className={
        isUp
          ? 'rounded-xl border-2 border-reed bg-reed-pale px-4 py-3'
          : 'rounded-xl border-2 border-pond bg-pond-pale px-4 py-3'
      }
    >
      <p role="timer" aria-live={isUp ? 'assertive' : 'off'} className="text-2xl font-bold tabular-nums">
        {isUp ? words.clockDone : fillIn(words.clockLeft, { left: minutesSeconds(left) })}
      </p>
      <Button look="quiet" onClick={onStop} className="mt-2">
        {words.clockStop}
      </Button>
    </div>
  );
}
