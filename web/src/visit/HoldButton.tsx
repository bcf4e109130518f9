import { Button, Dialog, DialogActions, DialogContent, Stack, Typography } from '@mui/material';
import { useRef, useState } from 'react';
import { http } from '../api/http';
import { newId } from '../api/newId';
import { useJudgement } from '../api/queries';
import type { Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Choice } from '../app/fields';
import { KeyHint } from '../app/KeyHint';
import { WriteProblem } from '../app/states';
import { useKeys } from '../app/useKeys';
import { capital, terms, word } from '../words/words';

/** Starts a dry hold: what got wet decides how long no power may come. */
export function HoldButton({ visit }: { visit: Visit }) {
  const [isOpen, setOpen] = useState(false);
  const [wet, setWet] = useState<string | null>(null);
  const id = useRef(newId());
  const houseHold = useJudgement(visit.id).data?.houseAnswers.HOLD;
  const write = useWrite(
    () => http.put<Visit>(`/api/visits/${visit.id}/clocks/${id.current}/hold`, { wet: wet ?? undefined }),
    () => {
      id.current = newId();
      setOpen(false);
    },
  );
  useKeys({ h: () => setOpen(true) });
  const wrong = write.problem?.errors.find((error) => error.field === 'wet')?.message;
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
            <Choice
              label="What got wet"
              options={terms('wet').map((value) => ({ value, label: capital(word('wet', value)) }))}
              value={wet}
              onChange={(next) => setWet(next as string | null)}
              error={wrong}
            />
            <Typography color="text.secondary">
              Only the base: 2 h with moving air. Body, ports or contacts: 12 h. Board, or a laminated head:
              24 h.
            </Typography>
            {houseHold && houseHold !== 'BY_WHAT_WAS_WET' && (
              <Typography>
                House rule, {word('houseQuestion', 'HOLD')}: {word('houseSchool', `HOLD.${houseHold}`)}, at
                least.
              </Typography>
            )}
            {!wrong && <WriteProblem problem={write.problem} />}
          </Stack>
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setOpen(false)}>Back</Button>
          <Button variant="contained" loading={write.isBusy} onClick={() => write.send(undefined)}>
            Start the hold
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
