import { useEffect, useRef, useState } from 'react';

/** The server's time, ticking once a second: the screen's own clock may be wrong. */
export function useNow(serverTime: string | undefined): number {
  const offset = useRef(0);
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (serverTime) {
      offset.current = Date.parse(serverTime) - Date.now();
      setNow(Date.now() + offset.current);
    }
  }, [serverTime]);
  useEffect(() => {
    const timer = window.setInterval(() => setNow(Date.now() + offset.current), 1000);
    return () => window.clearInterval(timer);
  }, []);
  return now;
}
