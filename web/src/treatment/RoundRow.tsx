import { Box, Button, Stack, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { useFormContext } from 'react-hook-form';
import type { Problem } from '../api/http';
import type { Channel, Mark, PushView, RoundRow as Row, Visit } from '../api/types';
import { Entry } from '../app/fields';
import { KeyHint } from '../app/KeyHint';
import { WriteProblem } from '../app/states';
import { useSession } from '../account/session';
import { word } from '../words/words';
import { Against, GateLines, gatesOf, mayDepart, type Departure } from './Against';
import { formOf } from './attemptForm';
import { Marks, seenWords } from './Marks';
import { PushSum } from './PushSum';
import { marksOf, sameAs, type RoundsForm, type Stroke } from './roundsForm';

interface Props {
  visit: Visit;
  form: RoundsForm;
  channel: string;
  strokes: Stroke[];
  row: Row | undefined;
  dose: string;
  isTurn: boolean;
  running: number | undefined;
  push: PushView | undefined;
  hindrance: string | undefined;
  mark: Mark | undefined;
  select: () => void;
  start: () => void;
  stop: () => void;
  cancel: () => void;
  give: () => void;
  /** Asked before a stroke that looks mistyped. */
  question: ReactNode;
  saw: (stroke: Stroke) => void;
  /** The last stroke of the row above. */
  above: Stroke | undefined;
  refused: Record<string, Problem>;
  reasons: Record<string, Departure>;
  setReasons: (reasons: Record<string, Departure>) => void;
  again: (stroke: Stroke) => void;
  takeBack: (stroke: Stroke) => void;
}

/** One port: its dose, the stroke, what was seen of it, and what it comes to. */
export function RoundRow(props: Props) {
  const { visit, form, channel: code, strokes, row, isTurn, running } = props;
  const { isLead } = useSession();
  const channel = visit.family.channels.find((c) => c.code === code) as Channel;
  const marks = marksOf(formOf(visit.usual, form.method), form.pulses);
  const last = strokes.at(-1);
  const isDone = row?.next === 'DONE';
  const problem = last && props.refused[last.id];
  const gates = gatesOf(problem);
  return (
    <Box
      component="section"
      aria-label={channel.colour}
      aria-current={isTurn ? 'step' : undefined}
      sx={{
        bgcolor: 'background.paper',
        borderRadius: 1,
        borderLeft: `10px solid ${channel.ink}`,
        outline: isTurn ? '3px solid' : undefined,
        outlineColor: 'thread',
        p: 1.5,
      }}
    >
      <Stack direction="row" sx={{ gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Typography variant="h3" sx={{ flex: 1, minWidth: 130 }}>
          {channel.colour}
        </Typography>
        <Total strokes={strokes} row={row} />
        {!isTurn && (
          <Button variant="outlined" onClick={props.select} sx={{ minHeight: 52 }}>
            {strokes.length === 0 ? 'Start here' : 'Here'}
          </Button>
        )}
      </Stack>
      {last && (!isTurn || running !== undefined) && (
        <Typography color="text.secondary">
          {strokeWords(last)}: {seenWords(form.method, marks, last)}
        </Typography>
      )}
      {isTurn && (
        <>
          <Hand {...props} />
          {last && running === undefined && (
            <Stack spacing={1} sx={{ mt: 1.5 }}>
              <Stack direction="row" sx={{ gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
                <Typography sx={{ fontWeight: 700 }}>
                  Stroke {strokes.length}: {strokeWords(last)}
                </Typography>
                {props.above && (
                  <Button onClick={() => props.saw(sameAs(last, props.above!, marks))}>
                    Seen the same as above<KeyHint>A</KeyHint>
                  </Button>
                )}
                <Button onClick={() => props.takeBack(last)} aria-label={`Take back this stroke of ${code}`}>
                  Nothing was pushed: take it back
                </Button>
              </Stack>
              {problem && mayDepart(gates, isLead) && (
                <Against
                  gates={gates}
                  against={{
                    isLead,
                    value: props.reasons[last.id] ?? { reason: '', doneAnyway: false },
                    setValue: (next) => props.setReasons({ ...props.reasons, [last.id]: next }),
                  }}
                />
              )}
              {problem && !mayDepart(gates, isLead) && (
                <Stack spacing={1} role="alert">
                  {gates.length > 0 ? <GateLines gates={gates} /> : <WriteProblem problem={problem} />}
                </Stack>
              )}
              {problem && (gates.length === 0 || mayDepart(gates, isLead)) && (
                <Button
                  variant="contained"
                  sx={{ alignSelf: 'flex-start' }}
                  onClick={() => props.again(last)}
                >
                  Keep this stroke
                </Button>
              )}
              <Marks method={form.method} marks={marks} stroke={last} asked={props.mark} saw={props.saw} />
            </Stack>
          )}
        </>
      )}
      {isDone && !isTurn && <Typography sx={{ fontWeight: 700 }}>At its end point.</Typography>}
    </Box>
  );
}

/** Strokes so far, what they come to, and how the last compares with the one before. */
function Total({ strokes, row }: { strokes: Stroke[]; row: Row | undefined }) {
  if (strokes.length === 0) {
    return null;
  }
  const ml = strokes.reduce((sum, s) => sum + s.volumeMl, 0);
  const most = row?.atMostMl ? ` of ${row.atMostMl} mL` : ' mL';
  const changes = [
    row?.stream && `stream ${word('change', row.stream)}`,
    row?.padPrint && `pad print ${word('change', row.padPrint)}`,
  ].filter(Boolean);
  return (
    <Typography sx={{ fontWeight: row?.overUsual ? 700 : 400 }}>
      {strokes.length} {strokes.length === 1 ? 'stroke' : 'strokes'}, {Number(ml.toFixed(2))}
      {most}
      {row?.overUsual && ', the usual most'}
      {changes.length > 0 && `; ${changes.join(', ')}`}
      {row && `; ${word('roundNext', row.next)}`}
    </Typography>
  );
}

function strokeWords(stroke: Stroke): string {
  const dose = stroke.volumeMl > 0 ? `${stroke.volumeMl} mL ` : '';
  return `${dose}${stroke.seconds === undefined ? 'not timed' : `in ${stroke.seconds} s`}`;
}

/** What the hand does: dose, start and stop, or given without a watch. */
function Hand({ visit, form, channel, dose, running, push, hindrance, ...does }: Props) {
  const { control } = useFormContext<RoundsForm>();
  return (
    <Stack spacing={1} sx={{ mt: 1 }}>
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        <Box sx={{ width: 130 }}>
          <DoseEntry control={control} channel={channel} dose={dose} />
        </Box>
        {form.method === 'DRAW_BACK' && (
          <Box sx={{ width: 190 }}>
            <Entry
              control={control}
              name="suctionKpa"
              label="Suction, if read"
              unit="kPa"
              isNumber
              hint={
                visit.family.limits.suctionKpa ? `${visit.family.limits.suctionKpa} kPa at most.` : undefined
              }
            />
          </Box>
        )}
        {running === undefined ? (
          <>
            <Button
              variant="contained"
              size="large"
              disabled={hindrance !== undefined}
              onClick={(event) => {
                event.currentTarget.blur();
                does.start();
              }}
              sx={{ minHeight: 64, minWidth: 180, fontSize: '1.25rem' }}
            >
              Start stroke<KeyHint>Space</KeyHint>
            </Button>
            <Button
              variant="outlined"
              size="large"
              disabled={hindrance !== undefined}
              onClick={(event) => {
                event.currentTarget.blur();
                does.give();
              }}
              sx={{ minHeight: 64 }}
            >
              Given, not timed<KeyHint>G</KeyHint>
            </Button>
          </>
        ) : (
          <>
            <Button
              variant="contained"
              size="large"
              onClick={(event) => {
                event.currentTarget.blur();
                does.stop();
              }}
              sx={{ minHeight: 64, minWidth: 220, fontSize: '1.25rem' }}
            >
              Stop at {running.toFixed(1)} s<KeyHint>Space</KeyHint>
            </Button>
            <Button size="large" onClick={does.cancel} sx={{ minHeight: 64 }}>
              No stroke
            </Button>
          </>
        )}
      </Stack>
      {does.question}
      {hindrance && (
        <Typography role="status" color="error">
          {hindrance}
        </Typography>
      )}
      {push && <PushSum push={push} stroke={{ volumeMl: dose, syringe: form.syringe }} />}
    </Stack>
  );
}

/** Empty, the dose of the house rule stands in it; typed over, what was typed. */
function DoseEntry({
  control,
  channel,
  dose,
}: {
  control: ReturnType<typeof useFormContext<RoundsForm>>['control'];
  channel: string;
  dose: string;
}) {
  return (
    <Entry control={control} name={`doses.${channel}`} label="Dose" unit="mL" isNumber fallback={dose} />
  );
}
