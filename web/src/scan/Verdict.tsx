import {
  Box,
  Button,
  Slider,
  Stack,
  TextField,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { useSession } from '../account/session';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import type { Scan, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Against, gatesOf, useAgainst } from '../treatment/Against';
import { KeyHint } from '../app/KeyHint';
import { Block } from '../app/Page';
import { WriteProblem } from '../app/states';
import { useKeys } from '../app/useKeys';
import { useDraft } from '../draft/useDraft';
import { LETTERS, tally, type Letter } from '../nozzle/comb';
import {
  corrected,
  countCorrected,
  isSettled,
  say,
  unsureOf,
  type Corrections,
  type Nozzle,
} from './corrections';
import { LookFirst } from './LookFirst';
import { SheetView, viewOf } from './SheetView';
import { Totals } from './Totals';
import { UnsureQueue } from './UnsureQueue';

interface Draft {
  checkId: string;
  corrections: Corrections;
  note: string;
  looked?: string[];
  /** The reading that was looked at; another page or other corners are looked at anew. */
  lookedAt?: string;
}

const WHOLE = 'all';

/** The read sheet with its verdicts, the unsure nozzles one after the other, the totals, and the way to accept it. */
export function Verdict({ visit, scan }: { visit: Visit; scan: Scan }) {
  const navigate = useNavigate();
  const { mayWrite } = useSession();
  const { restored, isReady, keep, drop } = useDraft<Draft>(
    scan.page > 1 ? `scan-${scan.id}-${scan.page}` : `scan-${scan.id}`,
  );
  const [draft, setDraft] = useState<Draft>(
    () => restored ?? { checkId: newId(), corrections: {}, note: '' },
  );
  const isTouched = useRef(restored !== undefined);
  useEffect(() => {
    // A draft from another screen arrives a moment later; it counts only while nothing was said here.
    if (isReady && restored && !isTouched.current) {
      isTouched.current = true;
      setDraft(restored);
    }
  }, [isReady, restored]);

  const unsure = useMemo(() => unsureOf(scan.result), [scan.result]);
  const open = unsure.filter((nozzle) => !isSettled(draft.corrections, nozzle));
  const [at, setAt] = useState<Nozzle | undefined>(unsure[0]);
  const [shown, setShown] = useState<string>(unsure[0]?.code ?? WHOLE);
  const [overlay, setOverlay] = useState(1);
  const reading = useMemo(() => corrected(scan.result, draft.corrections), [scan.result, draft.corrections]);
  const sheet = `/api/visits/${visit.id}/scans/${scan.id}/sheet`;
  const isAccepted = visit.checks.some((check) => check.scanId === scan.id);

  function change(next: Draft) {
    isTouched.current = true;
    setDraft(next);
    keep(next);
  }

  function goTo(nozzle: Nozzle | undefined) {
    setAt(nozzle);
    if (nozzle && shown !== WHOLE) {
      setShown(nozzle.code);
    }
  }

  /** The next one that waits for a word, after a place in the queue; the first one when none is left behind it. */
  function nextOpen(from: Nozzle, settledNow: boolean): Nozzle | undefined {
    const waits = (nozzle: Nozzle) =>
      !isSettled(draft.corrections, nozzle) &&
      !(settledNow && nozzle.code === from.code && nozzle.nozzle === from.nozzle);
    const place = unsure.findIndex((n) => n.code === from.code && n.nozzle === from.nozzle);
    return unsure.slice(place + 1).find(waits) ?? unsure.find(waits);
  }

  function set(letter: Letter) {
    if (!at || !mayWrite) {
      return;
    }
    change({ ...draft, corrections: say(scan.result, draft.corrections, at, letter) });
    const isInQueue = unsure.some((n) => n.code === at.code && n.nozzle === at.nozzle);
    goTo(isInQueue ? (nextOpen(at, true) ?? at) : at);
  }

  function step(by: 1 | -1) {
    const place = unsure.findIndex((n) => n.code === at?.code && n.nozzle === at?.nozzle);
    if (unsure.length > 0) {
      goTo(unsure[(place + by + unsure.length) % unsure.length]);
    }
  }

  /** Any nozzle, one after the other: the next of the block, and on into the next block. */
  function walk(by: 1 | -1) {
    const blocks = scan.layout.blocks;
    const place = Math.max(
      0,
      blocks.findIndex((b) => b.channel === at?.code),
    );
    const size = blocks[place].stairs * blocks[place].steps;
    const next = (at?.nozzle ?? 0) + by;
    if (next >= 1 && next <= size) {
      goTo({ code: blocks[place].channel, nozzle: next });
      return;
    }
    const other = blocks[(place + by + blocks.length) % blocks.length];
    goTo({ code: other.channel, nozzle: by > 0 ? 1 : other.stairs * other.steps });
  }

  const readingNow = `${scan.page} ${JSON.stringify(scan.byHand ?? null)}`;
  const looked = (draft.lookedAt === readingNow && draft.looked) || [];
  const against = useAgainst();
  const write = useWrite(
    () =>
      answer(
        api.PUT('/api/visits/{visitId}/checks/{id}', {
          params: { path: { visitId: visit.id, id: draft.checkId } },
          body: {
            reading,
            scanId: scan.id,
            note: draft.note,
            looked,
            ...against.body(),
          },
        }),
      ),
    () => {
      drop();
      void navigate(`/visits/${visit.id}`);
    },
  );
  const gates = gatesOf(write.problem);
  const mayAccept = mayWrite && !isAccepted && visit.closedAt === undefined;
  const unseen = scan.lookFirst.filter((what) => !looked.includes(what));
  const keys: Record<string, () => void> = {
    arrowright: () => step(1),
    arrowleft: () => step(-1),
    arrowdown: () => walk(1),
    arrowup: () => walk(-1),
    o: () => setOverlay(overlay > 0 ? 0 : 1),
    enter: () => mayAccept && unseen.length === 0 && write.send(undefined),
  };
  LETTERS.forEach((letter) => (keys[letter.toLowerCase()] = () => set(letter)));
  useKeys(keys);

  const still = Object.values(reading).reduce((sum, text) => sum + tally(text).U, 0);
  const byHand = countCorrected(scan.result, draft.corrections);
  const nozzleNote = (field: string) => write.problem?.errors.find((e) => e.field === field)?.message;

  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 430px' },
        alignItems: 'start',
      }}
    >
      <Stack spacing={2} sx={{ order: { xs: 2, md: 1 } }}>
        <Block title="The sheet">
          <Stack direction="row" sx={{ gap: 2, flexWrap: 'wrap', alignItems: 'center', mb: 1 }}>
            <ToggleButtonGroup
              exclusive
              value={shown}
              onChange={(_, next: string | null) => next && setShown(next)}
              aria-label="Part shown"
              sx={{ flexWrap: 'wrap' }}
            >
              <ToggleButton value={WHOLE}>All</ToggleButton>
              {scan.layout.blocks.map((block) => (
                <ToggleButton key={block.channel} value={block.channel}>
                  {block.channel}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
            <Stack direction="row" sx={{ gap: 2, alignItems: 'center', minWidth: 220, flex: 1 }}>
              <Typography id="overlay-label">Verdicts</Typography>
              <Slider
                aria-labelledby="overlay-label"
                min={0}
                max={1}
                step={0.1}
                value={overlay}
                onChange={(_, value) => setOverlay(value as number)}
              />
              <KeyHint>O</KeyHint>
            </Stack>
          </Stack>
          <Box
            sx={{ height: { xs: 300, md: 430 }, bgcolor: '#d8d8d4', borderRadius: 0.5, overflow: 'hidden' }}
          >
            <SheetView
              layout={scan.layout}
              sheet={sheet}
              reading={reading}
              view={viewOf(scan.layout, shown === WHOLE ? undefined : shown)}
              overlay={overlay}
              at={at}
              onPick={setAt}
              label={`Scan of the check with its verdicts, ${shown === WHOLE ? 'all blocks' : `block ${shown}`}`}
            />
          </Box>
          <Typography color="text.secondary" sx={{ mt: 1 }}>
            A line under a dash: firing; half a line: weak; a slanted one: deflected; an open frame: missing;
            a dotted frame: unread. Tap a dash to look at it closely; arrow keys walk the unsure ones (left,
            right) and all (up, down).
          </Typography>
        </Block>
        <Totals visit={visit} scan={scan} reading={reading} />
      </Stack>
      <Stack spacing={2} sx={{ order: { xs: 1, md: 2 } }}>
        <UnsureQueue
          scan={scan}
          sheet={sheet}
          reading={reading}
          at={at}
          place={unsure.findIndex((n) => n.code === at?.code && n.nozzle === at?.nozzle)}
          total={unsure.length}
          open={open.length}
          step={step}
          set={mayWrite ? set : undefined}
        />
        <Block title="Accept">
          <Stack spacing={1.5}>
            <Typography>
              {still === 0
                ? 'Every nozzle is read.'
                : `${still} unread: they stay unread and count in nothing.`}
              {byHand > 0 && ` ${byHand} corrected by hand; what was read is kept beside them.`}
            </Typography>
            {mayAccept && (
              <LookFirst
                layout={scan.layout}
                sheet={sheet}
                reading={reading}
                what={scan.lookFirst}
                looked={looked}
                change={(now) => change({ ...draft, looked: now, lookedAt: readingNow })}
              />
            )}
            <TextField
              label="Note: paper, rest, light"
              value={draft.note}
              onChange={(event) => change({ ...draft, note: event.target.value })}
              error={nozzleNote('note') !== undefined}
              helperText={nozzleNote('note')}
            />
            {gates.length > 0 ? (
              <Against gates={gates} against={against} />
            ) : (
              <WriteProblem problem={write.problem} />
            )}
            {isAccepted ? (
              <Typography>This scan was accepted. Amend the check to change it.</Typography>
            ) : (
              mayAccept && (
                <Button
                  variant="contained"
                  size="large"
                  loading={write.isBusy}
                  disabled={unseen.length > 0}
                  onClick={() => write.send(undefined)}
                  sx={{ minHeight: 64, fontSize: '1.25rem' }}
                >
                  Accept as check {visit.checks.length + 1}
                  <KeyHint>Enter</KeyHint>
                </Button>
              )
            )}
          </Stack>
        </Block>
      </Stack>
    </Box>
  );
}
