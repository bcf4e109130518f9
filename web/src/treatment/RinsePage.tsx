import { Box, Button, Stack, Typography } from '@mui/material';
import { useRef } from 'react';
import { FormProvider } from 'react-hook-form';
import * as z from 'zod';
import { useNavigate, useParams } from 'react-router';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import { useLots, useVisit } from '../api/queries';
import type { Attempt, Lot, TurnEntry, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Choice, ChoiceEntry, Entry, readNumber } from '../app/fields';
import { KeyHint } from '../app/KeyHint';
import { Page } from '../app/Page';
import { Failed, Loading, WriteProblem } from '../app/states';
import { typedNumber } from '../app/typed';
import { useKeys } from '../app/useKeys';
import { useProblemAt } from '../app/useProblemAt';
import { dateInDays } from '../bench/time';
import { useDraftForm } from '../draft/useDraftForm';
import { capital, terms, word } from '../words/words';
import { Against, gatesOf, mayDepart, useAgainst } from './Against';
import { formOf, lotFor } from './attemptForm';
import { LotChoice } from './LotChoice';
import { Mind } from './Mind';
import { usePreview } from './usePreview';

type Way = TurnEntry['way'];

/** One turn as it is noted; nothing that is seen is pressed beforehand. */
interface RinseForm {
  id: string;
  lotId: string;
  volumeMl: string;
  way: Way;
  seen: string[];
  clear: string[];
  lumps: 'YES' | 'NO' | null;
  waterC: string;
  deionised: boolean;
}

const schema = z.looseObject({ volumeMl: typedNumber(), waterC: typedNumber() });

export default function RinsePage() {
  const { id = '', attemptId } = useParams();
  const visit = useVisit(id);
  const lots = useLots();
  if (visit.isPending || lots.isPending) {
    return <Loading what="visit and shelf" />;
  }
  if (!visit.data || !lots.data) {
    return <Failed error={(visit.error ?? lots.error) as Error} again={() => void visit.refetch()} />;
  }
  return (
    <Rinse
      key={attemptId ?? 'new'}
      visit={visit.data}
      lots={lots.data}
      goesOn={visit.data.attempts.find((a) => a.id === attemptId)}
    />
  );
}

function firstTurn(visit: Visit, lots: Lot[], goesOn: Attempt | undefined): RinseForm {
  const way = goesOn?.noted?.turns?.at(-1)?.way;
  return {
    id: goesOn?.id ?? newId(),
    lotId: lotFor(visit, 'RINSE', lots, dateInDays(0))?.id ?? '',
    volumeMl: '',
    way: way ? otherWay(way) : 'IN_AT_PORTS',
    seen: [],
    clear: [],
    lumps: null,
    waterC: '',
    deionised: false,
  };
}

/** The head is turned each time. */
function otherWay(way: Way): Way {
  return way === 'IN_AT_PORTS' ? 'IN_AT_FACE' : 'IN_AT_PORTS';
}

/** Warm water through a removed head, turn by turn, until every colour was seen and all run clear, both ways. */
function Rinse({ visit, lots, goesOn }: { visit: Visit; lots: Lot[]; goesOn: Attempt | undefined }) {
  const navigate = useNavigate();
  const { form, drop } = useDraftForm<RinseForm>(
    `rinse-${goesOn?.id ?? visit.id}`,
    () => firstTurn(visit, lots, goesOn),
    schema,
  );
  const value = form.watch();
  const attempt = visit.attempts.find((a) => a.id === value.id);
  const asks = formOf(visit.usual, 'RINSE');
  const all = visit.family.channels.map((c) => c.code);
  const turnId = useRef(newId());
  const against = useAgainst();
  const lotId = value.lotId || undefined;
  const treatment = {
    kind: 'HANDWORK' as const,
    handwork: { method: 'RINSE' as const, channels: all, volumeMl: readNumber(value.volumeMl) || undefined },
  };
  const preview = usePreview(visit.id, 'HANDWORK', lotId, treatment, true, {
    site: undefined,
    wet: undefined,
  });

  const write = useWrite(
    async () => {
      const { visitId, id } = { visitId: visit.id, id: value.id };
      if (!attempt) {
        await answer(
          api.PUT('/api/visits/{visitId}/attempts/{id}', {
            params: { path: { visitId, id } },
            body: {
              treatment,
              lotId: treatment.handwork.volumeMl ? lotId : undefined,
              open: true,
              ...against.body(),
            },
          }),
        );
      }
      return answer(
        api.PUT('/api/visits/{visitId}/attempts/{attemptId}/turns/{id}', {
          params: { path: { visitId, attemptId: id, id: turnId.current } },
          body: {
            way: value.way,
            seen: value.seen,
            clear: value.clear,
            lumps: value.lumps === null ? undefined : value.lumps === 'YES',
            waterC: readNumber(value.waterC),
            deionised: value.deionised || undefined,
          },
        }),
      );
    },
    (kept) => {
      turnId.current = newId();
      against.forget();
      const next = { ...value, way: otherWay(value.way), seen: [], clear: [], lumps: null };
      form.reset({ ...next, deionised: false });
      form.setValue('deionised', false, { shouldDirty: true });
      const rounds = kept?.attempts.find((a) => a.id === value.id)?.rounds;
      if (rounds?.open === false) {
        drop();
      }
    },
  );
  useProblemAt(form, write.problem, (field) => field.split('.').at(-1)!);
  const end = useWrite(
    () =>
      answer(
        api.PUT('/api/visits/{visitId}/attempts/{id}/end', {
          params: { path: { visitId: visit.id, id: value.id } },
        }),
      ),
    () => leave(),
  );
  const log = () => void form.handleSubmit(() => write.send(undefined))();
  useKeys({ ' ': log, pagedown: log });

  function leave() {
    drop();
    void navigate(`/visits/${visit.id}`, { state: attempt ? { logged: value.id } : undefined });
  }

  const refused = gatesOf(write.problem);
  const gates = refused.length > 0 ? refused : attempt ? [] : (preview?.gates ?? []);
  const isOver = attempt?.rounds?.open === false;
  const turns = attempt?.noted?.turns ?? [];
  return (
    <Page title={capital(word('method', 'RINSE'))} back={{ to: `/visits/${visit.id}`, label: visit.tag }}>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 340px' },
          gap: 2,
          alignItems: 'start',
        }}
      >
        <FormProvider {...form}>
          <Stack spacing={2} sx={{ bgcolor: 'background.paper', p: { xs: 1.5, md: 2 }, borderRadius: 1 }}>
            <SoFar visit={visit} attempt={attempt} />
            {isOver ? (
              <Stack direction="row" sx={{ gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
                <Typography role="status" sx={{ fontWeight: 700 }}>
                  {attempt.rounds!.rinse.every((row) => row.done)
                    ? 'Every colour was seen and all run clear. Now it dries.'
                    : 'This rinse has ended. Now the head dries.'}
                </Typography>
                <Button variant="contained" size="large" onClick={leave} sx={{ minHeight: 64 }}>
                  Back to the visit
                </Button>
              </Stack>
            ) : (
              <>
                <Typography variant="h2">Turn {turns.length + 1}</Typography>
                <ChoiceEntry
                  control={form.control}
                  name="way"
                  label="The water goes"
                  isFixed
                  options={terms('way').map((way) => ({ value: way, label: capital(word('way', way)) }))}
                  hint="The head is turned each time; the inlet is never sealed to the tap."
                />
                <Colours
                  visit={visit}
                  name="Colour seen"
                  value={value.seen}
                  set={(seen) => form.setValue('seen', seen, { shouldDirty: true })}
                />
                <Colours
                  visit={visit}
                  name="Runs clear now"
                  value={value.clear}
                  set={(clear) => form.setValue('clear', clear, { shouldDirty: true })}
                />
                <ChoiceEntry
                  control={form.control}
                  name="lumps"
                  label="Lumps"
                  options={[
                    { value: 'YES', label: 'Lumps came out, taken away' },
                    { value: 'NO', label: 'None' },
                  ]}
                />
                <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap', alignItems: 'flex-start' }}>
                  <Box sx={{ width: 210 }}>
                    <Entry
                      control={form.control}
                      name="waterC"
                      label="Water, if measured"
                      unit="°C"
                      isNumber
                    />
                  </Box>
                  <Button
                    variant={value.deionised ? 'contained' : 'outlined'}
                    aria-pressed={value.deionised}
                    onClick={() => form.setValue('deionised', !value.deionised, { shouldDirty: true })}
                    sx={{ minHeight: 56 }}
                  >
                    The last turn, with deionised water
                  </Button>
                </Stack>
                {!attempt && (
                  <>
                    <LotChoice lots={lots} fluids={asks.fluids} mayBeNone short={undefined} />
                    <Entry
                      control={form.control}
                      name="volumeMl"
                      label="From the bottle; empty when only tap water is used"
                      unit="mL"
                      isNumber
                    />
                  </>
                )}
                {mayDepart(gates, against.isLead) && <Against gates={gates} against={against} />}
                {refused.length === 0 && <WriteProblem problem={write.problem ?? end.problem} />}
                <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap' }}>
                  <Button
                    variant="contained"
                    size="large"
                    loading={write.isBusy}
                    onClick={(event) => {
                      event.currentTarget.blur();
                      log();
                    }}
                    sx={{ minHeight: 64, fontSize: '1.25rem' }}
                  >
                    Log this turn<KeyHint>Space</KeyHint>
                  </Button>
                  {attempt ? (
                    <Button
                      variant="outlined"
                      size="large"
                      loading={end.isBusy}
                      onClick={() => end.send(undefined)}
                    >
                      Stop here
                    </Button>
                  ) : (
                    <Button size="large" onClick={leave}>
                      Throw it away
                    </Button>
                  )}
                </Stack>
              </>
            )}
          </Stack>
        </FormProvider>
        <Mind gates={mayDepart(gates, against.isLead) ? [] : gates} cautions={preview?.cautions ?? []} />
      </Box>
    </Page>
  );
}

/** What the turns so far come to: a colour that has not come yet is the blocked one. */
function SoFar({ visit, attempt }: { visit: Visit; attempt: Attempt | undefined }) {
  const rows = attempt?.rounds?.rinse ?? [];
  if (rows.length === 0) {
    return (
      <Typography>
        Until every colour has been seen, and then all run clear both ways. The first litre is collected as
        waste, the rest by local rule.
      </Typography>
    );
  }
  return (
    <Stack spacing={0.5} role="group" aria-label="So far">
      {rows.map((row) => {
        const channel = visit.family.channels.find((c) => c.code === row.channel)!;
        const clear = row.clearBy.map((way) => word('way', way)).join(' and ');
        return (
          <Typography key={row.channel} sx={{ borderLeft: `10px solid ${channel.ink}`, pl: 1 }}>
            <b>{channel.colour}</b>:{' '}
            {row.done
              ? 'seen, and clear both ways'
              : row.seen
                ? `seen${clear ? `, clear ${clear}` : ', not clear yet'}`
                : 'not seen yet: the blocked one'}
          </Typography>
        );
      })}
      {attempt?.rounds?.deionisedMissing && (
        <Typography sx={{ fontWeight: 700 }}>All clear. One last turn with deionised water.</Typography>
      )}
    </Stack>
  );
}

function Colours({
  visit,
  name,
  value,
  set,
}: {
  visit: Visit;
  name: string;
  value: string[];
  set: (codes: string[]) => void;
}) {
  const all = visit.family.channels.map((c) => c.code);
  return (
    <Stack direction="row" sx={{ gap: 1.5, alignItems: 'flex-end', flexWrap: 'wrap' }}>
      <Choice
        label={name}
        isMany
        value={value}
        onChange={(next) => set(all.filter((code) => ((next ?? []) as string[]).includes(code)))}
        options={visit.family.channels.map((channel) => ({
          value: channel.code,
          label: (
            <>
              <Box
                component="span"
                aria-hidden
                sx={{ width: 12, height: 24, bgcolor: channel.ink, mr: 1, border: '1px solid #fff8' }}
              />
              {channel.colour}
            </>
          ),
        }))}
      />
      <Button onClick={() => set(all)} aria-label={`${name}: all`}>
        All
      </Button>
    </Stack>
  );
}
