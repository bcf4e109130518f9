import { Box, Button, FormHelperText, Stack, Typography } from '@mui/material';
import { Controller, useFormContext } from 'react-hook-form';
import type { FormView, PartEntry, PartForm, Visit } from '../api/types';
import { Choice, Entry } from '../app/fields';
import { capital, word } from '../words/words';
import { SteamContacts } from './SteamContacts';
import { without, type AttemptForm } from './attemptForm';

/** What the method is asked besides; what stays empty was not said. */
export function AskedFields({ asks, inkMl }: { asks: FormView; inkMl?: number }) {
  const { control } = useFormContext<AttemptForm>();
  const numbers = asks.asks.filter((ask) => !ask.yesNo);
  return (
    <>
      {numbers.some(({ asked }) => asked === 'CONTACTS') && <SteamContacts />}
      {numbers.length > 0 && (
        <Box
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: '1fr', sm: 'repeat(auto-fit, minmax(180px, 1fr))' },
            gap: 2,
          }}
        >
          {numbers.map(({ asked }) => (
            <Entry
              key={asked}
              control={control}
              name={`answers.${asked}`}
              label={`${word('asked', asked)}, if noted`}
              unit={word('askedUnit', asked)}
              isNumber
              hint={
                asked === 'INK_ML' && inkMl
                  ? `Usually ${inkMl} mL here; enter what it burned if it is known.`
                  : undefined
              }
            />
          ))}
        </Box>
      )}
      {asks.asks
        .filter((ask) => ask.yesNo)
        .map(({ asked }) => (
          <Controller
            key={asked}
            control={control}
            name={`answers.${asked}`}
            render={({ field }) => (
              <Choice
                label={word('asked', asked)}
                value={field.value ?? null}
                onChange={(next) => field.onChange(next ?? '')}
                options={[
                  { value: '1', label: 'Yes' },
                  { value: '0', label: 'No' },
                ]}
              />
            )}
          />
        ))}
    </>
  );
}

/** Parts that are done with this work: cleaned, refilled and replaced are different things, each counted. */
export function PartFields({ visit, asks, channels }: { visit: Visit; asks: FormView; channels: string[] }) {
  const { control, formState } = useFormContext<AttemptForm>();
  if (asks.parts.length === 0) {
    return null;
  }
  const error = (formState.errors as Partial<Record<'parts', { message?: string }>>).parts?.message;
  return (
    <Controller
      control={control}
      name="parts"
      render={({ field }) => (
        <Stack spacing={1} role="group" aria-label="Parts">
          <Typography sx={{ fontWeight: 600 }}>Parts, as far as they were done</Typography>
          {asks.parts.flatMap((part) =>
            (part.perChannel ? channels : [undefined]).map((channel) => (
              <PartLine
                key={keyOf(part, channel)}
                visit={visit}
                part={part}
                channel={channel}
                act={field.value[keyOf(part, channel)]}
                choose={(act) => {
                  const others = without(field.value, keyOf(part, channel));
                  field.onChange(act ? { ...others, [keyOf(part, channel)]: act } : others);
                }}
              />
            )),
          )}
          {error && <FormHelperText error>{error}</FormHelperText>}
        </Stack>
      )}
    />
  );
}

function keyOf(part: PartForm, channel: string | undefined): string {
  return channel ? `${part.part} ${channel}` : part.part;
}

function PartLine({
  visit,
  part,
  channel,
  act,
  choose,
}: {
  visit: Visit;
  part: PartForm;
  channel: string | undefined;
  act: PartEntry['act'] | undefined;
  choose: (act: PartEntry['act'] | undefined) => void;
}) {
  const count = visit.parts.find((one) => one.part === part.part && one.channel === channel);
  return (
    <Stack
      direction="row"
      role="group"
      aria-label={`${channel ? `${channel} ` : ''}${word('part', part.part)}`}
      sx={{ gap: 1, alignItems: 'center', flexWrap: 'wrap' }}
    >
      <Box sx={{ minWidth: 150 }}>
        <Typography>
          {channel && `${channel}: `}
          {capital(word('part', part.part))}
        </Typography>
        {count && (
          <Typography color={count.toReplace ? 'error' : 'text.secondary'} sx={{ fontSize: '1rem' }}>
            cleaned {count.cleaned} ×, replaced {count.replaced} ×{count.toReplace && ': replace it'}
          </Typography>
        )}
      </Box>
      {part.acts.map((one) => (
        <Button
          key={one}
          variant={act === one ? 'contained' : 'outlined'}
          aria-pressed={act === one}
          onClick={() => choose(act === one ? undefined : one)}
        >
          {capital(word('partAct', one))}
        </Button>
      ))}
    </Stack>
  );
}
