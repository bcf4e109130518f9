import { zodResolver } from '@hookform/resolvers/zod';
import { useRef } from 'react';
import { useForm } from 'react-hook-form';
import * as z from 'zod';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import type { Visit, Waiting } from '../api/types';
import { useWrite } from '../api/useWrite';
import { ChoiceEntry, Entry, readNumber } from '../app/fields';
import { FormDialog } from '../app/FormDialog';
import { typedWhole } from '../app/typed';
import { useProblemAt } from '../app/useProblemAt';
import { capital, word } from '../words/words';

interface WaitForm {
  waiting: Waiting | null;
  channel: string | null;
  minutes: string;
}

const schema = z.looseObject({ waiting: z.string('Say what is waited for.'), minutes: typedWhole() });

/** A clock for what waits and is no logged work: drops on a port, a head that cools, fluid that warms, seals in a jar. */
export function WaitDialog({ visit, close }: { visit: Visit; close: () => void }) {
  const form = useForm<WaitForm>({
    defaultValues: { waiting: null, channel: null, minutes: '' },
    resolver: zodResolver(schema) as never,
  });
  const id = useRef(newId());
  const waiting = form.watch('waiting');
  const usual = visit.usual.waits.find((wait) => wait.waiting === waiting);
  const write = useWrite(
    (value: WaitForm) =>
      answer(
        api.PUT('/api/visits/{visitId}/clocks/{id}/wait', {
          params: { path: { visitId: visit.id, id: id.current } },
          body: {
            waiting: value.waiting!,
            channel: usual?.perChannel ? value.channel : undefined,
            minutes: readNumber(value.minutes) ?? usual?.minutes ?? 0,
          },
        }),
      ),
    close,
  );
  useProblemAt(form, write.problem);
  return (
    <FormDialog
      title="Start a clock"
      does="Start the clock"
      write={write}
      send={() => void form.handleSubmit((value) => write.send(value))()}
      close={close}
    >
      <ChoiceEntry
        control={form.control}
        name="waiting"
        label="What is waited for"
        options={visit.usual.waits.map(({ waiting }) => ({
          value: waiting,
          label: capital(word('waitFor', waiting)),
        }))}
      />
      {usual?.perChannel && (
        <ChoiceEntry
          control={form.control}
          name="channel"
          label="At which port"
          options={visit.family.channels.map(({ code, colour }) => ({ value: code, label: colour }))}
        />
      )}
      <Entry
        control={form.control}
        name="minutes"
        label="Planned time"
        unit="min"
        isNumber
        hint={usual && `Empty: ${usual.minutes} min, as usual.`}
      />
    </FormDialog>
  );
}
