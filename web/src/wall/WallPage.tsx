import { Box, Stack, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState, type ReactNode } from 'react';
import { useParams } from 'react-router';
import { SILENCE_MS, WITHOUT_LINE_MS } from '../api/changes';
import { answer, api, type Problem } from '../api/http';
import { standsForMs } from '../api/moments';
import type { Board, WallHead } from '../api/types';
import { Loading } from '../app/states';
import { MONO } from '../app/theme';
import { clockName } from '../bench/clockWords';
import { countdown, day, daysLate, hour, moment } from '../bench/time';
import { useNow } from '../bench/useNow';
import { capital, count, word } from '../words/words';

/** The bench for a screen on the wall: tags, what is next and what runs, to be read across the room. Nobody is signed in here. */
export default function WallPage() {
  const { token = '' } = useParams();
  const [stands, setStands] = useState(false);
  const board = useQuery<Board, Problem>({
    queryKey: ['wall', token],
    queryFn: () => answer(api.GET('/api/wall/{token}', { params: { path: { token } } })),
    refetchInterval: ({ state }) => (stands ? standsForMs(state) : WITHOUT_LINE_MS),
    retry: false,
  });
  const { refetch } = board;
  const now = useNow(board.data?.serverTime);
  const hasEnded = board.error?.status === 404;
  useEffect(() => {
    document.title = 'The bench · Undo Knot';
    if (typeof EventSource === 'undefined' || hasEnded) {
      return;
    }
    const line = new EventSource(`/api/wall/${token}/changes`);
    let silence: ReturnType<typeof setTimeout> | undefined;
    const look = () => void refetch();
    const cut = () => {
      setStands(false);
      look();
    };
    const heard = () => {
      setStands(true);
      clearTimeout(silence);
      silence = setTimeout(cut, SILENCE_MS);
    };
    ['open', 'beat', 'changed'].forEach((name) => line.addEventListener(name, heard));
    ['open', 'changed'].forEach((name) => line.addEventListener(name, look));
    line.addEventListener('error', cut);
    return () => {
      clearTimeout(silence);
      line.close();
    };
  }, [token, refetch, hasEnded]);
  if (hasEnded) {
    return (
      <Frame>
        <Typography variant="h1">This link has ended</Typography>
        <Typography sx={{ fontSize: '1.5rem' }}>A lead makes another one under Accounts.</Typography>
      </Frame>
    );
  }
  if (!board.data) {
    return board.isError ? (
      <Frame>
        <Typography variant="h1">The bench cannot be reached</Typography>
        <Typography sx={{ fontSize: '1.5rem' }}>It is asked again every ten seconds.</Typography>
      </Frame>
    ) : (
      <Loading what="the bench" />
    );
  }
  return <Shown board={board.data} now={now} isBehind={board.isError} />;
}

function Frame({ children }: { children: ReactNode }) {
  return (
    <Box component="main" sx={{ p: { xs: 2, md: 3 } }}>
      {children}
    </Box>
  );
}

function Shown({ board, now, isBehind }: { board: Board; now: number; isBehind: boolean }) {
  return (
    <Frame>
      <Stack direction="row" sx={{ alignItems: 'baseline', gap: 3, flexWrap: 'wrap', mb: 2 }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          The bench
        </Typography>
        {isBehind && (
          <Typography role="status" color="error" sx={{ fontWeight: 700, fontSize: '1.5rem' }}>
            Connection lost: as it stood at {hour(board.serverTime)}
          </Typography>
        )}
        <Typography sx={{ fontFamily: MONO, fontSize: '2rem', fontWeight: 600 }}>
          {hour(new Date(now).toISOString())}
        </Typography>
      </Stack>
      {board.clocks.length > 0 && (
        <Box
          component="ul"
          aria-label="Clocks"
          sx={{ listStyle: 'none', p: 0, m: 0, mb: 2, display: 'flex', flexWrap: 'wrap', gap: 1.5 }}
        >
          {board.clocks.map((clock) => {
            const isDue = clock.kind !== 'HOLD' && Date.parse(clock.dueAt) <= now;
            return (
              <Box
                component="li"
                key={`${clock.tag} ${clock.kind} ${clock.dueAt}`}
                sx={(t) => ({
                  p: 1.5,
                  borderRadius: 1,
                  bgcolor: isDue ? t.vars.palette.due.main : 'background.paper',
                  color: isDue ? t.vars.palette.due.contrastText : 'text.primary',
                })}
              >
                <Typography sx={{ fontSize: '1.25rem' }}>
                  <b>{clock.tag}</b>{' '}
                  {clockName({ ...clock, channels: [], keptBy: clock.kind === 'HOLD' ? 'HOLD' : undefined })}
                </Typography>
                <Typography sx={{ fontFamily: MONO, fontWeight: 600, fontSize: '2.5rem', lineHeight: 1.1 }}>
                  {countdown(Date.parse(clock.dueAt) - now)}
                </Typography>
              </Box>
            );
          })}
        </Box>
      )}
      {board.heads.length === 0 && (
        <Typography sx={{ fontSize: '1.5rem' }}>No head is in the shop.</Typography>
      )}
      <Box
        component="ol"
        aria-label="Heads in the shop"
        sx={{
          listStyle: 'none',
          p: 0,
          m: 0,
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 340px), 1fr))',
          gap: 1.5,
        }}
      >
        {board.heads.map((head) => (
          <Head key={head.tag} head={head} now={now} />
        ))}
      </Box>
      <Typography color="text.secondary" sx={{ mt: 2 }}>
        This link ends {moment(board.until)}.
      </Typography>
    </Frame>
  );
}

function nextWords(head: WallHead): string {
  const isWork = !head.action.startsWith('WAIT') && head.action !== 'REFIT';
  return isWork && head.look
    ? `Check: ${word('look', head.look)}`
    : isWork && head.method
      ? capital(word('method', head.method))
      : word('action', head.action);
}

/** One head by its tag alone. */
function Head({ head, now }: { head: WallHead; now: number }) {
  const isKept = head.keptFrom.length > 0;
  const late = daysLate(head.promisedOn, now);
  return (
    <Box
      component="li"
      sx={(t) => ({
        p: 1.5,
        borderRadius: 1,
        bgcolor: 'background.paper',
        borderLeft: `10px solid ${isKept ? t.vars.palette.hold.main : t.vars.palette.line}`,
      })}
    >
      <Typography sx={{ fontFamily: MONO, fontWeight: 600, fontSize: '1.75rem', letterSpacing: '0.04em' }}>
        {head.tag}
      </Typography>
      <Typography sx={{ fontSize: '1.25rem', fontWeight: 650 }}>
        {nextWords(head)}
        {head.at && ` ${countdown(Date.parse(head.at) - now)}`}
      </Typography>
      {isKept && (
        <Typography sx={{ fontSize: '1.25rem', fontWeight: 700 }}>
          {head.powerUntil
            ? `No power until ${moment(head.powerUntil)}`
            : `No power: ${word('noPower', head.keptFrom[0])}`}
        </Typography>
      )}
      <Typography
        color={late > 0 || head.promise === 'MISSED' ? 'error' : 'text.secondary'}
        sx={{ fontSize: '1.125rem' }}
      >
        {late > 0
          ? `late by ${count('DAYS', late)}`
          : late === 0
            ? 'due today'
            : `promised ${day(head.promisedOn)}`}
        {late <= 0 && head.promise !== 'HOLDS' && `, ${word('promise', head.promise)}`}
      </Typography>
    </Box>
  );
}
