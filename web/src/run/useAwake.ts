import { useEffect, useState } from 'react';

/** Keeps the screen from going dark while something is in hand. `false` where this browser cannot. */
export function useAwake(isWanted: boolean): boolean {
  const [isKept, setKept] = useState(true);
  useEffect(() => {
    if (!isWanted) {
      return;
    }
    let lock: WakeLockSentinel | undefined;
    let isOver = false;
    const ask = () => {
      if (document.visibilityState !== 'visible') {
        return;
      }
      if (!('wakeLock' in navigator)) {
        setKept(false);
        return;
      }
      navigator.wakeLock.request('screen').then(
        (sentinel) => {
          if (isOver) {
            void sentinel.release();
            return;
          }
          lock = sentinel;
          setKept(true);
        },
        () => setKept(false),
      );
    };
    ask();
    // A page that was out of sight has lost it.
    document.addEventListener('visibilitychange', ask);
    return () => {
      isOver = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, [isWanted]);
  return isKept;
}
