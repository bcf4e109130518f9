import { Alert, Box, Button, MenuItem, Stack, Switch, TextField, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { answer, api, preview, Problem } from '../api/http';
import type { Block as CheckBlock, CheckLayout, Family } from '../api/types';
import { Block } from '../app/Page';
import { useDraft } from '../draft/useDraft';
import { capital, terms, word } from '../words/words';
import { changeBlock, patternOf, withPattern } from './layoutForm';
import { LayoutSheet } from './LayoutSheet';

interface Props {
  family: Family;
  id: string;
  version?: number;
  start: CheckLayout;
  done: () => void;
}

/** Stairs, steps and order once for all blocks; then each block is pulled to its place on a scan. */
export function LayoutEditor({ family, id, version, start, done }: Props) {
  const queries = useQueryClient();
  const { restored, keep, drop } = useDraft<CheckLayout>(
    `layout-${version === undefined ? family.code : id}`,
  );
  const [layout, setLayout] = useState<CheckLayout>(restored ?? start);
  const [active, setActive] = useState(layout.blocks[0]?.channel);
  const [backdrop, setBackdrop] = useState<string>();
  const [problem, setProblem] = useState<Problem>();
  const [isBusy, setBusy] = useState(false);
  const [isFetching, setFetching] = useState(false);
  const [notShown, setNotShown] = useState<string>();
  const file = useRef<HTMLInputElement>(null);
  const pattern = patternOf(layout);
  const block = layout.blocks.find((b) => b.channel === active);
  useEffect(() => () => URL.revokeObjectURL(backdrop ?? ''), [backdrop]);

  function change(next: CheckLayout) {
    setLayout(next);
    keep(next);
  }

  async function layUnder(scan: File | undefined) {
    if (!scan) {
      return;
    }
    setNotShown(undefined);
    setFetching(true);
    try {
      setBackdrop(URL.createObjectURL(await preview(scan)));
    } catch (error) {
      setNotShown(
        error instanceof Problem ? (error.errors[0]?.message ?? error.message) : 'It could not be shown.',
      );
    } finally {
      setFetching(false);
    }
  }

  async function save() {
    if (isBusy) {
      return;
    }
    setBusy(true);
    setProblem(undefined);
    try {
      await answer(api.PUT('/api/layouts/{id}', { params: { path: { id } }, body: { version, layout } }));
      drop();
      await queries.invalidateQueries({ queryKey: ['layouts'] });
      done();
    } catch (error) {
      setProblem(
        error instanceof Problem
          ? error
          : new Problem(0, 'unknown', 'It could not be saved. Try again.', [], {}),
      );
    } finally {
      setBusy(false);
    }
  }

  const wrong = (field: string) =>
    problem?.errors.filter((e) => e.field === field).map((e) => e.message) ?? [];
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 420px' },
        alignItems: 'start',
      }}
    >
      <Block
        title="The sheet"
        aside={
          <Button variant="outlined" loading={isFetching} onClick={() => file.current?.click()}>
            Lay a scan under it
          </Button>
        }
      >
        <input
          ref={file}
          type="file"
          hidden
          accept="image/png,image/jpeg,image/tiff,application/pdf,.tif,.tiff,.pdf"
          aria-label="Scan to place the blocks on"
          onChange={(event) => {
            void layUnder(event.target.files?.[0]);
          }}
        />
        {notShown && (
          <Alert severity="error" role="alert" sx={{ mb: 1 }}>
            {notShown}
          </Alert>
        )}
        <Typography color="text.secondary" sx={{ mb: 1 }}>
          Pull each block onto its print. Arrow keys move the chosen one by a tenth of a millimetre, with
          Shift by five.
        </Typography>
        <LayoutSheet
          layout={layout}
          backdrop={backdrop}
          active={active}
          onActive={setActive}
          onMove={(code, xMm, yMm) => change(changeBlock(layout, code, { xMm, yMm }))}
        />
      </Block>
      <Stack spacing={2}>
        <Block title="Layout">
          <Stack spacing={1.5}>
            <TextField
              label="Name"
              value={layout.name}
              onChange={(event) => change({ ...layout, name: event.target.value })}
              error={wrong('layout.name').length > 0}
              helperText={wrong('layout.name')[0]}
            />
            <Pair>
              <Mm
                label="Sheet width"
                value={layout.widthMm}
                set={(widthMm) => change({ ...layout, widthMm })}
              />
              <Mm
                label="Sheet height"
                value={layout.heightMm}
                set={(heightMm) => change({ ...layout, heightMm })}
              />
            </Pair>
            <OnOff
              label="Registration marks"
              value={layout.marks !== undefined}
              set={(on) => change({ ...layout, marks: on ? { sizeMm: 10, insetMm: 7 } : undefined })}
            />
            {layout.marks && (
              <Pair>
                <Mm
                  label="Side of a mark"
                  value={layout.marks.sizeMm}
                  set={(sizeMm) =>
                    change({ ...layout, marks: { insetMm: layout.marks?.insetMm ?? 7, sizeMm } })
                  }
                />
                <Mm
                  label="From the edge"
                  value={layout.marks.insetMm}
                  set={(insetMm) =>
                    change({ ...layout, marks: { sizeMm: layout.marks?.sizeMm ?? 10, insetMm } })
                  }
                />
              </Pair>
            )}
          </Stack>
        </Block>
        <Block title="Pattern of every block">
          <Stack spacing={1.5}>
            <Pair>
              <Count
                label="Stairs"
                value={pattern.stairs}
                set={(stairs) => change(withPattern(layout, { ...pattern, stairs }))}
              />
              <Count
                label="Steps of a stair"
                value={pattern.steps}
                set={(steps) => change(withPattern(layout, { ...pattern, steps }))}
              />
            </Pair>
            <Typography>
              {pattern.stairs} × {pattern.steps} = {pattern.stairs * pattern.steps} nozzles; the family has{' '}
              {family.channels[0].nozzles}.
            </Typography>
            <TextField
              select
              label="Dashes run"
              value={pattern.direction}
              onChange={(event) =>
                change(
                  withPattern(layout, { ...pattern, direction: event.target.value as 'ACROSS' | 'DOWN' }),
                )
              }
            >
              {terms('direction').map((term) => (
                <MenuItem key={term} value={term}>
                  {word('direction', term)}
                </MenuItem>
              ))}
            </TextField>
            <OnOff
              label="First stair at the far side"
              value={pattern.stairsReversed}
              set={(stairsReversed) => change(withPattern(layout, { ...pattern, stairsReversed }))}
            />
            <OnOff
              label="First step lowest"
              value={pattern.stepsReversed}
              set={(stepsReversed) => change(withPattern(layout, { ...pattern, stepsReversed }))}
            />
            <Pair>
              <Mm
                label="Length of a dash"
                value={pattern.dashMm}
                set={(dashMm) => change(withPattern(layout, { ...pattern, dashMm }))}
              />
              <Mm
                label="Step to step"
                value={pattern.pitchMm}
                set={(pitchMm) => change(withPattern(layout, { ...pattern, pitchMm }))}
              />
            </Pair>
          </Stack>
        </Block>
        {block && (
          <OneBlock
            block={block}
            channels={layout.blocks.map((b) => b.channel)}
            choose={setActive}
            set={(part) => change(changeBlock(layout, block.channel, part))}
          />
        )}
        {problem && (
          <Alert severity={problem.isOffline ? 'warning' : 'error'} role="alert">
            {problem.errors.filter((e) => e.field !== 'layout.name').length > 0 ? (
              <ul style={{ margin: 0, paddingLeft: 18 }}>
                {problem.errors
                  .filter((e) => e.field !== 'layout.name')
                  .map((e) => (
                    <li key={e.field + e.code + e.message}>{e.message}</li>
                  ))}
              </ul>
            ) : problem.errors.length > 0 ? (
              'The name needs another look: it is marked above.'
            ) : (
              problem.message
            )}
          </Alert>
        )}
        <Stack direction="row" sx={{ gap: 1.5 }}>
          <Button variant="contained" size="large" loading={isBusy} onClick={() => void save()}>
            Keep this layout
          </Button>
          <Button
            size="large"
            onClick={() => {
              drop();
              done();
            }}
          >
            Throw it away
          </Button>
        </Stack>
      </Stack>
    </Box>
  );
}

function OneBlock({
  block,
  channels,
  choose,
  set,
}: {
  block: CheckBlock;
  channels: string[];
  choose: (code: string) => void;
  set: (part: Partial<CheckBlock>) => void;
}) {
  return (
    <Block title={`Block ${block.channel}`}>
      <Stack spacing={1.5}>
        <TextField
          select
          label="Channel"
          value={block.channel}
          onChange={(event) => choose(event.target.value)}
        >
          {channels.map((code) => (
            <MenuItem key={code} value={code}>
              {code}
            </MenuItem>
          ))}
        </TextField>
        <Pair>
          <Mm label="From the left" value={block.xMm} set={(xMm) => set({ xMm })} />
          <Mm label="From the top" value={block.yMm} set={(yMm) => set({ yMm })} />
          <Mm label="Width" value={block.widthMm} set={(widthMm) => set({ widthMm })} />
          <Mm label="Height" value={block.heightMm} set={(heightMm) => set({ heightMm })} />
        </Pair>
        <Pair>
          <TextField
            label="Ink, #rrggbb"
            value={block.ink}
            onChange={(event) => set({ ink: event.target.value })}
          />
          <TextField
            select
            label="Printed on"
            value={block.paper}
            onChange={(event) => set({ paper: event.target.value as CheckBlock['paper'] })}
          >
            {terms('paper').map((term) => (
              <MenuItem key={term} value={term}>
                {capital(word('paper', term))}
              </MenuItem>
            ))}
          </TextField>
        </Pair>
      </Stack>
    </Block>
  );
}

function Pair({ children }: { children: React.ReactNode }) {
  return <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>{children}</Box>;
}

function OnOff({ label, value, set }: { label: string; value: boolean; set: (on: boolean) => void }) {
  return (
    <Stack direction="row" component="label" sx={{ alignItems: 'center', minHeight: 48 }}>
      <Switch checked={value} onChange={(_, on) => set(on)} />
      <Typography>{label}</Typography>
    </Stack>
  );
}

interface NumberProps {
  label: string;
  value: number;
  set: (value: number) => void;
}

/** Text while it is typed, so that an empty or half-typed number is not fought over. */
function NumberField({ label, value, set, unit }: NumberProps & { unit: string }) {
  const [typed, setTyped] = useState<string>();
  const isBad = typed !== undefined && !(Number(typed.replace(',', '.')) >= 0 && typed.trim() !== '');
  return (
    <TextField
      label={label + unit}
      inputMode="decimal"
      value={typed ?? String(value)}
      error={isBad}
      helperText={isBad ? 'Enter a number.' : undefined}
      onChange={(event) => {
        setTyped(event.target.value);
        const number = Number(event.target.value.replace(',', '.'));
        if (event.target.value.trim() !== '' && number >= 0) {
          set(number);
        }
      }}
      onBlur={() => !isBad && setTyped(undefined)}
    />
  );
}

function Mm(props: NumberProps) {
  return <NumberField {...props} unit=", mm" />;
}

function Count(props: NumberProps) {
  return <NumberField {...props} unit="" />;
}
