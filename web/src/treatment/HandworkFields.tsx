import { MenuItem, TextField } from '@mui/material';
import type { Method } from '../api/types';
import { kindOf } from '../diagnosis/judgement';
import { capital, terms, word } from '../words/words';
import type { FieldsProps } from './AttemptPage';
import { ChannelChoice } from './ChannelChoice';
import { NumberField } from './NumberField';

/** Work with the hands that has no doses or clocks of its own. */
export function HandworkFields({ visit, form, change, wrong }: FieldsProps) {
  return (
    <>
      <TextField
        select
        label="What was done"
        value={form.method}
        onChange={(event) => change({ method: event.target.value as Method })}
        error={wrong('handwork.method') !== undefined}
        helperText={wrong('handwork.method') ?? word('methodWatch', form.method)}
      >
        {terms('method')
          .filter((method) => kindOf(method) === 'HANDWORK')
          .map((method) => (
            <MenuItem key={method} value={method} sx={{ minHeight: 48 }}>
              {capital(word('method', method))}
            </MenuItem>
          ))}
      </TextField>
      <ChannelChoice
        visit={visit}
        value={form.channels}
        onChange={(channels) => change({ channels })}
        error={wrong('handwork.channels')}
      />
      <NumberField
        label="Fluid from the bottle above; empty when none was used"
        unit="mL"
        value={form.volumeMl}
        onChange={(volumeMl) => change({ volumeMl })}
        error={wrong('handwork.volumeMl')}
      />
    </>
  );
}
