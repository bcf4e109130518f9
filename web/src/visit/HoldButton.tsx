import { Button, Dialog, DialogActions, DialogContent, Stack, Typography } from '@mui/material';
import { zodResolver } from '@hookform/resolvers/zod';
import { useRef, useState } from 'react';
import { useForm } from 'react-hook-form';
import * as z from 'zod';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import type { Visit, Wet } from '../api/types';
import { useWrite } from '../api/useWrite';
import { ChoiceEntry } from '../app/fields';
import { KeyHint } from '../app/KeyHint';
import { WriteProblem } from '../app/states';
import { useKeys } from '../app/useKeys';
import { useProblemAt } from '../app/useProblemAt';
import { capital, terms, word } from '../words/words';

const schema = z.looseObject({ wet: z.string('Say what got wet.') });

/** Starts a dry hold: what got wet decides how long no power may come. */
export function HoldButton({ visit }: { visit: Visit }) {
  const [isOpen, setOpen] = useState(false);
  const form = useForm<{ wet: Wet | null }>({
    defaultValues: { wet: null },
    resolver: zodResolver(schema) as never,
  });
  const id = useRef(newId());
  const houseHold = visit.judgement.houseAnswers.HOLD;
  const write = useWrite(
    (wet: Wet) =>
      answer(
        api.PUT('/api/visits/{visitId}/clocks/{id}/hold', {
          params: { path: { visitId: visit.id, id: id.current } },
          body: { wet },
        }),
      ),
    () => {
      id.current = newId();
      setOpen(false);
    },
  );
  useKeys({ h: () => setOpen(true) });
  useProblemAt(form, write.problem);
  return (
    <>
      <Button variant="outlined" onClick={() => setOpen(true)} sx={{ justifyContent: 'space-between' }}>
        Dry hold
        <KeyHint>H</KeyHint>
      </Button>
      <Dialog open={isOpen} onClose={() => setOpen(false)} aria-labelledby="hold-title">
        <DialogContent>
          <Stack spacing={2}>
            <Typography id="hold-title" variant="h2">
              Let it dry
            </Typography>
            <ChoiceEntry
              control={form.control}
              name="wet"
              label="What got wet"
              options={terms('wet').map((value) => ({ value, label: capital(word('wet', value)) }))}
            />
            <Typography color="text.secondary">
              This head, by what got wet: {holdsOf(visit).join('; ')}. Moving air helps and does not shorten
              it.
            </Typography>
            {houseHold && houseHold !== 'BY_WHAT_WAS_WET' && (
              <Typography>
                House rule, {word('houseQuestion', 'HOLD')}: {word('houseSchool', `HOLD.${houseHold}`)}, at
                least.
              </Typography>
            )}
            <WriteProblem problem={write.problem} />
          </Stack>
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setOpen(false)}>Back</Button>
          <Button
            variant="contained"
            loading={write.isBusy}
            onClick={form.handleSubmit(({ wet }) => write.send(wet!))}
          >
            Start the hold
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}

function holdsOf(visit: Visit): string[] {
  return visit.usual.holds
    .filter((hold) => hold.hours > 0)
    .map((hold) => `${word('wet', hold.wet)} ${hold.hours} h`);
}
