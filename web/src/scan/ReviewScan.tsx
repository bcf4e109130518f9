import { Alert, Button, Stack, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { PageChoice } from './PageChoice';
import type { Scan, Visit } from '../api/types';
import { Block } from '../app/Page';
import { capital, word } from '../words/words';
import { CornersEditor } from './CornersEditor';
import { Verdict } from './Verdict';

/** What the reader made of a scan; or, when it could not find the sheet, its corners to be placed. */
export function ReviewScan({ visit, scan }: { visit: Visit; scan: Scan }) {
  const queries = useQueryClient();
  const notFound = scan.result.notFound;
  const [isPlacing, setPlacing] = useState(false);

  function take(read: Scan) {
    queries.setQueryData(['scan', visit.id, scan.id], read);
    setPlacing(read.result.notFound !== undefined);
  }

  return (
    <Stack spacing={2}>
      <Stack direction="row" sx={{ gap: 2, flexWrap: 'wrap', alignItems: 'center' }}>
        <Typography sx={{ flex: 1, minWidth: 240 }}>
          <b>{scan.fileName}</b>
          {scan.simulated && ' (simulated)'}, {scan.layout.name}
          {scan.result.fit && (
            <>
              ; {word('found', scan.result.fit.how)}, dashes lie within{' '}
              {scan.result.fit.residualMm.toFixed(2)} mm of the layout
            </>
          )}
        </Typography>
        {scan.pages > 1 && <PageChoice visit={visit} scan={scan} done={take} />}
        {!notFound && !isPlacing && (
          <Button variant="outlined" onClick={() => setPlacing(true)}>
            Place the corners by hand
          </Button>
        )}
        <Button variant="outlined" component={Link} to={`/visits/${visit.id}/read`}>
          Another scan
        </Button>
      </Stack>
      {notFound && (
        <Alert severity="warning" role="alert">
          The sheet was not read. {capital(word('notFound', notFound))} (Seen: {scan.result.detail}.)
          {(scan.pages ?? 1) > 1 && ' Is it on another page? Choose it above.'}
        </Alert>
      )}
      {scan.result.fit?.grey && (
        <Alert severity="info">
          Scanned in grey: channels are told by their place alone. Whether a pale ink is missing or only does
          not show cannot be told. Scan in colour where you can.
        </Alert>
      )}
      {notFound || isPlacing ? (
        <Block title="Corners of the sheet">
          <CornersEditor
            visitId={visit.id}
            scan={scan}
            done={take}
            cancel={notFound ? undefined : () => setPlacing(false)}
          />
        </Block>
      ) : (
        <Verdict key={scan.page} visit={visit} scan={scan} />
      )}
    </Stack>
  );
}
