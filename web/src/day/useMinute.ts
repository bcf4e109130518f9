import { useEffect, useState } from 'react';

const MINUTE = 60_000;

function floor(ms: number): number {
  return Math.floor(ms / MINUTE) * MINUTE;
}

/** The server's time by whole minutes: a picture of a day is not drawn anew each second. */
export function useMinute(serverTime: string): number {
  const [minute, setMinute] = useState(() => floor(Date.parse(serverTime)));
  useEffect(() => {
    const offset = Date.parse(serverTime) - Date.now();
    const tick = () => setMinute(floor(Date.now() + offset));
    tick();
    const timer = window.setInterval(tick, 1000);
    return () => window.clearInterval(timer);
  }, [serverTime]);
  return minute;
}
