import { Stack, Typography } from '@mui/material';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api } from '../api/http';
import { useJudgement } from '../api/queries';
import type { Advice } from '../api/types';
import { useWrite } from '../api/useWrite';
import { WriteProblem } from '../app/states';
import { dateInDays } from '../bench/time';
import { advisedTerm, adviceWay } from '../diagnosis/judgement';
import { minutesWords } from '../flow/units';
import { GateLines, gatesOf } from '../treatment/Against';
import {
  asAdvised,
  formOf,
  methodOf,
  preset,
  startAttempt,
  toEntry,
  type AttemptForm,
  type WholeKind,
} from '../treatment/attemptForm';
import { notedOf } from '../treatment/attemptMore';
import { useWasteContainer } from '../treatment/WasteGoesTo';
import { capital, terms, word } from '../words/words';
import { BigButton } from './BigButton';
import { PedalChoice } from './PedalChoice';
import { Elsewhere } from './Elsewhere';
import type { StepProps } from './stepProps';
import { stepTitle } from './ledWords';
import { useSaid } from './useVoice';
import { WhyInstead } from './WhyInstead';

/** Work with a page of its own that is led there. */
const OWN_PAGE = ['RINSE', 'ALIGN', 'SYSTEM'];

/** Logs the work as it is planned, when hands begin it. What it asks besides is asked here, one tap each. */
export function RunWork(props: StepProps) {
  const { visit, run } = props;
  const way = `/visits/${visit.id}/${adviceWay({ act: 'WORK', method: run.method, channels: run.channels, style: run.style } as Advice, visit)}`;
  if (OWN_PAGE.includes(run.method)) {
    return (
      <Elsewhere
        to={run.method === 'SYSTEM' ? `/visits/${visit.id}/steps` : way}
        label={capital(word('method', run.method))}
      />
    );
  }
  return <Planned {...props} way={way} />;
}

function Planned({ visit, lots, run, step, voice, way }: StepProps & { way: string }) {
  const navigate = useNavigate();
  const judgement = useJudgement(visit.id);
  const waste = useWasteContainer();
  // A new damper is fitted, not pulled through.
  const kind = run.style?.act === 'REPLACED' ? 'HANDWORK' : (visit.usual.kinds[run.method] as WholeKind);
  const [form, setForm] = useState<AttemptForm>(() => {
    const today = dateInDays(0);
    const query = new URLSearchParams(way.split('?')[1] ?? '');
    return preset(startAttempt(visit, kind, lots, today), query, lots, today, visit, kind);
  });
  const [skipped, setSkipped] = useState<string[]>([]);
  const asks = formOf(visit.usual, methodOf(kind, form));
  const channels = asks.wholeHead ? visit.family.channels.map((c) => c.code) : form.channels;
  const { entry } = toEntry(kind, { ...form, channels });
  const lot = asks.fluids.length > 0 ? lots.find((one) => one.id === form.lotId) : undefined;
  const advice = judgement.data?.advice.first;
  const isAdvised = asAdvised(advice, kind, form, visit.usual);
  const write = useWrite(() =>
    answer(
      api.PUT('/api/visits/{visitId}/attempts/{id}', {
        params: { path: { visitId: visit.id, id: form.id } },
        body: {
          treatment: entry,
          lotId: lot?.id,
          note: '',
          site: asks.bench ? undefined : form.site || undefined,
          wet: (asks.depth && form.wet) || undefined,
          noted: notedOf(form, asks),
          wasteId: lot ? waste.id : undefined,
          departure:
            advice && !isAdvised
              ? { rule: advice.rule, advised: advisedTerm(advice), reason: form.instead }
              : undefined,
        },
      }),
    ),
  );
  const question =
    asks.depth && form.wet === ''
      ? 'wet'
      : asks.asks.find((ask) => ask.yesNo && !(ask.asked in form.answers) && !skipped.includes(ask.asked))
          ?.asked;
  useSaid(voice, question ? '' : stepTitle(visit, step));
  const gates = gatesOf(write.problem);
  if (advice && !isAdvised && form.instead === '') {
    return (
      <WhyInstead
        advice={advice}
        form={way}
        voice={voice}
        keep={(instead) => setForm({ ...form, instead })}
      />
    );
  }
  if (gates.length > 0) {
    // What stands in the way wants a reason in words.
    return (
      <>
        <Stack spacing={1} role="alert">
          <GateLines gates={gates} />
        </Stack>
        <Elsewhere to={way} label="Log it with a reason" />
      </>
    );
  }
  if (question === 'wet') {
    return (
      <PedalChoice
        key="wet"
        label="How deep does it go in?"
        voice={voice}
        answers={terms('wet').map((value) => ({
          label: capital(word('wet', value)),
          take: () => setForm({ ...form, wet: value as AttemptForm['wet'] }),
        }))}
      />
    );
  }
  if (question) {
    const say = (value: string) => setForm({ ...form, answers: { ...form.answers, [question]: value } });
    return (
      <PedalChoice
        key={question}
        label={`${word('asked', question)}?`}
        voice={voice}
        answers={[
          { label: 'Yes', take: () => say('1') },
          { label: 'No', take: () => say('0') },
        ]}
        skip={() => setSkipped([...skipped, question])}
      />
    );
  }
  return (
    <>
      <Typography sx={{ fontSize: '1.25rem' }}>
        {channels.join(', ')}
        {lot && `; ${lot.name}, ${lot.lotCode}`}
        {form.plannedMinutes !== '' &&
          kind !== 'CYCLE' &&
          kind !== 'BATH' &&
          `; ${minutesWords(Number(form.plannedMinutes))}`}
        {kind === 'CYCLE' && `; ${word('strength', form.strength)}`}. It is logged as it is planned; put right
        there what came otherwise.
      </Typography>
      <BigButton does={() => write.send(undefined)} loading={write.isBusy}>
        {form.plannedMinutes !== '' || kind === 'BATH' ? 'Start' : 'Done'}
      </BigButton>
      <WriteProblem problem={write.problem} />
      {write.problem && <Elsewhere to={way} label="Open the form" />}
      {!write.problem && (
        <BigButton does={() => void navigate(way)} isPedal={false} variant="outlined">
          Otherwise than planned
        </BigButton>
      )}
    </>
  );
}
