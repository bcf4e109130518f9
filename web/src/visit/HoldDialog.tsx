import { zodResolver } from '@hookform/resolvers/zod';
import { Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import * as z from 'zod';
import type { Visit, Wet } from '../api/types';
import { ChoiceEntry, Entry, readNumber } from '../app/fields';
import { FormDialog } from '../app/FormDialog';
import { typedWhole } from '../app/typed';
import { useProblemAt } from '../app/useProblemAt';
import { capital, terms, word } from '../words/words';
import { useHeadEntry } from './useHeadEntry';

const schema = z.looseObject({ wet: z.string('Say what got wet.'), hours: typedWhole() });

interface HoldForm {
  wet: Wet | null;
  hours: string;
}

/** A dry hold that no work has started: what got wet decides how long at least, and longer is always allowed. */
export function HoldDialog({ visit, close }: { visit: Visit; close: () => void }) {
  const form = useForm<HoldForm>({
    defaultValues: { wet: null, hours: '' },
    resolver: zodResolver(schema) as never,
  });
  const write = useHeadEntry(visit, close);
  useProblemAt(form, write.problem);
  const houseHold = visit.judgement.houseAnswers.HOLD;
  return (
    <FormDialog
      title="Let it dry"
      does="Start the hold"
      write={write}
      send={() =>
        void form.handleSubmit(({ wet, hours }) =>
          write.send({ entry: 'HOLD', wet: wet!, hours: readNumber(hours) }),
        )()
      }
      close={close}
    >
      <ChoiceEntry
        control={form.control}
        name="wet"
        label="What got wet"
        options={terms('wet').map((value) => ({ value, label: capital(word('wet', value)) }))}
      />
      <Entry
        control={form.control}
        name="hours"
        label="Hours, if longer"
        unit="h"
        isNumber
        hint={`This head, by what got wet: ${visit.usual.holds
          .map((hold) => `${word('wet', hold.wet)} ${hold.hours} h`)
          .join('; ')}. Moving air helps and does not shorten it.`}
      />
      {houseHold && houseHold !== 'BY_WHAT_WAS_WET' && (
        <Typography>
          House rule, {word('houseQuestion', 'HOLD')}: {word('houseSchool', `HOLD.${houseHold}`)}.
        </Typography>
      )}
    </FormDialog>
  );
}
