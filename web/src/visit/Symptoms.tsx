import { Box, Stack, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useFormContext, useWatch } from 'react-hook-form';
import type { Family } from '../api/types';
import { ChoiceEntry } from '../app/fields';
import { capital, terms, word } from '../words/words';
import { INTAKE_LABELS, type IntakeForm, type SymptomAt } from './intakeForm';

/** What was complained of, and of each: which channels show it, and where on the sheet. */
export function Symptoms({ families }: { families: Family[] }) {
  const { control, setValue } = useFormContext<IntakeForm>();
  const chosen = useWatch({ control, name: 'symptoms' });
  const places = useWatch({ control, name: 'symptomAt' });
  const code = useWatch({ control, name: 'familyCode' });
  const ports = useWatch({ control, name: 'ports' });
  const family = families.find((f) => f.code === code);
  const channels = (family?.channels ?? []).filter((c) => ports.some((p) => p.channel === c.code));
  const of = (symptom: string): SymptomAt =>
    places.find((at) => at.symptom === symptom) ?? { symptom: symptom as SymptomAt['symptom'], channels: [] };
  const set = (symptom: string, change: Partial<SymptomAt>) =>
    setValue('symptomAt', [...places.filter((at) => at.symptom !== symptom), { ...of(symptom), ...change }], {
      shouldDirty: true,
    });
  return (
    <Stack spacing={1.5}>
      <ChoiceEntry
        control={control}
        name="symptoms"
        label={INTAKE_LABELS.symptoms ?? ''}
        isMany
        required
        options={terms('symptom').map((value) => ({ value, label: capital(word('symptom', value)) }))}
      />
      {chosen.map((symptom) => (
        <Box
          key={symptom}
          role="group"
          aria-label={`Where: ${word('symptom', symptom)}`}
          sx={{ borderLeft: '4px solid', borderColor: 'line', pl: 1.5 }}
        >
          <Typography sx={{ mb: 0.5 }}>{capital(word('symptom', symptom))}, if it is known where:</Typography>
          <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap' }}>
            {channels.length > 0 && (
              <ToggleButtonGroup
                value={of(symptom).channels}
                onChange={(_, next: string[]) => set(symptom, { channels: next })}
                aria-label={`Channels: ${word('symptom', symptom)}`}
                sx={{ flexWrap: 'wrap' }}
              >
                {channels.map((c) => (
                  <ToggleButton key={c.code} value={c.code} aria-label={c.colour} sx={{ minWidth: 48 }}>
                    {c.code}
                  </ToggleButton>
                ))}
              </ToggleButtonGroup>
            )}
            <ToggleButtonGroup
              exclusive
              value={of(symptom).place ?? null}
              onChange={(_, next: SymptomAt['place'] | null) => set(symptom, { place: next ?? undefined })}
              aria-label={`Place on the sheet: ${word('symptom', symptom)}`}
              sx={{ flexWrap: 'wrap' }}
            >
              {terms('sheetPlace').map((place) => (
                <ToggleButton key={place} value={place}>
                  {word('sheetPlace', place)}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
          </Stack>
        </Box>
      ))}
    </Stack>
  );
}
