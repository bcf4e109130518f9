import { Box, Button, Stack, Typography } from '@mui/material';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link } from 'react-router';
import * as z from 'zod';
import { answer, api } from '../api/http';
import type { Attempt, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { ChoiceEntry, Entry } from '../app/fields';
import { FormDialog } from '../app/FormDialog';
import { Block } from '../app/Page';
import { Empty } from '../app/states';
import { useProblemAt } from '../app/useProblemAt';
import { moment } from '../bench/time';
import { advisedWords } from '../diagnosis/judgement';
import { Knot } from '../thread/Knot';
import { count, word } from '../words/words';
import { MarkedAgainst } from '../treatment/Against';
import { attemptLines, attemptName } from '../treatment/attemptLines';
import { editWay } from './ways';

/** Every attempt with its knot, its fluid and its doses; a slip is taken back with a reason and stays readable. */
export function AttemptsBlock({ visit, mayWrite }: { visit: Visit; mayWrite: boolean }) {
  const [slip, setSlip] = useState<Attempt>();
  /** What was advised when this was done instead; kept under the key of the attempt. */
  const instead = (attempt: Attempt) => visit.judgement.departures.find((d) => d.id === attempt.id);
  return (
    <Block title="Attempts" aside={<Typography>{count('CYCLES_RUN', visit.cyclesRun)}</Typography>}>
      {visit.attempts.length === 0 && <Empty>Nothing was tried yet.</Empty>}
      <Stack component="ol" spacing={1} sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {visit.attempts.map((attempt) => (
          <Stack
            component="li"
            key={attempt.id}
            direction="row"
            sx={{
              gap: 1.5,
              alignItems: 'flex-start',
              borderTop: '1px solid',
              borderColor: 'line',
              pt: 1,
              opacity: attempt.withdrawnReason ? 0.75 : 1,
            }}
          >
            <Box sx={{ width: 60, flexShrink: 0 }}>{attempt.knot && <Knot knot={attempt.knot} />}</Box>
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <Typography
                sx={{ fontWeight: 700, textDecoration: attempt.withdrawnReason ? 'line-through' : 'none' }}
              >
                {attemptName(attempt)}
                {attempt.lot && `, ${attempt.volumeMl} mL of ${attempt.lot.name} (${attempt.lot.lotCode})`}
              </Typography>
              {attemptLines(attempt).map((line) => (
                <Typography key={line}>{line}</Typography>
              ))}
              <MarkedAgainst gates={attempt.against} reason={attempt.departureReason} />
              {instead(attempt) && (
                <Typography>
                  Instead of {advisedWords(instead(attempt)?.advised ?? '')}: {instead(attempt)?.reason}
                </Typography>
              )}
              {attempt.note && <Typography>{attempt.note}</Typography>}
              <Typography color="text.secondary">
                {moment(attempt.startedAt)}, {attempt.startedBy}
                {attempt.enteredAt && `; entered later, ${moment(attempt.enteredAt)}`}
                {attempt.knot && `; ${word('knot', attempt.knot)}`}
                {attempt.withdrawnReason && `; taken back: ${attempt.withdrawnReason}`}
                {attempt.withdrawnPoured && '; its fluid was poured'}
              </Typography>
            </Box>
            {mayWrite && !attempt.withdrawnReason && (
              <Button
                component={Link}
                to={editWay(visit.id, attempt)}
                aria-label={`Edit ${attemptName(attempt).toLowerCase()} of ${moment(attempt.startedAt)}`}
              >
                Edit
              </Button>
            )}
            {mayWrite && !attempt.withdrawnReason && (
              <Button
                onClick={() => setSlip(attempt)}
                aria-label={`Take back ${attemptName(attempt).toLowerCase()} of ${moment(attempt.startedAt)}`}
              >
                Take back
              </Button>
            )}
          </Stack>
        ))}
      </Stack>
      {slip && <TakeBack visit={visit} attempt={slip} close={() => setSlip(undefined)} />}
    </Block>
  );
}

/** Nothing is chosen beforehand where fluid was drawn: only the person knows where it is. */
const schema = z.object({
  reason: z.string().refine((reason) => reason.trim() !== '', 'Say what was wrong with this entry.'),
  poured: z
    .string()
    .refine((poured) => poured !== '', 'Say where its fluid is: poured, or still in the bottle.'),
});

type Slip = z.infer<typeof schema>;

export function TakeBack({ visit, attempt, close }: { visit: Visit; attempt: Attempt; close: () => void }) {
  const form = useForm<Slip>({
    defaultValues: { reason: '', poured: attempt.lot ? '' : 'NONE' },
    resolver: zodResolver(schema),
  });
  const write = useWrite(
    ({ reason, poured }: Slip) =>
      answer(
        api.PUT('/api/visits/{visitId}/attempts/{id}/withdrawal', {
          params: { path: { visitId: visit.id, id: attempt.id } },
          body: { reason, poured: poured === 'NONE' ? undefined : poured === 'POURED' },
        }),
      ),
    close,
  );
  useProblemAt(form, write.problem);
  return (
    <FormDialog
      title="Take this entry back"
      does="Take it back"
      leaves="Keep it"
      write={write}
      send={() => void form.handleSubmit((entry) => write.send(entry))()}
      close={close}
    >
      <Typography>For an entry made by mistake. It stays readable.</Typography>
      <Entry control={form.control} name="reason" label="What was wrong with it" autoFocus />
      {attempt.lot && (
        <ChoiceEntry
          control={form.control}
          name="poured"
          label={`Its ${attempt.volumeMl} mL of ${attempt.lot.name}`}
          options={[
            { value: 'POURED', label: 'Poured: it is waste' },
            { value: 'IN_BOTTLE', label: 'Never left the bottle' },
          ]}
        />
      )}
    </FormDialog>
  );
}
