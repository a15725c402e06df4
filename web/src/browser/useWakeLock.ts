import { useEffect, useState } from 'react';

/** Keeps the screen awake while what asks for it is open, where the device allows it. It is lost when the page is hidden. */
export function useWakeLock(): 'awake' | 'may sleep' {
  const [held, setHeld] = useState<'awake' | 'may sleep'>('may sleep');
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let left = false;
    const ask = async () => {
      if (!('wakeLock' in navigator) || document.visibilityState !== 'visible') return;
      try {
        lock = await navigator.wakeLock.request('screen');
        if (left) return void lock.release();
        setHeld('awake');
        lock.addEventListener('release', () => setHeld('may sleep'));
      } catch {
        setHeld('may sleep');
      }
    };
    const again = () => void ask();
    document.addEventListener('visibilitychange', again);
    void ask();
    return () => {
      left = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, []);
  return held;
}
