import { zodResolver } from '@hookform/resolvers/zod';
import { Button, Stack, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { FormProvider, useForm, type Resolver } from 'react-hook-form';
import { Navigate, useNavigate, useParams } from 'react-router';
import { http } from '../api/http';
import { newId } from '../api/newId';
import { useFamilies } from '../api/queries';
import type { Family, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { showAtEntries } from '../app/fields';
import { Page } from '../app/Page';
import { Failed, Loading, WriteProblem } from '../app/states';
import { useDraft } from '../draft/useDraft';
import { IntakeFields } from './IntakeFields';
import { emptyIntake, intakeSchema, toIntake, type IntakeForm } from './intakeForm';

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
  const { restored, isReady, keep, drop } = useDraft<IntakeForm>(`intake-${id}`);
  const form = useForm<IntakeForm>({
    defaultValues: restored ?? emptyIntake(),
    resolver: zodResolver(intakeSchema) as unknown as Resolver<IntakeForm>,
  });
  const isTouched = useRef(restored !== undefined);

  useEffect(() => {
    if (isReady && restored && !isTouched.current) {
      isTouched.current = true;
      form.reset(restored);
    }
  }, [isReady, restored, form]);

  useEffect(() => {
    const subscription = form.watch((value) => {
      isTouched.current = true;
      keep(value as IntakeForm);
    });
    return () => subscription.unsubscribe();
  }, [form, keep]);

  const write = useWrite(
    (value: IntakeForm) => http.put<Visit>(`/api/visits/${id}`, { intake: toIntake(value) }),
    () => {
      drop();
      void queries.invalidateQueries({ queryKey: ['drafts'] });
      void navigate(`/visits/${id}/tag`);
    },
  );
  const { problem } = write;
  useEffect(() => {
    if (problem) {
      showAtEntries(form, problem, 'intake.');
    }
  }, [problem, form]);

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
