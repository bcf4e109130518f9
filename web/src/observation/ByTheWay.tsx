import { Button, Stack, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useState } from 'react';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import type { Judgement, Sign, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Block } from '../app/Page';
import { WriteProblem } from '../app/states';
import { capital, word } from '../words/words';

/** Things that show without a look: on the print, or in what came out. */
export function ByTheWay({
  visit,
  judgement,
  mayWrite,
}: {
  visit: Visit;
  judgement: Judgement;
  mayWrite: boolean;
}) {
  const codes = visit.family.channels.map((c) => c.code);
  const [channel, setChannel] = useState(codes[0]);
  const write = useWrite((sign: Sign) =>
    answer(
      api.PUT('/api/visits/{visitId}/findings/{id}', {
        params: { path: { visitId: visit.id, id: newId() } },
        body: { sign, channel },
      }),
    ),
  );
  if (!mayWrite) {
    return null;
  }
  return (
    <Block title="Seen by the way">
      <Typography sx={{ mb: 1 }}>On the print, or in what came out of a channel.</Typography>
      <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap' }}>
        <ToggleButtonGroup
          exclusive
          aria-label="Channel it was seen in"
          value={channel}
          onChange={(_, code: string | null) => code && setChannel(code)}
        >
          {codes.map((code) => (
            <ToggleButton key={code} value={code}>
              {code}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        {judgement.byTheWay.map((sign) => (
          <Button key={sign} variant="outlined" loading={write.isBusy} onClick={() => write.send(sign)}>
            {capital(word('sign', sign))}
          </Button>
        ))}
      </Stack>
      <WriteProblem problem={write.problem} />
    </Block>
  );
}
