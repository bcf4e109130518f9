import {
  Box,
  Button,
  FormHelperText,
  MenuItem,
  Stack,
  TextField,
  ToggleButton,
  Typography,
} from '@mui/material';
import { Controller, useFormContext, useWatch } from 'react-hook-form';
import type { Channel, Family, PortInk } from '../api/types';
import { capital, terms, word } from '../words/words';
import { usualPorts, type IntakeForm } from './intakeForm';

const KINDS = terms('chemistry').map((value) => ({ value, label: capital(word('chemistry', value)) }));

/** What each port carries, in port order as seen from the front. Label and ink need not agree: both are kept. */
export function Ports({ families }: { families: Family[] }) {
  const { control, setValue, getValues, formState } = useFormContext<IntakeForm>();
  const code = useWatch({ control, name: 'familyCode' });
  const ports = useWatch({ control, name: 'ports' });
  const family = families.find((f) => f.code === code);
  const error = formState.errors.ports?.message ?? formState.errors.ports?.root?.message;
  if (!family || ports.length === 0) {
    return error ? <FormHelperText error>{error}</FormHelperText> : null;
  }
  const set = (next: PortInk[]) => setValue('ports', next, { shouldDirty: true });
  const all = (change: Partial<PortInk>) => set(getValues('ports').map((port) => ({ ...port, ...change })));
  const putBack = (channel: string) =>
    set(
      usualPorts(family).flatMap((usual) => {
        const known = getValues('ports').find((p) => p.channel === usual.channel);
        return known ? [known] : usual.channel === channel ? [usual] : [];
      }),
    );
  const kind = ports.every((p) => p.chemistry === ports[0].chemistry) ? ports[0].chemistry : '';
  const isOwn = ports.every((p) => p.makersOwn);
  return (
    <Box role="group" aria-label="Ports from the front">
      <Stack direction="row" sx={{ gap: 1.5, alignItems: 'center', flexWrap: 'wrap', mb: 1 }}>
        <Typography sx={{ fontWeight: 600, flex: 1, minWidth: 240 }}>
          Ports from the front: {family.channels[0].port}
        </Typography>
        <TextField
          select
          size="small"
          label="All ports carry"
          value={kind}
          onChange={(event) => all({ chemistry: event.target.value as PortInk['chemistry'] })}
          sx={{ width: 230 }}
        >
          {KINDS.map(({ value, label }) => (
            <MenuItem key={value} value={value}>
              {label}
            </MenuItem>
          ))}
        </TextField>
        <ToggleButton
          value="own"
          selected={isOwn}
          aria-label={isOwn ? "All maker's own" : 'All third-party'}
          onChange={() => all({ makersOwn: !isOwn })}
          sx={{ minWidth: 156, height: 48, whiteSpace: 'nowrap' }}
        >
          {isOwn ? "All maker's own" : 'All third-party'}
        </ToggleButton>
      </Stack>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', lg: '1fr 1fr' }, gap: 1 }}>
        {family.channels.map((channel) => {
          const at = ports.findIndex((p) => p.channel === channel.code);
          return at < 0 ? (
            <Absent key={channel.code} channel={channel} back={() => putBack(channel.code)} />
          ) : (
            <Port
              key={channel.code}
              channel={channel}
              at={at}
              away={ports.length > 1 ? () => set(ports.filter((p) => p.channel !== channel.code)) : undefined}
            />
          );
        })}
      </Box>
      {error && <FormHelperText error>{error}</FormHelperText>}
    </Box>
  );
}

function Stripe({ channel }: { channel: Channel }) {
  return (
    <Box
      sx={{ width: 10, alignSelf: 'stretch', minHeight: 48, bgcolor: channel.ink, borderRadius: 0.5 }}
      aria-hidden
    />
  );
}

/** A channel of the family that this printer does not carry: it counts nowhere. */
function Absent({ channel, back }: { channel: Channel; back: () => void }) {
  return (
    <Stack direction="row" sx={{ gap: 1, alignItems: 'center', opacity: 0.85 }}>
      <Stripe channel={channel} />
      <Typography sx={{ flex: 1 }}>
        <s>{channel.colour}</s> not in this printer
      </Typography>
      <Button onClick={back} aria-label={`${channel.colour} is in this printer`}>
        It is there
      </Button>
    </Stack>
  );
}

function Port({ channel, at, away }: { channel: Channel; at: number; away: (() => void) | undefined }) {
  const { control } = useFormContext<IntakeForm>();
  return (
    <Stack
      direction="row"
      role="group"
      aria-label={`Port ${channel.colour}`}
      sx={{ gap: 1, alignItems: 'flex-start', minWidth: 0 }}
    >
      <Stripe channel={channel} />
      <Controller
        control={control}
        name={`ports.${at}.inkInLine`}
        render={({ field, fieldState }) => (
          <TextField
            {...field}
            inputRef={field.ref}
            label={`${channel.code}: ink in line`}
            error={fieldState.error !== undefined}
            helperText={fieldState.error?.message}
            sx={{ flex: '1 1 120px', minWidth: 96 }}
            slotProps={{ htmlInput: { 'aria-label': `${channel.colour}: ink in line` } }}
          />
        )}
      />
      <Controller
        control={control}
        name={`ports.${at}.chemistry`}
        render={({ field, fieldState }) => (
          <TextField
            select
            label="Kind"
            {...field}
            inputRef={field.ref}
            error={fieldState.error !== undefined}
            helperText={fieldState.error?.message}
            sx={{ flex: '1 1 120px', minWidth: 96 }}
          >
            {KINDS.map(({ value, label }) => (
              <MenuItem key={value} value={value}>
                {label}
              </MenuItem>
            ))}
          </TextField>
        )}
      />
      <Controller
        control={control}
        name={`ports.${at}.makersOwn`}
        render={({ field }) => (
          <ToggleButton
            value="own"
            selected={field.value}
            onChange={() => field.onChange(!field.value)}
            sx={{ minWidth: 124, height: 58, whiteSpace: 'nowrap', px: 1 }}
          >
            {field.value ? "Maker's own" : 'Third-party'}
          </ToggleButton>
        )}
      />
      <Button
        onClick={away}
        disabled={!away}
        aria-label={`${channel.colour} is not in this printer`}
        sx={{ minWidth: 48, height: 58, px: 1, whiteSpace: 'nowrap' }}
      >
        Not there
      </Button>
    </Stack>
  );
}
