import { Typography } from '@mui/material';
import { useEffect } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import type { FormView, Visit } from '../api/types';
import { ChoiceEntry } from '../app/fields';
import { capital, terms, word } from '../words/words';
import type { AttemptForm } from './attemptForm';

/** Where the work is done, as far as the method leaves it open, and what that says about the head. */
export function PlaceFields({ visit, form }: { visit: Visit; form: FormView }) {
  const { control, setValue } = useFormContext<AttemptForm>();
  const now = visit.head.site;
  const typed = useWatch({ control, name: 'site' });
  const site = typed || now;
  useEffect(() => {
    if (form.either && typed === '') {
      setValue('site', now);
    }
  }, [form.either, typed, now, setValue]);
  if (form.bench) {
    return now === 'IN_CARRIAGE' ? <Typography>The head comes out for it.</Typography> : null;
  }
  if (!form.either) {
    return now === 'ON_BENCH' ? (
      <ChoiceEntry
        control={control}
        name="site"
        label="The head is logged as out"
        options={[{ value: 'IN_CARRIAGE', label: 'It is back in its carriage' }]}
      />
    ) : null;
  }
  return (
    <>
      <ChoiceEntry
        control={control}
        name="site"
        label="Where the head is"
        isFixed
        options={terms('site').map((value) => ({ value, label: capital(word('site', value)) }))}
      />
      {site !== now && (
        <Typography>
          {site === 'ON_BENCH' ? 'The head comes out for it.' : 'The head goes back in for it.'}
        </Typography>
      )}
    </>
  );
}

/** How deep a head goes into fluid decides how long it dries. */
export function DepthField() {
  const { control } = useFormContext<AttemptForm>();
  return (
    <ChoiceEntry
      control={control}
      name="wet"
      label="How deep"
      options={terms('wet').map((value) => ({ value, label: capital(word('wet', value)) }))}
    />
  );
}
