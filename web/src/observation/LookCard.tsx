import { Box, Button, Stack, TextField, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useRef, useState } from 'react';
import { answer, api, Problem } from '../api/http';
import { newId } from '../api/newId';
import type { Judgement, LookView, Visit, Sign } from '../api/types';
import { useWrite } from '../api/useWrite';
import { WriteProblem } from '../app/states';
import { capital, word } from '../words/words';
import { Against, gatesOf, useAgainst } from '../treatment/Against';
import { FindingList } from './FindingList';

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
  const channel = look.scope === 'CHANNEL' ? (chosen ?? look.channel ?? codes[0]) : undefined;
  const own = judgement.findings.filter((f) => f.look === look.look && !f.withdrawn);
  // Sent again after a lost connection, a finding is the same one.
  const key = useRef(newId());
  const against = useAgainst();
  const write = useWrite(
    (sign: Sign) =>
      answer(
        api.PUT('/api/visits/{visitId}/findings/{id}', {
          params: { path: { visitId: visit.id, id: key.current } },
          body: {
            sign,
            channel,
            note: note || undefined,
            ...against.body(),
          },
        }),
      ),
    () => {
      key.current = newId();
      setNote('');
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
          {look.scope === 'CHANNEL' && (
            <ToggleButtonGroup
              exclusive
              aria-label={`Channel for ${word('look', look.look)}`}
              value={channel}
              onChange={(_, code: string | null) => code && setChosen(code)}
              sx={{ flexWrap: 'wrap' }}
            >
              {codes.map((code) => (
                <ToggleButton key={code} value={code}>
                  {code}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
          )}
          {isFirst && (
            <TextField
              label="Note, if wanted"
              value={note}
              onChange={(event) => setNote(event.target.value)}
              size="small"
            />
          )}
          <Box
            role="group"
            aria-label={`Findings of ${name}`}
            sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}
          >
            {look.findings.map((sign) => (
              <Button
                key={sign}
                variant={isFirst ? 'contained' : 'outlined'}
                loading={write.isBusy}
                onClick={() => write.send(sign)}
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
