import { Box, Checkbox, FormControlLabel, Stack, TextField, Typography } from '@mui/material';
import { Ban, OctagonAlert } from 'lucide-react';
import { useState } from 'react';
import { useSession } from '../account/session';
import type { Problem } from '../api/http';
import type { Gate } from '../api/types';
import { day } from '../bench/time';
import { word, wordWith } from '../words/words';

/** The gates that a refused write names. */
export function gatesOf(problem: Problem | null | undefined): Gate[] {
  return (problem?.extra.gates as Gate[] | undefined) ?? [];
}

/** What a gate says, with its numbers. */
export function gateWords(gate: Gate): string {
  return wordWith('gate', gate.code, {
    LIMIT: gate.limit,
    ENTERED: gate.entered,
    CHANNEL: gate.channel,
    EXPIRED_ON: gate.expiredOn && day(gate.expiredOn),
  });
}

export interface Departure {
  reason: string;
  doneAnyway: boolean;
}

/** Whether a person may go past these gates at all, with a reason. */
export function mayDepart(gates: Gate[], isLead: boolean): boolean {
  return gates.length > 0 && gates.every((gate) => gate.weight === 'NEEDS_REASON' || isLead);
}

/** A reason for going past a gate; it starts empty and is forgotten once it was sent. */
export function useAgainst() {
  const [value, setValue] = useState<Departure>({ reason: '', doneAnyway: false });
  const { isLead } = useSession();
  return {
    value,
    setValue,
    isLead,
    forget: () => setValue({ reason: '', doneAnyway: false }),
    body: () => ({
      departureReason: value.reason.trim() || undefined,
      doneAnyway: value.doneAnyway || undefined,
    }),
    isEnough: (gates: Gate[]) =>
      mayDepart(gates, isLead) &&
      value.reason.trim() !== '' &&
      (value.doneAnyway || gates.every((gate) => gate.weight !== 'REFUSED')),
  };
}

/** What stands in the way, who may go past it, and where the reason is typed. */
export function Against({
  gates,
  against,
}: {
  gates: Gate[];
  against: { value: Departure; setValue: (next: Departure) => void; isLead: boolean };
}) {
  const { value, setValue, isLead } = against;
  return (
    <Stack
      component="section"
      aria-label="In the way"
      role="status"
      spacing={1}
      sx={(t) => ({
        border: `3px solid ${t.vars.palette.error.main}`,
        borderRadius: 1,
        p: 2,
        bgcolor: 'background.paper',
      })}
    >
      <GateLines gates={gates} />
      {mayDepart(gates, isLead) && (
        <>
          {gates.some((gate) => gate.weight === 'REFUSED') && (
            <FormControlLabel
              control={
                <Checkbox
                  checked={value.doneAnyway}
                  onChange={(_, doneAnyway) => setValue({ ...value, doneAnyway })}
                />
              }
              label="It was done all the same"
            />
          )}
          <TextField
            label="Reason, kept and marked in the report"
            value={value.reason}
            onChange={(event) => setValue({ ...value, reason: event.target.value })}
          />
        </>
      )}
    </Stack>
  );
}

export function GateLines({ gates }: { gates: Gate[] }) {
  return (
    <>
      {gates.map((gate) => (
        <Stack key={gate.code + (gate.channel ?? '')} direction="row" spacing={1.5}>
          <Box component="span" sx={{ flexShrink: 0 }}>
            {gate.weight === 'REFUSED' ? <Ban aria-hidden /> : <OctagonAlert aria-hidden />}
          </Box>
          <Typography>
            {gateWords(gate)} <b>({word('gateWeight', gate.weight)})</b>
          </Typography>
        </Stack>
      ))}
    </>
  );
}

/** What was done against a gate, and why, as it stands with an entry. */
export function MarkedAgainst({ gates, reason }: { gates: Gate[]; reason?: string | null }) {
  if (gates.length === 0) {
    return reason ? <Typography>Outside the usual limits, because: {reason}</Typography> : null;
  }
  return (
    <Box sx={(t) => ({ borderLeft: `6px solid ${t.vars.palette.error.main}`, pl: 1, my: 0.5 })}>
      {gates.map((gate) => (
        <Typography key={gate.code + (gate.channel ?? '')}>
          <b>Against a limit:</b> {gateWords(gate)}
        </Typography>
      ))}
      {reason && <Typography>Because: {reason}</Typography>}
    </Box>
  );
}
