import { Button, FormHelperText, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import type { Container, Lot, Procedure, ProcedureStep, Stage, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { readNumber } from '../app/fields';
import { WriteProblem } from '../app/states';
import { Against, gatesOf, useAgainst } from '../treatment/Against';
import { useWasteContainer } from '../treatment/WasteGoesTo';
import { word } from '../words/words';
import { asksOf, cleaners, FINDINGS, flushWay, litres, usualMl } from './steps';

interface Props {
  visit: Visit;
  procedure: Procedure;
  act: Stage['act'];
  /** Channels that it is still to be done in. */
  left: string[];
  lots: Lot[];
  waste: Container[];
  logged: () => void;
}

/** One step, large: what to do, what is asked of it, and one tap that enters it. */
export function StepCard({ visit, procedure, act, left, lots, waste, logged }: Props) {
  const queries = useQueryClient();
  const asks = asksOf(act);
  const fitting = cleaners(lots, visit.foodCare);
  // What was taken last is taken again: the same bottle, the same container.
  const lotKey = `undoknot-steps-lot-${visit.id}`;
  const [lotId, setLot] = useState(() => {
    const last = sessionStorage.getItem(lotKey);
    return fitting.some((lot) => lot.id === last) ? (last ?? '') : (fitting[0]?.id ?? '');
  });
  const setLotId = (id: string) => {
    sessionStorage.setItem(lotKey, id);
    setLot(id);
  };
  const remembered = useWasteContainer();
  const [ml, setMl] = useState(usualMl(act, procedure.need));
  const wasteId = remembered.id ?? waste[0]?.id ?? '';
  const setWasteId = remembered.choose;
  const [text, setText] = useState('');
  const [vessel, setVessel] = useState('');
  const [lotCode, setLotCode] = useState('');
  const [inkedOn, setInkedOn] = useState('');
  const [wrong, setWrong] = useState<string>();
  // Sent again after a lost connection, an entry is the same one.
  const keys = useRef(new Map<string, string>());
  const keyOf = (of: string) => {
    const known = keys.current.get(of) ?? newId();
    keys.current.set(of, known);
    return known;
  };
  const against = useAgainst();

  const isCycle = act === 'STRONG_CYCLE' || act === 'NORMAL_CYCLE';
  const write = useWrite(
    async ({
      channels,
      finding,
    }: {
      channels: (string | undefined)[];
      finding?: ProcedureStep['finding'];
    }) => {
      let last: Visit | undefined;
      for (const channel of channels) {
        last = isCycle ? await cycle() : await step(channel, finding);
      }
      return last;
    },
    () => {
      keys.current.clear();
      against.forget();
      void queries.invalidateQueries({ queryKey: ['waste'] });
      logged();
    },
  );
  const cycle = () =>
    answer(
      api.PUT('/api/visits/{visitId}/attempts/{id}', {
        params: { path: { visitId: visit.id, id: keyOf(act) } },
        body: {
          treatment: {
            kind: 'CYCLE',
            cycle: {
              channels: visit.family.channels.map((c) => c.code),
              strength: act === 'STRONG_CYCLE' ? 'STRONG' : 'NORMAL',
              count: 1,
            },
          },
          wasteId: wasteId || undefined,
          wasteMl: readNumber(ml),
          ...against.body(),
        },
      }),
    );
  const step = (channel: string | undefined, finding: ProcedureStep['finding']) =>
    answer(
      api.PUT('/api/visits/{visitId}/procedure/entries/{id}', {
        params: { path: { visitId: visit.id, id: keyOf(`${act}-${channel ?? ''}`) } },
        body: {
          act,
          channel,
          lotId: asks.includes('FLUID') ? lotId || undefined : undefined,
          volumeMl: needsMl ? readNumber(ml) : undefined,
          finding,
          vessel: vessel || undefined,
          lotCode: lotCode || undefined,
          inkedOn: inkedOn || undefined,
          text: text || undefined,
          wasteId: asks.includes('WASTE') || act === 'WASTE_EMPTIED' ? wasteId || undefined : undefined,
          departureReason: against.body().departureReason,
        },
      }),
    );
  const needsMl = asks.includes('FLUID') || asks.includes('WASTE') || asks.includes('VESSEL');
  const gates = gatesOf(write.problem);
  const problemAt = (field: string) => write.problem?.errors.find((e) => e.field === field)?.message;

  function send(channels: (string | undefined)[], finding?: ProcedureStep['finding']) {
    if (needsMl && Number.isNaN(readNumber(ml))) {
      setWrong('Enter a number, such as 110 or 2.5.');
      return;
    }
    setWrong(undefined);
    write.send({ channels, finding });
  }

  const findings = FINDINGS[act] ?? [];
  const channels = left.length > 0 ? left : visit.family.channels.map((c) => c.code);
  const byChannel = asks.includes('CHANNEL');
  const [chosen, setChosen] = useState<string>();
  const channel = chosen ?? channels[0];
  return (
    <Stack
      component="section"
      aria-label={`Next step: ${word('step', act)}`}
      spacing={1.5}
      sx={{
        bgcolor: 'background.paper',
        borderRadius: 1,
        p: 2,
        borderLeft: '8px solid',
        borderColor: 'thread',
      }}
    >
      <Typography variant="h2" sx={{ fontSize: '1.5rem' }}>
        {word('step', act)}
      </Typography>
      {hint(act) && <Typography>{hint(act)}</Typography>}
      {asks.includes('FLUID') && (
        <TextField
          select
          label="Fluid and lot"
          value={fitting.some((l) => l.id === lotId) ? lotId : ''}
          onChange={(event) => setLotId(event.target.value)}
          error={problemAt('lotId') !== undefined}
          helperText={problemAt('lotId') ?? 'Several bottles: enter what each gave, one after the other.'}
        >
          {fitting.map((lot) => (
            <MenuItem key={lot.id} value={lot.id} sx={{ minHeight: 48 }}>
              {lot.name}, {lot.lotCode}: {litres(lot.remainingMl)} left
            </MenuItem>
          ))}
        </TextField>
      )}
      {asks.includes('VESSEL') && (
        <Stack direction={{ xs: 'column', sm: 'row' }} spacing={1.5}>
          <TextField
            label="Vessel, as it is labelled"
            value={vessel}
            onChange={(event) => setVessel(event.target.value)}
            error={problemAt('vessel') !== undefined}
            helperText={problemAt('vessel')}
          />
          <TextField
            label="Lot of the ink"
            value={lotCode}
            onChange={(event) => setLotCode(event.target.value)}
          />
          <TextField
            label="Date on it"
            type="date"
            value={inkedOn}
            onChange={(event) => setInkedOn(event.target.value)}
            slotProps={{ inputLabel: { shrink: true } }}
          />
        </Stack>
      )}
      {needsMl && (
        <TextField
          label={asks.includes('WASTE') ? 'To waste' : asks.includes('VESSEL') ? 'How much ink' : 'How much'}
          value={ml}
          onChange={(event) => setMl(event.target.value)}
          error={(wrong ?? problemAt('volumeMl')) !== undefined}
          helperText={wrong ?? problemAt('volumeMl') ?? 'mL'}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          sx={{ maxWidth: 240 }}
        />
      )}
      {(asks.includes('WASTE') || act === 'WASTE_EMPTIED') && (
        <TextField
          select
          label="Waste container"
          value={waste.some((c) => c.id === wasteId) ? wasteId : ''}
          onChange={(event) => setWasteId(event.target.value)}
          error={problemAt('wasteId') !== undefined}
          helperText={problemAt('wasteId')}
        >
          {waste.map((c) => (
            <MenuItem key={c.id} value={c.id} sx={{ minHeight: 48 }}>
              {c.name}: {litres(c.levelMl)} of {litres(c.capacityMl)}
            </MenuItem>
          ))}
        </TextField>
      )}
      {asks.includes('TEXT') && (
        <TextField
          label="What the label says"
          value={text}
          onChange={(event) => setText(event.target.value)}
          error={problemAt('text') !== undefined}
          helperText={problemAt('text')}
        />
      )}
      {byChannel && findings.length > 0 && (
        <Stack direction="row" role="group" aria-label="Channel" sx={{ gap: 1, flexWrap: 'wrap' }}>
          {channels.map((code) => (
            <Button
              key={code}
              variant={code === channel ? 'contained' : 'outlined'}
              aria-pressed={code === channel}
              onClick={() => setChosen(code)}
            >
              {code}
            </Button>
          ))}
        </Stack>
      )}
      {act === 'PAD_SEEN' && channel && (
        <Button
          variant="outlined"
          component={Link}
          to={flushWay(
            visit.id,
            procedure.rows.find((row) => row.channel === channel),
          )}
          sx={{ alignSelf: 'flex-start', minHeight: 56 }}
        >
          Flush {channel} first
        </Button>
      )}
      {problemAt('act') && (
        <FormHelperText error role="alert" sx={{ fontSize: '1rem' }}>
          {problemAt('act')}
        </FormHelperText>
      )}
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
        {findings.length > 0 ? (
          findings.map((finding) => (
            <Large
              key={finding}
              isBusy={write.isBusy}
              onClick={() => send([byChannel ? channel : undefined], finding)}
            >
              {word('stepFinding', finding)}
            </Large>
          ))
        ) : byChannel ? (
          <>
            {channels.map((code) => (
              <Large key={code} isBusy={write.isBusy} onClick={() => send([code])}>
                {code}
              </Large>
            ))}
            {channels.length > 1 && !asks.includes('FLUID') && (
              <Button variant="outlined" loading={write.isBusy} onClick={() => send(channels)}>
                All {channels.length}, in this order
              </Button>
            )}
          </>
        ) : (
          <Large isBusy={write.isBusy} onClick={() => send([undefined])}>
            {isCycle ? 'It has run' : 'Done'}
          </Large>
        )}
      </Stack>
      {gates.length > 0 ? (
        <Against gates={gates} against={against} />
      ) : (
        <WriteProblem problem={write.problem} />
      )}
    </Stack>
  );
}

function hint(act: Stage['act']): string {
  const text = word('stepHint', act);
  return text === act ? '' : text;
}

function Large({
  children,
  isBusy,
  onClick,
}: {
  children: React.ReactNode;
  isBusy: boolean;
  onClick: () => void;
}) {
  return (
    <Button
      variant="contained"
      loading={isBusy}
      onClick={onClick}
      sx={{ minHeight: 64, minWidth: 96, fontSize: '1.125rem' }}
    >
      {children}
    </Button>
  );
}
