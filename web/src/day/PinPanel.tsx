import { Alert, Box, Button, IconButton, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { X } from 'lucide-react';
import { useState } from 'react';
import type { Problem } from '../api/http';
import type { DayHead, DayWork, KeptDay } from '../api/types';
import { hour, moment } from '../bench/time';
import { minutesWords } from '../flow/units';
import { dateOf } from './dayTime';
import { spoken } from './WorkBar';

interface Props {
  day: KeptDay;
  head: DayHead;
  work: DayWork;
  mayPin: boolean;
  isBusy: boolean;
  problem: Problem | null;
  pin: (personId: string, at: number) => void;
  unpin: () => void;
  close: () => void;
}

/** The step that was tapped: when, by whom, what follows, and the way to want it elsewhere. */
export function PinPanel({ day, head, work, mayPin, isBusy, problem, pin, unpin, close }: Props) {
  const person = day.people.find((p) => p.id === work.personId);
  return (
    <Box
      component="section"
      aria-label="Chosen step"
      sx={{
        position: 'sticky',
        bottom: { xs: 72, md: 0 },
        zIndex: 5,
        mt: 2,
        p: { xs: 1.5, md: 2 },
        bgcolor: 'background.paper',
        borderTop: '4px solid',
        borderColor: 'due.main',
        boxShadow: 3,
      }}
    >
      <Stack direction="row" sx={{ alignItems: 'flex-start', gap: 1 }}>
        <Box sx={{ flex: 1 }}>
          <Typography variant="h2">{spoken(head, work)}</Typography>
          <Typography>
            {moment(work.from)} to {hour(work.until)}, {person?.name}
            {work.waitsUntil && `; then it waits until ${moment(work.waitsUntil)} at the earliest`}
            {work.latest && `, ${moment(work.latest)} at the latest`}
            {head.againPercent > 0 &&
              `. Chance of another round: ${head.againPercent} %, ${minutesWords(head.againMinutes)} of hands`}
          </Typography>
        </Box>
        <IconButton aria-label="Close" onClick={close}>
          <X />
        </IconButton>
      </Stack>
      {work.begun && <Typography color="text.secondary">It is in hand, and stays where it is.</Typography>}
      {mayPin && !work.begun && (
        <PinForm key={`${work.key}${work.from}${work.personId}`} {...{ day, work, isBusy, pin, unpin }} />
      )}
      {problem && (
        <Alert severity={problem.isOffline ? 'warning' : 'error'} role="alert" sx={{ mt: 1 }}>
          {problem.message}
          {typeof problem.extra.step === 'string' && ` It is about ${stepName(day, problem.extra.step)}.`}
        </Alert>
      )}
    </Box>
  );
}

/** The step that a problem is about, by its key. */
function stepName(day: KeptDay, key: string): string {
  const head = day.heads.find((h) => key.startsWith(`${h.visitId}/`));
  const work = head?.work.find((w) => key === `${head.visitId}/${w.key}`);
  return head && work ? spoken(head, work) : 'another head';
}

function PinForm({
  day,
  work,
  isBusy,
  pin,
  unpin,
}: Pick<Props, 'day' | 'work' | 'isBusy' | 'pin' | 'unpin'>) {
  const from = new Date(work.from);
  const [date, setDate] = useState(dateOf(from.getTime()));
  const [time, setTime] = useState(
    `${String(from.getHours()).padStart(2, '0')}:${String(from.getMinutes()).padStart(2, '0')}`,
  );
  const [who, setWho] = useState(work.personId);
  const at = Date.parse(`${date}T${time}`);
  const isTime = !Number.isNaN(at);
  return (
    <Stack
      component="form"
      direction="row"
      noValidate
      sx={{ gap: 1.5, flexWrap: 'wrap', alignItems: 'flex-start', mt: 1 }}
      onSubmit={(event) => {
        event.preventDefault();
        if (isTime && !isBusy) {
          pin(who, at);
        }
      }}
    >
      <TextField
        select
        fullWidth={false}
        size="small"
        label="By"
        value={who}
        onChange={(event) => setWho(event.target.value)}
        sx={{ minWidth: 190 }}
      >
        {day.people.map((one) => (
          <MenuItem key={one.id} value={one.id} sx={{ minHeight: 48 }}>
            {one.name}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        fullWidth={false}
        size="small"
        type="date"
        label="On"
        value={date}
        onChange={(event) => setDate(event.target.value)}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <TextField
        fullWidth={false}
        size="small"
        type="time"
        label="At"
        value={time}
        onChange={(event) => setTime(event.target.value)}
        error={!isTime}
        helperText={isTime ? undefined : 'Enter a day and a time.'}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <Button type="submit" variant="contained" loading={isBusy}>
        Pin it here
      </Button>
      {work.pinned && (
        <Button variant="outlined" loading={isBusy} onClick={unpin}>
          Let it go
        </Button>
      )}
      <Typography color="text.secondary" sx={{ flexBasis: '100%' }}>
        Or drag it in the picture; by keys: arrows move it, Enter pins it, Escape leaves it.
      </Typography>
    </Stack>
  );
}
