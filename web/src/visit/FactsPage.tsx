import { zodResolver } from '@hookform/resolvers/zod';
import { Button, Stack } from '@mui/material';
import { useEffect, useRef } from 'react';
import { FormProvider, useForm, type Resolver } from 'react-hook-form';
import { useNavigate, useParams } from 'react-router';
import { answer, api } from '../api/http';
import { useFamilies, useVisit } from '../api/queries';
import type { Family, Intake, Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { useProblemAt } from '../app/useProblemAt';
import { Page } from '../app/Page';
import { differences, Reconcile } from '../app/Reconcile';
import { Failed, Loading, WriteProblem } from '../app/states';
import { useDraft } from '../draft/useDraft';
import { IntakeFields } from './IntakeFields';
import {
  fromIntake,
  INTAKE_LABELS,
  intakeSchema,
  toIntake,
  withoutIntake,
  type IntakeForm,
} from './intakeForm';

/** Changes what was told at take-in. */
export default function FactsPage() {
  const { id = '' } = useParams();
  const visit = useVisit(id);
  const families = useFamilies();
  if (visit.isPending || families.isPending) {
    return <Loading what="the visit" />;
  }
  if (visit.isError || families.isError) {
    return <Failed error={(visit.error ?? families.error) as Error} again={() => void visit.refetch()} />;
  }
  return <FactsForm visit={visit.data} families={families.data} />;
}

interface FactsDraft {
  version: number;
  form: IntakeForm;
}

function FactsForm({ visit, families }: { visit: Visit; families: Family[] }) {
  const navigate = useNavigate();
  const { restored, keep, drop } = useDraft<FactsDraft>(`facts-${visit.id}`);
  // The version that the change was begun from, also after a reload: else a reload would hide what another person did.
  const version = useRef(restored?.version ?? visit.version);
  const form = useForm<IntakeForm>({
    defaultValues: restored?.form ?? fromIntake(visit.intake),
    resolver: zodResolver(intakeSchema) as unknown as Resolver<IntakeForm>,
  });
  const write = useWrite(
    (value: IntakeForm) =>
      answer(
        api.PUT('/api/visits/{id}', {
          params: { path: { id: visit.id } },
          body: { version: version.current, intake: toIntake(value) },
        }),
      ),
    () => {
      drop();
      void navigate(`/visits/${visit.id}`);
    },
  );
  useEffect(() => {
    const subscription = form.watch((value) => keep({ version: version.current, form: value as IntakeForm }));
    return () => subscription.unsubscribe();
  }, [form, keep]);

  const { problem } = write;
  useProblemAt(form, problem, withoutIntake);

  const current = problem?.isConflict
    ? (problem.extra.current as { version: number; intake: Intake })
    : undefined;
  const theirs = current && fromIntake(current.intake);
  return (
    <Page title="What was told at take-in" back={{ to: `/visits/${visit.id}`, label: visit.tag }}>
      <FormProvider {...form}>
        <Stack
          component="form"
          noValidate
          spacing={2}
          onSubmit={form.handleSubmit((value) => write.send(value))}
        >
          <IntakeFields families={families} isNew={false} />
          <WriteProblem problem={problem} />
          <Button
            type="submit"
            variant="contained"
            size="large"
            loading={write.isBusy}
            sx={{ alignSelf: 'flex-start' }}
          >
            Save the changed facts
          </Button>
          <Button
            onClick={() => {
              drop();
              void navigate(`/visits/${visit.id}`);
            }}
            sx={{ alignSelf: 'flex-start' }}
          >
            Throw the changes away
          </Button>
        </Stack>
      </FormProvider>
      {current && theirs && (
        <Reconcile
          problem={problem}
          found={differences(theirs, form.getValues(), INTAKE_LABELS)}
          cancel={write.forget}
          settle={(taken) => {
            version.current = current.version;
            taken.forEach((field) =>
              form.setValue(field as keyof IntakeForm, theirs[field as keyof IntakeForm]),
            );
            write.forget();
          }}
        />
      )}
    </Page>
  );
}
