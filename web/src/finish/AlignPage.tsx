import { Alert, Button, FormHelperText, Stack, TextField, Typography } from '@mui/material';
import { useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import { useSession } from '../account/session';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import { useVisit } from '../api/queries';
import type { AlignPass, AlignScale, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { KeyHint } from '../app/KeyHint';
import { Block, Page } from '../app/Page';
import { Empty, Failed, Loading, WriteProblem } from '../app/states';
import { useKeys } from '../app/useKeys';
import { moment } from '../bench/time';
import { Against, gatesOf, useAgainst } from '../treatment/Against';
import { capital, word } from '../words/words';
import { PassPicture } from './PassPicture';
import { ScaleForm } from './ScaleForm';
import { Steps } from './Steps';

export default function AlignPage() {
  const { id = '' } = useParams();
  const visit = useVisit(id);
  if (visit.isPending) {
    return <Loading what="the alignment" />;
  }
  if (!visit.data) {
    return <Failed error={visit.error as Error} again={() => void visit.refetch()} />;
  }
  return <AlignView visit={visit.data} />;
}

function AlignView({ visit }: { visit: Visit }) {
  const { mayWrite } = useSession();
  const { alignment } = visit.finish;
  const writes = mayWrite && visit.closedAt === undefined;
  const [scale, setScale] = useState<AlignScale | undefined>(alignment.scale ?? undefined);
  const isOver = alignment.state === 'SETTLED' || alignment.state === 'ACCEPTED';
  const [isGoingOn, setGoingOn] = useState(false);
  return (
    <Page title="Align" back={{ to: `/visits/${visit.id}`, label: visit.tag }}>
      <Stack spacing={2}>
        <Typography role="status" sx={{ fontSize: '1.25rem', fontWeight: 650 }}>
          {capital(word('alignment', alignment.state))}.
        </Typography>
        {isOver && (
          <Alert
            severity="success"
            icon={false}
            action={
              <Button component={Link} to={`/visits/${visit.id}`}>
                What now
              </Button>
            }
          >
            Small offsets that are left are fine. They show in printing both ways alone.
          </Alert>
        )}
        {writes && alignment.state === 'CLEAN_STRIP' && (
          <Button
            variant="contained"
            component={Link}
            to={`/visits/${visit.id}/attempt/handwork?method=STRIP`}
            sx={{ minHeight: 64, fontSize: '1.25rem', alignSelf: 'flex-start' }}
          >
            Clean the encoder strip
          </Button>
        )}
        {writes && isOver && !isGoingOn && (
          <Button variant="outlined" onClick={() => setGoingOn(true)} sx={{ alignSelf: 'flex-start' }}>
            One more pass
          </Button>
        )}
        {writes && scale && (!isOver || isGoingOn) && (
          <NextPass key={alignment.passes.length} visit={visit} scale={scale} />
        )}
        {writes && alignment.state === 'NOTE_OR_ELSEWHERE' && <LetStand visit={visit} />}
        {writes && alignment.passes.length === 0 && <ScaleForm scale={scale} choose={setScale} />}
        <Block title="Passes">
          {alignment.passes.length === 0 ? (
            <Empty>No pass yet since the head went in.</Empty>
          ) : (
            <PassPicture passes={alignment.passes} />
          )}
          <PassTable passes={alignment.passes} />
        </Block>
        {alignment.earlier.length > 0 && (
          <Block title="Earlier passes of this head">
            <PassTable passes={alignment.earlier} />
          </Block>
        )}
      </Stack>
    </Page>
  );
}

/** What looks best at each position of the pass that was printed. */
function NextPass({ visit, scale }: { visit: Visit; scale: AlignScale }) {
  const { alignment } = visit.finish;
  const [best, setBest] = useState<(number | undefined)[]>(() => Array(scale.positions).fill(undefined));
  const [at, setAt] = useState(0);
  const key = useRef(newId());
  const against = useAgainst();
  const write = useWrite(
    () =>
      answer(
        api.PUT('/api/visits/{visitId}/attempts/{id}', {
          params: { path: { visitId: visit.id, id: key.current } },
          body: {
            treatment: {
              kind: 'HANDWORK',
              handwork: { method: 'ALIGN', channels: channels(visit) },
            },
            noted: { pass: { scale, best: best as number[] } },
            ...against.body(),
          },
        }),
      ),
    () => {
      key.current = newId();
      against.forget();
    },
  );
  const choose = (position: number, step: number) => {
    setBest(best.map((b, i) => (i === position ? step : b)));
    setAt(Math.min(position + 1, scale.positions - 1));
  };
  const isFull = best.every((b) => b !== undefined);
  const digits = Object.fromEntries(
    Array.from({ length: 9 }, (_, i) => i + 1)
      .filter((step) => step >= scale.least && step <= scale.most)
      .map((step) => [String(step), () => choose(at, step)]),
  );
  useKeys({ ...digits, ...(isFull ? { enter: () => write.send(undefined) } : {}) });
  const gates = gatesOf(write.problem);
  const number = alignment.passes.length + 1;
  const proposed = alignment.proposed ?? [];
  return (
    <Stack
      component="section"
      aria-label={`Pass ${number}`}
      spacing={1.5}
      sx={{
        bgcolor: 'background.paper',
        borderRadius: 1,
        p: 2,
        borderLeft: '8px solid',
        borderColor: 'thread',
      }}
    >
      <Typography variant="h2">Pass {number}: print it, then enter what looks best</Typography>
      <Typography>
        {scale.recentres
          ? `The printer takes each choice as its new centre: the next pass starts from ${scale.centre}. Settled when all lie within one of it.`
          : alignment.passes.length > 0
            ? `Set the printer to ${proposed.join(', ')} first. Settled when none moves by more than one.`
            : `Starts from the centre, ${scale.centre}. Settled when a pass moves none by more than one from the pass before.`}
      </Typography>
      <Stack spacing={1}>
        {best.map((step, position) => (
          <Steps
            key={position}
            position={position}
            scale={scale}
            step={step}
            isNext={position === at}
            choose={(chosen) => choose(position, chosen)}
            problem={write.problem?.errors.find((e) => e.field === `noted.pass.best[${position}]`)?.message}
          />
        ))}
      </Stack>
      <Button
        variant="contained"
        loading={write.isBusy}
        disabled={!isFull}
        onClick={() => write.send(undefined)}
        sx={{ minHeight: 64, fontSize: '1.25rem', alignSelf: 'flex-start' }}
      >
        Enter pass {number}
        <KeyHint>Enter</KeyHint>
      </Button>
      {!isFull && <FormHelperText>Choose a step at every position; the digits do it too.</FormHelperText>}
      {gates.length > 0 ? (
        <Against gates={gates} against={against} />
      ) : (
        <WriteProblem problem={write.problem} />
      )}
    </Stack>
  );
}

/** Two passes after the strip did not settle: the last one stands with a note, or the printer goes elsewhere. */
function LetStand({ visit }: { visit: Visit }) {
  const last = visit.finish.alignment.passes.at(-1);
  const [note, setNote] = useState('');
  const key = useRef(newId());
  const write = useWrite(() =>
    answer(
      api.PUT('/api/visits/{visitId}/attempts/{id}', {
        params: { path: { visitId: visit.id, id: key.current } },
        body: {
          treatment: {
            kind: 'HANDWORK',
            handwork: { method: 'ALIGN', channels: channels(visit) },
          },
          noted: { pass: { scale: last!.scale, best: last!.best, accepted: true } },
          note,
          replaces: last!.id,
        },
      }),
    ),
  );
  const wrong = write.problem?.errors.find((e) => e.field === 'note')?.message;
  return (
    <Block title="It does not settle">
      <Typography sx={{ mb: 1 }}>
        Misalignment shows in printing both ways; one way avoids it and takes twice the time. It may stand
        with a note, or it is not the head: return it as such.
      </Typography>
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        <TextField
          label="Why it may stand"
          value={note}
          onChange={(event) => setNote(event.target.value)}
          error={wrong !== undefined}
          helperText={wrong}
          sx={{ flex: '1 1 260px' }}
        />
        <Button
          variant="outlined"
          loading={write.isBusy}
          onClick={() => write.send(undefined)}
          sx={{ minHeight: 56 }}
        >
          Let it stand
        </Button>
        <Button component={Link} to={`/visits/${visit.id}/return`} sx={{ minHeight: 56 }}>
          Elsewhere
        </Button>
      </Stack>
      {!wrong && <WriteProblem problem={write.problem} />}
    </Block>
  );
}

function channels(visit: Visit): string[] {
  return visit.family.channels.map((c) => c.code);
}

function PassTable({ passes }: { passes: AlignPass[] }) {
  return (
    <Stack component="ol" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1 }}>
      {passes.map((pass, i) => (
        <Typography
          component="li"
          key={pass.id}
          sx={{ borderTop: '1px solid', borderColor: 'line', py: 0.5 }}
        >
          <b>Pass {i + 1}:</b> {pass.best.join(' ')}
          {pass.moved && `; moved ${pass.moved.map((m) => (m > 0 ? `+${m}` : String(m))).join(' ')}`}
          {pass.accepted && '; let stand'}
          {pass.note && `; ${pass.note}`}. {pass.by}, {moment(pass.at)}
        </Typography>
      ))}
    </Stack>
  );
}
