import {
  Box,
  Button,
  MenuItem,
  Stack,
  TextField,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { useRef, useState } from 'react';
import { answer, api, Problem } from '../api/http';
import { newId } from '../api/newId';
import { useLots } from '../api/queries';
import type { Judgement, LookView, Visit, Sign } from '../api/types';
import { useWrite } from '../api/useWrite';
import { readNumber } from '../app/fields';
import { WriteProblem } from '../app/states';
import { capital, word } from '../words/words';
import { Against, gatesOf, useAgainst } from '../treatment/Against';
import { FindingList } from './FindingList';

/** Of the whole head, where a look can be taken cartridge by cartridge as well. */
const ALL = 'ALL';

interface Props {
  visit: Visit;
  judgement: Judgement;
  look: LookView;
  isFirst?: boolean;
  mayWrite: boolean;
}

/** One look: how it is done, what it takes, and one tap for what was found. */
export function LookCard({ visit, judgement, look, isFirst, mayWrite }: Props) {
  const [chosen, setChosen] = useState<string>();
  const [note, setNote] = useState('');
  const codes = visit.family.channels.map((c) => c.code);
  const own = judgement.findings.filter((f) => f.look === look.look && !f.withdrawn);
  // Port by port in order: the next one is the first that nothing was found in yet.
  const open = codes.filter((code) => !own.some((f) => f.channel === code && f.stands));
  const isOfHead = look.scope === 'HEAD';
  const next = own.some((f) => f.channel && f.stands) ? open[0] : undefined;
  // What is advised names its channel; any other look goes on at the next port.
  const usual = isFirst ? (look.channel ?? next) : (next ?? look.channel);
  const channel = isOfHead ? chosen : (chosen ?? usual ?? codes[0]);
  const others = open.filter((code) => code !== channel);
  // Sent again after a lost connection, a finding is the same one.
  const key = useRef(newId());
  const against = useAgainst();
  const [lotId, setLotId] = useState('');
  const [ml, setMl] = useState('');
  const [expectedOn, setExpectedOn] = useState('');
  const write = useWrite(
    ({ sign, others, at }: { sign: Sign; others?: string[]; at?: string }) =>
      answer(
        api.PUT('/api/visits/{visitId}/findings/{id}', {
          params: { path: { visitId: visit.id, id: key.current } },
          body: {
            sign,
            channel: at ?? channel,
            others,
            note: note || undefined,
            lotId: lotId && readNumber(ml) ? lotId : undefined,
            volumeMl: lotId ? readNumber(ml) : undefined,
            expectedOn: sign === 'ERROR_EXPECTED_BACK' ? expectedOn || undefined : undefined,
            ...against.body(),
          },
        }),
      ),
    () => {
      key.current = newId();
      setNote('');
      setMl('');
      setChosen(undefined);
      against.forget();
    },
  );
  const gates = gatesOf(write.problem);
  const name = capital(word('look', look.look));
  return (
    <Stack
      component="section"
      aria-label={isFirst ? `Check this: ${name}` : name}
      spacing={isFirst ? 1.5 : 1}
      sx={{
        bgcolor: 'background.paper',
        borderRadius: 1,
        p: 2,
        borderLeft: isFirst ? '8px solid' : undefined,
        borderColor: 'thread',
      }}
    >
      <Typography variant="h2" sx={{ fontSize: isFirst ? '1.75rem' : '1.125rem' }}>
        {name}
        {isFirst && channel && `, ${channel}`}
      </Typography>
      {(isFirst || own.length === 0) && <Typography>{word('lookHow', look.look)}</Typography>}
      <Typography color="text.secondary">
        {look.minutes} min of hands
        {look.tools.map((tool) => `; ${word('tool', tool)}`)}
        {look.needs !== 'NOTHING' && `; ${word('needs', look.needs)}`}; {word('risk', look.risk)}
        {isFirst && look.separates && look.from && (
          <>
            ; separates {word('cause', look.separates)} from {word('cause', look.from)}
            {channel && ` in ${channel}`}
          </>
        )}
        {look.needless && '; not needed or not possible now'}
      </Typography>
      {own.length > 0 && <FindingList visit={visit} findings={own} mayWrite={mayWrite} />}
      {mayWrite && (
        <>
          {look.byPort && (
            <ToggleButtonGroup
              exclusive
              aria-label={`Channel for ${word('look', look.look)}`}
              value={channel ?? ALL}
              onChange={(_, code: string | null) => code && setChosen(code === ALL ? undefined : code)}
              sx={{ flexWrap: 'wrap' }}
            >
              {isOfHead && <ToggleButton value={ALL}>all of them</ToggleButton>}
              {codes.map((code) => (
                <ToggleButton key={code} value={code}>
                  {code}
                  {own.some((f) => f.channel === code && f.stands) && ' ✓'}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
          )}
          <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
            <TextField
              label="Note, if wanted"
              value={note}
              onChange={(event) => setNote(event.target.value)}
              size="small"
              sx={{ flex: '1 1 180px' }}
            />
            {look.usesFluid && (
              <FluidUsed visit={visit} lotId={lotId} setLotId={setLotId} ml={ml} setMl={setMl} />
            )}
            {look.look === 'ERRORS' && (
              <TextField
                label="Expected back on"
                type="date"
                size="small"
                value={expectedOn}
                onChange={(event) => setExpectedOn(event.target.value)}
                helperText="When a restart cleared it; it is asked again then."
                slotProps={{ inputLabel: { shrink: true } }}
                sx={{ width: 220 }}
              />
            )}
          </Stack>
          {/* A port has buttons of its own: the second tap of a double tap is not for the next one. */}
          <Box
            key={channel ?? ALL}
            role="group"
            aria-label={`Findings of ${name}`}
            sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}
          >
            {look.findings.map((sign) => (
              <Button
                key={sign}
                variant={isFirst ? 'contained' : 'outlined'}
                loading={write.isBusy}
                onClick={() => write.send({ sign })}
                sx={{
                  flex: '1 1 140px',
                  minHeight: isFirst ? 64 : 48,
                  fontSize: isFirst ? '1.125rem' : undefined,
                  lineHeight: 1.3,
                }}
              >
                {capital(word('sign', sign))}
              </Button>
            ))}
          </Box>
          {look.byPort && others.length > 0 && (
            <Button
              variant="outlined"
              loading={write.isBusy}
              onClick={() => write.send({ sign: look.findings[0], at: open[0], others: open.slice(1) })}
            >
              {open.length === codes.length ? 'All' : 'All the others'} ({open.join(', ')}):{' '}
              {word('sign', look.findings[0])}
            </Button>
          )}
          {visit.standIn && <StandInLook visit={visit} look={look.look} channel={channel} />}
        </>
      )}
      {gates.length > 0 ? (
        <Against gates={gates} against={against} />
      ) : (
        <WriteProblem problem={write.problem} />
      )}
    </Stack>
  );
}

/** The bottle that a look used, and how much of it. */
function FluidUsed({
  visit,
  lotId,
  setLotId,
  ml,
  setMl,
}: {
  visit: Visit;
  lotId: string;
  setLotId: (id: string) => void;
  ml: string;
  setMl: (ml: string) => void;
}) {
  const lots = useLots();
  const fitting = (lots.data ?? []).filter(
    (lot) => lot.kind !== 'INK' && lot.remainingMl > 0 && (!visit.foodCare || lot.foodSafe),
  );
  return (
    <>
      <TextField
        select
        label="Fluid used, if any"
        size="small"
        value={fitting.some((l) => l.id === lotId) ? lotId : ''}
        onChange={(event) => setLotId(event.target.value)}
        sx={{ width: 240 }}
      >
        <MenuItem value="">none</MenuItem>
        {fitting.map((lot) => (
          <MenuItem key={lot.id} value={lot.id}>
            {lot.name}, {lot.lotCode}
          </MenuItem>
        ))}
      </TextField>
      {lotId && (
        <TextField
          label="How much"
          size="small"
          value={ml}
          onChange={(event) => setMl(event.target.value)}
          helperText="mL"
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          sx={{ width: 110 }}
        />
      )}
    </>
  );
}

/** A head that is not there can be looked at as well: a simulated one says what would be seen. */
function StandInLook({
  visit,
  look,
  channel,
}: {
  visit: Visit;
  look: LookView['look'];
  channel: string | undefined;
}) {
  const [seen, setSeen] = useState<string>();
  async function see() {
    try {
      const seenThere = await answer(
        api.GET('/api/visits/{visitId}/stand-in/look', {
          params: { path: { visitId: visit.id }, query: { look, channel } },
        }),
      );
      const besides = seenThere.meanwhile ? `, and by the way ${word('sign', seenThere.meanwhile)}` : '';
      setSeen(
        `Seen on the simulated head${channel ? ` in ${channel}` : ''}: ${word('sign', seenThere.sign)}${besides} (simulated).`,
      );
    } catch (error) {
      setSeen(
        error instanceof Problem ? error.message : 'The simulated head could not be looked at. Try again.',
      );
    }
  }
  return (
    <Stack direction="row" sx={{ gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
      <Button onClick={() => void see()}>Look at the simulated head</Button>
      {seen && <Typography role="status">{seen}</Typography>}
    </Stack>
  );
}
