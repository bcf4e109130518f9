import { Alert } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { listenForChanges, useCutSince } from '../api/changes';
import { useOutOfReach } from '../api/reach';
import { hour } from '../bench/time';

const AGAIN_MS = 3000;

/** Says above every view that the server or the record is away, or that the page hears of no changes, and asks until it is back. */
export function ReachStrip() {
  const away = useOutOfReach();
  const cutSince = useCutSince();
  const queries = useQueryClient();
  useEffect(() => listenForChanges(queries), [queries]);
  const isAway = away !== null;
  useEffect(() => {
    if (!isAway) return;
    const timer = setInterval(() => void queries.refetchQueries({ queryKey: ['clocks'] }), AGAIN_MS);
    return () => {
      clearInterval(timer);
      // What is on the screen may be from before.
      void queries.invalidateQueries();
    };
  }, [isAway, queries]);
  if (!away && cutSince) {
    return (
      <Alert severity="info" role="status" sx={{ mx: { xs: 1.5, md: 3 }, mt: 1 }}>
        This page hears of no changes since {hour(cutSince)}. It looks by itself every ten seconds, so what
        others do shows a little later.
      </Alert>
    );
  }
  if (!away) return null;
  return (
    <Alert severity="warning" role="status" sx={{ mx: { xs: 1.5, md: 3 }, mt: 1 }}>
      {away.what === 'server' ? 'The server' : 'The record'} has been out of reach since {hour(away.since)}.
      What you see is from then, and what you type stays on this screen. It is tried again every few seconds.
    </Alert>
  );
}
