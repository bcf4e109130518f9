import { Button, Stack, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { FormProvider } from 'react-hook-form';
import { Navigate, useNavigate, useParams } from 'react-router';
import { answer, api } from '../api/http';
import { newId } from '../api/newId';
import { useFamilies } from '../api/queries';
import type { Family } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Page } from '../app/Page';
import { useProblemAt } from '../app/useProblemAt';
import { Failed, Loading, WriteProblem } from '../app/states';
import { useDraftForm } from '../draft/useDraftForm';
import { TakeInEstimate } from '../plan/TakeInEstimate';
import { IntakeFields } from './IntakeFields';
import { emptyIntake, intakeSchema, toIntake, withoutIntake, type IntakeForm } from './intakeForm';

export default function TakeInPage() {
  const { id } = useParams();
  const families = useFamilies();
  if (!id) {
    // The key of the visit stands in the address from the first moment, so a reload goes on where it was.
    return <Navigate to={`/take-in/${newId()}`} replace />;
  }
  if (families.isPending) {
    return <Loading what="the families" />;
  }
  if (families.isError) {
    return <Failed error={families.error} again={() => void families.refetch()} />;
  }
  return <TakeInForm key={id} id={id} families={families.data} />;
}

function TakeInForm({ id, families }: { id: string; families: Family[] }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { form, drop } = useDraftForm<IntakeForm>(`intake-${id}`, emptyIntake, intakeSchema);
  const write = useWrite(
    (value: IntakeForm) =>
      answer(api.PUT('/api/visits/{id}', { params: { path: { id } }, body: { intake: toIntake(value) } })),
    () => {
      drop();
      void queries.invalidateQueries({ queryKey: ['drafts'] });
      void navigate(`/visits/${id}/tag`);
    },
  );
  const { problem } = write;
  const purpose = form.watch('purpose');
  useProblemAt(form, problem, withoutIntake);

  return (
    <Page title="Take in a head" back={{ to: '/', label: 'Bench' }}>
      <FormProvider {...form}>
        <Stack
          component="form"
          noValidate
          spacing={2}
          onSubmit={form.handleSubmit((value) => write.send(value))}
        >
          <Typography color="text.secondary">
            Everything is kept as you type. What nobody knows stays empty.
          </Typography>
          <IntakeFields families={families} isNew />
          {purpose === 'REPAIR' && <TakeInEstimate />}
          <WriteProblem problem={problem} />
          <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap' }}>
            <Button type="submit" variant="contained" size="large" loading={write.isBusy}>
              Take it in and make its tag
            </Button>
            <Button
              size="large"
              onClick={() => {
                drop();
                void queries.invalidateQueries({ queryKey: ['drafts'] });
                void navigate('/');
              }}
            >
              Throw this take-in away
            </Button>
          </Stack>
        </Stack>
      </FormProvider>
    </Page>
  );
}
