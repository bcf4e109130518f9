import { useEffect, useRef, useState } from 'react';

/** The server's time, ticking once a second: the screen's own clock may be wrong. */
export function useNow(serverTime: string | undefined): number {
  const offset = useRef(0);
  const [{ now, of }, setNow] = useState<{ now: number; of?: string }>(() => ({ now: Date.now() }));
  useEffect(() => {
    if (serverTime) {
      offset.current = Date.parse(serverTime) - Date.now();
      setNow({ now: Date.now() + offset.current, of: serverTime });
    }
  }, [serverTime]);
  useEffect(() => {
    const timer = window.setInterval(
      () => setNow((last) => ({ ...last, now: Date.now() + offset.current })),
      1000,
    );
    return () => window.clearInterval(timer);
  }, []);
  // At its first sight the server's time stands as it came, so nothing is due by the screen's own clock alone.
  return serverTime && serverTime !== of ? Date.parse(serverTime) : now;
}
