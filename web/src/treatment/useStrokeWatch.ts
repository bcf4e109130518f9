import { useEffect, useRef, useState } from 'react';

/** A stopwatch for the stroke in hand; it tells the seconds when it stops. */
export function useStrokeWatch(stopped: (seconds: number) => void) {
  const [startedAt, setStartedAt] = useState<number>();
  const [now, setNow] = useState(0);
  const done = useRef(stopped);
  useEffect(() => {
    done.current = stopped;
  });
  useEffect(() => {
    if (startedAt === undefined) {
      return;
    }
    const timer = window.setInterval(() => setNow(performance.now()), 100);
    return () => window.clearInterval(timer);
  }, [startedAt]);
  return {
    running: startedAt === undefined ? undefined : Math.max(0, now - startedAt) / 1000,
    start: () => {
      setNow(performance.now());
      setStartedAt(performance.now());
    },
    /** Stops it and tells the seconds. */
    stop: () => {
      if (startedAt !== undefined) {
        setStartedAt(undefined);
        done.current(Number(((performance.now() - startedAt) / 1000).toFixed(1)));
      }
    },
    /** Stops it without a stroke. */
    cancel: () => setStartedAt(undefined),
  };
}
