import { Box, Button, LinearProgress, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { Camera, FileUp, Printer } from 'lucide-react';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState, type DragEvent } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, Problem, upload } from '../api/http';
import { newId } from '../api/newId';
import { useLayouts } from '../api/queries';
import type { Visit, ScanStyle } from '../api/types';
import { Block } from '../app/Page';
import { Failed, Loading } from '../app/states';
import { capital, count, terms, word } from '../words/words';

const TYPES = '.png,.jpg,.jpeg,.tif,.tiff,.pdf,image/png,image/jpeg,image/tiff,application/pdf';
const MOST_BYTES = 40 * 1024 * 1024;

/** What is under way: sending with its share, then reading, which takes a second or two. */
type Busy = { what: 'sending'; share: number } | { what: 'reading' } | { what: 'printing' };

/** A scan comes in: dropped, chosen, photographed, or printed by the stand-in. */
export function SendScan({ visit }: { visit: Visit }) {
  const navigate = useNavigate();
  const layouts = useLayouts(visit.family.code);
  const [chosen, setChosen] = useState('');
  const [style, setStyle] = useState('OFFICE_SCANNER');
  const [busy, setBusy] = useState<Busy>();
  const [problem, setProblem] = useState<string>();
  const [isOver, setOver] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const photo = useRef<HTMLInputElement>(null);
  const scanId = useRef(newId());

  if (layouts.isPending) {
    return <Loading what="the check layouts" />;
  }
  if (layouts.isError) {
    return <Failed error={layouts.error} again={() => void layouts.refetch()} />;
  }
  const layout = chosen || layouts.data[0]?.id;

  async function work(first: Busy, how: (id: string) => Promise<unknown>) {
    if (busy) {
      return;
    }
    setProblem(undefined);
    setBusy(first);
    const id = scanId.current;
    try {
      await how(id);
      await navigate(`/visits/${visit.id}/read/${id}`, { replace: true });
    } catch (error) {
      const said = error instanceof Problem ? error : undefined;
      // What was refused is not kept, so the next try is another scan; a lost connection is the same one again.
      if (!said?.isOffline) {
        scanId.current = newId();
      }
      setProblem(said?.errors[0]?.message ?? said?.message ?? 'The scan could not be sent. Try again.');
    } finally {
      setBusy(undefined);
    }
  }

  function send(scan: File | undefined) {
    if (!scan) {
      return;
    }
    if (scan.size > MOST_BYTES) {
      setProblem('The file has more than 40 MB. Scan at 300 dpi, or save it as JPEG, and send that.');
      return;
    }
    void work({ what: 'sending', share: 0 }, (id) =>
      upload(
        '/api/visits/{visitId}/scans/{id}',
        { path: { visitId: visit.id, id }, query: { layout } },
        scan,
        (share) => setBusy(share < 1 ? { what: 'sending', share } : { what: 'reading' }),
      ),
    );
  }

  function drop(event: DragEvent) {
    event.preventDefault();
    setOver(false);
    send(event.dataTransfer.files[0]);
  }

  return (
    <Stack spacing={2}>
      {layouts.data.length > 1 && (
        <TextField
          select
          label="Check layout"
          value={layout}
          onChange={(event) => setChosen(event.target.value)}
        >
          {layouts.data.map((row) => (
            <MenuItem key={row.id} value={row.id}>
              {row.layout.name}
            </MenuItem>
          ))}
        </TextField>
      )}
      <Stack
        component="section"
        aria-label="Scan of the check"
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={drop}
        spacing={2}
        sx={{
          alignItems: 'center',
          textAlign: 'center',
          bgcolor: 'background.paper',
          border: '3px dashed',
          borderColor: isOver ? 'primary.main' : 'line',
          borderRadius: 1,
          p: { xs: 2, md: 4 },
        }}
      >
        <Typography variant="h2">Drop the scanned check here</Typography>
        <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap', justifyContent: 'center' }}>
          <Button
            variant="contained"
            size="large"
            startIcon={<FileUp />}
            disabled={busy !== undefined}
            onClick={() => file.current?.click()}
          >
            Choose a file
          </Button>
          <Button
            variant="outlined"
            size="large"
            startIcon={<Camera />}
            disabled={busy !== undefined}
            onClick={() => photo.current?.click()}
          >
            Photograph it
          </Button>
        </Stack>
        <input
          ref={file}
          type="file"
          accept={TYPES}
          aria-label="Scan file"
          hidden
          onChange={(event) => {
            send(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
        <input
          ref={photo}
          type="file"
          accept="image/*"
          capture="environment"
          aria-label="Photo"
          hidden
          onChange={(event) => {
            send(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
        <Typography color="text.secondary">
          PNG, JPEG, TIFF or a PDF, up to 40 MB; 300 dpi is best. Lay it flat, the whole sheet in the picture.
        </Typography>
        {busy && <Progress busy={busy} />}
        {problem && (
          <Typography role="alert" color="error" sx={{ fontWeight: 650 }}>
            {problem}
          </Typography>
        )}
      </Stack>
      {visit.standIn && (
        <Block title="Simulated printer">
          <Typography sx={{ mb: 1.5 }}>
            This head is simulated. A check of it is printed and scanned by calculation, and answers what was
            logged.
          </Typography>
          <Stack direction={{ xs: 'column', sm: 'row' }} sx={{ gap: 1.5, alignItems: { sm: 'center' } }}>
            <TextField
              select
              label="How it is scanned"
              value={style}
              onChange={(event) => setStyle(event.target.value)}
              sx={{ maxWidth: { sm: 380 } }}
            >
              {terms('scanStyle').map((term) => (
                <MenuItem key={term} value={term}>
                  {capital(word('scanStyle', term))}
                </MenuItem>
              ))}
            </TextField>
            <Button
              variant="contained"
              size="large"
              startIcon={<Printer />}
              disabled={busy !== undefined}
              onClick={() =>
                void work({ what: 'printing' }, (id) =>
                  answer(
                    api.PUT('/api/visits/{visitId}/scans/{id}/stand-in', {
                      params: { path: { visitId: visit.id, id } },
                      body: { layout, style: style as ScanStyle },
                    }),
                  ),
                )
              }
            >
              Print a simulated check
            </Button>
          </Stack>
        </Block>
      )}
    </Stack>
  );
}

function Progress({ busy }: { busy: Busy }) {
  const words = {
    sending: 'Sending the scan',
    reading: 'Reading every nozzle',
    printing: 'Printing, scanning and reading',
  };
  // Two are read at a time; who waits is told for how many.
  const turn = useQuery({
    queryKey: ['turn'],
    queryFn: () => answer(api.GET('/api/scans/turn')),
    enabled: busy.what !== 'sending',
    refetchInterval: 1_000,
  });
  const before = busy.what === 'sending' ? 0 : (turn.data?.before ?? 0);
  const share = busy.what === 'sending' ? Math.round(busy.share * 100) : undefined;
  return (
    <Box role="status" sx={{ width: '100%', maxWidth: 480 }}>
      <Typography>
        {before > 0 ? `Waiting: ${count('PICTURES', before)} before this one` : words[busy.what]}
        {share !== undefined && `, ${share} %`}
      </Typography>
      <LinearProgress
        aria-label={words[busy.what]}
        variant={share === undefined ? 'indeterminate' : 'determinate'}
        value={share}
      />
    </Box>
  );
}
