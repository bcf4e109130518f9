import { Alert, Box, Button, LinearProgress, Stack, Typography } from '@mui/material';
import { CalendarArrowDown, ChevronLeft, ChevronRight, Shuffle } from 'lucide-react';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useSession } from '../account/session';
import type { DayView, KeptDay } from '../api/types';
import { Page } from '../app/Page';
import { Empty, Failed, Loading, WriteProblem } from '../app/states';
import { day as dayWords, moment } from '../bench/time';
import { useMinute } from './useMinute';
import { minutesWords } from '../flow/units';
import { count, word } from '../words/words';
import { DayPicture, type Chosen } from './DayPicture';
import { dateOf, datesOf, nearest } from './dayTime';
import { NextUp } from './NextUp';
import { PinPanel } from './PinPanel';
import { Reasons } from './Reasons';
import { useDay, useDayWrites } from './useDay';

/** The order of the day: who does what when, why, and what would help. */
export default function DayPage() {
  const view = useDay();
  const { mayWrite, isLead } = useSession();
  const { propose, pin, unpin } = useDayWrites();
  if (view.isPending) {
    return <Loading what="the day" />;
  }
  if (view.isError && !view.data) {
    return <Failed error={view.error} again={() => void view.refetch()} />;
  }
  const { day } = view.data;
  return (
    <Page
      title="The day"
      aside={
        <>
          {isLead && (
            <Button component={Link} to="/day/trial" variant="outlined">
              What if
            </Button>
          )}
          {mayWrite && (
            <Button
              variant={day ? 'outlined' : 'contained'}
              startIcon={<Shuffle aria-hidden />}
              loading={propose.isPending && propose.variables}
              onClick={() => propose.mutate(true)}
            >
              Propose {day ? 'anew' : 'the day'}
            </Button>
          )}
        </>
      }
    >
      {view.data.hoursUnsaid && (
        <Typography sx={{ mb: 1 }}>
          Nobody has said yet when the shop is open: 8 to 18 on every day is reckoned with.{' '}
          {isLead && (
            <Typography component={Link} to="/house-rules" sx={{ color: 'text.primary' }}>
              Say it under House rules.
            </Typography>
          )}
        </Typography>
      )}
      {propose.isPending && (
        <Box role="status" sx={{ mb: 2 }}>
          <Typography>Laying out the day: some seconds</Typography>
          <LinearProgress aria-label="Laying out the day" />
        </Box>
      )}
      <WriteProblem problem={propose.error} />
      {day ? (
        <Proposed view={view.data} day={day} mayWrite={mayWrite} writes={{ propose, pin, unpin }} />
      ) : (
        <Empty>
          No day was proposed yet. It is laid out from the plans of all open heads, the hours of everybody who
          works here, and what has room on the bench.
        </Empty>
      )}
    </Page>
  );
}

/** Times as wide as the page, so that a step of some minutes can be taken hold of. */
const WIDEST = 4;

interface ProposedProps {
  view: DayView;
  day: KeptDay;
  mayWrite: boolean;
  writes: ReturnType<typeof useDayWrites>;
}

function Proposed({ view, day, mayWrite, writes: { propose, pin, unpin } }: ProposedProps) {
  const now = useMinute(view.serverTime);
  const [query, setQuery] = useSearchParams();
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const dates = datesOf(day);
  const on = query.get('on') ?? '';
  const date = dates.includes(on) ? on : nearest(dates, dateOf(now));
  const place = dates.indexOf(date);
  const wide = Math.min(WIDEST, Math.max(1, Number(query.get('wide')) || 1));
  const go = (to: string) => setQuery({ on: to, wide: String(wide) }, { replace: true });
  const head = day.heads.find((h) => h.visitId === chosen?.visitId);
  const work = head?.work.find((w) => w.key === chosen?.key);
  const choose = (next: Chosen | null) => {
    pin.reset();
    unpin.reset();
    setChosen(next);
  };
  const send = (visitId: string, step: string, personId: string, at: number) => {
    if (!pin.isPending) {
      setChosen({ visitId, key: step });
      pin.mutate({ visitId, step, personId, at: new Date(at).toISOString() });
    }
  };
  return (
    <>
      <Summary day={day} />
      {view.since.length > 0 && (
        <Alert
          severity="warning"
          sx={{ mb: 2 }}
          action={
            mayWrite && (
              <Button
                variant="contained"
                loading={propose.isPending && !propose.variables}
                onClick={() => propose.mutate(false)}
              >
                Bring it up to date
              </Button>
            )
          }
        >
          Since then: {view.since.map((s) => `${s.tag} ${word('since', s.since)}`).join(', ')}. What has begun
          stays; the rest moves as little as it can.
        </Alert>
      )}
      <NextUp day={day} now={now} choose={choose} />
      <Stack direction="row" sx={{ alignItems: 'center', gap: 1, mb: 1, flexWrap: 'wrap' }}>
        <Button
          variant="outlined"
          aria-label="Earlier day"
          disabled={place === 0}
          onClick={() => go(dates[place - 1])}
        >
          <ChevronLeft aria-hidden />
        </Button>
        <Typography variant="h2" aria-live="polite" sx={{ minWidth: 130, textAlign: 'center' }}>
          {dayWords(date)}
        </Typography>
        <Button
          variant="outlined"
          aria-label="Later day"
          disabled={place === dates.length - 1}
          onClick={() => go(dates[place + 1])}
        >
          <ChevronRight aria-hidden />
        </Button>
        <Button
          variant="outlined"
          onClick={() =>
            setQuery({ on: date, wide: String(wide === WIDEST ? 1 : wide * 2) }, { replace: true })
          }
        >
          {wide === WIDEST ? 'Whole day' : 'Wider'}
        </Button>
        <Box sx={{ flex: 1 }} />
        {day.people.map((person) => (
          <Button
            key={person.id}
            component="a"
            href={`/api/day/calendars/${person.id}.ics`}
            download
            startIcon={<CalendarArrowDown aria-hidden />}
          >
            Calendar of {person.name}
          </Button>
        ))}
      </Stack>
      <DayPicture
        day={day}
        date={date}
        now={now}
        wide={wide}
        chosen={chosen}
        mayPin={mayWrite}
        choose={choose}
        pin={(h, w, personId, at) => send(h.visitId, w.key, personId, at)}
      />
      {head && work && (
        <PinPanel
          day={day}
          head={head}
          work={work}
          mayPin={mayWrite}
          isBusy={pin.isPending || unpin.isPending}
          problem={pin.error ?? unpin.error}
          pin={(personId, at) => send(head.visitId, work.key, personId, at)}
          unpin={() => unpin.mutate({ visitId: head.visitId, step: work.key })}
          close={() => choose(null)}
        />
      )}
      <Reasons day={day} />
    </>
  );
}

/** How good the day is, against heads taken as they came and against what no day can better. */
export function Summary({ day }: { day: KeptDay }) {
  const late = day.late.length;
  const isBest = day.lateMinutes > 0 && day.lateMinutes <= day.lateBoundMinutes;
  const isBetter = day.firstComeLateMinutes > day.lateMinutes;
  return (
    <Typography sx={{ mb: 1.5 }}>
      {late === 0
        ? 'Every head keeps its promise. '
        : `${count('HEADS', late)} ${late === 1 ? 'misses its promise' : 'miss their promise'}, ${minutesWords(day.lateMinutes)} in all. `}
      {isBest && 'No order of this work is less late. '}
      {!day.repeatable && 'The search ran out of time: another run may come to another day. '}
      {isBetter && `Taken as they came it would be ${minutesWords(day.firstComeLateMinutes)}. `}
      <Box component="span" sx={{ color: 'text.secondary' }}>
        Made {moment(day.madeAt)} by {day.madeBy}.
      </Box>
    </Typography>
  );
}
